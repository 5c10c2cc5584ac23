package jollyroster.schedule;

import static jollyroster.Saltmarrow.Wanted.seats;
import static jollyroster.Saltmarrow.person;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.logbook.LogbookQueries;
import jollyroster.outbox.OutboxWorker;
import jollyroster.programme.PlanCommands;
import jollyroster.seating.RegistrationCommands;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What people and the logbook are told when a session moves. */
@AppTest
class NewsOfAMoveTest {

    private static final Instant FIRST = Instant.parse("2027-03-17T23:00:00Z");

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    ScheduleCommands schedule;

    @Autowired
    PlanCommands planned;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TrayQueries tray;

    @Autowired
    LogbookQueries logbook;

    @Autowired
    TestClock clock;

    Published at;
    String email;

    @BeforeEach
    void somebodyIsOnIt() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(8));
        roster.register(person(at.session(), "Kofi Brannigan", 1), Saltmarrow.VISITOR);
        email = person(at.session(), "Kofi Brannigan", 1).email();
        worker.sendDue();
    }

    @AfterEach
    void back() {
        worker.sendDue();
        clock.set(TestClock.START);
    }

    private String news() {
        clock.windOn(Duration.ofMinutes(6));
        worker.sendDue();
        return tray.latestTo(email).orElseThrow().text();
    }

    @Test
    void the_letter_says_when_it_is_and_when_it_was_to_be() {
        schedule.move(at.session(), FIRST, Saltmarrow.ORGANISER);
        assertThat(news())
                .contains(
                        "Wednesday 17 March 2027, 20:00–22:00 Halifax time, instead of Tuesday 16 March 2027, 19:00–21:00");
    }

    @Test
    void whoever_has_not_been_told_of_the_first_move_hears_of_both_as_one() {
        schedule.move(at.session(), FIRST, Saltmarrow.ORGANISER);
        schedule.move(at.session(), FIRST.plus(Duration.ofHours(1)), Saltmarrow.ORGANISER);
        assertThat(news()).contains("21:00–23:00 Halifax time, instead of Tuesday 16 March 2027, 19:00–21:00");
    }

    @Test
    void a_second_move_later_is_told_from_where_the_first_had_led() {
        schedule.move(at.session(), FIRST, Saltmarrow.ORGANISER);
        news();
        schedule.move(at.session(), FIRST.plus(Duration.ofHours(1)), Saltmarrow.ORGANISER);
        assertThat(news()).contains("instead of Wednesday 17 March 2027, 20:00–22:00");
    }

    @Test
    void what_has_not_moved_is_not_compared() {
        var plan = planned.plan(at.session()).orElseThrow();
        schedule.change(at.session(), Scope.THIS, plan.calledOff(true), Saltmarrow.ORGANISER);
        assertThat(news()).doesNotContain("instead of");
    }

    @Test
    void the_logbook_keeps_facts_and_makes_its_words_when_it_is_read() {
        var plan = planned.plan(at.session()).orElseThrow();
        schedule.change(
                at.session(),
                Scope.THIS,
                plan.at(FIRST, FIRST.plusSeconds(5400)).seating(12, 1, null),
                Saltmarrow.ORGANISER);
        var entry = logbook.ofSession(at.session(), 1).get(0);
        assertThat(entry.facts().text("what")).isEmpty();
        assertThat(entry.facts().number("seats")).isEqualTo(12);
        assertThat(entry.detail())
                .isEqualTo("Tue 16 Mar 19:00: moved to Wed 17 Mar 20:00, 1 h 30 min, 8 → 12 seats, 0 → 1 kept back.");
    }
}
