package jollyroster.core.dates;

import java.util.List;
import java.util.Set;

/**
 * What one typed line came to: either sessions, perhaps with notes, or one error. The text to show is chosen by whoever
 * shows it.
 *
 * @param line counted from 1
 * @param sessions empty exactly when there is an error
 * @param notes how the program read what could be read in more than one way
 * @param error {@code null} when the line was read
 */
public record TypedLine(
        int line,
        List<SessionTime> sessions,
        Set<Note> notes,
        @org.jspecify.annotations.Nullable Error error) {

    /** A remark about a reading. */
    public enum Note {
        YEAR_ASSUMED,
        DAYTIME_ASSUMED,
        USUAL_LENGTH,
        MOVED_OUT_OF_GAP,
        EARLIER_OF_TWO,
        ENDS_NEXT_DAY
    }

    /** Why a line could not be read. */
    public enum Problem {
        NO_DATE,
        NO_SUCH_DATE,
        WEEKDAY_CONTRADICTS,
        YEAR_OUT_OF_RANGE,
        NO_TIME,
        NO_SUCH_TIME,
        NOT_UNDERSTOOD,
        LINE_TOO_LONG,
        TOO_MANY_LINES
    }

    /**
     * @param column counted from 1
     * @param detail what was typed or what contradicts it, to be named in the message
     */
    public record Error(int column, Problem problem, String detail) {}

    public TypedLine {
        sessions = List.copyOf(sessions);
        notes = Set.copyOf(notes);
    }

    static TypedLine wrong(int line, int column, Problem problem, String detail) {
        return new TypedLine(line, List.of(), Set.of(), new Error(column, problem, detail));
    }

    public boolean isError() {
        return error != null;
    }
}
