package jollyroster.core.readiness;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.OptionalInt;
import jollyroster.core.dates.Interval;
import jollyroster.core.readiness.Finding.Kind;
import jollyroster.core.readiness.Readiness.Date;
import jollyroster.core.readiness.Readiness.Meets;
import jollyroster.core.readiness.Readiness.Sheet;
import org.junit.jupiter.api.Test;

class ReadinessTest {

    private static final Instant NOW = Instant.parse("2027-03-10T13:40:00Z");
    private static final Date TOMORROW = date(1, "2027-03-11T23:00:00Z", 16);

    @Test
    void a_complete_sheet_has_no_findings() {
        assertThat(kinds(sheet(false, Meets.IN_PERSON, TOMORROW))).isEmpty();
    }

    @Test
    void an_empty_sheet_names_everything_that_is_missing_the_gravest_first() {
        Sheet empty = new Sheet(
                false, " ", "", Meets.NOWHERE_YET, OptionalInt.empty(), ZoneId.of("America/Halifax"), List.of());
        assertThat(kinds(empty)).containsExactly(Kind.NO_VENUE, Kind.NO_DATE, Kind.NO_SUMMARY, Kind.NO_DESCRIPTION);
    }

    @Test
    void online_needs_a_link() {
        assertThat(kinds(sheet(false, Meets.ONLINE_WITHOUT_LINK, TOMORROW))).containsExactly(Kind.NO_LINK);
    }

    @Test
    void a_date_needs_seats_and_a_room_that_holds_them() {
        assertThat(kinds(sheet(false, Meets.IN_PERSON, date(1, "2027-03-11T23:00:00Z", 0))))
                .containsExactly(Kind.NO_SEATS);
        assertThat(kinds(sheet(false, Meets.IN_PERSON, date(1, "2027-03-11T23:00:00Z", 31))))
                .containsExactly(Kind.ROOM_TOO_SMALL);
    }

    @Test
    void a_past_date_is_a_mistake_in_a_draft_only() {
        Date past = date(2, "2027-03-01T23:00:00Z", 16);
        assertThat(kinds(sheet(false, Meets.IN_PERSON, past, TOMORROW))).containsExactly(Kind.START_IN_PAST);
        assertThat(kinds(sheet(false, Meets.IN_PERSON, past))).containsExactly(Kind.START_IN_PAST);
        assertThat(kinds(sheet(true, Meets.IN_PERSON, past, TOMORROW))).isEmpty();
        assertThat(kinds(sheet(true, Meets.IN_PERSON, past))).containsExactly(Kind.NO_DATE);
    }

    @Test
    void a_clock_change_between_now_and_the_last_date_is_remarked() {
        List<Finding> findings =
                Readiness.check(sheet(false, Meets.IN_PERSON, TOMORROW, date(2, "2027-03-16T22:00:00Z", 16)), NOW);
        assertThat(findings)
                .containsExactly(new Finding(Kind.CLOCK_CHANGE, null, Instant.parse("2027-03-14T06:00:00Z"), 60));
    }

    @Test
    void two_dates_at_the_same_time_are_odd() {
        assertThat(kinds(sheet(false, Meets.IN_PERSON, TOMORROW, date(2, "2027-03-12T00:00:00Z", 16))))
                .containsExactly(Kind.SAME_TIME_TWICE);
    }

    private static List<Kind> kinds(Sheet sheet) {
        return Readiness.check(sheet, NOW).stream().map(Finding::kind).toList();
    }

    private static Sheet sheet(boolean published, Meets meets, Date... dates) {
        return new Sheet(
                published,
                "Six knots",
                "At the bench.",
                meets,
                OptionalInt.of(30),
                ZoneId.of("America/Halifax"),
                List.of(dates));
    }

    private static Date date(long id, String start, int seats) {
        Instant from = Instant.parse(start);
        return new Date(id, new Interval(from, from.plus(Duration.ofHours(2))), seats);
    }
}
