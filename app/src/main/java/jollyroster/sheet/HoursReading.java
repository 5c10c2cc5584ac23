package jollyroster.sheet;

import java.time.LocalDate;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import jollyroster.chart.DayStrip;
import jollyroster.chart.WeekHours;
import jollyroster.core.openhours.DayHours;
import jollyroster.core.openhours.OpenHours;
import jollyroster.core.openhours.OpenHoursText;
import jollyroster.core.openhours.TimeRules;
import jollyroster.platform.Times;

/**
 * Open hours as they are read from what is typed: what is wrong with it, a drawing of the week, and the coming weeks day by day.
 *
 * @param text the hours as text, after a change on the drawing
 * @param problems of lines that cannot be read
 * @param week the drawing
 * @param days of the coming weeks, Monday first
 */
record HoursReading(String text, List<String> problems, String week, List<Day> days) {

    private static final int WEEK = 7;
    private static final int WEEKS = 4;

    /**
     * A day to come.
     *
     * @param hours as text, as they are typed; {@code closed} for none
     * @param differs whether it is another one than its weekday
     */
    record Day(String iso, String name, String weekday, String hours, boolean closed, boolean differs, boolean past) {

        /** In one line: of several stretches, how many, unless the day is another one than its weekday. */
        public String shortly() {
            int stretches = hours.split(",").length;
            return differs || stretches == 1 ? hours : stretches + " stretches";
        }
    }

    static HoursReading of(String text, OpenHours hours, List<String> problems, LocalDate today) {
        LocalDate monday = TimeRules.week(today);
        List<WeekHours.Day> week = IntStream.range(0, WEEK)
                .mapToObj(i -> column(hours, usualFrom(today, monday.plusDays(i))))
                .toList();
        String sentence = week.stream()
                .map(day -> day.name() + " " + (day.stretches().isEmpty() ? "closed" : "open"))
                .collect(Collectors.joining(", "));
        return new HoursReading(
                text,
                problems,
                new WeekHours(week).markup("The week: " + sentence),
                IntStream.range(0, WEEKS * WEEK)
                        .mapToObj(monday::plusDays)
                        .map(day -> day(hours, day, today))
                        .toList());
    }

    /** A weekday that has passed this week stands for the one to come. */
    private static LocalDate usualFrom(LocalDate today, LocalDate day) {
        return day.isBefore(today) ? day.plusDays(WEEK) : day;
    }

    private static WeekHours.Day column(OpenHours hours, LocalDate day) {
        DayHours usual = hours.usual(day).map(OpenHours.Weekly::hours).orElse(DayHours.CLOSED);
        return new WeekHours.Day(
                Times.weekdayAndDate(day).substring(0, 3),
                day.toString(),
                usual.stretches().stream()
                        .map(some -> new DayStrip.Stretch(some.from(), some.until()))
                        .toList());
    }

    private static Day day(OpenHours hours, LocalDate day, LocalDate today) {
        DayHours its = hours.on(day);
        return new Day(
                day.toString(),
                Times.dayAndMonth(day),
                Times.weekdayAndDate(day).substring(0, 3),
                its.toString(),
                its.isClosed(),
                hours.source(day) != OpenHours.Source.WEEKLY,
                day.isBefore(today));
    }

    /** What is done on the drawing. */
    enum Edit {
        /** Other hours on that weekday, whenever. */
        WEEKDAY,
        /** The hours of that weekday on Monday to Friday. */
        ALIKE,
        /** Other hours on that day only. */
        ONLY,
        /** Other hours on that weekday from that day on. */
        FROM,
        /** The day is as its weekday again. */
        USUAL;

        OpenHours apply(OpenHours hours, LocalDate day, DayHours wanted) {
            return switch (this) {
                case WEEKDAY -> hours.instead(day, wanted);
                case ALIKE -> hours.alike(day);
                case ONLY -> hours.onlyOn(day, wanted);
                case FROM -> hours.from(day, wanted);
                case USUAL ->
                    hours.onlyOn(
                            day, hours.usual(day).map(OpenHours.Weekly::hours).orElse(DayHours.CLOSED));
            };
        }
    }

    /** The hours of one day as they are typed: {@code 9-11, 14-16}, or {@code closed}. */
    static OpenHoursText.Read dayHours(String text) {
        String typed = text.isBlank() ? "closed" : text;
        return OpenHoursText.read("Mon " + typed.replace('\n', ' ').replace(';', ' '), LocalDate.EPOCH, DAY_BEGINS);
    }

    static final int DAY_BEGINS = 8;
}
