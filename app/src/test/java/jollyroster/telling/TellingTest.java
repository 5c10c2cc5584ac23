package jollyroster.telling;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Channel;
import jollyroster.core.seats.RegistrationState;
import jollyroster.guests.GuestCommands;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxQueries.Item;
import jollyroster.outbox.OutboxWorker;
import jollyroster.outbox.PlannedMailQueries;
import jollyroster.plans.ReminderCommands;
import jollyroster.plans.WatchWorker;
import jollyroster.programme.Format;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.Tell;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.HoldWorker;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** What the team is told of as it wishes, the sheet of the day, and what plans tell of at their time. */
@AppTest
class TellingTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    TellingQueries wishes;

    @Autowired
    TellingCommands tellings;

    @Autowired
    TellingWorker worker;

    @Autowired
    WatchWorker watch;

    @Autowired
    ReminderCommands plans;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    GuestCommands guests;

    @Autowired
    RegistrationQueries registrations;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    HoldWorker holds;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    OutboxWorker post;

    @Autowired
    PlannedMailQueries written;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Published at;

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
        saltmarrow.setUp();
        wishes.of(1).forEach(wish -> tellings.forget(wish.offering(), ORGANISER));
        tellings.self("", false, ORGANISER);
    }

    @AfterEach
    void back() {
        tellings.wish(Wish.none(1, Wish.ALL), ORGANISER);
        tellings.self("", false, ORGANISER);
        clock.set(TestClock.START);
        post.sendDue();
    }

    private static Wish wish(long offering, boolean each, boolean full, boolean missed, boolean text) {
        return new Wish(1, offering, each, OptionalInt.empty(), full, missed, text);
    }

    private long register(String name) {
        return ((Registering.Done) roster.register(Saltmarrow.person(at.session(), name, 1), Saltmarrow.VISITOR))
                .link()
                .id();
    }

    private List<Item> news(LetterKind kind) {
        return outbox.list(List.of(MessageState.PLANNED), 0, Optional.of(Anchor.LETTER), 500).stream()
                .filter(item -> item.kind().equals(Optional.of(kind)))
                .filter(item -> kind != LetterKind.TEAM_NEWS || item.given().number("session") == at.session())
                .toList();
    }

    private String text(Item item) {
        return written.of(item.id()).orElseThrow().mail().text();
    }

    @Test
    void each_that_comes_and_goes_is_told_to_whoever_wishes_it() {
        at = saltmarrow.publish(seats(2));
        register("Wren Skerry");
        assertThat(news(LetterKind.TEAM_NEWS)).isEmpty();
        tellings.wish(wish(Wish.ALL, true, true, false, false), ORGANISER);
        long teo = register("Teo Vance");
        assertThat(news(LetterKind.TEAM_NEWS))
                .extracting(item -> item.given().text("what"))
                .containsExactlyInAnyOrder("Registered", "Full");
        clock.windOn(Duration.ofMinutes(1));
        changes.cancel(teo, "", Saltmarrow.self(teo));
        assertThat(news(LetterKind.TEAM_NEWS))
                .extracting(item -> item.given().text("words"))
                .contains("Teo Vance");
        assertThat(news(LetterKind.TEAM_NEWS)).hasSize(3);
    }

    @Test
    void what_is_wished_for_one_offering_counts_in_the_place_of_all() {
        at = saltmarrow.publish(seats(5));
        tellings.wish(wish(Wish.ALL, true, false, false, false), ORGANISER);
        tellings.wish(wish(at.offering(), false, false, false, false), ORGANISER);
        register("Wren Skerry");
        assertThat(news(LetterKind.TEAM_NEWS)).isEmpty();
        tellings.forget(at.offering(), ORGANISER);
        register("Teo Vance");
        assertThat(news(LetterKind.TEAM_NEWS)).hasSize(1);
        tellings.self("+19025550199", false, ORGANISER);
        tellings.wish(wish(Wish.ALL, true, false, false, true), ORGANISER);
        changes.cancel(register("Kofi Brannigan"), "", ORGANISER);
        assertThat(outbox.list(List.of(MessageState.PLANNED), 0, Optional.of(Anchor.LETTER), 500))
                .filteredOn(item -> item.channel() == Channel.TEXT)
                .extracting(Item::recipient)
                .contains("+19025550199");
    }

    @Test
    void the_news_of_a_day_comes_at_its_hour_and_once() {
        clock.set(Instant.parse("2027-05-10T12:00:00Z"));
        at = saltmarrow.publish(seats(4).at("2027-06-16T19:00"));
        tellings.wish(new Wish(1, Wish.ALL, false, OptionalInt.of(18), false, false, false), ORGANISER);
        worker.tellDue();
        int before = news(LetterKind.DAY_NEWS).size();
        register("Wren <b>Skerry");
        clock.set(Instant.parse("2027-05-10T20:59:00Z"));
        worker.tellDue();
        assertThat(news(LetterKind.DAY_NEWS)).hasSize(before);
        clock.set(Instant.parse("2027-05-10T21:01:00Z"));
        worker.tellDue();
        worker.tellDue();
        assertThat(news(LetterKind.DAY_NEWS)).hasSize(before + 1);
        Item last = news(LetterKind.DAY_NEWS).get(before);
        assertThat(text(last)).contains("Wren <b>Skerry registered");
        assertThat(written.of(last.id()).orElseThrow().mail().html()).doesNotContain("<b>Skerry");
    }

    @Test
    void a_session_short_of_its_minimum_is_told_of_at_its_time_and_once() {
        at = saltmarrow.publish(seats(10));
        assertThat(add("3 days before, if short of its minimum")).isTrue();
        clock.set(Instant.parse("2027-03-13T23:00:00Z"));
        watch.watch();
        assertThat(news(LetterKind.TEAM_NEWS)).as("it needs no minimum").isEmpty();
        at = saltmarrow.publish(seats(10).with(Section.Seats.of(10, 4).needing(5, 3)));
        add("3 days before, if short of its minimum");
        clock.set(Instant.parse("2027-03-13T21:59:00Z"));
        watch.watch();
        assertThat(news(LetterKind.TEAM_NEWS)).isEmpty();
        clock.set(Instant.parse("2027-03-13T23:00:00Z"));
        watch.watch();
        watch.watch();
        assertThat(news(LetterKind.TEAM_NEWS))
                .singleElement()
                .satisfies(item -> assertThat(text(item)).contains("0 of at least 5 are registered"));
    }

    private boolean add(String line) {
        return plans.add(at.offering(), line, ORGANISER) instanceof ReminderCommands.Changed.Done;
    }

    @Test
    void whoever_has_not_answered_is_asked_once_more_before_the_cut_off() {
        at = saltmarrow.publish(seats(10).answered(false, Tell.NEVER));
        add("2 days before the cut-off, to those who have not answered");
        guests.invite(at.offering(), List.of(new GuestCommands.Guest("Sal Brine", "sal@crew.example")), ORGANISER);
        guests.sendInvitations(at.offering(), ORGANISER);
        clock.set(Instant.parse("2027-03-14T22:30:00Z"));
        watch.watch();
        watch.watch();
        assertThat(news(LetterKind.INVITED_AGAIN))
                .filteredOn(item -> item.recipient().equals("sal@crew.example"))
                .hasSize(1);
    }

    @Test
    void whoever_has_not_paid_is_reminded_before_it_runs_out() {
        at = saltmarrow.publish(seats(4).costing("180"));
        add("5 minutes before the payment runs out");
        long wren = register("Wren Skerry");
        watch.watch();
        assertThat(anchors(wren)).doesNotContain(Anchor.UNPAID);
        Instant until =
                registrations.registration(wren).orElseThrow().hold().until().orElseThrow();
        clock.set(until.minus(Duration.ofMinutes(6)));
        watch.watch();
        assertThat(anchors(wren)).doesNotContain(Anchor.UNPAID);
        clock.set(until.minus(Duration.ofMinutes(4)));
        watch.watch();
        watch.watch();
        assertThat(anchors(wren)).containsOnlyOnce(Anchor.UNPAID);
        post.sendDue();
        assertThat(outbox.ofRegistration(wren))
                .filteredOn(item -> item.anchor() == Anchor.UNPAID)
                .extracting(Item::state)
                .containsExactly(MessageState.SENT);
        clock.set(until);
        holds.letRunOut();
    }

    @Test
    void whoever_still_waits_is_told_before_the_start_once() {
        at = saltmarrow.publish(seats(1));
        add("1 day before, to those who still wait");
        long wren = register("Wren Skerry");
        long sal = register("Sal Brine");
        long ada = register("Ada Merrow");
        changes.cancel(ada, "", Saltmarrow.self(ada));
        clock.set(Instant.parse("2027-03-15T21:00:00Z"));
        watch.watch();
        assertThat(anchors(sal)).as("not yet").doesNotContain(Anchor.STILL_WAITING);
        clock.set(Instant.parse("2027-03-15T22:30:00Z"));
        watch.watch();
        watch.watch();
        post.sendDue();
        assertThat(anchors(wren)).doesNotContain(Anchor.STILL_WAITING);
        assertThat(anchors(ada)).doesNotContain(Anchor.STILL_WAITING);
        assertThat(outbox.ofRegistration(sal))
                .filteredOn(item -> item.anchor() == Anchor.STILL_WAITING)
                .singleElement()
                .satisfies(item -> {
                    assertThat(item.state()).isEqualTo(MessageState.SENT);
                    assertThat(item.subject()).startsWith("Still on the waitlist: Knots");
                });
    }

    private List<Anchor> anchors(long registration) {
        return outbox.ofRegistration(registration).stream().map(Item::anchor).toList();
    }

    @Test
    void whoever_leads_something_has_a_sheet_of_the_day() {
        at = saltmarrow.publish(seats(4));
        long venue = programme
                .offering(at.offering())
                .orElseThrow()
                .venue()
                .orElseThrow()
                .id();
        offerings.save(at.offering(), List.of(Section.Place.at(Format.IN_PERSON, venue, List.of(1L))), ORGANISER);
        register("Wren *Skerry*");
        tellings.self("", true, ORGANISER);
        clock.set(Instant.parse("2027-03-16T08:59:00Z"));
        worker.tellDue();
        int before = news(LetterKind.DAY_SHEET).size();
        clock.set(Instant.parse("2027-03-16T09:01:00Z"));
        worker.tellDue();
        worker.tellDue();
        assertThat(news(LetterKind.DAY_SHEET)).as("once").hasSize(before + 1);
        Item sheet = news(LetterKind.DAY_SHEET).get(before);
        assertThat(text(sheet)).contains("19:00–21:00", "Saltmarrow quay", "- Wren *Skerry*");
        assertThat(written.of(sheet.id()).orElseThrow().mail().html()).contains("<li>Wren *Skerry*</li>");
    }

    @Test
    void wishes_are_ones_own() {
        Browserless organiser = Browserless.organiser(port);
        at = saltmarrow.publish(seats(4));
        organiser.post(
                "/desk/telling",
                "/desk/telling",
                Map.of("offering", "" + at.offering(), "each", "true", "hour", "25", "full", "true"));
        assertThat(organiser
                        .get("/desk/telling")
                        .document()
                        .select(".telling h2")
                        .eachText())
                .anyMatch(title -> title.startsWith("Knots and splicing bench"));
        organiser.post("/desk/telling", "/desk/telling/self", Map.of("phone", "<script>", "sheet", "true"));
        assertThat(organiser.warnedOn("/desk/telling")).anyMatch(said -> said.contains("not a phone number"));
        organiser.post("/desk/telling", "/desk/telling/forget", Map.of("offering", "" + at.offering()));
        assertThat(organiser
                        .get("/desk/telling")
                        .document()
                        .select(".telling h2")
                        .eachText())
                .containsExactly("Of all offerings", "Me");
        assertThat(roster.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR))
                .isInstanceOfSatisfying(
                        Registering.Done.class,
                        done -> assertThat(done.state()).isEqualTo(RegistrationState.REGISTERED));
    }
}
