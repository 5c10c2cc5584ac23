package jollyroster.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.InetAddress;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import jollyroster.core.dates.Interval;
import jollyroster.exchange.CalendarReader.Problem;
import jollyroster.exchange.CalendarReader.Reading;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Calendars from elsewhere, good and bad. */
class CalendarReaderTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final Interval SPRING =
            new Interval(Instant.parse("2027-03-01T00:00:00Z"), Instant.parse("2027-06-01T00:00:00Z"));

    private static String file(String... lines) {
        return "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//t//EN\r\n" + String.join("\r\n", lines)
                + "\r\nEND:VCALENDAR\r\n";
    }

    private static List<CalendarReader.Event> events(String text) {
        return ((Reading.Read) CalendarReader.read(text, SPRING, HALIFAX)).events();
    }

    private static Problem problem(String text) {
        return ((Reading.Refused) CalendarReader.read(text, SPRING, HALIFAX)).because();
    }

    /** 19:00 in Halifax is 23:00 UTC before 14 March 2027 and 22:00 after (IANA zones). */
    @Test
    void a_repeated_event_keeps_its_time_on_the_wall_clock() {
        String text = file(
                "BEGIN:VEVENT",
                "UID:a",
                "DTSTAMP:20270101T000000Z",
                "DTSTART;TZID=America/Halifax:20270309T190000",
                "DURATION:PT90M",
                "RRULE:FREQ=WEEKLY;COUNT=2",
                "END:VEVENT");
        assertThat(events(text))
                .extracting(CalendarReader.Event::span)
                .containsExactly(
                        new Interval(Instant.parse("2027-03-09T23:00:00Z"), Instant.parse("2027-03-10T00:30:00Z")),
                        new Interval(Instant.parse("2027-03-16T22:00:00Z"), Instant.parse("2027-03-16T23:30:00Z")));
    }

    @Test
    void a_whole_day_is_a_day_in_the_zone_of_the_reader() {
        String text =
                file("BEGIN:VEVENT", "UID:a", "DTSTAMP:20270101T000000Z", "DTSTART;VALUE=DATE:20270316", "END:VEVENT");
        assertThat(events(text)).singleElement().satisfies(e -> {
            assertThat(e.allDay()).isTrue();
            assertThat(e.span().start()).isEqualTo(Instant.parse("2027-03-16T03:00:00Z"));
            assertThat(e.span().length()).isEqualTo(Duration.ofDays(1));
        });
    }

    @Test
    void what_our_own_feed_says_is_read_back_the_same() {
        Instant start = Instant.parse("2027-03-16T22:00:00Z");
        CalendarEntry entry = new CalendarEntry(
                "x@y", 0, "Knots; and, splices", "", "", "", start, start.plusSeconds(5400), start, false);
        String feed =
                Calendars.publish("Feed", new CalendarOrganiser("School", "office@saltmarrow.example"), List.of(entry));
        assertThat(events(feed)).singleElement().satisfies(e -> {
            assertThat(e.span()).isEqualTo(new Interval(start, start.plusSeconds(5400)));
            assertThat(e.title()).isEqualTo("Knots; and, splices");
        });
    }

    @Test
    void an_event_a_second_for_ever_ends() {
        String bomb = file(
                "BEGIN:VEVENT",
                "UID:a",
                "DTSTAMP:20270101T000000Z",
                "DTSTART:20270309T190000Z",
                "DURATION:PT1S",
                "RRULE:FREQ=SECONDLY",
                "END:VEVENT");
        assertThat(events(bomb)).hasSizeLessThanOrEqualTo(1500);
    }

    @Test
    void a_million_events_a_deep_nest_and_no_calendar_are_refused() {
        assertThat(problem(file("BEGIN:VEVENT\r\nEND:VEVENT\r\n".repeat(100_000))))
                .isEqualTo(Problem.TOO_MANY_EVENTS);
        assertThat(problem("BEGIN:VCALENDAR\r\n".repeat(100))).isEqualTo(Problem.NESTED_TOO_DEEPLY);
        assertThat(problem("x".repeat(CalendarReader.LONGEST + 1))).isEqualTo(Problem.TOO_LARGE);
        assertThat(problem("")).isEqualTo(Problem.NOT_A_CALENDAR);
        assertThat(problem("<html>BEGIN here</html>")).isEqualTo(Problem.NOT_A_CALENDAR);
    }

    @ParameterizedTest
    @CsvSource({
        "127.0.0.1, true",
        "10.1.2.3, true",
        "172.16.0.9, true",
        "192.168.1.1, true",
        "169.254.169.254, true",
        "100.64.0.1, true",
        "0.0.0.0, true",
        "::1, true",
        "fd00::1, true",
        "fe80::1, true",
        "::ffff:10.0.0.1, true",
        "93.184.216.34, false",
        "2606:2800:220:1::1, false"
    })
    void private_addresses_are_known(String address, boolean isPrivate) throws Exception {
        assertThat(RemoteCalendars.isPrivate(InetAddress.getByName(address))).isEqualTo(isPrivate);
    }

    @ParameterizedTest
    @CsvSource({
        "http://calendar.example/x.ics",
        "ftp://calendar.example/x.ics",
        "https://user:pw@calendar.example/x.ics",
        "https://127.0.0.1/x.ics",
        "https://localhost/x.ics",
        "not an address",
        "https:///x.ics"
    })
    void addresses_that_are_not_allowed_are_not_asked(String address) {
        assertThat(org.assertj.core.api.Assertions.catchThrowable(() -> new RemoteCalendars(false).fetch(address)))
                .isInstanceOf(RemoteCalendars.NotFetched.class);
    }
}
