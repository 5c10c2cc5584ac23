package jollyroster.core.seats;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Decided three calendar days before the start, in the zone of the session. */
class OutlookTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final Instant START = Instant.parse("2027-03-16T22:00:00Z");

    @ParameterizedTest
    @CsvSource({
        "0, 0, 2027-03-16T12:00:00Z, OPEN",
        "4, 4, 2027-03-16T12:00:00Z, RUNS",
        "4, 3, 2027-03-13T03:59:00Z, AT_RISK",
        "4, 3, 2027-03-13T04:00:00Z, DECIDE_TODAY",
        "4, 3, 2027-03-14T02:00:00Z, DECIDE_TODAY",
        "4, 3, 2027-03-14T04:00:00Z, OVERDUE",
    })
    void says_how_it_stands(int minimum, int taken, Instant now, Outlook outlook) {
        assertThat(Outlook.of(minimum, taken, START, HALIFAX, 3, now)).isEqualTo(outlook);
        assertThat(Outlook.decideBy(START, HALIFAX, 3)).isEqualTo(LocalDate.of(2027, 3, 13));
    }
}
