package jollyroster.seating;

import static jollyroster.Saltmarrow.Wanted.seats;
import static jollyroster.Saltmarrow.person;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.Section;
import jollyroster.programme.Tell;
import jollyroster.roster.RosterPageQueries;
import jollyroster.seating.AddingCommands.Manner;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.access.AccessDeniedException;

/** Doors into a seat that once each had rules of their own. */
@AppTest
class OneWayToASeatTest {

    private static final Manner WALK_UP = new Manner(true, true);

    @Autowired
    RegistrationCommands registrations;

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    HoldCommands holds;

    @Autowired
    AddingCommands adding;

    @Autowired
    SeatingCommands seating;

    @Autowired
    RegistrationQueries queries;

    @Autowired
    RosterPageQueries pages;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    TestClock clock;

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
    }

    private long register(Published at, String name, int party) {
        return id(registrations.register(person(at.session(), name, party), Saltmarrow.VISITOR));
    }

    private static long id(Registering came) {
        return ((Registering.Done) came).link().id();
    }

    private Registering answer(Published at, String name, int party, SeatEvent answer) {
        return registrations.answer(person(at.session(), name, party), answer, Optional.empty(), Saltmarrow.VISITOR);
    }

    private Registration of(long id) {
        return queries.registration(id).orElseThrow();
    }

    private RegistrationState state(long id) {
        return of(id).state();
    }

    private static Saltmarrow.Wanted party(int seats) {
        return seats(seats).answered(true, Tell.NEVER);
    }

    /** 5 seats, 3 of them taken, and a party of 3 that was passed over twice. */
    private long passedOverTwice(Published at) {
        register(at, "Marisol Achterberg", 3);
        long waiting = register(at, "Anneke Strand", 3);
        register(at, "Teo Quillfeather", 1);
        register(at, "Wren Skerry", 1);
        assertThat(of(waiting).passedOver()).isEqualTo(2);
        return waiting;
    }

    private void openTheDoor() {
        clock.set(Instant.parse("2027-03-16T21:50:00Z"));
    }

    @Test
    void a_walk_up_at_an_open_door_passes_over_nobody_any_more() {
        Published at = saltmarrow.publish(seats(5).callingUp());
        long waiting = passedOverTwice(at);
        seating.resize(at.session(), 6, "", Saltmarrow.ORGANISER);
        openTheDoor();
        assertThat(adding.add(person(at.session(), "Kofi Brannigan", 1), WALK_UP, Saltmarrow.ORGANISER))
                .isEqualTo(AddingCommands.Added.SEATED);
        assertThat(of(waiting).passedOver()).isEqualTo(2);
    }

    @Test
    void seating_by_name_and_putting_back_at_an_open_door_pass_over_nobody_either() {
        Published at = saltmarrow.publish(seats(5).callingUp());
        long waiting = passedOverTwice(at);
        long other = register(at, "Kofi Brannigan", 2);
        long gone = register(at, "Iolanthe Quayle", 1);
        changes.cancel(gone, "", Saltmarrow.self(gone));
        openTheDoor();
        assertThat(seating.seatAnyway(other, "came early", Saltmarrow.ORGANISER))
                .isTrue();
        seating.resize(at.session(), 9, "", Saltmarrow.ORGANISER);
        assertThat(seating.restore(gone, Saltmarrow.ORGANISER)).isTrue();
        assertThat(of(waiting).passedOver()).isEqualTo(2);
    }

    @Test
    void an_answer_counts_pass_overs_like_any_newcomer() {
        Published at = saltmarrow.publish(party(5).callingUp().answered(true, Tell.NEVER));
        id(answer(at, "Marisol Achterberg", 3, SeatEvent.ANSWER_YES));
        long waiting = id(answer(at, "Anneke Strand", 3, SeatEvent.ANSWER_YES));
        id(answer(at, "Teo Quillfeather", 1, SeatEvent.ANSWER_YES));
        assertThat(of(waiting).passedOver()).isEqualTo(1);
        id(answer(at, "Wren Skerry", 1, SeatEvent.ANSWER_YES));
        assertThat(of(waiting).passedOver()).isEqualTo(2);
        seating.resize(at.session(), 6, "", Saltmarrow.ORGANISER);
        long newcomer = id(answer(at, "Kofi Brannigan", 1, SeatEvent.ANSWER_YES));
        assertThat(state(newcomer)).as("the free seat is owed").isEqualTo(RegistrationState.WAITLISTED);
    }

    @Test
    void the_same_answer_sent_twice_is_one() {
        Published at = saltmarrow.publish(party(5));
        Application plain = person(at.session(), "Marisol Achterberg", 1);
        Application form = new Application(
                plain.session(),
                plain.name(),
                plain.email(),
                "",
                1,
                plain.zone(),
                List.of(),
                List.of(),
                "answer-" + at.session());
        long first = id(registrations.answer(form, SeatEvent.ANSWER_YES, Optional.empty(), Saltmarrow.VISITOR));
        assertThat(id(registrations.answer(form, SeatEvent.ANSWER_YES, Optional.empty(), Saltmarrow.VISITOR)))
                .isEqualTo(first);
    }

    @Test
    void changes_end_for_people_when_they_end_whatever_page_asks() {
        Published at = saltmarrow.publish(seats(4).at("2027-03-16T19:00", "2027-03-23T19:00")
                .callingUp()
                .with(Section.Access.OPEN.changedUntil(48)));
        long id = register(at, "Marisol Achterberg", 1);
        clock.set(Instant.parse("2027-03-15T12:00:00Z"));
        assertThat(changes.move(id, at.dates().get(1), Saltmarrow.self(id)))
                .isEqualTo(ChangeSeatCommands.Moved.TOO_LATE);
        assertThat(changes.move(id, at.dates().get(1), Saltmarrow.ORGANISER)).isEqualTo(ChangeSeatCommands.Moved.DONE);
    }

    @Test
    void the_line_is_numbered_by_the_time_of_waiting_everywhere() {
        Published at = saltmarrow.publish(party(3));
        long seated = id(answer(at, "Marisol Achterberg", 3, SeatEvent.ANSWER_YES));
        long early = id(answer(at, "Anneke Strand", 2, SeatEvent.ANSWER_MAYBE));
        clock.windOn(Duration.ofMinutes(1));
        long late = id(answer(at, "Teo Quillfeather", 2, SeatEvent.ANSWER_YES));
        clock.windOn(Duration.ofMinutes(1));
        registrations.change(early, SeatEvent.ANSWER_YES, Saltmarrow.self(early));
        assertThat(queries.placeInLine(of(late))).isEqualTo(1);
        assertThat(queries.placeInLine(of(early))).isEqualTo(2);
        assertThat(pages.page(at.session(), RosterPageQueries.Filter.everybody(), 0, 10))
                .extracting(Registration::id)
                .containsExactly(seated, late, early);
        assertThat(pages.page(at.session(), RosterPageQueries.Filter.everybody(), late, 10))
                .extracting(Registration::id)
                .containsExactly(early);
    }

    @Test
    void nobody_becomes_registered_unpaid_by_moving_by_answering_or_from_the_line() {
        Published at = saltmarrow.publish(seats(1).at("2027-03-16T19:00", "2027-03-23T19:00")
                .by(SignUpStyle.ONE_DATE)
                .costing("30"));
        long id = register(at, "Marisol Achterberg", 1);
        assertThat(state(id)).isEqualTo(RegistrationState.UNCONFIRMED);
        Instant until = of(id).hold().until().orElseThrow();
        assertThat(changes.move(id, at.dates().get(1), Saltmarrow.self(id))).isEqualTo(ChangeSeatCommands.Moved.DONE);
        assertThat(state(id)).isEqualTo(RegistrationState.UNCONFIRMED);
        assertThat(of(id).hold().until()).contains(until);
        assertThat(registrations.change(id, SeatEvent.ANSWER_NO, Saltmarrow.self(id)))
                .isEqualTo(new Registering.Refused(Registering.Reason.NOT_POSSIBLE));

        long next = register(at, "Anneke Strand", 1);
        long waiting = register(at, "Teo Quillfeather", 1);
        assertThat(state(waiting)).isEqualTo(RegistrationState.WAITLISTED);
        changes.cancel(next, "", Saltmarrow.self(next));
        assertThat(state(waiting)).isEqualTo(RegistrationState.CALLED_UP);
        assertThat(holds.accept(waiting, Saltmarrow.self(waiting))).isEqualTo(HoldCommands.Replied.TO_PAY);
        assertThat(state(waiting)).isEqualTo(RegistrationState.UNCONFIRMED);
    }

    @Test
    void what_an_organiser_cancelled_no_answer_brings_back() {
        Published at = saltmarrow.publish(party(3));
        long id = id(answer(at, "Marisol Achterberg", 1, SeatEvent.ANSWER_YES));
        changes.cancel(id, "by the organiser", Saltmarrow.ORGANISER);
        assertThat(registrations.change(id, SeatEvent.ANSWER_YES, Saltmarrow.self(id)))
                .isEqualTo(new Registering.Refused(Registering.Reason.ENDED_BY_TEAM));
        long own = id(answer(at, "Anneke Strand", 1, SeatEvent.ANSWER_YES));
        changes.cancel(own, "", Saltmarrow.self(own));
        registrations.change(own, SeatEvent.ANSWER_YES, Saltmarrow.self(own));
        assertThat(state(own)).isEqualTo(RegistrationState.REGISTERED);
    }

    @Test
    void one_person_acts_for_their_own_registration_only() {
        Published at = saltmarrow.publish(seats(3));
        long mine = register(at, "Marisol Achterberg", 1);
        long theirs = register(at, "Anneke Strand", 1);
        for (var actor : List.of(Saltmarrow.self(mine), Saltmarrow.VISITOR)) {
            assertThatThrownBy(() -> changes.cancel(theirs, "", actor)).isInstanceOf(AccessDeniedException.class);
            assertThatThrownBy(() -> holds.accept(theirs, actor)).isInstanceOf(AccessDeniedException.class);
        }
        assertThat(state(theirs)).isEqualTo(RegistrationState.REGISTERED);
    }
}
