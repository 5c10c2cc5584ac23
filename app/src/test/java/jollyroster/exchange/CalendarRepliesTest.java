package jollyroster.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.net.URI;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import jollyroster.exchange.CalendarReplies.Answer;
import jollyroster.exchange.CalendarReplies.Replied;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.parameter.PartStat;
import net.fortuna.ical4j.model.property.Attendee;
import net.fortuna.ical4j.model.property.Organizer;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableMethod;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Replies as a second library (ical4j) writes them are read, and our invitations are read by it. RFC 5546, 3.2. */
class CalendarRepliesTest {

    private static String reply(PartStat status) throws IOException {
        Attendee attendee = new Attendee(URI.create("mailto:Wren@Crew.example"));
        attendee.add(status);
        VEvent event = new VEvent(Instant.parse("2027-03-16T22:00:00Z"), "Open evening");
        event.add(new Uid("invitee-7-9@localhost"));
        event.add(attendee);
        event.add(new Organizer(URI.create("mailto:office@saltmarrow.example")));
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Second library//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableMethod.REPLY);
        calendar.add(event);
        StringWriter text = new StringWriter();
        new CalendarOutputter(false).output(calendar, text);
        return text.toString();
    }

    @ParameterizedTest
    @CsvSource({"ACCEPTED, ACCEPTED", "TENTATIVE, TENTATIVE", "DECLINED, DECLINED"})
    void replies_of_a_second_library_are_read(String status, Answer answer) throws IOException {
        assertThat(CalendarReplies.read(reply(new PartStat(status))))
                .containsExactly(new Replied("invitee-7-9@localhost", "wren@crew.example", answer));
    }

    @Test
    void a_reply_inside_a_mail_is_found() throws IOException {
        String mail = String.join(
                "\r\n",
                "From: Wren <wren@crew.example>",
                "Subject: Accepted",
                "MIME-Version: 1.0",
                "Content-Type: multipart/alternative; boundary=\"b\"",
                "",
                "--b",
                "Content-Type: text/plain",
                "",
                "Yes",
                "--b",
                "Content-Type: text/calendar; method=REPLY; charset=UTF-8",
                "",
                reply(PartStat.DECLINED),
                "--b--",
                "");
        assertThat(CalendarReplies.read(mail)).extracting(Replied::answer).containsExactly(Answer.DECLINED);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "Yes, I come",
                "BEGIN:VCALENDAR\r\nMETHOD:REQUEST\r\nBEGIN:VEVENT\r\nUID:x\r\nATTENDEE;PARTSTAT=ACCEPTED:mailto:a@b.example\r\nEND:VEVENT\r\nEND:VCALENDAR",
                "BEGIN:VCALENDAR\r\nMETHOD:REPLY\r\nBEGIN:VEVENT\r\nATTENDEE;PARTSTAT=ACCEPTED:mailto:a@b.example\r\nEND:VEVENT\r\nEND:VCALENDAR",
                "BEGIN:VCALENDAR\r\nMETHOD:REPLY\r\nBEGIN:VEVENT\r\nUID:x\r\nATTENDEE;PARTSTAT=DELEGATED:mailto:a@b.example\r\nEND:VEVENT\r\nEND:VCALENDAR",
            })
    void what_is_no_reply_says_nothing(String text) {
        assertThat(CalendarReplies.read(text)).isEmpty();
    }

    @Test
    void a_second_library_reads_our_invitation() throws IOException, ParserException {
        CalendarEntry entry = new CalendarEntry(
                "invitee-7-9@localhost",
                0,
                "Open evening",
                "Chowder",
                "Boathouse",
                "http://localhost:8080/invited/x",
                Instant.parse("2027-03-16T22:00:00Z"),
                Instant.parse("2027-03-17T00:00:00Z"),
                ZoneId.of("America/Halifax"),
                Instant.parse("2027-03-10T13:40:00Z"),
                false);
        String text = Calendars.request(
                entry,
                new CalendarOrganiser("Saltmarrow Sea School", "office@saltmarrow.example"),
                "Wren Skerry",
                "wren@crew.example",
                Instant.EPOCH);
        Calendar calendar = new CalendarBuilder().build(new StringReader(text));
        assertThat(calendar.validate().getEntries()).isEmpty();
        assertThat(calendar.getMethod().getValue()).isEqualTo("REQUEST");
        VEvent event = calendar.<VEvent>getComponents("VEVENT").get(0);
        List<Property> attendees = event.getProperties(Property.ATTENDEE);
        assertThat(attendees).hasSize(1);
        assertThat(attendees.get(0).toString())
                .contains("RSVP=TRUE")
                .contains("PARTSTAT=NEEDS-ACTION")
                .contains("wren@crew.example");
    }
}
