package jollyroster.exchange;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.mangstadt.vinnie.io.VObjectPropertyValues;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Calendars for many people, who all get the same sessions: each has its own numbers, links and words of an entry, and all else is alike.
 * What is alike is written once, with a mark where the rest belongs.
 */
final class CalendarForm {

    private static final char FIRST = '\uE000';
    private static final int EACH = 4;
    private static final int MOST_ENTRIES = 200;
    private static final Pattern LINE_BREAKS = Pattern.compile("\r\n|[\r\n]");
    private static final Instant NOW = Instant.parse("9998-01-01T00:00:00Z");
    private static final Instant CHANGED = Instant.parse("9999-01-01T00:00:00Z");
    private static final Pattern MARKS = Pattern.compile("[\uE000-\uF8FF]|99980101T000000Z|9999[0-9T]+Z");
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("uuuuMMdd'T'HHmmss'Z'", Locale.ROOT).withZone(ZoneOffset.UTC);

    /** What is alike. @param open entries with marks in them */
    private record Key(String name, CalendarOrganiser organiser, List<CalendarEntry> open) {}

    /** What stands after a piece of a calendar: something of an entry, or, with no entry, the hour it is written. */
    private record Mark(int entry, int which) {}

    private static final int CHANGED_AT = EACH;
    private static final Mark WRITTEN_AT = new Mark(-1, -1);

    /** A calendar in pieces. @param marks after each piece but the last */
    private record Pieces(List<String> pieces, List<Mark> marks) {

        static Pieces of(String form) {
            List<String> pieces = new ArrayList<>();
            List<Mark> found = new ArrayList<>();
            Matcher marks = MARKS.matcher(form);
            int from = 0;
            while (marks.find()) {
                pieces.add(form.substring(from, marks.start()));
                found.add(read(marks.group()));
                from = marks.end();
            }
            pieces.add(form.substring(from));
            return new Pieces(pieces, found);
        }

        private static Mark read(String mark) {
            if (mark.startsWith("9998")) {
                return WRITTEN_AT;
            }
            if (mark.startsWith("9999")) {
                long number = Instant.from(STAMP.parse(mark)).getEpochSecond() - CHANGED.getEpochSecond();
                return new Mark((int) number, CHANGED_AT);
            }
            int which = mark.charAt(0) - FIRST;
            return new Mark(which / EACH, which % EACH);
        }
    }

    private static final Cache<Key, Pieces> FORMS =
            Caffeine.newBuilder().maximumSize(200).build();

    private CalendarForm() {}

    /** The same as if it were written for this person alone. */
    static String publish(String name, CalendarOrganiser organiser, List<CalendarEntry> entries, Instant now) {
        if (isMarked(name, organiser, entries) || entries.size() > MOST_ENTRIES) {
            return Calendars.publish(name, organiser, entries, now);
        }
        List<CalendarEntry> open = new ArrayList<>();
        for (int i = 0; i < entries.size(); i++) {
            open.add(open(entries.get(i), i));
        }
        Pieces form = FORMS.get(
                new Key(name, organiser, open),
                key -> Pieces.of(Calendars.published(name, organiser, key.open(), NOW)));
        return FoldedLines.of(filled(form, entries, now));
    }

    /** Whether what is alike would be taken for a mark. */
    private static boolean isMarked(String name, CalendarOrganiser organiser, List<CalendarEntry> entries) {
        return Stream.concat(
                        Stream.of(name, organiser.name(), organiser.email()),
                        entries.stream().map(CalendarEntry::title))
                .anyMatch(text -> MARKS.matcher(text).find());
    }

    private static CalendarEntry open(CalendarEntry entry, int number) {
        return new CalendarEntry(
                mark(entry.uid(), number, 0),
                entry.sequence(),
                entry.title(),
                mark(entry.description(), number, 1),
                mark(entry.place(), number, 2),
                mark(entry.link(), number, 3),
                entry.start(),
                entry.end(),
                entry.zone(),
                CHANGED.plusSeconds(number),
                entry.cancelled());
    }

    private static String mark(String text, int number, int which) {
        return text.isEmpty() ? "" : String.valueOf((char) (FIRST + number * EACH + which));
    }

    private static String filled(Pieces form, List<CalendarEntry> entries, Instant now) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < form.marks().size(); i++) {
            text.append(form.pieces().get(i)).append(value(form.marks().get(i), entries, now));
        }
        return text.append(form.pieces().get(form.marks().size())).toString();
    }

    private static String value(Mark mark, List<CalendarEntry> entries, Instant now) {
        if (mark == WRITTEN_AT) {
            return STAMP.format(now);
        }
        CalendarEntry entry = entries.get(mark.entry());
        return switch (mark.which()) {
            case 0 -> escaped(entry.uid());
            case 1 -> escaped(entry.description());
            case 2 -> escaped(entry.place());
            case 3 -> escaped(entry.link());
            default -> STAMP.format(entry.changedAt());
        };
    }

    /** As the values of text are written (RFC 5545, 3.3.11). */
    private static String escaped(String text) {
        return LINE_BREAKS.matcher(VObjectPropertyValues.escape(text)).replaceAll("\\\\n");
    }
}
