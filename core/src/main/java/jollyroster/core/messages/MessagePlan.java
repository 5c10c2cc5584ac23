package jollyroster.core.messages;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;

/** Works out which before-messages a person gets, and when. */
public final class MessagePlan {

    /** Two messages to one person about one session come at least this far apart. */
    public static final Duration APART = Duration.ofMinutes(60);

    private MessagePlan() {}

    /** What becomes of one line of the plan for one person. */
    public sealed interface Entry {
        PlanLine line();

        /** By what it would go. */
        Channel channel();

        /** It will be sent. */
        record Send(PlanLine line, Channel channel, SendTime time) implements Entry {}

        /** It will not be sent. */
        record Skip(PlanLine line, Channel channel, Instant nominal, Reason because) implements Entry {}
    }

    /** Why a message is not sent. */
    public enum Reason {
        /** Its time had passed when the person registered. */
        TIME_HAD_PASSED,
        /** As above, and no later message is left to carry the join link: the confirmation carries it. */
        FOLDED_INTO_CONFIRMATION,
        /** It would come less than an hour from a more urgent message. */
        TOO_CLOSE_TO_ANOTHER,
        /** It goes as a text, and the person has not agreed to any. */
        NO_TEXTS
    }

    /**
     * Somebody for whom messages are planned.
     *
     * @param texted whether texts may go to a number of theirs
     */
    public record Reader(ZoneId zone, boolean texted) {}

    /**
     * Plans every line with a time for a person who is given seats at {@code now} and gets a confirmation then. Of two
     * reminders that are too close, the one nearer to the start is the more urgent; the confirmation is more urgent than
     * any reminder. What goes once the session has begun, or to some only, crowds nothing, as not everybody gets it; nor do the
     * e-mail and the text of one line crowd each other.
     *
     * @return one entry for each such line and each channel it goes by, in order of time
     */
    public static List<Entry> schedule(
            List<PlanLine> lines, Timing timing, Reader reader, WritingHours hours, Instant now) {
        List<PlanLine.Timed> timed = lines.stream()
                .filter(PlanLine::isTimed)
                .flatMap(line -> line.channels().all().stream()
                        .map(channel -> new PlanLine.Timed(
                                line, channel, SendTime.of(timing, line, channel, reader.zone(), hours))))
                .sorted(PlanLine.farthestFirst())
                .toList();
        List<PlanLine.Timed> reminders = timed.stream()
                .filter(t -> isReceived(t, reader)
                        && t.line().isForAll()
                        && t.line().anchor().isReminder())
                .toList();
        return timed.stream().map(mine -> entry(mine, reminders, reader, now)).toList();
    }

    private static boolean isReceived(PlanLine.Timed mine, Reader reader) {
        return reader.texted() || mine.channel() != Channel.TEXT;
    }

    private static Entry entry(PlanLine.Timed mine, List<PlanLine.Timed> reminders, Reader reader, Instant now) {
        if (!isReceived(mine, reader)) {
            return skip(mine, Reason.NO_TEXTS);
        }
        return reminders.contains(mine) ? reminder(mine, reminders, now) : later(mine, now);
    }

    private static Entry later(PlanLine.Timed mine, Instant now) {
        return mine.at().isAfter(now) ? send(mine) : skip(mine, Reason.TIME_HAD_PASSED);
    }

    private static Entry reminder(PlanLine.Timed mine, List<PlanLine.Timed> reminders, Instant now) {
        if (!mine.at().isAfter(now)) {
            boolean someLeft = reminders.stream().anyMatch(t -> t.at().isAfter(now));
            return skip(mine, someLeft ? Reason.TIME_HAD_PASSED : Reason.FOLDED_INTO_CONFIRMATION);
        }
        boolean crowdsNext = reminders.stream()
                .skip(reminders.indexOf(mine) + 1L)
                .filter(other -> !other.line().equals(mine.line()))
                .anyMatch(other -> isTooClose(mine.at(), other.at()));
        return isTooClose(now, mine.at()) || crowdsNext ? skip(mine, Reason.TOO_CLOSE_TO_ANOTHER) : send(mine);
    }

    private static boolean isTooClose(Instant earlier, Instant later) {
        return Duration.between(earlier, later).compareTo(APART) < 0;
    }

    private static Entry send(PlanLine.Timed timed) {
        return new Entry.Send(timed.line(), timed.channel(), timed.time());
    }

    private static Entry skip(PlanLine.Timed timed, Reason reason) {
        return new Entry.Skip(timed.line(), timed.channel(), timed.time().nominal(), reason);
    }
}
