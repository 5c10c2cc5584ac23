package jollyroster.core.dates;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Reads sessions as people type them, one line a date: {@code Tue 6 Apr 2027 19:00-20:30}, {@code 6 April, 7pm},
 * {@code 2027-04-06 10.00–10.30, 13:45}.
 *
 * <p>Every line that is not blank yields sessions or one error with its line and column; nothing is dropped silently. A
 * date without a year is the first such date on or after {@code today}. A start without an end lasts the offering's
 * usual length. A time without am or pm that could be either is read inside 08:00–20:00 and a note says so.
 */
public final class TypedDates {

    /** The most lines read at once; the first line beyond is an error. */
    public static final int MOST_LINES = 1000;

    /** The longest line read. */
    public static final int LONGEST_LINE = 400;

    private final LocalDate today;
    private final ZoneId zone;
    private final Duration usualLength;

    /**
     * @param today the day on which the text is read, in {@code zone}
     * @param usualLength how long a session lasts whose end is not typed
     */
    public TypedDates(LocalDate today, ZoneId zone, Duration usualLength) {
        this.today = today;
        this.zone = zone;
        this.usualLength = usualLength;
    }

    /** Reads the whole text. Lines count from 1. */
    public List<TypedLine> read(String text) {
        List<String> lines = text.lines().limit(MOST_LINES + 1L).toList();
        return IntStream.range(0, lines.size())
                .filter(i -> !lines.get(i).isBlank())
                .mapToObj(i -> readLine(i + 1, lines.get(i)))
                .toList();
    }

    private TypedLine readLine(int number, String line) {
        if (number > MOST_LINES) {
            return TypedLine.wrong(number, 1, TypedLine.Problem.TOO_MANY_LINES, String.valueOf(MOST_LINES));
        }
        if (line.length() > LONGEST_LINE) {
            return TypedLine.wrong(number, LONGEST_LINE, TypedLine.Problem.LINE_TOO_LONG, String.valueOf(LONGEST_LINE));
        }
        return new TypedLineReader(number, line, today, zone, usualLength).read();
    }
}
