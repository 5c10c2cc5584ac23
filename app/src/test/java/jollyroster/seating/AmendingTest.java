package jollyroster.seating;

import static jollyroster.Saltmarrow.Wanted.seats;
import static jollyroster.Saltmarrow.person;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.answers.Answer;
import jollyroster.answers.GivenQueries;
import jollyroster.core.intake.Option;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.RegistrationState;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxWorker;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.Session;
import jollyroster.programme.Tell;
import jollyroster.seating.AmendCommands.Amended;
import jollyroster.seating.AmendCommands.Wish;
import jollyroster.seating.SwapCommands.Swapped;
import jollyroster.sheet.QuestionForm;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What people change by themselves: companions, answers, clock, reminders, and dates with one another. */
@AppTest
class AmendingTest {

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    GivenQueries given;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    AmendCommands amend;

    @Autowired
    SwapCommands swaps;

    @Autowired
    SwapQueries offers;

    @Autowired
    RegistrationQueries queries;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TrayQueries tray;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    TestClock clock;

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
    }

    private long register(long session, String name, int party) {
        return ((Registering.Done) roster.register(person(session, name, party), Saltmarrow.VISITOR))
                .link()
                .id();
    }

    private Registration of(long id) {
        return queries.registration(id).orElseThrow();
    }

    private String letterTo(String email) {
        worker.sendDue();
        return tray.latestTo(email).orElseThrow().text();
    }

    private static Wish party(int people) {
        return new Wish(people, List.of(), List.of(), List.of());
    }

    @Test
    void a_party_that_shrinks_frees_seats_for_those_who_wait() {
        Published at = saltmarrow.publish(seats(3));
        long pair = register(at.session(), "Marisol Achterberg", 2);
        register(at.session(), "Teo Quillfeather", 1);
        long waiting = register(at.session(), "Wren Skerry", 1);
        assertThat(amend.amend(pair, party(1), Saltmarrow.self(pair))).isInstanceOf(Amended.Done.class);
        assertThat(of(waiting).state()).isEqualTo(RegistrationState.REGISTERED);
        assertThat(of(pair).party()).isEqualTo(1);
    }

    @Test
    void a_waiting_party_that_shrinks_may_fit() {
        Published at = saltmarrow.publish(seats(3));
        register(at.session(), "Kofi Brannigan", 2);
        long pair = register(at.session(), "Anneke Strand", 2);
        assertThat(of(pair).state()).isEqualTo(RegistrationState.WAITLISTED);
        amend.amend(pair, party(1), Saltmarrow.self(pair));
        assertThat(of(pair).state()).isEqualTo(RegistrationState.REGISTERED);
    }

    @Test
    void a_party_grows_only_into_free_seats_that_nobody_waits_for() {
        Published at = saltmarrow.publish(seats(3));
        long one = register(at.session(), "Ilse Merrow", 1);
        assertThat(amend.amend(one, party(2), Saltmarrow.self(one))).isInstanceOf(Amended.Done.class);
        assertThat(amend.amend(one, party(9), Saltmarrow.self(one))).isEqualTo(new Amended.TooLarge(3));
        register(at.session(), "Ade Fenwright", 3);
        assertThat(amend.amend(one, party(3), Saltmarrow.self(one))).isInstanceOf(Amended.NoSeats.class);
        assertThat(of(one).party()).isEqualTo(2);
    }

    @Test
    void changes_end_when_the_organiser_says_so() {
        Published at = saltmarrow.publish(seats(3).callingUp().with(Section.Access.OPEN.changedUntil(24)));
        long one = register(at.session(), "Sunniva Eldjarn", 1);
        Instant until = Instant.parse("2027-03-15T22:00:00Z");
        clock.set(until.minus(Duration.ofMinutes(1)));
        assertThat(amend.amend(one, party(2), Saltmarrow.self(one))).isInstanceOf(Amended.Done.class);
        clock.set(until);
        assertThat(amend.amend(one, party(1), Saltmarrow.self(one))).isInstanceOf(Amended.TooLate.class);
    }

    @Test
    void answers_are_replaced_under_the_wording_of_now_and_counted_options_run_out() {
        Published at = saltmarrow.publish(
                seats(8).asking(QuestionForm.of("CHOOSE_ONE", "Which boat?", "", true, "Dinghy | 1\nGig")));
        long question = programme.questions(at.offering()).get(0).id();
        long one = register(at.session(), "Bao Lindqvist", 1);
        long two = register(at.session(), "Oriel Saltonby", 1);
        Wish dinghy = new Wish(1, List.of(), List.of(question), List.of(boat(question, "Dinghy")));
        assertThat(amend.amend(one, dinghy, Saltmarrow.self(one))).isInstanceOf(Amended.Done.class);
        assertThat(amend.amend(one, dinghy, Saltmarrow.self(one))).isInstanceOf(Amended.Done.class);
        assertThat(amend.amend(two, dinghy, Saltmarrow.self(two))).isEqualTo(new Amended.RanOut(question, "Dinghy"));
        assertThat(given.answersOf(one)).containsEntry("Which boat?", "Dinghy");
        assertThat(given.answersOf(two)).isEmpty();
        changes.cancel(one, "", Saltmarrow.self(one));
        assertThat(amend.amend(two, dinghy, Saltmarrow.self(two))).isInstanceOf(Amended.Done.class);
    }

    private static Answer boat(long question, String boat) {
        return new Answer(question, 0, "Which boat?", boat, List.of(new Option("Dinghy", OptionalInt.of(1))));
    }

    @Test
    void the_last_of_a_counted_option_goes_once_however_many_want_it_at_once() throws Exception {
        Published at = saltmarrow.publish(
                seats(40).asking(QuestionForm.of("CHOOSE_ONE", "Which boat?", "", true, "Dinghy | 1\nGig")));
        long question = programme.questions(at.offering()).get(0).id();
        ExecutorService crowd = Executors.newFixedThreadPool(8);
        List<Future<Registering>> came = new ArrayList<>();
        try {
            for (int i = 0; i < 20; i++) {
                Application plain = person(at.session(), "Sailor " + (char) ('A' + i), 1);
                Application wants = new Application(
                        plain.session(),
                        plain.name(),
                        plain.email(),
                        "",
                        1,
                        plain.zone(),
                        List.of(),
                        List.of(boat(question, "Dinghy")),
                        "");
                came.add(crowd.submit(() -> roster.register(wants, Saltmarrow.VISITOR)));
            }
            int done = 0;
            for (Future<Registering> one : came) {
                done += one.get() instanceof Registering.Done ? 1 : 0;
            }
            assertThat(done).isEqualTo(1);
        } finally {
            crowd.shutdownNow();
        }
    }

    @Test
    void another_clock_plans_reminders_anew_and_none_are_planned_when_none_are_wanted() {
        Published at = saltmarrow.publish(seats(3));
        long one = register(at.session(), "Pascoe Merrow", 1);
        amend.setZone(one, ZoneId.of("Asia/Singapore"), Saltmarrow.self(one));
        assertThat(planned(one)).hasSize(2).anyMatch(m -> m.due().equals(Instant.parse("2027-03-15T13:00:00Z")));
        amend.setReminded(one, false, Saltmarrow.self(one));
        assertThat(planned(one)).isEmpty();
        amend.setReminded(one, true, Saltmarrow.self(one));
        assertThat(planned(one)).hasSize(2);
    }

    /** Who comes with somebody is part of the answer to an invitation. */
    @Test
    void the_party_of_an_answer_is_due_with_the_answer() {
        Section.Access dayBefore = Section.Access.OPEN.between(0, 24);
        Published at = saltmarrow.publish(seats(5).with(dayBefore.answered(true, Tell.NEVER)));
        Session answered = programme.session(at.session()).orElseThrow();
        assertThat(answered.changesUntil()).isEqualTo(answered.start().minus(Duration.ofHours(24)));
        Published plain = saltmarrow.publish(seats(5).with(dayBefore));
        Session registered = programme.session(plain.session()).orElseThrow();
        assertThat(registered.changesUntil()).isEqualTo(registered.start());
    }

    private List<OutboxQueries.Item> planned(long id) {
        return outbox.ofRegistration(id).stream()
                .filter(m -> m.anchor() == Anchor.BEFORE_START && m.state() == MessageState.PLANNED)
                .toList();
    }

    @Test
    void two_people_swap_dates_when_both_agree() {
        Published at = saltmarrow.publish(seats(1).at("2027-03-16T19:00", "2027-03-23T19:00"));
        long one = register(at.dates().get(0), "Linnea Tidewater", 1);
        long other = register(at.dates().get(1), "Ravi Corvane", 1);
        assertThat(swaps.offer(one, at.dates().get(1), "nobody@crew.example", Saltmarrow.self(one)))
                .isEqualTo(Swapped.NOBODY);
        assertThat(swaps.offer(one, at.dates().get(1), "ravi.corvane@crew.example", Saltmarrow.self(one)))
                .isEqualTo(Swapped.OFFERED);
        assertThat(offers.wantedBy(one)).contains(at.dates().get(1));
        assertThat(letterTo("ravi.corvane@crew.example"))
                .contains("You hold: Tuesday 23 March", "You would have: Tuesday 16 March");
        SwapQueries.Offer offer = offers.offersTo(of(other)).get(0);
        assertThat(offer.name()).isEqualTo("Linnea Tidewater");
        assertThat(swaps.agree(offer.id(), one, Saltmarrow.self(one))).isEqualTo(Swapped.NOT_POSSIBLE);
        assertThat(swaps.agree(offer.id(), other, Saltmarrow.self(other))).isEqualTo(Swapped.DONE);
        assertThat(letterTo("linnea.tidewater@crew.example"))
                .contains("you have another date of", "Tuesday 23 March", "instead of Tuesday 16 March");
        assertThat(of(one).session()).isEqualTo(at.dates().get(1));
        assertThat(of(other).session()).isEqualTo(at.dates().get(0));
        assertThat(swaps.agree(offer.id(), other, Saltmarrow.self(other))).isEqualTo(Swapped.NOT_POSSIBLE);
        assertThat(queries.of(at.dates()).values()).allMatch(c -> c.taken() == 1);
    }

    @Test
    void an_offer_to_anybody_is_told_to_those_whose_party_is_as_large() {
        Published at = saltmarrow.publish(seats(8).at("2027-03-16T19:00", "2027-03-23T19:00"));
        long one = register(at.dates().get(0), "Niamh Strand", 2);
        long alone = register(at.dates().get(1), "Dag Haverbrook", 1);
        long pair = register(at.dates().get(1), "Greta Pennycot", 2);
        assertThat(swaps.offer(one, at.dates().get(1), "", Saltmarrow.self(one)))
                .isEqualTo(Swapped.OFFERED);
        assertThat(offers.offersTo(of(alone))).isEmpty();
        assertThat(offers.offersTo(of(pair))).hasSize(1);
        assertThat(outbox.ofRegistration(pair))
                .extracting(OutboxQueries.Item::anchor)
                .contains(Anchor.SWAP_ASKED);
        swaps.withdraw(one, Saltmarrow.self(one));
        assertThat(offers.offersTo(of(pair))).isEmpty();
    }

    /** Twenty pairs agree crosswise at the same moment; every seat stays counted once. */
    @Test
    void twenty_pairs_swap_crosswise_at_once() throws Exception {
        Published at = saltmarrow.publish(seats(20).at("2027-03-16T19:00", "2027-03-23T19:00"));
        List<Long> here = new ArrayList<>();
        List<Long> there = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            here.add(register(at.dates().get(0), "Here " + (char) ('A' + i), 1));
            there.add(register(at.dates().get(1), "There " + (char) ('A' + i), 1));
            swaps.offer(
                    here.get(i),
                    at.dates().get(1),
                    "there." + (char) ('a' + i) + "@crew.example",
                    Saltmarrow.self(here.get(i)));
        }
        ExecutorService crowd = Executors.newFixedThreadPool(8);
        try {
            List<Future<Swapped>> swapped = new ArrayList<>();
            for (long other : there) {
                long offer = offers.offersTo(of(other)).get(0).id();
                swapped.add(crowd.submit(() -> swaps.agree(offer, other, Saltmarrow.self(other))));
            }
            for (Future<Swapped> one : swapped) {
                assertThat(one.get()).isEqualTo(Swapped.DONE);
            }
        } finally {
            crowd.shutdownNow();
        }
        assertThat(here).allMatch(id -> of(id).session() == at.dates().get(1));
        assertThat(queries.of(at.dates()).values()).allMatch(c -> c.taken() == 20);
    }
}
