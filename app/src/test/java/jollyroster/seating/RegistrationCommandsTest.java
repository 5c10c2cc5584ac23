package jollyroster.seating;

import static jollyroster.Saltmarrow.Wanted.seats;
import static jollyroster.Saltmarrow.person;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.RegistrationState;
import jollyroster.logbook.LogbookEntry;
import jollyroster.logbook.LogbookQueries;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

@AppTest
class RegistrationCommandsTest {

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    LogbookQueries logbook;

    @Autowired
    RegistrationCommands commands;

    @Autowired
    SeatingCommands seating;

    @Autowired
    RegistrationQueries queries;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    OfferingCommands programme;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    TestClock clock;

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
    }

    /** The worked example of the seat rule, through the store. */
    @Test
    void freed_seats_go_to_the_first_party_that_fits_and_nobody_is_passed_over_for_ever() {
        Published at = saltmarrow.publish(seats(8).at("2027-03-17T19:00"));
        long leaver = id(commands.register(person(at.session(), "Marisol Achterberg", 2), Saltmarrow.VISITOR));
        List.of(2, 1, 1, 1, 1)
                .forEach(size -> commands.register(
                        person(at.session(), "Crew " + size + Math.random(), size), Saltmarrow.VISITOR));
        long a = id(commands.register(person(at.session(), "Teo Quillfeather", 3), Saltmarrow.VISITOR));
        long b = id(commands.register(person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR));
        long c = id(commands.register(person(at.session(), "Anneke Strand", 2), Saltmarrow.VISITOR));
        assertThat(List.of(state(a), state(b), state(c))).containsOnly(RegistrationState.WAITLISTED);

        assertThat(changes.cancel(leaver, "", Saltmarrow.self(leaver))).isTrue();
        assertThat(state(b)).isEqualTo(RegistrationState.REGISTERED);
        assertThat(passedOver(a)).isEqualTo(1);
        assertThat(passedOver(c)).isZero();

        Registering newcomer = commands.register(person(at.session(), "Ilse Merrow", 1), Saltmarrow.VISITOR);
        assertThat(((Registering.Done) newcomer).state()).isEqualTo(RegistrationState.REGISTERED);
        assertThat(passedOver(a)).isEqualTo(2);
        assertThat(passedOver(c)).isEqualTo(1);

        changes.cancel(b, "", Saltmarrow.self(b));
        Registering next = commands.register(person(at.session(), "Ade Fenwright", 1), Saltmarrow.VISITOR);
        assertThat(((Registering.Done) next).state()).isEqualTo(RegistrationState.WAITLISTED);
        assertThat(queries.of(List.of(at.session())).get(at.session()).taken()).isEqualTo(7);
        assertThat(logbook.ofSession(at.session(), 50))
                .extracting(LogbookQueries.Logged::detail)
                .contains("place 3: the free seats are owed to a party that was passed over twice");
    }

    @Test
    void seat_logbook_and_messages_are_written_together() {
        Published at = saltmarrow.publish(seats(8));
        long id = id(commands.register(person(at.session(), "Sunniva Eldjarn", 2), Saltmarrow.VISITOR));
        assertThat(logbook.ofSession(at.session(), 9))
                .extracting(LogbookQueries.Logged::entry)
                .containsExactly(LogbookEntry.SEATED);
        assertThat(outbox.ofRegistration(id))
                .extracting(OutboxQueries.Item::anchor)
                .containsExactly(Anchor.REGISTERED, Anchor.BEFORE_START, Anchor.BEFORE_START);
    }

    @Test
    void giving_a_seat_back_withdraws_the_reminders_and_tells_the_person() {
        Published at = saltmarrow.publish(seats(8));
        long id = id(commands.register(person(at.session(), "Bao Lindqvist", 1), Saltmarrow.VISITOR));
        changes.cancel(id, "", Saltmarrow.self(id));
        assertThat(outbox.ofRegistration(id))
                .filteredOn(m -> m.anchor() == Anchor.BEFORE_START)
                .hasSize(2)
                .allMatch(m ->
                        m.state() == MessageState.WITHDRAWN && m.reason().equals("the registration was cancelled"));
        assertThat(outbox.ofRegistration(id))
                .extracting(OutboxQueries.Item::anchor)
                .contains(Anchor.CANCELLED);
        assertThat(changes.cancel(id, "", Saltmarrow.self(id))).isFalse();
    }

    @Test
    void who_moves_up_from_the_waitlist_is_told_and_reminded() {
        Published at = saltmarrow.publish(seats(1));
        long first = id(commands.register(person(at.session(), "Oriel Saltonby", 1), Saltmarrow.VISITOR));
        long second = id(commands.register(person(at.session(), "Pascoe Merrow", 1), Saltmarrow.VISITOR));
        assertThat(outbox.ofRegistration(second))
                .extracting(OutboxQueries.Item::anchor)
                .containsExactly(Anchor.WAITLISTED);
        changes.cancel(first, "", Saltmarrow.self(first));
        assertThat(outbox.ofRegistration(second))
                .extracting(OutboxQueries.Item::anchor)
                .containsExactlyInAnyOrder(Anchor.WAITLISTED, Anchor.SEATED, Anchor.BEFORE_START, Anchor.BEFORE_START);
    }

    @Test
    void the_same_form_sent_twice_registers_once() {
        Published at = saltmarrow.publish(seats(8));
        Application form = new Application(
                at.session(),
                "Linnea Tidewater",
                "linnea@crew.example",
                "",
                1,
                Saltmarrow.HALIFAX,
                List.of(),
                List.of(),
                "form-1");
        Registering.Done first = (Registering.Done) commands.register(form, Saltmarrow.VISITOR);
        assertThat(commands.register(form, Saltmarrow.VISITOR))
                .isEqualTo(new Registering.Done(first.link(), first.state(), true, false));
        assertThat(queries.roster(at.session())).hasSize(1);
    }

    @Test
    void the_same_address_again_gets_its_link_again_and_nothing_else() {
        Published at = saltmarrow.publish(seats(8));
        long id = id(commands.register(person(at.session(), "Ravi Corvane", 1), Saltmarrow.VISITOR));
        assertThat(commands.register(person(at.session(), "Ravi Corvane", 1), Saltmarrow.VISITOR))
                .isInstanceOf(Registering.Already.class);
        commands.register(person(at.session(), "Ravi Corvane", 3), Saltmarrow.VISITOR);
        assertThat(queries.roster(at.session())).hasSize(1);
        assertThat(outbox.ofRegistration(id))
                .filteredOn(m -> m.anchor() == Anchor.LINK_AGAIN)
                .hasSize(1);
    }

    @Test
    void somebody_who_gave_a_seat_back_may_come_back() {
        Published at = saltmarrow.publish(seats(8));
        long id = id(commands.register(person(at.session(), "Niamh Strand", 1), Saltmarrow.VISITOR));
        changes.cancel(id, "", Saltmarrow.self(id));
        assertThat(id(commands.register(person(at.session(), "Niamh Strand", 1), Saltmarrow.VISITOR)))
                .isNotEqualTo(id);
    }

    @Test
    void refusals_say_why() {
        Published small = saltmarrow.publish(seats(2).withoutWaitlist());
        commands.register(person(small.session(), "Dag Haverbrook", 2), Saltmarrow.VISITOR);
        assertThat(reason(person(small.session(), "Greta Pennycot", 1))).isEqualTo(Registering.Reason.FULL);
        assertThat(reason(person(small.session(), "Greta Pennycot", 3)))
                .isEqualTo(Registering.Reason.LARGER_THAN_SESSION);
        assertThat(reason(person(small.session(), "Greta Pennycot", 4))).isEqualTo(Registering.Reason.PARTY_TOO_LARGE);
        assertThat(reason(person(999_999, "Greta Pennycot", 1))).isEqualTo(Registering.Reason.NO_SUCH_SESSION);
        programme.turn(small.offering(), OfferingStatus.CLOSED, Saltmarrow.ORGANISER);
        assertThat(reason(person(small.session(), "Greta Pennycot", 1))).isEqualTo(Registering.Reason.NOT_OPEN);
        clock.set(Instant.parse("2027-03-16T22:00:00Z"));
        assertThat(reason(person(small.session(), "Greta Pennycot", 1))).isEqualTo(Registering.Reason.ALREADY_STARTED);
    }

    @Test
    void more_seats_are_filled_from_the_waitlist_and_fewer_than_taken_are_refused() {
        Published at = saltmarrow.publish(seats(2));
        commands.register(person(at.session(), "Hamish Skerry", 2), Saltmarrow.VISITOR);
        long waiting = id(commands.register(person(at.session(), "Keziah Ballantrae", 2), Saltmarrow.VISITOR));
        assertThat(seating.resize(at.session(), 1, "", Saltmarrow.ORGANISER))
                .isEqualTo(new SeatingCommands.Resized(false, 2, List.of("Hamish Skerry")));
        assertThat(seating.resize(at.session(), 4, "", Saltmarrow.ORGANISER).done())
                .isTrue();
        assertThat(state(waiting)).isEqualTo(RegistrationState.REGISTERED);
        int written = logbook.ofSession(at.session(), 50).size();
        assertThat(seating.resize(at.session(), 4, "", Saltmarrow.ORGANISER).done())
                .isTrue();
        assertThat(logbook.ofSession(at.session(), 50)).as("nothing changed").hasSize(written);
    }

    @Test
    void after_the_start_a_freed_seat_is_not_given_to_anybody() {
        Published at = saltmarrow.publish(seats(1));
        long first = id(commands.register(person(at.session(), "Farrow Drangsholt", 1), Saltmarrow.VISITOR));
        long second = id(commands.register(person(at.session(), "Odile Kestleborn", 1), Saltmarrow.VISITOR));
        clock.set(Instant.parse("2027-03-16T22:00:00Z").plus(Duration.ofMinutes(5)));
        assertThat(changes.cancel(first, "", Saltmarrow.self(first))).isTrue();
        assertThat(state(second)).isEqualTo(RegistrationState.WAITLISTED);
    }

    private static long id(Registering registering) {
        return ((Registering.Done) registering).link().id();
    }

    private Registering.Reason reason(Application application) {
        return ((Registering.Refused) commands.register(application, Saltmarrow.VISITOR)).because();
    }

    private RegistrationState state(long id) {
        return queries.registration(id).orElseThrow().state();
    }

    private int passedOver(long id) {
        return queries.registration(id).orElseThrow().passedOver();
    }
}
