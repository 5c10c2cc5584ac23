package jollyroster.sheet;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.dates.TypedLine;
import jollyroster.platform.Times;

/**
 * Typed dates as they were read, in words.
 *
 * @param replaces whether they take the place of the dates that are there
 * @param sum what adding them would add; empty when nothing was typed or something is wrong
 */
record TypedDatesView(String text, List<Line> lines, boolean replaces, String sum) {

    private static final int SHOWN = 4;

    /** @param words the sessions as read, or what is wrong and where @param column where it is wrong, from 1; else 0 */
    record Line(int number, boolean wrong, int column, String words, String note) {}

    static final TypedDatesView NOTHING = new TypedDatesView("", List.of(), false, "");

    static TypedDatesView of(String text, List<TypedLine> lines, boolean replaces, ZonedDateTime now) {
        int sessions = lines.stream().mapToInt(line -> line.sessions().size()).sum();
        boolean wrong = lines.stream().anyMatch(TypedLine::isError);
        return new TypedDatesView(
                text,
                lines.stream().map(line -> line(line, now)).toList(),
                replaces,
                wrong || sessions == 0 ? "" : sessions == 1 ? "One date" : sessions + " dates");
    }

    private static Line line(TypedLine line, ZonedDateTime now) {
        TypedLine.Error error = line.error();
        if (error != null) {
            return new Line(line.line(), true, error.column(), problem(error), "column " + error.column());
        }
        String note = Stream.concat(line.notes().stream().map(n -> note(n, now.getYear())), Stream.of(begun(line, now)))
                .filter(words -> !words.isEmpty())
                .distinct()
                .collect(Collectors.joining(" "));
        return new Line(line.line(), false, 0, sessions(line), note);
    }

    /** Times that have passed are added like any other, for whoever notes what has been; but not without a word. */
    private static String begun(TypedLine line, ZonedDateTime now) {
        List<SessionTime> begun = line.sessions().stream()
                .filter(time -> time.start().isBefore(now))
                .toList();
        return switch (begun.size()) {
            case 0 -> "";
            case 1 ->
                Times.dayAndMonth(begun.get(0).start().toLocalDate()) + ", "
                        + Times.time(begun.get(0).start()) + " has passed.";
            default -> begun.size() + " of them have passed.";
        };
    }

    /** {@code Tue 6 Apr 2027, 10:00–10:30 and 13:45–14:15; and 4 more days, the last Tue 4 May 2027}. */
    private static String sessions(TypedLine line) {
        Map<LocalDate, List<SessionTime>> days = line.sessions().stream()
                .collect(Collectors.groupingBy(
                        time -> time.start().toLocalDate(), LinkedHashMap::new, Collectors.toList()));
        List<LocalDate> dates = List.copyOf(days.keySet());
        if (dates.isEmpty()) {
            return "";
        }
        String first = Times.dayAndYear(dates.get(0)) + ", " + times(days.get(dates.get(0)));
        return first + others(dates) + options(line.options());
    }

    private static String times(List<SessionTime> day) {
        List<String> hours =
                day.stream().map(t -> Times.hours(t.start(), t.end())).toList();
        return hours.size() <= SHOWN
                ? String.join(", ", hours)
                : hours.get(0) + ", " + hours.get(1) + " … " + hours.get(hours.size() - 1);
    }

    private static String others(List<LocalDate> dates) {
        if (dates.size() == 1) {
            return "";
        }
        if (dates.size() <= SHOWN) {
            return "; also " + dates.stream().skip(1).map(Times::dayAndMonth).collect(Collectors.joining(", "));
        }
        return "; and " + (dates.size() - 1) + " more days, the last " + Times.dayAndYear(dates.get(dates.size() - 1));
    }

    private static String options(TypedLine.Options options) {
        StringBuilder words = new StringBuilder();
        if (options.venue() != null) {
            words.append(" at ").append(options.venueName());
        }
        if (!options.hosts().isEmpty()) {
            words.append(" with ").append(String.join(" and ", options.hostNames()));
        }
        options.seats().ifPresent(n -> words.append(", ").append(n).append(n == 1 ? " seat" : " seats"));
        return words.toString();
    }

    private static String note(TypedLine.Note note, int thisYear) {
        String detail = note.detail();
        return switch (note.reading()) {
            case YEAR_ASSUMED ->
                detail.equals(String.valueOf(thisYear)) ? "" : "The next such date is in " + detail + ".";
            case DAYTIME_ASSUMED -> "Read as " + detail + ".";
            case USUAL_LENGTH -> "With the usual length.";
            case MOVED_OUT_OF_GAP -> "The clocks skip that time on " + detail + "; moved forward.";
            case EARLIER_OF_TWO -> "That time comes twice on " + detail + "; the earlier is taken.";
            case ENDS_NEXT_DAY -> "Ends on the next day.";
            case NEXT_SUCH_DAY -> "The next such day; say “every” for a series.";
            case WEEKLY -> "Weekly, " + detail + " times.";
            case EACH_DAY -> "Each day in between.";
            case SLICED -> detail + " slices.";
            case OPEN_ENDED -> "No end was given: " + detail + " dates are taken. Say “until …” or “x12”.";
            case EXCEPTION_HITS_NOTHING -> detail + " is not one of them.";
            case REMARK -> "A remark, passed over.";
        };
    }

    /** What is wrong, in words. */
    static String problem(TypedLine.Error error) {
        String detail = error.detail();
        return switch (error.problem()) {
            case NO_DATE -> "No date found in “" + detail + "”";
            case NO_SUCH_DATE -> "There is no " + detail;
            case AMBIGUOUS_DATE -> detail + " can be read in two ways; write the month as a word";
            case WEEKDAY_CONTRADICTS -> "It says " + detail.replace("/", ", but that date is a ");
            case YEAR_OUT_OF_RANGE -> "The year " + detail + " is not between 2000 and 2199";
            case SECOND_DATE -> "A second date, " + detail + ": give it a line of its own";
            case ENDS_BEFORE_START -> detail + " comes before the start";
            case ENDS_BEFORE_IT_STARTS -> "Ends before it starts. Did you mean " + detail + "?";
            case OVER_TWELVE_HOURS -> overTwelveHours(detail);
            case NO_END -> "Say until when";
            case HOURS_OVERLAP -> "Overlaps other hours of that day; write “only” before hours that hold instead";
            case COUNT_AND_END -> "Give a number of times or an end, not both";
            case NOTHING_LEFT -> "No date is left";
            case NO_TIME -> "No time given";
            case NO_SUCH_TIME -> "There is no time " + detail;
            case SLICES_DO_NOT_FIT -> slices(detail);
            case TOO_LONG -> "A session lasts at most 31 days";
            case UNKNOWN_VENUE -> "There is no venue “" + detail + "”; add it under Setup";
            case UNKNOWN_HOST -> "Nobody on the team is called “" + detail + "”";
            case SEATS_OUT_OF_RANGE -> "Seats are 1 to 100,000, not " + detail;
            case SAID_TWICE -> "Said twice on one line";
            case DAY_SAID_TWICE -> "That day has hours already";
            case NAME_NOT_CLOSED -> "The quotation mark is not closed";
            case NOT_UNDERSTOOD -> "Not understood: “" + detail + "”";
            case TOO_MANY_SESSIONS -> "More than " + detail + " dates";
            case LINE_TOO_LONG -> "Longer than " + detail + " characters";
            case TOO_MANY_LINES -> "More than " + detail + " lines";
        };
    }

    private static String overTwelveHours(String detail) {
        String[] both = detail.split("/");
        long minutes = Long.parseLong(both[1]);
        return "That would be " + Times.length(Duration.ofMinutes(minutes)) + ". If it is meant, write “" + both[0]
                + " for " + minutes + " min”";
    }

    private static String slices(String detail) {
        String[] both = detail.split("/");
        return both[0] + " min cannot be cut into whole slices"
                + (both[1].equals("0") ? "" : " of " + both[1] + " min");
    }
}
