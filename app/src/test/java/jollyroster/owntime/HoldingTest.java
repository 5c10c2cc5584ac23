package jollyroster.owntime;

import static jollyroster.Saltmarrow.HALIFAX;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.TestClock;
import jollyroster.core.dates.Interval;
import jollyroster.core.openhours.HostChoice;
import jollyroster.hosting.BusyCommands;
import jollyroster.hosting.CalendarSettings;
import jollyroster.owntime.PickCommands.Pick;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.OwnTime;
import jollyroster.seating.Application;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registering;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A time is held for one browser while the form is filled in, and given back when nobody has it any more. */
@AppTest
class HoldingTest extends AtTheClinic {

    private static final String MINE = "mine";
    private static final String THEIRS = "theirs";

    @Autowired
    TimeHoldCommands holds;

    @Autowired
    TimeHoldQueries held;

    @Autowired
    TimeHoldWorker worker;

    @Autowired
    HostQueries hosts;

    @Autowired
    BusyCommands busy;

    @Autowired
    ChangeSeatCommands seats;

    private static Pick pick(Offering o, Instant at, String browser) {
        return new Pick(o, at, Optional.empty(), browser);
    }

    private boolean hold(Offering o, Instant at, String browser) {
        return holds.hold(pick(o, at, browser), new Viewer(browser, clock.instant()), Saltmarrow.VISITOR);
    }

    private List<String> open(Offering o, String browser) {
        return times
                .between(o, WEDNESDAY, WEDNESDAY.plusDays(1), Set.of(), new Viewer(browser, clock.instant()))
                .stream()
                .map(t -> t.start().toLocalTime().toString())
                .toList();
    }

    private Registering register(Offering o, Instant at, String browser, String name) {
        Application asked = new Application(
                0,
                name,
                name.replace(' ', '.') + o.id() + "@crew.example",
                "",
                1,
                HALIFAX,
                List.of(),
                List.of(),
                UUID.randomUUID().toString());
        return picks.pick(pick(o, at, browser), asked, Optional.empty(), Saltmarrow.VISITOR);
    }

    @Test
    void a_held_time_is_free_for_its_browser_only_and_for_five_minutes() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, host());
        Instant ten = at(WEDNESDAY, "10:00");
        assertThat(hold(o, ten, MINE)).isTrue();
        assertThat(open(o, MINE)).containsExactly("10:00", "10:20", "10:40");
        assertThat(open(o, THEIRS)).containsExactly("10:20", "10:40");
        assertThat(hold(o, ten, THEIRS)).isFalse();
        assertThat(register(o, ten, THEIRS, "Teo Quill"))
                .isEqualTo(new Registering.Refused(Registering.Reason.TIME_GONE));
        clock.set(TestClock.START.plusSeconds(200));
        hold(o, ten, MINE);
        clock.set(TestClock.START.plusSeconds(299));
        assertThat(open(o, THEIRS)).as("asking again does not make it longer").hasSize(2);
        clock.set(TestClock.START.plusSeconds(300));
        assertThat(open(o, THEIRS)).containsExactly("10:00", "10:20", "10:40");
        assertThat(held.own(o.id(), new Viewer(MINE, clock.instant()))).isEmpty();
        assertThat(worker.clearAway()).isGreaterThanOrEqualTo(1);
        assertThat(worker.clearAway()).isZero();
        assertThat(register(o, ten, MINE, "Wren Skerry"))
                .as("whoever is late may have it, as nobody else was there")
                .isInstanceOf(Registering.Done.class);
    }

    @Test
    void one_browser_holds_one_time_of_an_offering_and_none_once_it_has_registered() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, host());
        hold(o, at(WEDNESDAY, "10:00"), MINE);
        hold(o, at(WEDNESDAY, "10:40"), MINE);
        assertThat(open(o, THEIRS)).containsExactly("10:00", "10:20");
        assertThat(register(o, at(WEDNESDAY, "10:40"), MINE, "Wren Skerry")).isInstanceOf(Registering.Done.class);
        assertThat(held.own(o.id(), new Viewer(MINE, clock.instant()))).isEmpty();
        assertThat(open(o, THEIRS)).containsExactly("10:00", "10:20");
    }

    @Test
    void the_host_who_is_held_leads_it_and_other_offerings_see_it_too() {
        long one = host();
        long other = host();
        Offering o = clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, one, other);
        Offering alone = clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, one);
        hold(o, at(WEDNESDAY, "10:00"), MINE);
        long kept = held.own(o.id(), new Viewer(MINE, clock.instant()))
                .orElseThrow()
                .hosts()
                .get(0);
        assertThat(kept).isEqualTo(one);
        assertThat(open(alone, THEIRS)).containsExactly("10:20", "10:40");
        assertThat(open(o, THEIRS)).as("the other one is free").hasSize(3);
        register(alone, at(WEDNESDAY, "10:40"), THEIRS, "Teo Quill");
        register(o, at(WEDNESDAY, "10:00"), MINE, "Wren Skerry");
        assertThat(hosts.of(programme.sessionsOf(o.id()).get(0)).get(0).id()).isEqualTo(kept);
    }

    @Test
    void all_who_lead_together_are_held_together_and_a_seat_of_a_shared_time_is_held() {
        long one = host();
        long other = host();
        Offering both = clinic(OwnTime.in(hours("Wed 10-11")).ledBy(HostChoice.ALL_TOGETHER), 1, 1, one, other);
        hold(both, at(WEDNESDAY, "10:00"), MINE);
        assertThat(open(clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, other), THEIRS))
                .hasSize(2);
        Offering crews = clinic(OwnTime.in(hours("Wed 14-14:20")), 2, 1, one);
        register(crews, at(WEDNESDAY, "14:00"), THEIRS, "Ann Kestrel");
        hold(crews, at(WEDNESDAY, "14:00"), MINE);
        assertThat(open(crews, THEIRS)).as("the last seat is held").isEmpty();
        assertThat(open(crews, MINE)).containsExactly("14:00");
    }

    @Test
    void a_time_that_is_given_back_leaves_the_programme_and_may_be_picked_again() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-10:20")), 1, 1, host());
        Instant ten = at(WEDNESDAY, "10:00");
        Registering came = register(o, ten, "", "Wren Skerry");
        long registration = ((Registering.Done) came).link().id();
        long first = programme.sessionsOf(o.id()).get(0).id();
        assertThat(open(o, "")).isEmpty();
        assertThat(seats.cancel(registration, "", Saltmarrow.ORGANISER)).isTrue();
        assertThat(programme.sessionsOf(o.id())).isEmpty();
        assertThat(programme.between(ten, ten.plusSeconds(60)))
                .extracting(s -> s.id())
                .doesNotContain(first);
        assertThat(programme.session(first).orElseThrow().givenBack()).isTrue();
        assertThat(open(o, "")).containsExactly("10:00");
        register(o, ten, "", "Teo Quill");
        assertThat(programme.sessionsOf(o.id()))
                .singleElement()
                .satisfies(s -> assertThat(s.id()).isNotEqualTo(first));
        Browserless organiser = Browserless.organiser(port);
        assertThat(organiser.get("/desk/sessions/" + first).document().text())
                .contains("Given back: nobody has this time any more");
    }

    @Test
    void a_block_that_arrives_between_pick_and_form_wins_and_the_nearest_are_offered() {
        long host = host();
        Offering o = clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, host);
        hold(o, at(WEDNESDAY, "10:20"), MINE);
        busy.add(
                host,
                "Away",
                "",
                CalendarSettings.USUAL,
                List.of(new Interval(at(WEDNESDAY, "10:25"), at(WEDNESDAY, "10:35"))),
                "",
                Saltmarrow.ORGANISER);
        assertThat(open(o, MINE))
                .as("a hold keeps others away, not the host's own day")
                .containsExactly("10:00", "10:40");
        assertThat(register(o, at(WEDNESDAY, "10:20"), MINE, "Wren Skerry"))
                .isEqualTo(new Registering.Refused(Registering.Reason.TIME_GONE));
        assertThat(programme.sessionsOf(o.id())).isEmpty();
        assertThat(register(o, at(WEDNESDAY, "10:40"), MINE, "Wren Skerry")).isInstanceOf(Registering.Done.class);
    }

    @Test
    void the_page_holds_what_is_picked_and_keeps_what_is_typed() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11 from 17 Mar")), 1, 1, host());
        Browserless visitor = new Browserless(port);
        String address = "/p/" + o.slug();
        Browserless.Page picked =
                visitor.post(address, address + "/pick", java.util.Map.of("start", "2027-03-17T10:20:00-03:00"));
        assertThat(picked.document().select("#ask .held").text()).isEqualTo("held for you until 09:45");
        assertThat(picked.document().select(".is-picked").text()).isEqualTo("10:20");
        assertThat(new Browserless(port)
                        .get(address)
                        .document()
                        .select(".tide-day button")
                        .eachText())
                .containsExactly("10:00", "10:40");
        assertThat(new Browserless(port)
                        .get(address + "?start=2027-03-17T10:20:00-03:00")
                        .document()
                        .select("main")
                        .text())
                .contains("Wed 17 Mar 10:20 is taken, or cannot be picked any more");
        Browserless.Page other = visitor.post(
                address,
                address + "/pick",
                java.util.Map.of("start", "2027-03-17T10:40:00-03:00", "form", "f1", "name", "Wren Skerry"));
        assertThat(other.status()).isEqualTo(200);
        assertThat(other.document().select("[name=name]").attr("value")).isEqualTo("Wren Skerry");
        assertThat(other.document().select(".is-picked").text()).isEqualTo("10:40");
        assertThat(visitor.get(address + "/pick").location()).endsWith(address + "#pick");
    }

    @Test
    void what_is_closed_holds_nothing() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11 from 17 Mar")), 1, 1, host());
        offerings.turn(o.id(), OfferingStatus.CLOSED, Saltmarrow.ORGANISER);
        String address = "/p/" + o.slug();
        assertThat(new Browserless(port).get(address).document().select(".tide-day"))
                .isEmpty();
        new Browserless(port).post("/mine", address + "/pick", java.util.Map.of("start", "2027-03-17T10:20:00-03:00"));
        offerings.turn(o.id(), OfferingStatus.PUBLISHED, Saltmarrow.ORGANISER);
        assertThat(open(o, THEIRS)).hasSize(3);
    }

    @Test
    void what_is_taken_is_shown_where_the_offering_says_so() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11")).showingTaken(), 1, 1, host());
        register(o, at(WEDNESDAY, "10:20"), "", "Wren Skerry");
        var page = new Browserless(port)
                .get("/p/" + o.slug() + "?from=" + LocalDate.of(2027, 3, 17))
                .document();
        assertThat(page.select(".tide-day s").eachText()).containsExactly("taken: 10:20");
        assertThat(page.select(".tide-day").get(0).select("button").eachText()).containsExactly("10:00", "10:40");
        assertThat(ZonedDateTime.parse(page.select(".tide-day button").first().attr("value"))
                        .toInstant())
                .isEqualTo(at(WEDNESDAY, "10:00"));
    }
}
