package jollyroster.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.Temporal;
import java.util.List;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.junit.jupiter.api.Test;

/** What we write is read by a second library (iCalendar: ical4j, RFC 5545) or by the letter of the standard. */
class OpenFormatsTest {

    private static final CalendarEntry ENTRY = new CalendarEntry(
            "session-7@localhost",
            2,
            "Knots; splicing, and “tea”",
            "Line one\nLine two with a \\ backslash, a comma and a very long tail that has to be folded somewhere",
            "Rope loft, Saltmarrow quay",
            "http://localhost:8080/p/knots",
            Instant.parse("2027-03-16T22:00:00Z"),
            Instant.parse("2027-03-17T00:00:00Z"),
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
        assertThat(read(text).getComponents()).hasSize(1);
        assertThat(Calendars.publish("P", quay, List.of(ENTRY), NOW)).contains("BEGIN:VEVENT");
    }

    /** RFC 5546, 3.2.5: CANCEL has UID, SEQUENCE, DTSTAMP, ORGANIZER and the attendee it is for; STATUS is CANCELLED. */
    @Test
    void a_cancellation_goes_as_such() throws IOException, ParserException {
        CalendarEntry gone = new CalendarEntry(
                ENTRY.uid(), 3, ENTRY.title(), "", "", "", ENTRY.start(), ENTRY.end(), ENTRY.changedAt(), true);
        Calendar calendar = read(Calendars.cancel(List.of(gone), OFFICE, "Wren Skerry", "wren@crew.example", NOW));
        assertThat(calendar.validate().getEntries()).isEmpty();
        assertThat(calendar.getMethod().getValue()).isEqualTo("CANCEL");
        VEvent event = (VEvent) calendar.getComponents().get(0);
        assertThat(event.getStatus().getValue()).isEqualTo("CANCELLED");
        assertThat(event.getSequence().getSequenceNo()).isEqualTo(3);
        assertThat(Instant.from(event.getDateTimeStamp().getDate())).isEqualTo(NOW);
        assertThat(event.getAttendees()).hasSize(1);
    }

    @Test
    void a_second_library_reads_the_same_session() throws IOException, ParserException {
        VEvent event = (VEvent) read(Calendars.publish("Programme", OFFICE, List.of(ENTRY), NOW))
                .getComponents()
                .get(0);
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
