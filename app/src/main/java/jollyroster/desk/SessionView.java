package jollyroster.desk;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.attendance.AttendanceView;
import jollyroster.chart.RunLine;
import jollyroster.chart.SeatStrip;
import jollyroster.chart.StateMark;

/** A session's page, decided and formatted. */
public record SessionView(
        long id,
        long offering,
        String title,
        String status,
        String when,
        String city,
        String place,
        String host,
        int seats,
        boolean past,
        boolean showsAttendance,
        boolean online,
        SeatStrip strip,
        RunLine runLine,
        List<Sending> sendings,
        List<String> questions,
        List<Row> rows,
        int more,
        List<Logged> logbook,
        String summary,
        boolean cancelled,
        boolean hasTurns,
        String note,
        String outlook,
        String outlookCode,
        String link,
        boolean linkAskable,
        List<OtherDate> otherDates,
        List<Undo> undoable) {

    /**
     * A row with all that its markup follows from.
     *
     * @param history where everything about it is told
     * @param address what can be done with the registration is asked for below it
     * @param answers whether there is a column of answers
     */
    public record Line(
            String address, String history, boolean organiser, boolean showsAttendance, boolean answers, Row row) {}

    public String address() {
        return "/desk/sessions/" + id;
    }

    /** @param answers whether whoever looks may see them */
    List<Line> lines(boolean organiser, boolean answers) {
        return rows.stream()
                .map(row -> new Line(
                        address() + "/registrations/" + row.id(),
                        address() + "/why/" + row.id(),
                        organiser,
                        showsAttendance,
                        showsAttendance && answers && !questions.isEmpty(),
                        row))
                .toList();
    }

    /** Another date of the same series. */
    public record OtherDate(long id, String when, boolean here, boolean cancelled) {}

    /** A change that can be undone. @param left how long still */
    public record Undo(long id, String words, String left) {}

    /** A message of the run line in words. */
    public record Sending(String when, String what, int planned, int sent, int failed, int withdrawn) {
        /** To how many, and what became of it: {@code 5 planned, 1 withdrawn}. */
        public String counts() {
            return Stream.of(planned + " planned", sent + " sent", failed + " failed", withdrawn + " withdrawn")
                    .filter(some -> !some.startsWith("0 "))
                    .collect(Collectors.joining(", "));
        }
    }

    /**
     * One registration.
     *
     * @param answers what was answered, in the order of the questions
     * @param theirTime the start on the person's clock
     * @param before what is known from earlier sessions
     */
    public record Row(
            long id,
            String state,
            String stateWord,
            String name,
            String email,
            int party,
            String place,
            String theirTime,
            List<Answer> answers,
            String before,
            AttendanceView attendance,
            boolean canCancel,
            boolean waits) {
        /** The state, drawn. */
        public String mark() {
            return StateMark.of(state, stateWord);
        }

        /** What is asked before the registration is cancelled. */
        public String cancelling() {
            return "Cancel the registration of " + name + (party == 1 ? "" : " and company") + " and tell them?";
        }
    }

    public record Answer(String question, String value) {}

    /** What was decided. @param said who did what, or what became of whom @param detail why, and by whom else */
    public record Logged(String at, String said, String detail) {}
}
