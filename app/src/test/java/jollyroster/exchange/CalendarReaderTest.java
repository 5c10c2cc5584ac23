package jollyroster.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.InetAddress;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;
import jollyroster.exchange.CalendarReader.Problem;
import jollyroster.exchange.CalendarReader.Reading;
import jollyroster.platform.OutsideService;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

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

    private static OutsideService service() {
        return new OutsideService("calendars", Duration.ofSeconds(2), 2, Clock.systemUTC());
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
                "x@y", 0, "Knots; and, splices", "", "", "", start, start.plusSeconds(5400), HALIFAX, start, false);
        String feed = Calendars.publish(
                "Feed", new CalendarOrganiser("School", "office@saltmarrow.example"), List.of(entry), start);
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
        assertThat(org.assertj.core.api.Assertions.catchThrowable(
                        () -> new RemoteCalendars(service(), false).fetch(address)))
                .isInstanceOf(RemoteCalendars.NotFetched.class);
    }

    private static String event(String... lines) {
        return file(Stream.of(
                        List.of("BEGIN:VEVENT", "UID:a", "DTSTAMP:20270101T000000Z"),
                        List.of(lines),
                        List.of("END:VEVENT"))
                .flatMap(List::stream)
                .toArray(String[]::new));
    }

    /** Names as other systems write them; the first three are in CLDR's windowsZones. 12:00 in each is another instant. */
    @ParameterizedTest
    @CsvSource({
        "Eastern Standard Time,2027-04-01T16:00:00Z",
        "W. Europe Standard Time,2027-04-01T10:00:00Z",
        "Atlantic Standard Time,2027-04-01T15:00:00Z",
        "US-Eastern,2027-04-01T16:00:00Z",
        "/example.org/20270101_1/America/New_York,2027-04-01T16:00:00Z",
        "/example.org/America/Argentina/Salta,2027-04-01T15:00:00Z"
    })
    void zones_are_known_by_the_names_other_systems_give_them(String name, Instant start) {
        String text = event("DTSTART;TZID=\"" + name + "\":20270401T120000", "DURATION:PT1H");
        assertThat(events(text)).extracting(e -> e.span().start()).containsExactly(start);
    }

    @Test
    void a_zone_of_no_known_name_is_known_by_its_rules() {
        String rules = String.join(
                "\r\n",
                "BEGIN:VTIMEZONE",
                "TZID:Customized Time Zone",
                "BEGIN:STANDARD",
                "DTSTART:16010101T030000",
                "TZOFFSETFROM:+0200",
                "TZOFFSETTO:+0100",
                "RRULE:FREQ=YEARLY;BYDAY=-1SU;BYMONTH=10",
                "END:STANDARD",
                "BEGIN:DAYLIGHT",
                "DTSTART:16010101T020000",
                "TZOFFSETFROM:+0100",
                "TZOFFSETTO:+0200",
                "RRULE:FREQ=YEARLY;BYDAY=-1SU;BYMONTH=3",
                "END:DAYLIGHT",
                "END:VTIMEZONE");
        String text = file(
                rules,
                "BEGIN:VEVENT",
                "UID:a",
                "DTSTAMP:20270101T000000Z",
                "DTSTART;TZID=Customized Time Zone:20270322T120000",
                "DURATION:PT1H",
                "RRULE:FREQ=WEEKLY;COUNT=2",
                "END:VEVENT");
        assertThat(events(text))
                .as("Europe's clocks change on 28 March 2027")
                .extracting(e -> e.span().start())
                .containsExactly(Instant.parse("2027-03-22T11:00:00Z"), Instant.parse("2027-03-29T10:00:00Z"));
    }

    @Test
    void an_event_that_cannot_be_placed_costs_itself_and_is_spoken_of() {
        String text = file(
                "BEGIN:VEVENT",
                "UID:a",
                "DTSTAMP:20270101T000000Z",
                "DTSTART;TZID=Middle of Nowhere:20270401T120000",
                "DURATION:PT1H",
                "END:VEVENT",
                "BEGIN:VEVENT",
                "UID:b",
                "DTSTAMP:20270101T000000Z",
                "DTSTART:20270402T120000Z",
                "DURATION:PT1H",
                "END:VEVENT");
        Reading.Read read = (Reading.Read) CalendarReader.read(text, SPRING, HALIFAX);
        assertThat(read.events())
                .extracting(e -> e.span().start())
                .containsExactly(Instant.parse("2027-04-02T12:00:00Z"));
        assertThat(read.notPlaced())
                .isEqualTo("One event is left out, in a time zone that is not known: “Middle of Nowhere”.");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "DTSTART:00000101T000000Z|DTEND:99991231T235959Z",
                "DTSTART;VALUE=DATE:00000101|DTEND;VALUE=DATE:99991231",
                "DTSTART:20270402T120000Z|DURATION:P999999999D",
                "DTSTART:20270402T120000Z|DTEND:20270402T130000Z|RRULE:FREQ=MONTHLY;BYSETPOS=2147483647;BYDAY=MO",
                "DTSTART:20270402T120000Z|DTEND:20270402T130000Z|RRULE:FREQ=MONTHLY;BYSETPOS=-99999999999;BYDAY=MO",
                "DTSTART:20270402T120000Z|DTEND:20270402T130000Z|RRULE:FREQ=SECONDLY;INTERVAL=0",
                "DTSTART:20270402T120000Z|DTEND:20270402T130000Z|RRULE:FREQ=YEARLY;BYMONTHDAY=31;BYMONTH=2",
                "DTSTART:20279999T999999Z|DTEND:20270402T130000Z"
            })
    void absurd_times_stay_within_the_window_or_are_left_out(String lines) {
        assertThat(events(event(lines.split("\\|")))).allSatisfy(e -> {
            assertThat(e.span().start()).isAfterOrEqualTo(SPRING.start());
            assertThat(e.span().end()).isBeforeOrEqualTo(SPRING.end());
        });
    }

    @Test
    void single_dates_that_are_added_and_taken_away_count() {
        String text = event(
                "DTSTART:20270405T120000Z",
                "DURATION:PT1H",
                "RRULE:FREQ=WEEKLY;COUNT=3",
                "RDATE:20270407T120000Z,20270408T120000Z",
                "EXDATE:20270412T120000Z");
        assertThat(events(text))
                .extracting(e -> e.span().start().toString().substring(5, 10))
                .containsExactly("04-05", "04-07", "04-08", "04-19");
    }

    @Test
    void lines_we_write_are_never_longer_than_75_octets_and_never_folded_before_a_space() {
        for (int words = 1; words < 60; words++) {
            String title = "é word ".repeat(words) + "😀".repeat(words % 7);
            CalendarEntry entry = new CalendarEntry(
                    "x@y",
                    0,
                    title,
                    "",
                    "",
                    "",
                    SPRING.start(),
                    SPRING.start().plusSeconds(60),
                    HALIFAX,
                    SPRING.start(),
                    false);
            String feed =
                    Calendars.publish("F", new CalendarOrganiser("S", "o@s.example"), List.of(entry), SPRING.start());
            assertThat(feed.split("\r\n")).allSatisfy(line -> {
                assertThat(line.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(75);
                assertThat(line).doesNotStartWith("  ");
            });
            assertThat(events(feed)).extracting(CalendarReader.Event::title).containsExactly(title);
        }
    }
}
