package jollyroster.core.messages;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
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
     * Plans every {@link Anchor#BEFORE_START} line for a person who is given seats at {@code now} and gets a confirmation
     * then. Of two that are too close, the one nearer to the start is the more urgent; the confirmation is more urgent
     * than any reminder.
     *
     * @param start in the session's zone
     * @return one entry for each before-line, in order of nominal time
     */
    public static List<Entry> schedule(
            List<PlanLine> lines, ZonedDateTime start, ZoneId recipientZone, QuietHours quiet, Instant now) {
        List<PlanLine.Timed> timed = lines.stream()
                .filter(line -> line.anchor() == Anchor.BEFORE_START)
                .map(line -> new PlanLine.Timed(line, SendTime.before(start, line, recipientZone, quiet)))
                .sorted(PlanLine.farthestFirst())
                .toList();
        boolean someLeft = timed.stream().anyMatch(t -> t.at().isAfter(now));
        List<Entry> entries = new ArrayList<>();
        for (int i = 0; i < timed.size(); i++) {
            entries.add(entry(timed, i, now, someLeft));
        }
        return List.copyOf(entries);
    }

    private static Entry entry(List<PlanLine.Timed> timed, int i, Instant now, boolean someLeft) {
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
