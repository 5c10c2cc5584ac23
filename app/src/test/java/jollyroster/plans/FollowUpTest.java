package jollyroster.plans;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.attendance.AttendanceCommands;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.messages.Anchor;
import jollyroster.outbox.DepartureCommands;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxQueries.Item;
import jollyroster.outbox.OutboxWorker;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What goes with the door, to those missing, and after the end by who was there. */
@AppTest
class FollowUpTest {

    private static final List<MessageState> ALL = List.of(MessageState.values());

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    ReminderCommands plans;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    DepartureCommands departures;

    @Autowired
    OutboxWorker worker;

    @Autowired
    AttendanceCommands attendance;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    TestClock clock;

    private Published at;

    @BeforeEach
    void publish() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(4));
    }

    private long register(String name) {
        return ((Registering.Done) roster.register(Saltmarrow.person(at.session(), name, 1), Saltmarrow.VISITOR))
                .link()
                .id();
    }

    private Instant start() {
        return programme.session(at.session()).orElseThrow().start();
    }

    private Instant end() {
        return programme.session(at.session()).orElseThrow().end();
    }

    private Item one(long registration, Anchor anchor) {
        return outbox.list(ALL, at.session(), Optional.of(anchor), 50).stream()
                .filter(item -> item.registration() == registration)
                .findFirst()
                .orElseThrow();
    }

    private String fate(long registration, Anchor anchor) {
        Item item = one(registration, anchor);
        return (item.state() + " " + item.reason()).strip();
    }

    @Test
    void each_hears_what_fits_how_they_were_there() {
        plans.add(at.offering(), "1 day after", Saltmarrow.ORGANISER);
        long came = register("Wren Skerry");
        long looked = register("Teo Vance");
        long away = register("Ola Marsh");
        clock.set(end());
        worker.sendDue();
        attendance.mark(came, at.session(), Optional.of(Verdict.ATTENDED), Saltmarrow.ORGANISER);
        attendance.mark(looked, at.session(), Optional.of(Verdict.PART), Saltmarrow.ORGANISER);
        clock.set(end().plus(Duration.ofDays(2)));
        worker.sendDue();
        assertThat(fate(came, Anchor.ATTENDED)).isEqualTo("SENT");
        assertThat(fate(came, Anchor.ABSENT)).isEqualTo("WITHDRAWN attended");
        assertThat(fate(looked, Anchor.PART)).isEqualTo("SENT");
        assertThat(fate(away, Anchor.ABSENT)).isEqualTo("SENT");
        assertThat(fate(away, Anchor.ATTENDED)).isEqualTo("WITHDRAWN was absent");
        assertThat(one(away, Anchor.ABSENT).subject()).startsWith("We missed you: ");
    }

    @Test
    void what_is_decided_by_who_was_there_cannot_go_early() {
        plans.add(at.offering(), "1 day after, to those absent", Saltmarrow.ORGANISER);
        long wren = register("Wren Skerry");
        Item planned = one(wren, Anchor.ABSENT);
        DepartureCommands.Which.One which = new DepartureCommands.Which.One(planned.id());
        assertThat(departures.sendNow(which, Saltmarrow.ORGANISER)).isZero();
        assertThat(one(wren, Anchor.ABSENT).due()).isEqualTo(planned.due());
        assertThat(departures.withdraw(which, Saltmarrow.ORGANISER)).isEqualTo(1);
    }

    @Test
    void nobody_is_called_absent_as_long_as_nobody_is_marked() {
        plans.add(at.offering(), "2 hours after, to those absent", Saltmarrow.ORGANISER);
        long away = register("Ola Marsh");
        clock.set(end().plus(Duration.ofDays(2)));
        worker.sendDue();
        assertThat(fate(away, Anchor.ABSENT)).isEqualTo("WITHDRAWN nobody is marked as having been there");
    }

    @Test
    void the_door_is_sharp_and_in_person_nobody_is_missed() {
        plans.add(at.offering(), "when the door opens", Saltmarrow.ORGANISER);
        plans.add(at.offering(), "5 min after the start", Saltmarrow.ORGANISER);
        long wren = register("Wren Skerry");
        assertThat(one(wren, Anchor.NOT_IN).due()).isEqualTo(start().plus(Duration.ofMinutes(5)));
        assertThat(one(wren, Anchor.DOOR_OPENS).due()).isEqualTo(start().minus(Duration.ofMinutes(15)));
        assertThat(outbox.list(ALL, at.session(), Optional.of(Anchor.BEFORE_START), 50))
                .as("15 minutes before is as late as the door")
                .anyMatch(item -> item.reason().equals("less than an hour from a more urgent message"));
        clock.set(start().plus(Duration.ofMinutes(6)));
        worker.sendDue();
        assertThat(fate(wren, Anchor.DOOR_OPENS)).isEqualTo("SENT");
        assertThat(fate(wren, Anchor.NOT_IN))
                .isEqualTo("WITHDRAWN who is there is not known where it is held in person");
    }
}
