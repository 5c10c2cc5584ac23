package jollyroster.sheet;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.Predicate;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.dates.TypedDates;
import jollyroster.core.dates.TypedDatesText;
import jollyroster.exchange.CalendarReader;
import jollyroster.exchange.CalendarReader.Event;
import org.jspecify.annotations.Nullable;
import org.springframework.web.multipart.MultipartFile;

/** The dates of a calendar file as they are typed, and what was left out. */
final class CalendarDates {

    private static final Duration REACH = Duration.ofDays(800);

    private CalendarDates() {}

    /** @param text empty when nothing could be used @param said what came of it, for people */
    record Found(String text, String said) {}

    static Found in(@Nullable MultipartFile file, ZoneId zone, Instant now) throws IOException {
        CalendarReader.Reading reading = read(file, zone, now);
        if (reading instanceof CalendarReader.Reading.Refused refused) {
            return new Found("", "Nothing was read. " + refused.because().words());
        }
        CalendarReader.Reading.Read read = (CalendarReader.Reading.Read) reading;
        List<Event> usable = read.events().stream()
                .filter(e -> !begun(now).test(e) && !e.allDay() && !isTooShortOrLong(e))
                .toList();
        List<Event> used = usable.stream().limit(TypedDates.MOST_SESSIONS).toList();
        String left = leftOut(read.events(), usable.size() - used.size(), now);
        String unplaced = read.notPlaced().isEmpty() ? "" : " " + read.notPlaced();
        String said = used.isEmpty()
                ? "Nothing was read: the file has no event with a time still to come."
                : Counted.of(used.size(), "event") + " written into the box.";
        return new Found(text(used, zone), said + left + unplaced);
    }

    private static CalendarReader.Reading read(@Nullable MultipartFile file, ZoneId zone, Instant now)
            throws IOException {
        if (file == null || file.isEmpty()) {
            return new CalendarReader.Reading.Refused(CalendarReader.Problem.NOT_A_CALENDAR);
        }
        return file.getSize() > CalendarReader.LONGEST
                ? new CalendarReader.Reading.Refused(CalendarReader.Problem.TOO_LARGE)
                : CalendarReader.read(
                        new String(file.getBytes(), StandardCharsets.UTF_8),
                        new Interval(now.minus(REACH), now.plus(REACH)),
                        zone);
    }

    private static Predicate<Event> begun(Instant now) {
        return event -> !event.span().start().isAfter(now);
    }

    private static boolean isTooShortOrLong(Event e) {
        return e.span().length().isZero() || e.span().length().compareTo(SessionTime.LONGEST) > 0;
    }

    private static String leftOut(List<Event> events, int tooMany, Instant now) {
        List<String> left = new ArrayList<>();
        add(left, events.stream().filter(begun(now)).count(), "in the past");
        List<Event> coming = events.stream().filter(begun(now).negate()).toList();
        add(left, coming.stream().filter(Event::allDay).count(), "for whole days");
        add(
                left,
                coming.stream().filter(e -> !e.allDay() && isTooShortOrLong(e)).count(),
                "without a usable length");
        add(left, tooMany, "beyond the most that can be typed at once");
        return left.isEmpty() ? "" : " Left out: " + String.join(", ", left) + ".";
    }

    private static void add(List<String> left, long count, String why) {
        if (count > 0) {
            left.add(count + " " + why);
        }
    }

    private static String text(List<Event> events, ZoneId zone) {
        return TypedDatesText.write(events.stream()
                .map(e -> new TypedDatesText.Entry(
                        SessionTime.resolve(
                                e.span().start().atZone(zone).toLocalDateTime(),
                                zone,
                                e.span().length()),
                        OptionalInt.empty(),
                        "",
                        List.of()))
                .toList());
    }
}
