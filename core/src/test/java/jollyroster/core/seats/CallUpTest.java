package jollyroster.core.seats;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import jollyroster.core.seats.CallUp.Way;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Windows and night hours are common practice; the session is Tue 16 Mar 2027 19:00 in Halifax. */
class CallUpTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final Instant START = at(HALIFAX, "2027-03-16T19:00");
    private static final Instant DOOR = START.minus(Duration.ofMinutes(15));

    private static Instant at(ZoneId zone, String local) {
        return LocalDateTime.parse(local).atZone(zone).toInstant();
    }

    @ParameterizedTest
    @CsvSource({
        "PT73H, PT24H",
        "PT72H1S, PT24H",
        "PT72H, PT6H",
        "PT24H, PT6H",
        "PT23H59M, PT1H",
        "PT3H, PT1H",
        "PT2H59M, PT15M",
    })
    void the_window_shrinks_as_the_start_comes_near(Duration toStart, Duration window) {
        assertThat(CallUp.window(toStart)).isEqualTo(window);
    }

    @ParameterizedTest
    @CsvSource({
        // 24 hours awake from Wednesday noon: 10 h, then 14 of Thursday's 15
        "America/Halifax, 2027-03-10T12:00, 2027-03-11T21:00",
        // called at night: the six hours begin at seven
        "America/Halifax, 2027-03-14T23:30, 2027-03-15T13:00",
        "America/Halifax, 2027-03-14T20:00, 2027-03-15T11:00",
        // the night between the clocks: 13 Mar 21:00, 72 h less an hour before the start, then 5 h from seven
        "America/Halifax, 2027-03-13T21:00, 2027-03-14T12:00",
        // under 24 hours the night counts
        "America/Halifax, 2027-03-16T01:00, 2027-03-16T02:00",
        // two hours before: a quarter of an hour
        "America/Halifax, 2027-03-16T17:00, 2027-03-16T17:15",
        // in Singapore it is night until 07:00 of 15 Mar there
        "Asia/Singapore, 2027-03-15T01:00, 2027-03-15T13:00",
    })
    void replies_are_due_in_waking_hours(ZoneId zone, String called, String due) {
        assertThat(CallUp.replyBy(at(zone, called), START, DOOR, zone)).isEqualTo(at(zone, due));
    }

    @Test
    void nobody_has_longer_than_until_the_door_opens() {
        assertThat(CallUp.replyBy(START.minus(Duration.ofMinutes(20)), START, DOOR, HALIFAX))
                .isEqualTo(DOOR);
    }

    @Test
    void a_night_that_reaches_into_the_last_day_counts_from_there() {
        Instant morning = at(HALIFAX, "2027-03-16T06:00");
        Instant called = at(HALIFAX, "2027-03-14T21:00");
        // one hour until 22:00; from 06:00 on the 15th all hours count
        assertThat(CallUp.replyBy(called, morning, morning.minus(Duration.ofMinutes(15)), HALIFAX))
                .isEqualTo(at(HALIFAX, "2027-03-15T11:00"));
    }

    @ParameterizedTest
    @CsvSource({
        "CALL_UP, PT3H, CALL",
        "CALL_UP, PT2H59M, RACE",
        "CALL_UP, PT15M, NOBODY",
        "SEAT_AT_ONCE, PT2H, SEAT",
        "SEAT_AT_ONCE, PT1S, SEAT",
        "SEAT_AT_ONCE, PT0S, NOBODY",
    })
    void seats_are_given_in_a_way_that_fits_the_hour(FreedSeats choice, Duration toStart, Way way) {
        assertThat(CallUp.way(choice, START.minus(toStart), START, DOOR)).isEqualTo(way);
    }

    @Property(tries = 500)
    void the_later_the_call_the_later_the_reply_within_a_window(
            @ForAll @IntRange(min = 1, max = 12_000) int minutesBefore, @ForAll @IntRange(min = 0, max = 2) int where) {
        ZoneId zone = ZoneId.of(new String[] {"America/Halifax", "Asia/Singapore", "Europe/Lisbon"}[where]);
        Instant called = DOOR.minus(Duration.ofMinutes(minutesBefore));
        Instant due = CallUp.replyBy(called, START, DOOR, zone);
        assertThat(due).isAfter(called).isBeforeOrEqualTo(DOOR);
        Duration window = CallUp.window(Duration.between(called, START));
        assertThat(due.isBefore(DOOR) && due.isBefore(called.plus(window))).isFalse();
    }
}
