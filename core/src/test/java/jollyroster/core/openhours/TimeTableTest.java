package jollyroster.core.openhours;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Offset;
import jollyroster.core.openhours.OpenTimes.Host;
import jollyroster.core.openhours.TimeTable.Slot;
import org.junit.jupiter.api.Test;

/** Hours 10:00–11:30 on Wed 17 Mar 2027 in Halifax, half-hour times; Wren is busy at 10:00, Pip at 10:30, both at 11:00. */
class TimeTableTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final LocalDate WEDNESDAY = LocalDate.of(2027, 3, 17);
    private static final TimeRules RULES = TimeRules.of(Duration.ofMinutes(30));
    private static final OpenHours HOURS =
            OpenHours.NONE.onlyOn(WEDNESDAY, DayHours.of(Stretch.of(LocalTime.of(10, 0), LocalTime.of(11, 30))));

    private static Instant at(String time) {
        return WEDNESDAY.atTime(LocalTime.parse(time)).atZone(HALIFAX).toInstant();
    }

    private static Claim busy(long host, String from, String until) {
        return Claim.busy(Claim.Owner.host(host), host, new Interval(at(from), at(until)));
    }

    private static OpenTimes times(Host host) {
        return new OpenTimes(HOURS, HALIFAX, RULES, host, Instant.parse("2027-01-01T00:00:00Z"));
    }

    private static TimeTable<String> table(HostChoice choice) {
        Map<String, OpenTimes> times = new LinkedHashMap<>();
        times.put("Wren", times(Host.takenUpBy(List.of(busy(1, "10:00", "10:30"), busy(1, "11:00", "11:30")))));
        times.put("Pip", times(Host.takenUpBy(List.of(busy(2, "10:30", "11:30")))));
        return new TimeTable<>(times, choice, 4);
    }

    @Test
    void a_time_may_be_picked_while_one_of_them_can_be_had() {
        assertThat(table(HostChoice.WHOEVER_IS_FREE).between(WEDNESDAY, WEDNESDAY.plusDays(1)))
                .containsExactly(
                        new Slot<>(at("10:00"), List.of("Pip"), 4), new Slot<>(at("10:30"), List.of("Wren"), 4));
        assertThat(table(HostChoice.WHOEVER_IS_FREE).taken(WEDNESDAY, WEDNESDAY.plusDays(1)))
                .containsExactly(at("11:00"));
        assertThat(table(HostChoice.ATTENDEES_CHOICE).free(at("10:00"))).containsExactly("Pip");
    }

    @Test
    void together_none_may_be_missing() {
        TimeTable<String> together = table(HostChoice.ALL_TOGETHER);
        assertThat(together.between(WEDNESDAY, WEDNESDAY.plusDays(1))).isEmpty();
        assertThat(together.free(at("10:00"))).isEmpty();
        assertThat(together.taken(WEDNESDAY, WEDNESDAY.plusDays(1))).hasSize(3);
    }

    @Test
    void a_time_that_others_have_picked_has_the_seats_that_are_left_with_whoever_has_most() {
        Map<String, OpenTimes> times = new LinkedHashMap<>();
        times.put("Wren", times(new Host(List.of(), List.of(), Map.of(at("10:00"), 1))));
        times.put("Pip", times(new Host(List.of(), List.of(), Map.of(at("10:00"), 3))));
        assertThat(new TimeTable<>(times, HostChoice.WHOEVER_IS_FREE, 4).between(WEDNESDAY, WEDNESDAY.plusDays(1)))
                .first()
                .isEqualTo(new Slot<>(at("10:00"), List.of("Wren", "Pip"), 3));
    }

    @Test
    void who_was_named_or_is_held_comes_before_the_rest() {
        List<Long> free = List.of(1L, 2L, 3L);
        assertThat(HostChoice.ATTENDEES_CHOICE.able(free, Long::longValue, Optional.of(2L), List.of(3L)))
                .containsExactly(2L);
        assertThat(HostChoice.ATTENDEES_CHOICE.able(free, Long::longValue, Optional.of(9L), List.of(3L)))
                .isEmpty();
        assertThat(HostChoice.WHOEVER_IS_FREE.able(free, Long::longValue, Optional.of(2L), List.of(3L)))
                .as("nobody may choose there, and 3 is kept for them")
                .containsExactly(3L);
        assertThat(HostChoice.WHOEVER_IS_FREE.able(free, Long::longValue, Optional.empty(), List.of(9L)))
                .isEqualTo(free);
        assertThat(HostChoice.ALL_TOGETHER.able(free, Long::longValue, Optional.of(2L), List.of(3L)))
                .isEqualTo(free);
    }

    @Test
    void a_cut_off_in_days_is_by_the_calendar_and_in_hours_elapsed() {
        LocalDate springForward = LocalDate.of(2027, 3, 14);
        OpenHours noon = OpenHours.NONE.onlyOn(
                springForward, DayHours.of(Stretch.of(LocalTime.of(12, 0), LocalTime.of(12, 30))));
        Instant between = Instant.parse("2027-03-13T15:30:00Z"); // 11:30 there, 23.5 h before
        assertThat(noon(noon, RULES.closing(Offset.days(1)), between, springForward))
                .isTrue();
        assertThat(noon(noon, RULES.closing(Offset.hours(24)), between, springForward))
                .isFalse();
    }

    private static boolean noon(OpenHours hours, TimeRules rules, Instant now, LocalDate day) {
        return new OpenTimes(hours, HALIFAX, rules, Host.FREE, now)
                .between(day, day.plusDays(1))
                .get(0)
                .isOffered();
    }
}
