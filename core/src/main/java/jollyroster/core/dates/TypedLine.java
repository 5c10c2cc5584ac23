package jollyroster.core.dates;

import java.util.List;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What one typed line came to: sessions, perhaps with notes, or one error, or only a note. The text to show is chosen by
 * whoever shows it.
 *
 * @param line counted from 1
 * @param sessions in order of time; empty when there is an error or the line is a remark
 * @param options what the line says about all its sessions
 * @param notes how the program read what could be read in more than one way
 * @param error {@code null} when the line was read
 */
public record TypedLine(
        int line,
        List<SessionTime> sessions,
        Options options,
        List<Note> notes,
        @Nullable Error error) {

    /** How something was read. */
    public enum Reading {
        /** A date without a year is the first such date on or after today; the detail is the year. */
        YEAR_ASSUMED,
        /** A time without am or pm was read inside 08:00–20:00; the detail says which. */
        DAYTIME_ASSUMED,
        /** The end was not typed; the offering's usual length was taken. */
        USUAL_LENGTH,
        MOVED_OUT_OF_GAP,
        EARLIER_OF_TWO,
        ENDS_NEXT_DAY,
        /** Weekdays without a date or "every" are the next such days. */
        NEXT_SUCH_DAY,
        /** A number of times after a date repeats it weekly; the detail is the number. */
        WEEKLY,
        /** A stretch from one date to another is every day of it. */
        EACH_DAY,
        /** A stretch was cut; the detail is the number of slices. */
        SLICED,
        /** No end was given; the detail is how many dates were taken. */
        OPEN_ENDED,
        /** An exception that is not one of the dates; the detail is the date. */
        EXCEPTION_HITS_NOTHING,
        /** The line begins with # and is passed over. */
        REMARK
    }

    /**
     * A remark about a reading.
     *
     * @param column counted from 1
     * @param detail what was read, where the reading needs one; else empty
     */
    public record Note(Reading reading, int column, String detail) {}

    /** Why a line could not be read. */
    public enum Problem {
        NO_DATE,
        NO_SUCH_DATE,
        AMBIGUOUS_DATE,
        WEEKDAY_CONTRADICTS,
        YEAR_OUT_OF_RANGE,
        SECOND_DATE,
        ENDS_BEFORE_START,
        /** An end that is not after its start; the detail is what is more likely meant. */
        ENDS_BEFORE_IT_STARTS,
        /** The detail is the start and how many minutes it would be. */
        OVER_TWELVE_HOURS,
        /** Hours without an end. */
        NO_END,
        /** Hours that overlap others of the same day. */
        HOURS_OVERLAP,
        COUNT_AND_END,
        NOTHING_LEFT,
        NO_TIME,
        NO_SUCH_TIME,
        SLICES_DO_NOT_FIT,
        TOO_LONG,
        UNKNOWN_VENUE,
        UNKNOWN_HOST,
        SEATS_OUT_OF_RANGE,
        SAID_TWICE,
        /** Days that have hours already. */
        DAY_SAID_TWICE,
        NAME_NOT_CLOSED,
        NOT_UNDERSTOOD,
        TOO_MANY_SESSIONS,
        LINE_TOO_LONG,
        TOO_MANY_LINES
    }

    /**
     * @param column counted from 1
     * @param detail what was typed or what contradicts it, to be named in the message
     */
    public record Error(int column, Problem problem, String detail) {}

    /** A name as typed, and where. */
    public record Named(String name, int column) {}

    /**
     * What a line says about its sessions beside when they are.
     *
     * @param venue {@code null} when the line names none
     */
    public record Options(OptionalInt seats, @Nullable Named venue, List<Named> hosts) {

        public static final Options NONE = new Options(OptionalInt.empty(), null, List.of());

        public Options {
            hosts = List.copyOf(hosts);
        }

        public String venueName() {
            return venue == null ? "" : venue.name();
        }

        public List<String> hostNames() {
            return hosts.stream().map(Named::name).toList();
        }
    }

    public TypedLine {
        sessions = List.copyOf(sessions);
        notes = List.copyOf(notes);
    }

    static TypedLine wrong(int line, int column, Problem problem, String detail) {
        return new TypedLine(line, List.of(), Options.NONE, List.of(), new Error(column, problem, detail));
    }

    static TypedLine remark(int line, int column) {
        return new TypedLine(line, List.of(), Options.NONE, List.of(new Note(Reading.REMARK, column, "")), null);
    }

    /** The same line, refused after all by whoever knows more than the grammar, such as which venues there are. */
    public TypedLine refused(int column, Problem problem, String detail) {
        return wrong(line, column, problem, detail);
    }

    public boolean isError() {
        return error != null;
    }

    /** The sessions with what the line says about them. */
    public Stream<TypedSession> typed() {
        return sessions.stream().map(time -> new TypedSession(time, options));
    }

    /** One session as typed. */
    public record TypedSession(SessionTime time, Options options) {}
}
