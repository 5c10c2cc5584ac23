package jollyroster.core.messages;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;

/** Works out which before-messages a person gets, and when. */
public final class MessagePlan {

    /** Two messages to one person about one session come at least this far apart. */
    public static final Duration APART = Duration.ofMinutes(60);

    private MessagePlan() {}

    /** What becomes of one line of the plan for one person. */
    public sealed interface Entry {
        PlanLine line();

        /** It will be sent. */
        record Send(PlanLine line, SendTime time) implements Entry {}

        /** It will not be sent. */
        record Skip(PlanLine line, Instant nominal, Reason because) implements Entry {}
    }

    /** Why a message is not sent. */
    public enum Reason {
        /** Its time had passed when the person registered. */
        TIME_HAD_PASSED,
        /** As above, and no later message is left to carry the join link: the confirmation carries it. */
        FOLDED_INTO_CONFIRMATION,
        /** It would come less than an hour from a more urgent message. */
        TOO_CLOSE_TO_ANOTHER
    }

    /**
     * Plans every line with a time for a person who is given seats at {@code now} and gets a confirmation then. Of two
     * reminders that are too close, the one nearer to the start is the more urgent; the confirmation is more urgent than
     * any reminder. What goes once the session has begun crowds nothing, as not everybody gets it.
     *
     * @return one entry for each such line, in order of time
     */
    public static List<Entry> schedule(
            List<PlanLine> lines, Timing timing, ZoneId recipientZone, WritingHours hours, Instant now) {
        List<PlanLine.Timed> timed = lines.stream()
                .filter(line -> !line.anchor().isAnswer())
                .map(line -> new PlanLine.Timed(line, SendTime.of(timing, line, recipientZone, hours)))
                .sorted(PlanLine.farthestFirst())
                .toList();
        List<PlanLine.Timed> reminders =
                timed.stream().filter(t -> t.line().anchor().isReminder()).toList();
        boolean someLeft = reminders.stream().anyMatch(t -> t.at().isAfter(now));
        List<Entry> entries = new ArrayList<>();
        for (PlanLine.Timed mine : timed) {
            int i = reminders.indexOf(mine);
            entries.add(i >= 0 ? reminder(reminders, i, now, someLeft) : later(mine, now));
        }
        return List.copyOf(entries);
    }

    private static Entry later(PlanLine.Timed mine, Instant now) {
        return mine.at().isAfter(now) ? new Entry.Send(mine.line(), mine.time()) : skip(mine, Reason.TIME_HAD_PASSED);
    }

    private static Entry reminder(List<PlanLine.Timed> timed, int i, Instant now, boolean someLeft) {
        PlanLine.Timed mine = timed.get(i);
        if (!mine.at().isAfter(now)) {
            return skip(mine, someLeft ? Reason.TIME_HAD_PASSED : Reason.FOLDED_INTO_CONFIRMATION);
        }
        boolean crowdsConfirmation = isTooClose(now, mine.at());
        boolean crowdsNext =
                i + 1 < timed.size() && isTooClose(mine.at(), timed.get(i + 1).at());
        return crowdsConfirmation || crowdsNext
                ? skip(mine, Reason.TOO_CLOSE_TO_ANOTHER)
                : new Entry.Send(mine.line(), mine.time());
    }

    private static boolean isTooClose(Instant earlier, Instant later) {
        return Duration.between(earlier, later).compareTo(APART) < 0;
    }

    private static Entry skip(PlanLine.Timed timed, Reason reason) {
        return new Entry.Skip(timed.line(), timed.time().nominal(), reason);
    }
}
