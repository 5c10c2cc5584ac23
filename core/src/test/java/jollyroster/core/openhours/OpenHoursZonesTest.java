package jollyroster.core.openhours;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.LongStream;
import jollyroster.core.dates.Interval;
import org.joda.time.DateTimeZone;
import org.joda.time.LocalDateTime;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Open hours on the clock of a zone, beside what Joda-Time works out with zone data of its own. Days for which the two know
 * different rules are passed over, and most are not.
 */
class OpenHoursZonesTest {

    private static final int DAYS = 400;

    /** Offsets of whole hours, of 30 and 45 minutes, changes of half an hour, changes at midnight, and a day that was skipped. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "America/Halifax",
                "Asia/Kolkata",
                "Asia/Kathmandu",
                "Pacific/Chatham",
                "Australia/Lord_Howe",
                "America/St_Johns",
                "Africa/Cairo",
                "Pacific/Apia"
            })
    void a_stretch_is_when_a_second_library_says(String name) {
        ZoneId zone = ZoneId.of(name);
        DateTimeZone second = DateTimeZone.forID(name);
        Random dice = new Random(name.hashCode());
        int compared = 0;
        for (LocalDate day : days(name)) {
            for (int i = 0; i < 5; i++) {
                int from = 15 * dice.nextInt(95);
                Stretch stretch = new Stretch(from, from + 15 * (1 + dice.nextInt((Stretch.DAY - from) / 15)));
                if (agree(zone, second, day)) {
                    compared++;
                    assertThat(stretch.on(day, zone))
                            .as(name + " " + day + " " + stretch)
                            .isEqualTo(theirs(stretch, day, second));
                }
            }
        }
        assertThat(compared).isGreaterThan(5 * DAYS / 2);
    }

    private static List<LocalDate> days(String name) {
        LocalDate first = name.equals("Pacific/Apia") ? LocalDate.of(2011, 9, 1) : LocalDate.of(2024, 1, 1);
        return LongStream.range(0, DAYS).mapToObj(first::plusDays).toList();
    }

    /** Whether both have the same offset at each hour of the day before, the day, and the day after. */
    private static boolean agree(ZoneId zone, DateTimeZone second, LocalDate day) {
        Instant from = day.minusDays(1).atStartOfDay(ZoneOffset.UTC).toInstant();
        return LongStream.range(0, 72)
                .map(hour -> from.plusSeconds(3600 * hour).toEpochMilli())
                .allMatch(at -> second.getOffset(at)
                        == 1000L
                                * zone.getRules()
                                        .getOffset(Instant.ofEpochMilli(at))
                                        .getTotalSeconds());
    }

    private static Optional<Interval> theirs(Stretch stretch, LocalDate day, DateTimeZone zone) {
        Instant start = moment(day, stretch.from(), zone, true);
        Instant end = moment(day, stretch.until(), zone, false);
        return start.isBefore(end) ? Optional.of(new Interval(start, end)) : Optional.empty();
    }

    private static Instant moment(LocalDate day, int minute, DateTimeZone zone, boolean first) {
        LocalDateTime wall =
                new LocalDateTime(day.getYear(), day.getMonthValue(), day.getDayOfMonth(), 0, 0).plusMinutes(minute);
        if (zone.isLocalDateTimeGap(wall)) {
            long before = wall.toDateTime(DateTimeZone.UTC).getMillis() - 36 * 3_600_000L;
            return Instant.ofEpochMilli(zone.nextTransition(before));
        }
        var there = wall.toDateTime(zone);
        return Instant.ofEpochMilli(
                (first ? there.withEarlierOffsetAtOverlap() : there.withLaterOffsetAtOverlap()).getMillis());
    }
}
