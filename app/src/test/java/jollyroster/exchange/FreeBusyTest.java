package jollyroster.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Spans;
import jollyroster.exchange.CalendarReader.Counts;
import jollyroster.exchange.CalendarReader.Reading;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Recur;
import net.fortuna.ical4j.model.component.CalendarComponent;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.component.VFreeBusy;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.RRule;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Busy times as a second library works them out and writes them (VFREEBUSY, RFC 5545, 3.6.4), beside what is read of the events. */
class FreeBusyTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final Instant FROM = Instant.parse("2027-03-01T00:00:00Z");
    private static final Interval WINDOW = new Interval(FROM, FROM.plus(Duration.ofDays(30)));

    private static List<Interval> busy(String text, Counts counts) {
        Reading.Read read = (Reading.Read) CalendarReader.read(text, WINDOW, HALIFAX, counts);
        return Spans.union(
                read.events().stream().map(CalendarReader.Event::span).toList());
    }

    private static String written(Stream<? extends CalendarComponent> components) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//second//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        components.forEach(calendar::add);
        return calendar.toString();
    }

    private static VEvent event(int number, Random dice) {
        Instant start = FROM.plus(Duration.ofMinutes(15L * dice.nextInt(29 * 96)));
        VEvent event =
                new VEvent(start, start.plus(Duration.ofMinutes(15L * (1 + dice.nextInt(20)))), "Event " + number);
        event.add(new Uid("event-" + number));
        if (dice.nextInt(4) == 0) {
            event.add(new RRule<>(new Recur.Builder<Instant>()
                    .frequency(net.fortuna.ical4j.transform.recurrence.Frequency.DAILY)
                    .count(1 + dice.nextInt(5))
                    .build()));
        }
        return event;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void what_is_read_of_events_is_busy_when_the_second_library_says_so(long seed) {
        Random dice = new Random(seed);
        List<CalendarComponent> events = new ArrayList<>(
                IntStream.range(0, 30).mapToObj(i -> event(i, dice)).toList());
        VFreeBusy request = new VFreeBusy(WINDOW.start(), WINDOW.end());
        request.add(new Uid("busy"));
        VFreeBusy times = new VFreeBusy(request, events);
        times.add(new Uid("busy-times"));
        List<Interval> theirs = busy(written(Stream.of(times)), Counts.USUAL);
        assertThat(theirs).isNotEmpty();
        assertThat(busy(written(events.stream()), Counts.USUAL)).isEqualTo(theirs);
    }

    private static final String OF_ALL_KINDS = String.join(
            "\r\n",
            "BEGIN:VCALENDAR",
            "VERSION:2.0",
            "PRODID:-//t//EN",
            "BEGIN:VFREEBUSY",
            "UID:1",
            "DTSTAMP:20270301T000000Z",
            "FREEBUSY:20270310T100000Z/20270310T110000Z,20270310T120000Z/PT30M",
            "FREEBUSY;FBTYPE=BUSY-UNAVAILABLE:20270311T100000Z/PT1H",
            "FREEBUSY;FBTYPE=BUSY-TENTATIVE:20270312T100000Z/PT1H",
            "FREEBUSY;FBTYPE=FREE:20270313T100000Z/PT1H",
            "END:VFREEBUSY",
            "BEGIN:VEVENT",
            "UID:2",
            "DTSTAMP:20270301T000000Z",
            "DTSTART:20270314T100000Z",
            "DURATION:PT1H",
            "STATUS:TENTATIVE",
            "END:VEVENT",
            "BEGIN:VEVENT",
            "UID:3",
            "DTSTAMP:20270301T000000Z",
            "DTSTART:20270315T100000Z",
            "DURATION:PT1H",
            "TRANSP:TRANSPARENT",
            "END:VEVENT",
            "END:VCALENDAR",
            "");

    private static List<String> days(Counts counts) {
        return busy(OF_ALL_KINDS, counts).stream()
                .map(span ->
                        span.start().truncatedTo(ChronoUnit.DAYS).toString().substring(8, 10))
                .toList();
    }

    @Test
    void what_is_tentative_or_free_counts_as_the_host_says() {
        assertThat(days(Counts.USUAL)).containsExactly("10", "10", "11", "12", "14");
        assertThat(days(new Counts(false, false))).containsExactly("10", "10", "11");
        assertThat(days(new Counts(false, true))).containsExactly("10", "10", "11", "13", "15");
        assertThat(days(new Counts(true, true))).containsExactly("10", "10", "11", "12", "13", "14", "15");
    }
}
