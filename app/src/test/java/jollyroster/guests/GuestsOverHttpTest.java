package jollyroster.guests;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.outbox.OutboxWorker;
import jollyroster.outbox.SentMail;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.Tell;
import jollyroster.standin.TrayQueries;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The guest list: taken in, written to, reminded, taken off, and those who ask to come. */
@AppTest
class GuestsOverHttpTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TrayQueries tray;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Published at;
    private String guests;
    private Browserless organiser;

    @BeforeEach
    void publish() {
        at = saltmarrow.publish(seats(4).invitedOnly());
        guests = "/desk/offerings/" + at.offering() + "/guests";
        organiser = Browserless.organiser(port);
    }

    @AfterEach
    void back() {
        clock.set(TestClock.START);
    }

    private Document list() {
        return organiser.get(guests).document();
    }

    /** Does something on the page of the list. @return what is said about it */
    private String said(String path, Map<String, String> fields) {
        organiser.post(guests, guests + path, fields);
        return list().select(".said, .warned").text();
    }

    private String takeIn(String text) {
        return said("", Map.of("text", text));
    }

    /** The subject of the latest letter to an address; empty when there was none. */
    private String letterTo(String address) {
        worker.sendDue();
        return tray.latestTo(address).map(SentMail.Mail::subject).orElse("");
    }

    @Test
    void addresses_tables_and_cards_are_taken_in_once_each_and_nobody_is_written_to() {
        assertThat(takeIn("Wren Skerry <wren@list.example>\nteo@list.example\nnot an address"))
                .contains("2");
        takeIn("name,email\nIlse Merrow,ilse@list.example\nWren Again,WREN@list.example\n");
        takeIn("BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Piran Strand\r\nEMAIL:piran@list.example\r\nEND:VCARD\r\n");
        assertThat(list().select("table tbody tr td:nth-child(3)").eachText())
                .containsExactlyInAnyOrder(
                        "wren@list.example", "teo@list.example", "ilse@list.example", "piran@list.example");
        assertThat(letterTo("wren@list.example")).isEmpty();
    }

    @Test
    void invitations_go_out_once_and_only_when_the_links_lead_somewhere() {
        takeIn("kofi@list.example");
        offerings.turn(at.offering(), OfferingStatus.CLOSED, Saltmarrow.ORGANISER);
        assertThat(said("/send", Map.of())).contains("publish the offering first");
        offerings.turn(at.offering(), OfferingStatus.PUBLISHED, Saltmarrow.ORGANISER);
        assertThat(said("/send", Map.of("words", "Bring your *own* rope."))).isEqualTo("1 invitation is on its way.");
        assertThat(said("/send", Map.of()))
                .isEqualTo("Nobody was written to: no date is to come, or everybody is invited already.");
        String invitation = letterTo("kofi@list.example");
        assertThat(invitation).contains("Knots and splicing bench");
        assertThat(tray.latestTo("kofi@list.example").orElseThrow().text()).contains("Bring your *own* rope.");
        assertThat(said("/remind", Map.of())).as("written to a moment ago").startsWith("Nobody was reminded");
        clock.windOn(Duration.ofHours(21));
        assertThat(said("/remind", Map.of())).isEqualTo("1 person is reminded.");
        assertThat(said("/remind", Map.of())).startsWith("Nobody was reminded");
        assertThat(letterTo("kofi@list.example")).isNotEqualTo(invitation).contains("Knots and splicing bench");
    }

    @Test
    void who_is_taken_off_the_list_has_a_link_that_is_worth_nothing() {
        takeIn("ade@list.example");
        String link = list().select("[data-copy-text]").attr("data-copy-text").replaceAll("^https?://[^/]+", "");
        assertThat(new Browserless(port).get(link).document().select("[name=invited]"))
                .isNotEmpty();
        String remove = list().select("form[action$=remove]").attr("action");
        assertThat(said(remove.substring(guests.length()), Map.of())).startsWith("Off the list.");
        assertThat(new Browserless(port).get(link).document().select("[name=invited]"))
                .isEmpty();
        assertThat(list().select("table tbody").text()).contains("Nobody is on the list yet");
        clock.windOn(Duration.ofMinutes(1));
        takeIn("next@list.example");
        String next = list().select("[data-copy-text]").attr("data-copy-text").replaceAll("^https?://[^/]+", "");
        assertThat(new Browserless(port).get(next).document().select("[name=invited]"))
                .isNotEmpty();
        assertThat(new Browserless(port).get(link).document().select("[name=invited]"))
                .as("also when somebody else has the row now")
                .isEmpty();
        said("/send", Map.of());
        assertThat(letterTo("next@list.example")).contains("You are invited");
    }

    @Test
    void nonsense_takes_in_nobody_and_says_so() {
        for (String text : List.of("", "   ", "@", "a,b,c\n1,2,3", "BEGIN:VCARD\nEND:VCARD")) {
            assertThat(takeIn(text)).as(text).matches("Nobody was imported.*|.*Not e-mail addresses.*");
        }
        assertThat(takeIn("x".repeat(1_100_000))).contains("larger than 1 MB");
        assertThat(list().select("table tbody").text()).contains("Nobody is on the list yet");
        assertThat(said("/replies", Map.of("text", "BEGIN:VCALENDAR\nMETHOD:PUBLISH\nEND:VCALENDAR")))
                .isNotBlank();
    }

    @Test
    void who_asks_to_come_is_let_in_or_not_and_hears_of_it() {
        Browserless stranger = new Browserless(port);
        String page = "/p/" + at.slug();
        assertThat(stranger.post(page, page + "/ask", Map.of("name", "Wren", "email", "no"))
                        .status())
                .isEqualTo(422);
        for (String name : List.of("Oriel Merrow", "Quill Strand")) {
            String address = name.split(" ")[0].toLowerCase(java.util.Locale.ROOT) + at.offering() + "@asks.example";
            stranger.post(page, page + "/ask", Map.of("name", name, "email", address, "words", "=1+1 <b>please</b>"));
        }
        assertThat(list().select(".asking li")).hasSize(2);
        assertThat(list().select(".asking li").text()).contains("=1+1 <b>please</b>");
        takeIn("not-yet" + at.offering() + "@list.example");
        String first = list().select(".asking form").get(0).attr("action").substring(guests.length());
        String second = list().select(".asking form").get(1).attr("action").substring(guests.length());
        assertThat(said(first, Map.of("yes", "true"))).isEqualTo("Invited, and told.");
        assertThat(said(first, Map.of("yes", "true"))).startsWith("Nobody was written to");
        assertThat(said(second, Map.of("yes", "false"))).isEqualTo("Told that there is no room.");
        assertThat(list().select(".asking")).isEmpty();
        assertThat(list().select("table tbody tr")).hasSize(2);
        assertThat(letterTo("not-yet" + at.offering() + "@list.example"))
                .as("who has not been invited yet")
                .isEmpty();
        assertThat(letterTo("oriel" + at.offering() + "@asks.example")).isNotBlank();
        assertThat(letterTo("quill" + at.offering() + "@asks.example")).isNotBlank();
    }

    /** What a calendar program sends back to an invitation. */
    private static String reply(String request, String answer, String from) {
        String uid =
                request.lines().filter(l -> l.startsWith("UID:")).findFirst().orElseThrow();
        return String.join(
                "\r\n",
                "BEGIN:VCALENDAR",
                "VERSION:2.0",
                "PRODID:-//Test//EN",
                "METHOD:REPLY",
                "BEGIN:VEVENT",
                uid,
                "DTSTAMP:20270310T130000Z",
                "ATTENDEE;PARTSTAT=" + answer + ":mailto:" + from,
                "END:VEVENT",
                "END:VCALENDAR",
                "");
    }

    @Test
    void what_a_calendar_answers_to_an_invitation_is_taken_if_it_is_theirs() {
        at = saltmarrow.publish(seats(4).answered(false, Tell.NEVER));
        guests = "/desk/offerings/" + at.offering() + "/guests";
        takeIn("Sunniva Strand <sunniva@calendar.example>");
        said("/send", Map.of());
        worker.sendDue();
        String request = tray.latestTo("sunniva@calendar.example").orElseThrow().calendar();
        assertThat(said("/replies", Map.of("text", reply(request, "ACCEPTED", "wren@calendar.example"))))
                .startsWith("0 replies recorded, 1 not");
        assertThat(list().select("table tbody td.whole").get(0).text()).doesNotContain("yes");
        said("/replies", Map.of("text", reply(request, "ACCEPTED", "sunniva@calendar.example")));
        assertThat(list().select("table tbody td.whole").get(0).text()).contains("yes");
        said("/replies", Map.of("text", reply(request, "DECLINED", "sunniva@calendar.example")));
        assertThat(list().select("table tbody td.whole").get(0).text()).contains("no");
    }

    @Test
    void a_long_list_is_read_in_pages_and_searched() {
        takeIn(IntStream.range(0, 45)
                .mapToObj(i -> "Guest %02d <guest%02d@crew.example>".formatted(i, i))
                .collect(Collectors.joining("\n")));
        assertThat(list().select("tbody .name").eachText()).hasSize(20).startsWith("Guest 00");
        assertThat(list().select("nav.in-page a").first().text()).isEqualTo("everybody 45");
        organiser.post(guests, guests, Map.of("text", "nobody, <b>\"here\"</b>"));
        assertThat(list().select("details[open] textarea").text()).isEqualTo("nobody, <b>\"here\"</b>");
        Document last = organiser.get(guests + "?page=9999").document();
        assertThat(last.select("tbody .name").eachText()).hasSize(5).endsWith("Guest 44");
        assertThat(last.select(".filters a").eachText()).containsExactly("Before");
        assertThat(organiser
                        .get(guests + "?show=new&q=GUEST44%40")
                        .document()
                        .select("tbody .name")
                        .eachText())
                .containsExactly("Guest 44");
        assertThat(organiser
                        .get(guests + "?show=yes&q=guest")
                        .document()
                        .select("tbody")
                        .text())
                .isEqualTo("Nobody matches.");
    }

    @Test
    void a_letter_is_read_before_it_goes_and_says_why_it_would_not() {
        takeIn("\"Alpha, Abe\" <abe@crew.example>, Bea <bea@crew.example>");
        Document read = organiser
                .post(guests, guests + "/preview", Map.of("words", "Do <b>come</b>"))
                .document();
        assertThat(read.select("h1").text()).startsWith("You are invited: ");
        assertThat(read.select(".mail").text()).contains("Hello Alpha,", "Do <b>come</b>");
        assertThat(read.select(".keep-bar button").eachText())
                .containsExactly("Send 2 invitations", "Back to the text");
        assertThat(tray.latestTo("abe@crew.example")).isEmpty();
        assertThat(said("/preview", Map.of("again", "true"))).contains("Nobody was reminded");
        said("/send", Map.of());
        assertThat(said("/send", Map.of())).contains("everybody is invited already");
    }

    @Test
    void strangers_do_not_see_the_list() {
        assertThat(new Browserless(port).get(guests).location()).contains("/sign-in");
        assertThat(organiser.get("/desk/offerings/999999/guests").status()).isEqualTo(404);
    }
}
