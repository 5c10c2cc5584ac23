package jollyroster.core.dates;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.LongRange;
import org.joda.time.DateTimeZone;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * IANA zones through java.time against Joda-Time, which ships a zone database of its own. The two need not be of one
 * release, and governments change clocks with a few months' notice: only years are compared that are over in both, and
 * whatever lies ahead is tested with rules that the test brings along.
 */
class ZonesTest {

    private static final long FIRST = Instant.parse("2010-01-01T00:00:00Z").toEpochMilli();
    private static final long LAST = Instant.parse("2024-01-01T00:00:00Z").toEpochMilli();
    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");

    @Provide
    Arbitrary<String> zones() {
        return Arbitraries.of(List.of(
                "America/Halifax",
                "America/Toronto",
                "America/Vancouver",
                "Europe/Lisbon",
                "Europe/Oslo",
                "Asia/Singapore",
                "Asia/Kolkata",
                "Australia/Lord_Howe",
                "America/St_Johns",
                "Pacific/Chatham"));
    }

    @Property
    void both_say_the_same_offset(
            @ForAll("zones") String zone, @ForAll @LongRange(min = 0, max = 441_000_000_000L) long ahead) {
        long at = Math.min(FIRST + ahead, LAST);
        int ours =
                ZoneId.of(zone).getRules().getOffset(Instant.ofEpochMilli(at)).getTotalSeconds() * 1000;
        assertThat(ours).isEqualTo(DateTimeZone.forID(zone).getOffset(at));
    }

    /** Halifax changes on 14 March 2027, Lisbon on 28 March. */
    @ParameterizedTest
    @CsvSource({"2027-03-09T19:00, 23:00", "2027-03-16T19:00, 22:00", "2027-03-30T19:00, 23:00"})
    void the_evening_in_halifax_on_the_clock_in_lisbon(String there, String lisbon) {
        Instant start = LocalDateTime.parse(there).atZone(HALIFAX).toInstant();
        assertThat(start.atZone(ZoneId.of("Europe/Lisbon")).toLocalTime()).hasToString(lisbon);
    }
}
