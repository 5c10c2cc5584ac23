package jollyroster.roster;

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
import jollyroster.core.foresight.Course;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.HoldCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The course of a session as the store remembers it. */
@AppTest
class FillQueriesTest {

    private static final Instant START = Instant.parse("2027-03-16T22:00:00Z");

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    FillQueries fill;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    HoldCommands waitlist;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    TestClock clock;

    private long at(int hoursBefore, Published where, String name, int party) {
        clock.set(START.minus(Duration.ofHours(hoursBefore)));
        return ((Registering.Done) roster.register(person(where.session(), name, party), Saltmarrow.VISITOR))
                .link()
                .id();
    }

    @Test
    void seats_count_from_when_they_were_taken_until_they_were_given_back() {
        clock.set(TestClock.START);
        Published where = saltmarrow.publish(seats(3).callingUp());
        long pair = at(120, where, "Marisol Achterberg", 2);
        at(100, where, "Teo Quillfeather", 1);
        long waited = at(90, where, "Wren Skerry", 1);
        clock.set(START.minus(Duration.ofHours(80)));
        changes.cancel(pair, "", Saltmarrow.self(pair));
        clock.set(START.minus(Duration.ofHours(78)));
        waitlist.accept(waited, Saltmarrow.self(waited));
        Course course = fill.courses(List.of(where.session())).get(where.session());
        assertThat(List.of(course.at(121), course.at(120), course.at(100), course.at(81), course.at(79), course.at(78)))
                .containsExactly(0, 2, 3, 3, 1, 2);
        assertThat(course.givenBackWithin(100)).isEqualTo(2);
    }

    @Test
    void only_sessions_that_were_held_are_earlier_ones() {
        clock.set(TestClock.START);
        Published where = saltmarrow.publish(seats(3).at("2027-03-16T19:00", "2027-03-23T19:00"));
        assertThat(fill.earlier(where.offering(), START)).isEmpty();
        assertThat(fill.earlier(where.offering(), START.plus(Duration.ofDays(1))))
                .containsExactly(where.dates().get(0));
    }
}
