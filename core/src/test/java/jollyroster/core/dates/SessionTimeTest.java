package jollyroster.core.dates;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Zone facts: IANA time zone database, through java.time. */
class SessionTimeTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final ZoneId LISBON = ZoneId.of("Europe/Lisbon");

    @ParameterizedTest
    @CsvSource({"2027-03-09T19:00,23:00", "2027-03-16T19:00,22:00", "2027-03-30T19:00,23:00"})
    void evening_in_halifax_is_seen_in_lisbon(LocalDateTime start, LocalTime there) {
        SessionTime session = SessionTime.resolve(start, HALIFAX, Duration.ofHours(2));
        assertThat(session.start().withZoneSameInstant(LISBON).toLocalTime()).isEqualTo(there);
    }

    @Test
    void start_in_a_spring_gap_moves_forward_by_the_gap() {
        SessionTime session =
                SessionTime.resolve(LocalDateTime.parse("2027-03-14T02:30"), HALIFAX, Duration.ofHours(1));
        assertThat(session.start().toLocalTime()).isEqualTo(LocalTime.of(3, 30));
        assertThat(session.adjustment()).isEqualTo(SessionTime.Adjustment.MOVED_OUT_OF_GAP);
    }

    @Test
    void start_in_an_autumn_overlap_takes_the_earlier() {
        SessionTime session =
                SessionTime.resolve(LocalDateTime.parse("2027-11-07T01:30"), HALIFAX, Duration.ofHours(1));
        assertThat(session.start().toInstant()).isEqualTo(Instant.parse("2027-11-07T04:30:00Z"));
        assertThat(session.adjustment()).isEqualTo(SessionTime.Adjustment.EARLIER_OF_TWO);
    }

    @Test
    void length_is_elapsed_time_across_a_clock_change() {
        SessionTime session =
                SessionTime.resolve(LocalDateTime.parse("2027-03-14T01:00"), HALIFAX, Duration.ofHours(2));
        assertThat(session.end().toLocalTime()).isEqualTo(LocalTime.of(4, 0));
    }

    @Test
    void one_day_before_a_clock_change_is_23_hours() {
        ZonedDateTime noon = ZonedDateTime.of(LocalDateTime.parse("2027-03-14T12:00"), HALIFAX);
        ZonedDateTime dayBefore = Offset.days(1).before(noon);
        assertThat(dayBefore.toLocalDateTime()).isEqualTo(LocalDateTime.parse("2027-03-13T12:00"));
        assertThat(Duration.between(dayBefore, noon)).isEqualTo(Duration.ofHours(23));
        assertThat(Offset.hours(24).before(noon).toLocalDateTime()).isEqualTo(LocalDateTime.parse("2027-03-13T11:00"));
    }

    @Test
    void clock_changes_between_two_instants_are_listed() {
        assertThat(ClockChange.between(
                        HALIFAX, Instant.parse("2027-03-10T13:40:00Z"), Instant.parse("2027-03-31T00:00:00Z")))
                .containsExactly(new ClockChange(HALIFAX, Instant.parse("2027-03-14T06:00:00Z"), Duration.ofHours(1)));
    }

    @Test
    void lisbon_is_four_hours_ahead_of_halifax_before_the_change_and_three_after() {
        assertThat(ClockChange.difference(HALIFAX, LISBON, Instant.parse("2027-03-09T23:00:00Z")))
                .isEqualTo(Duration.ofHours(4));
        assertThat(ClockChange.difference(HALIFAX, LISBON, Instant.parse("2027-03-16T22:00:00Z")))
                .isEqualTo(Duration.ofHours(3));
    }

    @Test
    void a_session_without_length_is_no_session() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> SessionTime.resolve(LocalDateTime.parse("2027-03-14T12:00"), HALIFAX, Duration.ZERO));
    }

    @Test
    void intervals_are_half_open() {
        Interval morning = new Interval(Instant.parse("2027-03-10T10:00:00Z"), Instant.parse("2027-03-10T11:00:00Z"));
        Interval next = new Interval(Instant.parse("2027-03-10T11:00:00Z"), Instant.parse("2027-03-10T12:00:00Z"));
        assertThat(morning.overlaps(next)).isFalse();
        assertThat(morning.abuts(next)).isTrue();
        assertThat(morning.contains(morning.start())).isTrue();
        assertThat(morning.contains(morning.end())).isFalse();
        assertThat(morning.intersection(next)).isEmpty();
    }
}
