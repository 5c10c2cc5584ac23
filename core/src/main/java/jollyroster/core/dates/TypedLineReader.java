package jollyroster.core.dates;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Reads one typed line: days, times and options in any order, then works out the sessions. */
final class TypedLineReader {

    private final int number;
    private final Cursor cursor;
    private final TypedDays days;
    private final TypedTimes times;
    private final TypedOptions options = new TypedOptions();
    private final int mostSessions;

    TypedLineReader(int number, String line, TypedDates.Setting setting, int mostSessions) {
        this.number = number;
        this.cursor = new Cursor(line);
        this.days = new TypedDays(setting.today());
        this.times = new TypedTimes(setting);
        this.mostSessions = mostSessions;
    }

    TypedLine read() {
        cursor.skipGap();
        if (cursor.rest().startsWith("#")) {
            return TypedLine.remark(number, cursor.at() + 1);
        }
        try {
            readParts();
            List<SessionTime> sessions = sessions();
            return new TypedLine(number, sessions, options.options(), cursor.notes(), null);
        } catch (Cursor.Unreadable unreadable) {
            return TypedLine.wrong(number, unreadable.column, unreadable.problem, unreadable.detail);
        }
    }

    private void readParts() {
        int start = cursor.at();
        while (!cursor.atEnd()) {
            boolean understood = options.read(cursor) || days.read(cursor, !times.isEmpty()) || times.read(cursor);
            if (!understood) {
                boolean nothingYet = days.isEmpty() && times.isEmpty();
                throw cursor.unreadable(
                        cursor.at(),
                        nothingYet ? TypedLine.Problem.NO_DATE : TypedLine.Problem.NOT_UNDERSTOOD,
                        cursor.rest());
            }
            cursor.skipGap();
        }
        int end = cursor.at();
        cursor.backTo(start);
        String whole = cursor.rest();
        cursor.backTo(end);
        if (days.isEmpty()) {
            throw cursor.unreadable(start, TypedLine.Problem.NO_DATE, whole);
        }
        if (times.isEmpty()) {
            throw cursor.unreadable(start + whole.length(), TypedLine.Problem.NO_TIME, "");
        }
    }

    private List<SessionTime> sessions() {
        List<SessionTime> sessions = new ArrayList<>();
        for (LocalDate day : days.resolve(cursor, mostSessions)) {
            sessions.addAll(times.on(day, cursor));
            if (sessions.size() > mostSessions) {
                throw cursor.unreadable(
                        0, TypedLine.Problem.TOO_MANY_SESSIONS, String.valueOf(TypedDates.MOST_SESSIONS));
            }
        }
        sessions.sort(Comparator.comparing(SessionTime::start));
        return sessions;
    }
}
