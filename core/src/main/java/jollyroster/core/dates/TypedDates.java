package jollyroster.core.dates;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;

/**
 * Reads sessions as people type them, one line after another.
 *
 * <p>A line is days, times and what else is to be said, in any order: {@code day(s) time-range(s) [xN] [@ venue] [with
 * host] [N seats]}.
 *
 * <ul>
 *   <li>Days: {@code 6 Apr}, {@code Tue 6 April 2027}, {@code 2027-04-06}, {@code April 6}, {@code 6, 8 and 13 Apr},
 *       {@code 6 to 8 Apr}, {@code today}, {@code Tue and Thu}.
 *   <li>Series: {@code every Tue until 13 Apr}, {@code weekly x6 from 9 Mar}, {@code every 2 weeks on Tue}, {@code every
 *       weekday}, {@code monthly on the first Tue}, {@code every month on the 15th}, each with {@code except 25 Mar}.
 *   <li>Times: {@code 10-10:30}, {@code 10.00–10.30}, {@code 1:45pm}, {@code 13:45}, {@code 19:00 for 90 min}, {@code
 *       10:00-12:00 every 10 min}, {@code 10:00-12:00 in 4 parts}, several parted by commas.
 * </ul>
 *
 * <p>Every line that is not blank yields sessions, a note or an error with its line and column; nothing is dropped
 * silently. A date without a year is the first such date on or after {@code today}. A start without an end lasts the
 * offering's usual length. A time without am or pm that could be either is read inside the working hours (08:00–20:00
 * unless the organisation says otherwise) and a note says how. {@code xN} after a date repeats it weekly, N times in all.
 * {@link TypedDatesText} writes sessions back as text that reads to the same.
 */
public final class TypedDates {

    /** The most lines read at once; the first line beyond is an error. */
    public static final int MOST_LINES = 1000;

    /** The longest line read. */
    public static final int LONGEST_LINE = 400;

    /** The most sessions one text may yield; the line that goes beyond is an error. */
    public static final int MOST_SESSIONS = 2000;

    /** How many dates are taken of a series without an end. */
    public static final int OPEN_ENDED_DATES = 52;

    private final Setting setting;

    /**
     * What a text is read against.
     *
     * @param today the day on which it is read, in {@code zone}
     * @param usualLength how long a session lasts whose end is not typed
     * @param dayBegins the first hour at which a time without am or pm may start, 0 to 12
     */
    record Setting(LocalDate today, ZoneId zone, Duration usualLength, int dayBegins) {}

    /** Reads times without am or pm inside 08:00–20:00. */
    public TypedDates(LocalDate today, ZoneId zone, Duration usualLength) {
        this(today, zone, usualLength, 8);
    }

    /**
     * @param today the day on which the text is read, in {@code zone}
     * @param usualLength how long a session lasts whose end is not typed
     * @param dayBegins the hour at which working hours begin, 0 to 12; a time without am or pm is read within the twelve
     *     hours that follow
     */
    public TypedDates(LocalDate today, ZoneId zone, Duration usualLength, int dayBegins) {
        if (dayBegins < 0 || dayBegins > 12) {
            throw new IllegalArgumentException("The day begins at an hour from 0 to 12: " + dayBegins);
        }
        this.setting = new Setting(today, zone, usualLength, dayBegins);
    }

    /** Reads the whole text. Lines count from 1. */
    public List<TypedLine> read(String text) {
        List<String> lines = text.lines().limit(MOST_LINES + 1L).toList();
        List<TypedLine> read = new ArrayList<>();
        int sessions = 0;
        for (int i = 0; i < lines.size(); i++) {
            if (!lines.get(i).isBlank()) {
                TypedLine line = readLine(i + 1, lines.get(i), MOST_SESSIONS - sessions);
                sessions += line.sessions().size();
                read.add(line);
            }
        }
        return List.copyOf(read);
    }

    private TypedLine readLine(int number, String line, int mostSessions) {
        if (number > MOST_LINES) {
            return TypedLine.wrong(number, 1, TypedLine.Problem.TOO_MANY_LINES, String.valueOf(MOST_LINES));
        }
        if (line.length() > LONGEST_LINE) {
            return TypedLine.wrong(number, LONGEST_LINE, TypedLine.Problem.LINE_TOO_LONG, String.valueOf(LONGEST_LINE));
        }
        return new TypedLineReader(number, line, setting, mostSessions).read();
    }
}
