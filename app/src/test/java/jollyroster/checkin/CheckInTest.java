package jollyroster.checkin;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.VISITOR;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Mailbox;
import jollyroster.QrReader;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.attendance.AttendanceQueries;
import jollyroster.attendance.CheckInQueries;
import jollyroster.checkin.CheckInCommands.Outcome;
import jollyroster.checkin.CheckInCommands.Sent;
import jollyroster.core.attendance.Verdict;
import jollyroster.platform.Actor;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.security.access.AccessDeniedException;

/** Parties are ticked off at the entrance, by their ticket or by name, also by devices that were without network. */
@AppTest
class CheckInTest {

    private static final Instant START = Instant.parse("2027-03-16T22:00:00Z");

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    RegistrationQueries registrations;

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    CheckInCommands checkIns;

    @Autowired
    CheckInQueries inside;

    @Autowired
    AttendanceQueries attendance;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    Tickets tickets;

    @Autowired
    Mailbox mailbox;

    @Autowired
    TestClock clock;

    private Published at;
    private Browserless organiser;
    private String desk;

    @BeforeEach
    void published() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(6));
        roster.register(Saltmarrow.person(at.session(), "Ada Merrow", 3), VISITOR);
        roster.register(Saltmarrow.person(at.session(), "Ben Tarn", 1), VISITOR);
        organiser = Browserless.organiser(port);
        desk = "/desk/check-in/" + at.session();
        clock.set(START);
    }

    private Registration of(String name) {
        return Saltmarrow.named(registrations.roster(at.session()), name);
    }

    private Sent tick(String key, String name, int place, boolean in, Instant when) {
        return new Sent(key + at.session(), of(name).id(), place, in, when);
    }

    private List<Outcome> take(Sent... ticks) {
        return checkIns.take(at.session(), List.of(ticks), ORGANISER);
    }

    @Test
    void a_party_is_ticked_whole_or_one_by_one_and_a_tick_is_taken_back() {
        String ada = String.valueOf(of("Ada Merrow").id());
        organiser.post(desk, desk + "/ticks", Map.of("registration", ada, "in", "true", "place", "1"));
        assertThat(inside.in(at.session()).get(of("Ada Merrow").id())).containsOnlyKeys(1);
        organiser.post(desk, desk + "/ticks", Map.of("registration", ada, "in", "true"));
        assertThat(inside.in(at.session()).get(of("Ada Merrow").id())).containsOnlyKeys(0, 1, 2);
        clock.set(START.plusSeconds(5));
        organiser.post(desk, desk + "/ticks", Map.of("registration", ada, "in", "false", "place", "2"));
        assertThat(inside.in(at.session()).get(of("Ada Merrow").id())).containsOnlyKeys(0, 1);
        assertThat(organiser.get(desk).document().select(".entered").text()).isEqualTo("2 of 4 in");
        assertThat(organiser.get(desk + "?q=tarn").document().select(".parties li"))
                .hasSize(1);
    }

    @Test
    void a_walk_up_that_is_sent_twice_with_one_press_is_one_and_others_are_others() {
        organiser.pressTwice(desk, desk + "/walk-up", Map.of("name", "Cleo Sand", "email", "", "party", "1"));
        assertThat(names()).containsOnlyOnce("Cleo Sand");
        organiser.post(desk, desk + "/walk-up", Map.of("name", "Dora Holm", "form", "kept", "party", "1"));
        assertThat(names()).doesNotHaveDuplicates().contains("Dora Holm");
    }

    @Test
    void a_page_that_the_browser_kept_serves_for_several_walk_ups() {
        for (String name : List.of("Dora Holm", "Emil Brack", "Dora Holm")) {
            organiser.post(desk, desk + "/walk-up", Map.of("name", name, "form", "kept", "party", "1"));
        }
        assertThat(names()).containsOnlyOnce("Dora Holm", "Emil Brack");
    }

    private List<String> names() {
        return registrations.roster(at.session()).stream()
                .map(Registration::name)
                .toList();
    }

    @Test
    void whoever_was_ticked_off_has_attended() {
        take(tick("a", "Ben Tarn", 0, true, START));
        var session = programme.session(at.session()).orElseThrow();
        var attended = attendance.ofSession(at.session(), session.span(), START.plusSeconds(60));
        assertThat(attended.get(of("Ben Tarn").id()).verdict()).isEqualTo(Verdict.ATTENDED);
        assertThat(attended).doesNotContainKey(of("Ada Merrow").id());
        assertThat(attendance.hasBeenIn(at.session(), of("Ben Tarn").id())).isTrue();
    }

    @Test
    void ticks_that_come_late_twice_or_out_of_order_count_once_at_the_time_they_were_made() {
        Sent in = tick("in", "Ben Tarn", 0, true, START.minusSeconds(300));
        Sent out = tick("out", "Ben Tarn", 0, false, START.minusSeconds(200));
        Sent again = tick("again", "Ben Tarn", 0, true, START.minusSeconds(100));
        assertThat(take(again, in)).containsExactly(Outcome.TAKEN, Outcome.TAKEN);
        assertThat(take(out, in)).containsExactly(Outcome.TAKEN, Outcome.KNOWN);
        assertThat(inside.in(at.session()).get(of("Ben Tarn").id())).isEqualTo(Map.of(0, START.minusSeconds(100)));
        take(tick("ahead", "Ben Tarn", 0, true, START.plus(Duration.ofDays(3))));
        assertThat(inside.in(at.session()).get(of("Ben Tarn").id()))
                .as("a clock that is ahead counts as now")
                .isEqualTo(Map.of(0, START));
    }

    @Test
    void what_does_not_belong_is_refused_and_what_was_cancelled_since_is_said() {
        Published other = saltmarrow.publish(seats(3).at("2027-03-16T20:00"));
        long ben = of("Ben Tarn").id();
        assertThat(checkIns.take(other.session(), List.of(new Sent("x" + ben, ben, 0, true, START)), ORGANISER))
                .containsExactly(Outcome.REFUSED);
        assertThat(take(tick("far", "Ben Tarn", 1, true, START), tick("neg", "Ben Tarn", -1, true, START)))
                .containsExactly(Outcome.REFUSED, Outcome.REFUSED);
        Sent made = tick("offline", "Ben Tarn", 0, true, START);
        changes.cancel(ben, "", ORGANISER);
        assertThat(take(made)).containsExactly(Outcome.CANCELLED);
        assertThatThrownBy(() -> checkIns.take(at.session(), List.of(), Actor.visitor("x")))
                .isInstanceOf(AccessDeniedException.class);
    }

    @Test
    void a_ticket_is_read_back_by_a_second_decoder_and_leads_nowhere_but_here() throws Exception {
        String own = mailbox.ownPage("ada.merrow@crew.example");
        byte[] png = new Browserless(port).bytes(own + "/ticket.png");
        String text = QrReader.text(png);
        assertThat(text).startsWith("JR1:").doesNotContain("http");
        assertThat(tickets.read(text)).contains(of("Ada Merrow"));
        assertThat(organiser.get(desk + "/roll.json").response().body())
                .contains(tickets.trace(of("Ada Merrow")))
                .doesNotContain(text.substring(4), "crew.example");
        assertThat(new Browserless(port).get(own).document().select("img.ticket-code"))
                .hasSize(1);
        assertThat(new Browserless(port).bytes(own + "/ticket.pdf")).startsWith("%PDF".getBytes());
        assertThat(tickets.read("JR1:" + own.substring(4)))
                .as("another link is no ticket")
                .isEmpty();
    }

    @Test
    void tickets_of_another_day_and_forged_ones_are_told_apart() {
        Published other = saltmarrow.publish(seats(3).at("2027-03-23T19:00"));
        roster.register(Saltmarrow.person(other.session(), "Cleo Sand", 1), VISITOR);
        Registration cleo = registrations.roster(other.session()).get(0);
        assertThat(said(tickets.text(cleo))).contains("This ticket is for").contains("23 Mar");
        assertThat(said("JR1:1.1.AAAAAAAAAAAAAAAAAAAAAA")).contains("not a valid ticket");
        assertThat(said("https://elsewhere.example/")).contains("not a valid ticket");
        assertThat(said(tickets.text(of("Ben Tarn")))).doesNotContain("ticket is for", "not a valid");
    }

    private String said(String text) {
        return organiser
                .post(desk, desk + "/ticket", Map.of("text", text))
                .response()
                .body();
    }

    @Test
    void a_device_sends_what_it_has_gathered_and_hears_what_came_of_it() {
        long ben = of("Ben Tarn").id();
        String ticks = "[{\"key\":\"k-" + ben + "\",\"registration\":" + ben + ",\"place\":0,\"in\":true,\"at\":\""
                + START + "\"}]";
        assertThat(sync(ticks).response().body()).contains("\"taken\"");
        assertThat(sync(ticks).response().body()).contains("\"known\"");
        for (String bad : List.of("{}", "[null]", "[{\"key\":\"\"}]", "[" + "1,".repeat(5000) + "1]", "x", "")) {
            assertThat(sync(bad).status()).as(bad).isEqualTo(400);
        }
    }

    private Browserless.Page sync(String ticks) {
        return organiser.post(desk, desk + "/sync", Map.of("ticks", ticks));
    }

    @Test
    void whoever_walks_up_gets_a_seat_that_is_free_and_nobody_more_than_there_are() {
        IntStream.range(0, 3)
                .forEach(i -> organiser.post(
                        desk, desk + "/walk-up", Map.of("name", "Walker " + i, "email", "", "party", "1")));
        assertThat(registrations.roster(at.session()).stream()
                        .mapToInt(Registration::party)
                        .sum())
                .isEqualTo(6);
        assertThat(organiser.get(desk).document().select(".warned").text()).contains("no seat");
    }

    @Test
    void a_party_that_arrives_gets_its_badges_a_label_each() throws Exception {
        try (PDDocument badges = Loader.loadPDF(
                organiser.bytes(desk + "/badge/" + of("Ada Merrow").id()))) {
            assertThat(badges.getNumberOfPages()).isEqualTo(3);
            assertThat(new PDFTextStripper().getText(badges)).contains("Ada Merrow");
            assertThat(badges.getPage(0).getMediaBox().getWidth() / 72 * 25.4).isBetween(89.0, 91.0);
        }
        Published other = saltmarrow.publish(seats(2));
        assertThat(organiser
                        .get("/desk/check-in/" + other.session() + "/badge/"
                                + of("Ada Merrow").id())
                        .status())
                .isEqualTo(404);
    }
}
