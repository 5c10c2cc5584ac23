package jollyroster.seating;

import static jollyroster.Saltmarrow.Wanted.seats;
import static jollyroster.Saltmarrow.person;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.RegistrationState;
import jollyroster.logbook.LogbookEntry;
import jollyroster.logbook.LogbookQueries;
import jollyroster.outbox.OutboxQueries;
import jollyroster.programme.Section;
import jollyroster.seating.HoldCommands.Replied;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Call-ups through the store: the session is Tue 16 Mar 2027 19:00 in Halifax, 22:00 UTC; the clock starts on the 10th. */
@AppTest
class HoldCommandsTest {

    private static final Instant START = Instant.parse("2027-03-16T22:00:00Z");

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    LogbookQueries logbook;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    HoldCommands waitlist;

    @Autowired
    SeatingCommands seating;

    @Autowired
    HoldWorker holds;

    @Autowired
    RegistrationQueries queries;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    TestClock clock;

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
    }

    private long register(Published at, String name, int party) {
        return ((Registering.Done) roster.register(person(at.session(), name, party), Saltmarrow.VISITOR))
                .link()
                .id();
    }

    private Registration of(long id) {
        return queries.registration(id).orElseThrow();
    }

    private int taken(Published at) {
        return queries.of(List.of(at.session())).get(at.session()).taken();
    }

    private List<LogbookEntry> log(long id) {
        return logbook.ofRegistration(id).stream()
                .map(LogbookQueries.Logged::entry)
                .toList();
    }

    @Test
    void a_freed_seat_is_held_for_the_first_that_fits_until_the_reply_is_due() {
        Published at = saltmarrow.publish(seats(1).callingUp());
        long first = register(at, "Marisol Achterberg", 1);
        long second = register(at, "Teo Quillfeather", 1);
        changes.cancel(first, "", Saltmarrow.self(first));
        assertThat(of(second).state()).isEqualTo(RegistrationState.CALLED_UP);
        // 24 waking hours from Wed 10 Mar 09:40: 12 h 20 until ten, and 11 h 40 from seven
        assertThat(of(second).hold().until()).contains(Instant.parse("2027-03-11T22:40:00Z"));
        assertThat(taken(at)).isEqualTo(1);
        assertThat(waitlist.accept(second, Saltmarrow.self(second))).isEqualTo(Replied.SEATED);
        assertThat(of(second).state()).isEqualTo(RegistrationState.REGISTERED);
        assertThat(of(second).hold().until()).isEmpty();
        assertThat(outbox.ofRegistration(second))
                .extracting(OutboxQueries.Item::anchor)
                .containsExactlyInAnyOrder(
                        Anchor.WAITLISTED, Anchor.CALLED_UP, Anchor.SEATED, Anchor.BEFORE_START, Anchor.BEFORE_START);
        assertThat(log(second)).containsExactly(LogbookEntry.ACCEPTED, LogbookEntry.CALLED_UP, LogbookEntry.WAITLISTED);
        assertThat(waitlist.accept(second, Saltmarrow.self(second))).isEqualTo(Replied.SEATED);
        assertThat(log(second)).hasSize(3);
    }

    @Test
    void an_unanswered_call_up_runs_out_and_the_next_is_called() {
        Published at = saltmarrow.publish(seats(1).callingUp());
        long first = register(at, "Wren Skerry", 1);
        long second = register(at, "Kofi Brannigan", 1);
        long third = register(at, "Anneke Strand", 1);
        changes.cancel(first, "", Saltmarrow.self(first));
        clock.set(of(second).hold().until().orElseThrow().minusMillis(1));
        holds.letRunOut();
        assertThat(of(second).state()).isEqualTo(RegistrationState.CALLED_UP);
        clock.set(of(second).hold().until().orElseThrow());
        assertThat(holds.letRunOut()).isPositive();
        assertThat(of(second).state()).isEqualTo(RegistrationState.CANCELLED);
        assertThat(of(second).remarks().why()).isEqualTo("the time to reply ran out");
        assertThat(of(third).state()).isEqualTo(RegistrationState.CALLED_UP);
        assertThat(waitlist.accept(second, Saltmarrow.self(second))).isEqualTo(Replied.NOTHING_OFFERED);
        assertThat(outbox.ofRegistration(second))
                .extracting(OutboxQueries.Item::anchor)
                .contains(Anchor.RAN_OUT);
        assertThat(holds.letRunOut()).isZero();
    }

    @Test
    void a_late_answer_is_too_late_even_before_the_worker_has_looked() {
        Published at = saltmarrow.publish(seats(1).callingUp());
        long first = register(at, "Ilse Merrow", 1);
        long second = register(at, "Ade Fenwright", 1);
        changes.cancel(first, "", Saltmarrow.self(first));
        clock.set(of(second).hold().until().orElseThrow());
        assertThat(waitlist.accept(second, Saltmarrow.self(second))).isEqualTo(Replied.TOO_LATE);
        assertThat(taken(at)).isZero();
    }

    @Test
    void who_declines_leaves_the_line_and_the_next_is_called() {
        Published at = saltmarrow.publish(seats(1).callingUp());
        long first = register(at, "Sunniva Eldjarn", 1);
        long second = register(at, "Bao Lindqvist", 1);
        long third = register(at, "Oriel Saltonby", 1);
        changes.cancel(first, "", Saltmarrow.self(first));
        assertThat(waitlist.decline(second, Saltmarrow.self(second))).isEqualTo(Replied.DECLINED);
        assertThat(of(second).state()).isEqualTo(RegistrationState.DECLINED);
        assertThat(of(third).state()).isEqualTo(RegistrationState.CALLED_UP);
        assertThat(waitlist.decline(second, Saltmarrow.self(second))).isEqualTo(Replied.NOTHING_OFFERED);
    }

    @Test
    void under_three_hours_all_that_could_come_are_called_and_the_first_answer_has_the_seat() {
        Published at = saltmarrow.publish(seats(2).callingUp());
        long leaver = register(at, "Pascoe Merrow", 2);
        long alone = register(at, "Linnea Tidewater", 1);
        long pair = register(at, "Ravi Corvane", 2);
        clock.set(START.minus(Duration.ofHours(2)));
        changes.cancel(leaver, "", Saltmarrow.self(leaver));
        assertThat(List.of(of(alone).state(), of(pair).state())).containsOnly(RegistrationState.CALLED_UP);
        assertThat(taken(at)).isZero();
        long newcomer = register(at, "Niamh Strand", 1);
        assertThat(of(newcomer).hold().racing()).isTrue();

        assertThat(waitlist.accept(alone, Saltmarrow.self(alone))).isEqualTo(Replied.SEATED);
        assertThat(of(pair).state()).isEqualTo(RegistrationState.WAITLISTED);
        assertThat(of(newcomer).state()).isEqualTo(RegistrationState.CALLED_UP);
        assertThat(queries.placeInLine(of(pair))).isEqualTo(1);
        assertThat(outbox.ofRegistration(pair))
                .extracting(OutboxQueries.Item::anchor)
                .contains(Anchor.OUTRUN);
        assertThat(waitlist.accept(pair, Saltmarrow.self(pair))).isEqualTo(Replied.NOTHING_OFFERED);
        assertThat(waitlist.accept(newcomer, Saltmarrow.self(newcomer))).isEqualTo(Replied.SEATED);
        assertThat(taken(at)).isEqualTo(2);
    }

    @Test
    void once_the_door_is_open_the_line_is_closed_and_free_seats_go_to_whoever_comes() {
        Published at = saltmarrow.publish(seats(1).callingUp());
        long leaver = register(at, "Dag Haverbrook", 1);
        long waiting = register(at, "Greta Pennycot", 1);
        clock.set(START.minus(Duration.ofMinutes(10)));
        changes.cancel(leaver, "", Saltmarrow.self(leaver));
        assertThat(of(waiting).state()).isEqualTo(RegistrationState.WAITLISTED);
        assertThat(waitlist.accept(waiting, Saltmarrow.self(waiting))).isEqualTo(Replied.SEATED);
        assertThat(taken(at)).isEqualTo(1);
    }

    @Test
    void an_organiser_may_seat_against_the_rule_and_the_logbook_says_why() {
        Published at = saltmarrow.publish(seats(1).callingUp());
        register(at, "Hamish Skerry", 1);
        long waiting = register(at, "Keziah Ballantrae", 2 - 1);
        assertThatThrownBy(() -> seating.seatAnyway(waiting, " ", Saltmarrow.ORGANISER))
                .hasMessageContaining("reason");
        assertThat(seating.seatAnyway(waiting, "drove four hours", Saltmarrow.ORGANISER))
                .isTrue();
        assertThat(of(waiting).state()).isEqualTo(RegistrationState.REGISTERED);
        assertThat(logbook.ofRegistration(waiting).get(0).detail()).isEqualTo("drove four hours; 1 over the seats");
        assertThat(seating.seatAnyway(waiting, "again", Saltmarrow.ORGANISER)).isFalse();
    }

    @Test
    void fewer_seats_than_taken_need_a_reason_and_name_who_would_be_over() {
        Published at = saltmarrow.publish(seats(4).callingUp());
        register(at, "Farrow Drangsholt", 2);
        register(at, "Odile Kestleborn", 2);
        assertThat(seating.resize(at.session(), 3, "", Saltmarrow.ORGANISER).over())
                .containsExactly("Odile Kestleborn");
        assertThat(seating.resize(at.session(), 3, "the small boat", Saltmarrow.ORGANISER)
                        .done())
                .isTrue();
        assertThat(logbook.ofSession(at.session(), 1).get(0).detail())
                .isEqualTo("from 4 to 3; over-full: the small boat");
    }

    @Test
    void a_waitlist_has_a_limit() {
        Published at = saltmarrow.publish(seats(1).with(Section.Seats.of(1, 3).waitingAtMost(1)));
        register(at, "Ottoline Vance", 1);
        register(at, "Barnaby Teague", 1);
        assertThat(roster.register(person(at.session(), "Mirela Anstruther", 1), Saltmarrow.VISITOR))
                .isEqualTo(new Registering.Refused(Registering.Reason.WAITLIST_FULL));
    }

    @Test
    void seats_are_held_until_the_address_is_confirmed() {
        Published at = saltmarrow.publish(seats(1).callingUp().confirmed());
        long first = register(at, "Tamsin Orrery", 1);
        assertThat(of(first).state()).isEqualTo(RegistrationState.UNCONFIRMED);
        assertThat(of(first).hold().until()).contains(TestClock.START.plus(Duration.ofMinutes(30)));
        assertThat(outbox.ofRegistration(first))
                .extracting(OutboxQueries.Item::anchor)
                .containsExactly(Anchor.CONFIRM);
        assertThat(waitlist.confirm(first, Saltmarrow.self(first))).isEqualTo(Replied.SEATED);
        assertThat(of(first).state()).isEqualTo(RegistrationState.REGISTERED);
        assertThat(waitlist.confirm(first, Saltmarrow.self(first))).isEqualTo(Replied.SEATED);

        long second = register(at, "Jory Penhallow", 1);
        changes.cancel(first, "", Saltmarrow.self(first));
        assertThat(of(second).state()).isEqualTo(RegistrationState.CALLED_UP);
    }

    @Test
    void an_unconfirmed_hold_runs_out_and_frees_its_seat() {
        Published at = saltmarrow.publish(seats(1).callingUp().confirmed());
        long first = register(at, "Nerys Calloway", 1);
        clock.set(TestClock.START.plus(Duration.ofMinutes(30)));
        assertThat(waitlist.confirm(first, Saltmarrow.self(first))).isEqualTo(Replied.TOO_LATE);
        assertThat(taken(at)).isZero();
        assertThat(of(first).remarks().why()).isEqualTo("the time to confirm ran out");
    }

    /** Fifty answer the last three seats at the same moment: three have them, nobody else. */
    @Test
    void of_fifty_who_answer_at_once_exactly_three_have_the_last_three_seats() throws Exception {
        Published at = saltmarrow.publish(seats(3).callingUp());
        List<Long> leavers = IntStream.range(0, 3)
                .mapToObj(i -> register(at, "Leaver " + (char) ('A' + i), 1))
                .toList();
        List<Long> waiting = IntStream.range(0, 50)
                .mapToObj(i -> register(at, "Waiter " + (char) ('A' + i / 10) + (char) ('a' + i % 10), 1))
                .toList();
        clock.set(START.minus(Duration.ofHours(1)));
        leavers.forEach(id -> changes.cancel(id, "", Saltmarrow.self(id)));
        ExecutorService crowd = Executors.newFixedThreadPool(8);
        try {
            List<Callable<Replied>> replies = waiting.stream()
                    .map(id -> (Callable<Replied>) () -> waitlist.accept(id, Saltmarrow.self(id)))
                    .toList();
            List<Replied> replied =
                    crowd.invokeAll(replies).stream().map(HoldCommandsTest::get).toList();
            assertThat(replied).filteredOn(r -> r == Replied.SEATED).hasSize(3);
        } finally {
            crowd.shutdownNow();
        }
        assertThat(taken(at)).isEqualTo(3);
        assertThat(waiting)
                .filteredOn(id -> of(id).state() == RegistrationState.REGISTERED)
                .hasSize(3);
        assertThat(waiting)
                .filteredOn(id -> of(id).state() == RegistrationState.WAITLISTED)
                .hasSize(47);
    }

    /** Confirming and running out at the same moment: one of the two happens, and the seat is counted once. */
    @Test
    void confirming_and_running_out_at_once_do_one_thing() throws Exception {
        Published at = saltmarrow.publish(seats(20).callingUp().confirmed());
        List<Long> held = IntStream.range(0, 20)
                .mapToObj(i -> register(at, "Holder " + (char) ('A' + i), 1))
                .toList();
        clock.set(TestClock.START.plus(Duration.ofMinutes(30)).minusMillis(1));
        ExecutorService crowd = Executors.newFixedThreadPool(4);
        try {
            List<Future<Replied>> confirming = held.stream()
                    .map(id -> crowd.submit(() -> waitlist.confirm(id, Saltmarrow.self(id))))
                    .toList();
            clock.set(TestClock.START.plus(Duration.ofMinutes(30)));
            holds.letRunOut();
            confirming.forEach(HoldCommandsTest::get);
        } finally {
            crowd.shutdownNow();
        }
        holds.letRunOut();
        long seated = held.stream()
                .filter(id -> of(id).state() == RegistrationState.REGISTERED)
                .count();
        assertThat(taken(at)).isEqualTo((int) seated);
        assertThat(held).noneMatch(id -> of(id).state() == RegistrationState.UNCONFIRMED);
    }

    private static <T> T get(Future<T> future) {
        try {
            return future.get();
        } catch (InterruptedException | java.util.concurrent.ExecutionException e) {
            throw new IllegalStateException(e);
        }
    }
}
