package jollyroster.schedule;

import static jollyroster.Saltmarrow.Wanted.seats;
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
import jollyroster.core.seats.SignUpStyle;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxWorker;
import jollyroster.programme.PlanCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SessionPlan;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Sessions moved, called off, resized and put back, through the store. */
@AppTest
class ScheduleCommandsTest {

    private static final String[] THREE_TUESDAYS = {"2027-03-16T19:00", "2027-03-23T19:00", "2027-03-30T19:00"};

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    ScheduleCommands schedule;

    @Autowired
    UndoCommands undo;

    @Autowired
    VenueChangeCommands venueChanges;

    @Autowired
    VenueReach venueReach;

    @Autowired
    VenueCommands venues;

    @Autowired
    PlanCommands planned;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TestClock clock;

    @AfterEach
    void back() {
        worker.sendDue();
        clock.set(TestClock.START);
    }

    private SessionPlan plan(long session) {
        return planned.plan(session).orElseThrow();
    }

    private long register(long session, String name) {
        return ((Registering.Done) roster.register(Saltmarrow.person(session, name, 1), Saltmarrow.VISITOR))
                .link()
                .id();
    }

    private long planned(long registration, Anchor anchor) {
        return outbox.ofRegistration(registration).stream()
                .filter(m -> m.anchor() == anchor && m.state() == MessageState.PLANNED)
                .count();
    }

    @Test
    void a_moved_session_tells_its_people_once_after_the_grace_and_plans_reminders_anew() {
        Published at = saltmarrow.publish(seats(8));
        long kofi = register(at.session(), "Kofi Brannigan");
        Instant start = Instant.parse("2027-03-17T23:00:00Z");
        Outcome.Done moved = (Outcome.Done) schedule.move(at.session(), start, Saltmarrow.ORGANISER);
        assertThat(moved.people()).isEqualTo(1);
        assertThat(moved.until()).isEqualTo(clock.instant().plus(Duration.ofMinutes(5)));
        schedule.move(at.session(), start.plus(Duration.ofHours(1)), Saltmarrow.ORGANISER);
        assertThat(planned(kofi, Anchor.CHANGED)).isEqualTo(1);
        assertThat(outbox.ofRegistration(kofi).stream()
                        .filter(m -> m.anchor() == Anchor.BEFORE_START && m.state() == MessageState.PLANNED)
                        .map(m -> m.nominal()))
                .containsExactly(
                        start.plus(Duration.ofHours(1)).minus(Duration.ofDays(1)),
                        start.plus(Duration.ofHours(1)).minus(Duration.ofMinutes(15)));
        assertThat(programme.session(at.session()).orElseThrow().sequence()).isEqualTo(2);
        worker.sendDue();
        assertThat(planned(kofi, Anchor.CHANGED)).isEqualTo(1);
        clock.windOn(Duration.ofMinutes(6));
        worker.sendDue();
        assertThat(planned(kofi, Anchor.CHANGED)).isZero();
    }

    @Test
    void undone_within_the_grace_nobody_is_told() {
        Published at = saltmarrow.publish(seats(8));
        long kofi = register(at.session(), "Kofi Brannigan");
        SessionPlan before = plan(at.session());
        Outcome.Done off = (Outcome.Done) schedule.callOff(at.session(), Scope.THIS, "", Saltmarrow.ORGANISER);
        assertThat(planned(kofi, Anchor.CALLED_OFF)).isEqualTo(1);
        assertThat(planned(kofi, Anchor.BEFORE_START)).isZero();
        assertThat(undo.undo(off.change(), Saltmarrow.ORGANISER)).isInstanceOf(Outcome.Done.class);
        assertThat(plan(at.session())).isEqualTo(before);
        assertThat(planned(kofi, Anchor.CALLED_OFF)).isZero();
        assertThat(planned(kofi, Anchor.BEFORE_START)).isEqualTo(2);
        assertThat(undo.undo(off.change(), Saltmarrow.ORGANISER))
                .isEqualTo(new Outcome.Refused(Outcome.Reason.TOO_LATE, ""));
    }

    @Test
    void after_the_grace_it_is_too_late_and_an_earlier_change_waits_for_a_later_one() {
        Published at = saltmarrow.publish(seats(8));
        Outcome.Done first =
                (Outcome.Done) schedule.move(at.session(), Instant.parse("2027-03-17T23:00:00Z"), Saltmarrow.ORGANISER);
        Outcome.Done second =
                (Outcome.Done) schedule.move(at.session(), Instant.parse("2027-03-18T23:00:00Z"), Saltmarrow.ORGANISER);
        assertThat(undo.undo(first.change(), Saltmarrow.ORGANISER))
                .isEqualTo(new Outcome.Refused(Outcome.Reason.CHANGED_SINCE, ""));
        clock.windOn(Duration.ofMinutes(5));
        assertThat(undo.undo(second.change(), Saltmarrow.ORGANISER))
                .isEqualTo(new Outcome.Refused(Outcome.Reason.TOO_LATE, ""));
    }

    @Test
    void this_and_later_ones_move_by_days_and_take_the_time_on_the_wall_clock() {
        Published at = saltmarrow.publish(seats(8).at(THREE_TUESDAYS));
        SessionPlan second = plan(at.dates().get(1));
        Instant wednesdayAtSix = Instant.parse("2027-03-24T21:00:00Z");
        schedule.change(
                at.dates().get(1),
                Scope.LATER,
                second.at(wednesdayAtSix, wednesdayAtSix.plus(Duration.ofHours(1))),
                Saltmarrow.ORGANISER);
        assertThat(programme.sessionsOf(at.offering()))
                .extracting(s -> s.zonedStart().toLocalDateTime().toString())
                .containsExactly("2027-03-16T19:00", "2027-03-24T18:00", "2027-03-31T18:00");
        assertThat(plan(at.dates().get(2)).length()).isEqualTo(Duration.ofHours(1));
    }

    @Test
    void all_of_them_keep_what_is_not_changed() {
        Published at = saltmarrow.publish(seats(8).at(THREE_TUESDAYS));
        SessionPlan first = plan(at.session());
        schedule.change(
                at.dates().get(2), Scope.THIS, plan(at.dates().get(2)).seating(5, 0, null), Saltmarrow.ORGANISER);
        schedule.change(at.session(), Scope.ALL, first.openFor(30, null, ""), Saltmarrow.ORGANISER);
        assertThat(at.dates())
                .allSatisfy(id -> assertThat(plan(id).doorMinutes()).isEqualTo(30));
        assertThat(plan(at.dates().get(2)).seats()).isEqualTo(5);
    }

    @Test
    void fewer_seats_than_taken_are_refused_and_more_are_filled_from_the_line() {
        Published at = saltmarrow.publish(seats(2));
        register(at.session(), "Kofi Brannigan");
        register(at.session(), "Teo Quillfeather");
        long waiting = register(at.session(), "Bao Lindqvist");
        assertThat(schedule.change(
                        at.session(), Scope.THIS, plan(at.session()).seating(1, 0, null), Saltmarrow.ORGANISER))
                .isEqualTo(new Outcome.Refused(Outcome.Reason.TOO_FEW_SEATS, "2"));
        Outcome.Done more = (Outcome.Done)
                schedule.change(at.session(), Scope.THIS, plan(at.session()).seating(3, 0, null), Saltmarrow.ORGANISER);
        assertThat(planned(waiting, Anchor.SEATED)).isEqualTo(1);
        assertThat(undo.undo(more.change(), Saltmarrow.ORGANISER))
                .as("a seat that was given meanwhile is not taken away again")
                .isEqualTo(new Outcome.Refused(Outcome.Reason.TOO_FEW_SEATS, "3"));
    }

    @Test
    void into_the_past_and_nothing_at_all_are_refused() {
        Published at = saltmarrow.publish(seats(2));
        assertThat(schedule.move(at.session(), clock.instant(), Saltmarrow.ORGANISER))
                .isEqualTo(new Outcome.Refused(Outcome.Reason.IN_THE_PAST, ""));
        assertThat(schedule.change(at.session(), Scope.ALL, plan(at.session()), Saltmarrow.ORGANISER))
                .isEqualTo(new Outcome.Refused(Outcome.Reason.NOTHING_CHANGED, ""));
        assertThat(schedule.move(999_999, clock.instant(), Saltmarrow.ORGANISER))
                .isEqualTo(new Outcome.Refused(Outcome.Reason.UNKNOWN, ""));
    }

    @Test
    void one_more_like_it_is_added_and_can_be_undone_until_somebody_is_on_it() {
        Published at = saltmarrow.publish(seats(6));
        Outcome.Done added = (Outcome.Done) schedule.duplicate(at.session(), 7, Saltmarrow.ORGANISER);
        assertThat(programme.sessionsOf(at.offering()))
                .extracting(s -> s.zonedStart().toLocalDateTime().toString())
                .containsExactly("2027-03-16T19:00", "2027-03-23T19:00");
        long copy = programme.sessionsOf(at.offering()).get(1).id();
        register(copy, "Kofi Brannigan");
        assertThat(undo.undo(added.change(), Saltmarrow.ORGANISER))
                .isEqualTo(new Outcome.Refused(Outcome.Reason.SOMEBODY_IS_ON_IT, ""));
    }

    @Test
    void a_whole_series_has_one_seat_count_and_one_registration() {
        Published at = saltmarrow.publish(seats(1).at(THREE_TUESDAYS).by(SignUpStyle.WHOLE_SERIES));
        long kofi = register(at.dates().get(2), "Kofi Brannigan");
        assertThat(roster.register(Saltmarrow.person(at.dates().get(1), "Kofi Brannigan", 1), Saltmarrow.VISITOR))
                .isInstanceOf(Registering.Already.class);
        long waiting = register(at.session(), "Bao Lindqvist");
        assertThat(planned(waiting, Anchor.WAITLISTED)).isEqualTo(1);
        assertThat(outbox.ofRegistration(kofi).stream()
                        .filter(m -> m.anchor() == Anchor.BEFORE_START)
                        .map(m -> m.session())
                        .distinct())
                .containsExactlyInAnyOrderElementsOf(at.dates());
        Outcome.Done all = (Outcome.Done) schedule.change(
                at.session(), Scope.ALL, plan(at.session()).meeting(otherVenue()), Saltmarrow.ORGANISER);
        assertThat(all.sessions()).isEqualTo(3);
        assertThat(planned(kofi, Anchor.CHANGED))
                .as("told once for all three dates")
                .isEqualTo(1);
        schedule.callOff(at.session(), Scope.THIS, "", Saltmarrow.ORGANISER);
        assertThat(outbox.ofRegistration(kofi).stream()
                        .filter(m -> m.anchor() == Anchor.BEFORE_START && m.state() == MessageState.PLANNED)
                        .map(m -> m.session())
                        .distinct())
                .containsExactlyInAnyOrder(at.dates().get(1), at.dates().get(2));
        schedule.change(
                at.dates().get(1), Scope.THIS, plan(at.dates().get(1)).seating(2, 0, null), Saltmarrow.ORGANISER);
        assertThat(at.dates()).allSatisfy(id -> assertThat(plan(id).seats()).isEqualTo(2));
        assertThat(planned(waiting, Anchor.SEATED)).isEqualTo(1);
    }

    private long otherVenue() {
        return venues.add(
                        VenueCommands.Form.of(Venue.Kind.PLACE, "Boathouse for the series", "Slipway 2"),
                        Saltmarrow.ORGANISER)
                .orElseThrow();
    }

    @Test
    void of_one_date_a_person_holds_one_and_moves_in_one_write() {
        Published at = saltmarrow.publish(seats(1).at(THREE_TUESDAYS).by(SignUpStyle.ONE_DATE));
        long kofi = register(at.session(), "Kofi Brannigan");
        assertThat(roster.register(Saltmarrow.person(at.dates().get(1), "Kofi Brannigan", 1), Saltmarrow.VISITOR))
                .isEqualTo(new Registering.Already(RegistrationState.REGISTERED));
        long waiting = register(at.session(), "Bao Lindqvist");
        register(at.dates().get(2), "Teo Quillfeather");
        assertThat(changes.move(kofi, at.dates().get(2), Saltmarrow.self(kofi)))
                .isEqualTo(ChangeSeatCommands.Moved.NO_SEATS);
        assertThat(changes.move(kofi, at.dates().get(1), Saltmarrow.self(kofi)))
                .isEqualTo(ChangeSeatCommands.Moved.DONE);
        assertThat(planned(waiting, Anchor.SEATED)).isEqualTo(1);
        assertThat(planned(kofi, Anchor.CHANGED)).isEqualTo(1);
        assertThat(outbox.ofRegistration(kofi).stream()
                        .filter(m -> m.anchor() == Anchor.BEFORE_START && m.state() == MessageState.PLANNED)
                        .map(m -> m.session()))
                .containsOnly(at.dates().get(1));
    }

    @Test
    void a_venue_is_changed_once_for_everything_and_can_be_put_back() {
        Published at = saltmarrow.publish(seats(4).at(THREE_TUESDAYS));
        long kofi = register(at.session(), "Kofi Brannigan");
        Venue venue = programme.session(at.session()).orElseThrow().venue().orElseThrow();
        assertThat(venueReach.of(venue.id())).isEqualTo(new VenueReach.Reach(3, 1, 3));
        VenueCommands.Form elsewhere = VenueCommands.Form.of(Venue.Kind.PLACE, venue.name(), "Slipway 2");
        Outcome.Done done =
                (Outcome.Done) venueChanges.change(venue.id(), venue.version(), elsewhere, Saltmarrow.ORGANISER);
        assertThat(done.sessions()).isEqualTo(3);
        assertThat(programme.session(at.dates().get(2)).orElseThrow().place()).endsWith("Slipway 2");
        assertThat(planned(kofi, Anchor.CHANGED)).isEqualTo(1);
        assertThat(venueChanges.change(venue.id(), venue.version(), elsewhere, Saltmarrow.ORGANISER))
                .as("somebody else has changed it since")
                .isEqualTo(new Outcome.Refused(Outcome.Reason.OVERTAKEN, ""));
        assertThat(undo.undo(done.change(), Saltmarrow.ORGANISER)).isInstanceOf(Outcome.Done.class);
        assertThat(programme.session(at.session()).orElseThrow().place()).endsWith("Saltmarrow quay");
        assertThat(planned(kofi, Anchor.CHANGED)).isZero();
    }

    @Test
    void many_sessions_meet_elsewhere_at_once() {
        Published at = saltmarrow.publish(seats(4).at(THREE_TUESDAYS));
        long boathouse = venues.add(
                        VenueCommands.Form.of(Venue.Kind.PLACE, "Boathouse for many", "Slipway 2"),
                        Saltmarrow.ORGANISER)
                .orElseThrow();
        List<Outcome> outcomes = schedule.changeVenue(at.dates(), boathouse, Saltmarrow.ORGANISER);
        assertThat(outcomes).singleElement().isInstanceOf(Outcome.Done.class);
        assertThat(programme.sessionsOf(at.offering()))
                .allSatisfy(s -> assertThat(s.venue().orElseThrow().id()).isEqualTo(boathouse));
        assertThat(schedule.changeVenue(at.dates(), boathouse, Saltmarrow.ORGANISER))
                .isEmpty();
    }
}
