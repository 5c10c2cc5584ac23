package jollyroster.programme;

import java.util.List;
import java.util.stream.Collectors;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.dates.TypedLine;
import jollyroster.platform.Times;

/** Typed dates as they were read, in words. */
record TypedDatesView(String text, List<Line> lines) {

    /** @param words the sessions as read, or what is wrong and where */
    record Line(int number, boolean wrong, String words, String note) {}

    static TypedDatesView of(String text, List<TypedLine> lines) {
        return new TypedDatesView(text, lines.stream().map(TypedDatesView::line).toList());
    }

    boolean hasErrors() {
        return lines.stream().anyMatch(Line::wrong);
    }

    private static Line line(TypedLine line) {
        TypedLine.Error error = line.error();
        if (error != null) {
            return new Line(
                    line.line(),
                    true,
                    problem(error) + " (line " + line.line() + ", column " + error.column() + ")",
                    "");
        }
        String words = line.sessions().stream().map(TypedDatesView::session).collect(Collectors.joining(" · "));
        String note = line.notes().stream().sorted().map(TypedDatesView::note).collect(Collectors.joining(" "));
        return new Line(line.line(), false, words, note);
    }

    private static String session(SessionTime time) {
        return Times.longDay(time.start()) + ", " + Times.hours(time.start(), time.end());
    }

    private static String note(TypedLine.Note note) {
        return switch (note) {
            case YEAR_ASSUMED -> "The next such date.";
            case DAYTIME_ASSUMED -> "Read as daytime.";
            case USUAL_LENGTH -> "With the usual length.";
            case MOVED_OUT_OF_GAP -> "The clocks skip that time; moved forward.";
            case EARLIER_OF_TWO -> "That time comes twice; the earlier is taken.";
            case ENDS_NEXT_DAY -> "Ends on the next day.";
        };
    }

    private static String problem(TypedLine.Error error) {
        String detail = error.detail();
        return switch (error.problem()) {
            case NO_DATE -> "No date found in “" + detail + "”";
            case NO_SUCH_DATE -> "There is no " + detail;
            case WEEKDAY_CONTRADICTS -> "It says " + detail.replace("/", ", but that date is a ");
            case YEAR_OUT_OF_RANGE -> "The year " + detail + " is not between 2000 and 2199";
            case NO_TIME -> "No time given";
            case NO_SUCH_TIME -> "There is no time " + detail;
            case NOT_UNDERSTOOD -> "Not understood: “" + detail + "”";
            case LINE_TOO_LONG -> "Longer than " + detail + " characters";
            case TOO_MANY_LINES -> "More than " + detail + " lines";
        };
    }
}
