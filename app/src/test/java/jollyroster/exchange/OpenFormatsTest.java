package jollyroster.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.Temporal;
import java.util.List;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.component.VTimeZone;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.junit.jupiter.api.Test;

/** What we write is read by a second library (iCalendar: ical4j, RFC 5545) or by the letter of the standard. */
class OpenFormatsTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");

    private static final CalendarEntry ENTRY = new CalendarEntry(
            "session-7@localhost",
            2,
            "Knots; splicing, and “tea”",
            "Line one\nLine two with a \\ backslash, a comma and a very long tail that has to be folded somewhere",
            "Rope loft, Saltmarrow quay",
            "http://localhost:8080/p/knots",
            Instant.parse("2027-03-16T22:00:00Z"),
            Instant.parse("2027-03-17T00:00:00Z"),
            HALIFAX,
            Instant.parse("2027-03-10T13:40:00Z"),
            false);

    private static final CalendarOrganiser OFFICE =
            new CalendarOrganiser("Saltmarrow Sea School", "office@saltmarrow.example");

    private static final Instant NOW = Instant.parse("2027-03-11T08:00:00Z");

    /** RFC 6868: a quotation mark in a parameter is written as ^', a caret as ^^. */
    @Test
    void a_quotation_mark_in_a_name_is_written_as_the_standard_has_it() throws IOException, ParserException {
        CalendarOrganiser quay = new CalendarOrganiser("The \"Quay\" ^School; (old)", "office@saltmarrow.example");
        String text = Calendars.request(ENTRY, quay, "Ada \"Ace\" Vance", "ada@crew.example", NOW)
                .replace("\r\n ", "");
        assertThat(text).contains("CN=\"The ^'Quay^' ^^School; (old)\"").contains("CN=Ada ^'Ace^' Vance");
        assertThat(read(text).<VEvent>getComponents(Component.VEVENT)).hasSize(1);
        assertThat(Calendars.publish("P", quay, List.of(ENTRY), NOW)).contains("BEGIN:VEVENT");
    }

    /** RFC 5546, 3.2.5: CANCEL has UID, SEQUENCE, DTSTAMP, ORGANIZER and the attendee it is for; STATUS is CANCELLED. */
    @Test
    void a_cancellation_goes_as_such() throws IOException, ParserException {
        CalendarEntry gone = new CalendarEntry(
                ENTRY.uid(),
                3,
                ENTRY.title(),
                "",
                "",
                "",
                ENTRY.start(),
                ENTRY.end(),
                HALIFAX,
                ENTRY.changedAt(),
                true);
        Calendar calendar = read(Calendars.cancel(List.of(gone), OFFICE, "Wren Skerry", "wren@crew.example", NOW));
        assertThat(calendar.validate().getEntries()).isEmpty();
        assertThat(calendar.getMethod().getValue()).isEqualTo("CANCEL");
        VEvent event = event(calendar);
        assertThat(event.getStatus().getValue()).isEqualTo("CANCELLED");
        assertThat(event.getSequence().getSequenceNo()).isEqualTo(3);
        assertThat(Instant.from(event.getDateTimeStamp().getDate())).isEqualTo(NOW);
        assertThat(event.getAttendees()).hasSize(1);
    }

    @Test
    void a_second_library_reads_the_same_session() throws IOException, ParserException {
        VEvent event = event(read(Calendars.publish("Programme", OFFICE, List.of(ENTRY), NOW)));
        assertThat(event.getUid().orElseThrow().getValue()).isEqualTo(ENTRY.uid());
        assertThat(event.getSequence().getSequenceNo()).isEqualTo(2);
        assertThat(event.getSummary().getValue()).isEqualTo(ENTRY.title());
        assertThat(event.getDescription().getValue()).isEqualTo(ENTRY.description());
        assertThat(event.getLocation().getValue()).isEqualTo(ENTRY.place());
        assertThat(Instant.from((Temporal) event.getDateTimeStart().getDate())).isEqualTo(ENTRY.start());
        assertThat(Instant.from((Temporal) event.getDateTimeEnd().getDate())).isEqualTo(ENTRY.end());
        assertThat(event.getStatus().getValue()).isEqualTo("CONFIRMED");
    }

    @Test
    void a_calendar_is_valid_and_published() throws IOException, ParserException {
        Calendar calendar = read(Calendars.publish("Programme", OFFICE, List.of(ENTRY), NOW));
        assertThat(calendar.validate().getEntries()).isEmpty();
        assertThat(calendar.getMethod().getValue()).isEqualTo("PUBLISH");
    }

    /** RFC 5545, 3.1: lines of at most 75 octets, ended by CRLF. */
    @Test
    void lines_are_folded() {
        String text = Calendars.publish("Programme", OFFICE, List.of(ENTRY), NOW);
        assertThat(text).endsWith("END:VCALENDAR\r\n");
        assertThat(text.split("\r\n")).allMatch(line -> line.getBytes(StandardCharsets.UTF_8).length <= 75);
    }

    private static VEvent event(Calendar calendar) {
        return calendar.<VEvent>getComponents(Component.VEVENT).get(0);
    }

    private static CalendarEntry at(ZoneId zone, String wall) {
        Instant start = LocalDateTime.parse(wall).atZone(zone).toInstant();
        return new CalendarEntry(
                zone + wall, 0, "Watch", "", "", "", start, start.plusSeconds(3600), zone, start, false);
    }

    /** RFC 5545, 3.3.5 (form 3) and 3.6.5: a wall clock, and the rules of its zone. */
    @Test
    void times_are_written_on_the_wall_clock_of_the_session_with_the_rules_of_its_zone() {
        String text = Calendars.publish("Programme", OFFICE, List.of(ENTRY), NOW);
        assertThat(text)
                .contains("DTSTART;TZID=America/Halifax:20270316T190000", "DTEND;TZID=America/Halifax:20270316T210000")
                .contains("BEGIN:VTIMEZONE\r\nTZID:America/Halifax")
                .contains("BEGIN:DAYLIGHT\r\nDTSTART:20270314T020000\r\n")
                .contains("TZOFFSETFROM:-0400", "TZOFFSETTO:-0300", "TZNAME:ADT")
                .containsOnlyOnce("BEGIN:DAYLIGHT")
                .doesNotContain("BEGIN:STANDARD");
    }

    /** Every moment is read back the same by a second library that is told the rules only by us. */
    @Test
    void a_second_library_finds_each_moment_by_the_rules_that_go_with_it() throws IOException, ParserException {
        List<CalendarEntry> entries = List.of(
                at(HALIFAX, "2027-03-09T19:00"),
                at(HALIFAX, "2027-03-16T19:00"),
                at(HALIFAX, "2027-11-06T12:00"),
                at(HALIFAX, "2027-11-07T12:00"),
                at(ZoneId.of("Europe/Lisbon"), "2027-03-28T12:00"),
                at(ZoneId.of("Australia/Lord_Howe"), "2027-04-04T12:00"),
                at(ZoneId.of("Asia/Kathmandu"), "2027-04-04T12:00"),
                at(ZoneId.of("UTC"), "2027-04-04T12:00"));
        Calendar calendar = read(Calendars.publish("Programme", OFFICE, entries, NOW));
        assertThat(calendar.validate().getEntries()).isEmpty();
        assertThat(calendar.<VTimeZone>getComponents(Component.VTIMEZONE)).hasSize(4);
        assertThat(calendar.<VEvent>getComponents(Component.VEVENT))
                .extracting(event ->
                        Instant.from((Temporal) event.getDateTimeStart().getDate()))
                .containsExactlyElementsOf(
                        entries.stream().map(CalendarEntry::start).toList());
    }

    @Test
    void a_fixed_offset_is_written_in_utc() {
        assertThat(Calendars.publish("P", OFFICE, List.of(at(ZoneId.of("UTC"), "2027-04-04T12:00")), NOW))
                .contains("DTSTART:20270404T120000Z")
                .doesNotContain("VTIMEZONE");
    }

    private static Calendar read(String text) throws IOException, ParserException {
        return new CalendarBuilder().build(new StringReader(text));
    }

    /** RFC 4180: CRLF, quotes doubled, fields with commas, quotes or breaks in quotes. */
    @Test
    void tables_follow_the_standard_and_cannot_run() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Tables table = new Tables(out, List.of("name", "note"))) {
            table.row(List.of("Teo \"Ted\" Quillfeather, jr", "two\r\nlines"));
            table.row(List.of("=HYPERLINK(\"x\")", "+19025550147"));
            table.row(List.of("@cmd", "-1+2"));
        }
        String text = out.toString(StandardCharsets.UTF_8);
        assertThat(text).startsWith("name,note\r\n\"Teo \"\"Ted\"\" Quillfeather, jr\",\"two\r\nlines\"\r\n");
        try (CSVParser rows = CSVParser.parse(text, CSVFormat.RFC4180)) {
            assertThat(rows.getRecords()).extracting(r -> r.get(0)).contains("'=HYPERLINK(\"x\")", "'@cmd");
        }
        assertThat(text).contains("+19025550147").contains("'-1+2");
    }
}
