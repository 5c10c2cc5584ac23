package jollyroster.core.dates;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Writes sessions as text that {@link TypedDates} reads to the same sessions: one line a day, and one line for three or
 * more weeks running that are alike: {@code Tue 6 Apr 2027 19:00-20:30 x6 @ Chart room with Ottoline Marsh, 8 seats}.
 *
 * <p>Two things text cannot say: seconds, and that a start which the autumn change brings twice is the later of the two.
 */
public final class TypedDatesText {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
    private static final Pattern PLAIN_NAME = Pattern.compile("\\p{L}[\\p{L}\\p{M}'’.-]*(?: [\\p{L}\\p{M}'’.-]+)*");
    private static final Pattern HOLDS_A_WORD_OF_OURS = DayWords.pattern(
            ".*\\b(?:with|and|from|until|till|except|seats?|every|each|weekly|daily|monthly|fortnightly|on|x)\\b.*|"
                    + "(?:.* )?(?:" + DayWords.WEEKDAY + ").*");
    private static final int FEWEST_WEEKS = 3;

    private TypedDatesText() {}

    /**
     * A session to write.
     *
     * @param venue empty for none of its own
     */
    public record Entry(SessionTime time, OptionalInt seats, String venue, List<String> hosts) {
        public Entry {
            hosts = List.copyOf(hosts);
        }

        /** The entry that a typed session came from. */
        public static Entry of(TypedLine.TypedSession typed) {
            return new Entry(
                    typed.time(),
                    typed.options().seats(),
                    typed.options().venueName(),
                    typed.options().hostNames());
        }
    }

    /** One day of sessions that share what is said about them. */
    private record Day(LocalDate date, String times, String options) {}

    private record Key(LocalDate date, String options) {}

    /** The lines in order of time, each ended by a line break; empty for no sessions. */
    public static String write(Collection<Entry> entries) {
        Map<Key, List<String>> byDay = new LinkedHashMap<>();
        entries.stream()
                .sorted(Comparator.comparing(e -> e.time().start()))
                .forEach(e -> byDay.computeIfAbsent(
                                new Key(e.time().start().toLocalDate(), options(e)), k -> new ArrayList<>())
                        .add(times(e.time())));
        List<Day> days = byDay.entrySet().stream()
                .map(e -> new Day(
                        e.getKey().date(),
                        String.join(", ", e.getValue()),
                        e.getKey().options()))
                .toList();
        return lines(days).stream().map(line -> line + "\n").collect(Collectors.joining());
    }

    private static List<String> lines(List<Day> days) {
        Set<Day> left = new LinkedHashSet<>(days);
        List<String> lines = new ArrayList<>();
        for (Day first : days) {
            if (!left.remove(first)) {
                continue;
            }
            int weeks = 1;
            while (left.contains(weeksLater(first, weeks))) {
                weeks++;
            }
            if (weeks < FEWEST_WEEKS) {
                lines.add(line(first, 1));
                continue;
            }
            for (int week = 1; week < weeks; week++) {
                left.remove(weeksLater(first, week));
            }
            lines.add(line(first, weeks));
        }
        return lines;
    }

    private static Day weeksLater(Day day, int weeks) {
        return new Day(day.date().plusWeeks(weeks), day.times(), day.options());
    }

    private static String line(Day day, int weeks) {
        return DAY.format(day.date()) + " " + day.times() + (weeks > 1 ? " x" + weeks : "") + day.options();
    }

    private static String times(SessionTime time) {
        ZonedDateTime start = time.start();
        ZonedDateTime end = time.end();
        boolean sayable = isSayable(start, end);
        return TIME.format(start)
                + (sayable ? "-" + TIME.format(end) : " for " + time.length().toMinutes() + " min");
    }

    /** Whether the end on the wall clock says the length: within twelve hours, and not the later of two such times. */
    private static boolean isSayable(ZonedDateTime start, ZonedDateTime end) {
        Duration onPaper = Duration.between(start.toLocalDateTime(), end.toLocalDateTime());
        boolean withinADay = !onPaper.isNegative() && !onPaper.isZero() && onPaper.compareTo(Duration.ofHours(12)) <= 0;
        return withinADay
                && ZonedDateTime.ofLocal(end.toLocalDateTime(), end.getZone(), null)
                        .isEqual(end);
    }

    private static String options(Entry entry) {
        StringBuilder text = new StringBuilder();
        if (!entry.venue().isEmpty()) {
            text.append(" @ ").append(name(entry.venue()));
        }
        if (!entry.hosts().isEmpty()) {
            text.append(" with ")
                    .append(entry.hosts().stream().map(TypedDatesText::name).collect(Collectors.joining(" and ")));
        }
        entry.seats().ifPresent(seats -> text.append(", ").append(seats).append(seats == 1 ? " seat" : " seats"));
        return text.toString();
    }

    private static String name(String name) {
        boolean plain = PLAIN_NAME.matcher(name).matches()
                && !HOLDS_A_WORD_OF_OURS.matcher(name).matches();
        return plain ? name : "\"" + name.replace("\"", "\"\"") + "\"";
    }
}
