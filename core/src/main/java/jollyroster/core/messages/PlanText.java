package jollyroster.core.messages;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * When a message of a plan goes, by what and to whom, as people say it: {@code 2 hours before, text, to everybody registered},
 * {@code half an hour before the start}, {@code when the door opens}, {@code 5 min after the start, to those missing}, {@code a day
 * after, to those absent}, {@code when called up, by text}, {@code 1 day before, to first-timers}, {@code 2 days before the cut-off,
 * to those who have not answered}, {@code 3 days before, if short of its minimum}. Days and weeks are those of the calendar, hours and minutes are elapsed time, so that {@code 24 hours before} and {@code 1 day before}
 * are two things.
 */
public final class PlanText {

    /** The most messages of a plan beside its answers. */
    public static final int MOST = 20;

    /** No message is farther from the session. */
    public static final Duration FARTHEST = Duration.ofDays(366);

    /** Who is not in is written to while the session runs. */
    public static final Duration LATEST_MISSING = Duration.ofHours(12);

    private static final int LONGEST = 160;

    private PlanText() {}

    /** Why something cannot be added to a plan. */
    public enum Problem {
        NOT_UNDERSTOOD,
        /** It cannot be said who should get it. */
        WHO_NOT_UNDERSTOOD,
        /** More than a year before the start, or at the start itself. */
        OUT_OF_RANGE,
        SAID_TWICE,
        /** The e-mail of an answer goes without being asked for. */
        GOES_ANYWAY,
        TOO_MANY
    }

    /** What came of adding to a plan. */
    public sealed interface Added {

        /** @param lines what was added @param plan all lines, the new ones in their places */
        record Lines(List<PlanLine> lines, List<PlanLine> plan) implements Added {}

        record Refused(Problem problem) implements Added {}
    }

    /** Reads what was typed and adds it to a plan. */
    public static Added add(List<PlanLine> plan, String typed) {
        PlanPhrase.Read read = PlanPhrase.read(typed.length() > LONGEST ? "" : typed);
        return read.lines().isEmpty()
                ? new Added.Refused(read.unclear() ? Problem.WHO_NOT_UNDERSTOOD : Problem.NOT_UNDERSTOOD)
                : add(plan, read.lines());
    }

    private static Added add(List<PlanLine> plan, List<PlanLine> lines) {
        if (lines.stream()
                .anyMatch(line -> line.anchor().isAnswer() && !line.channels().has(Channel.TEXT))) {
            return new Added.Refused(Problem.GOES_ANYWAY);
        }
        if (lines.stream().anyMatch(PlanText::isOutOfRange)) {
            return new Added.Refused(Problem.OUT_OF_RANGE);
        }
        List<PlanLine> fresh =
                lines.stream().filter(line -> !plan.contains(line)).toList();
        if (fresh.isEmpty()) {
            return new Added.Refused(Problem.SAID_TWICE);
        }
        long before = plan.stream().filter(one -> !one.isFixed()).count();
        if (before + fresh.size() > MOST) {
            return new Added.Refused(Problem.TOO_MANY);
        }
        List<PlanLine> all = new ArrayList<>(plan);
        all.addAll(fresh);
        return new Added.Lines(fresh, inOrder(all));
    }

    private static boolean isOutOfRange(PlanLine line) {
        boolean sharp = line.anchor() == Anchor.DOOR_OPENS || line.anchor().isAnswer();
        Duration most = line.anchor() == Anchor.NOT_IN ? LATEST_MISSING : FARTHEST;
        return !sharp && line.offset().amount() == 0 || line.offset().usually().compareTo(most) > 0;
    }

    /** Answers first, then by time: what goes before the start, the earliest first, then what goes after it. */
    public static List<PlanLine> inOrder(List<PlanLine> plan) {
        return plan.stream()
                .sorted(Comparator.comparing((PlanLine line) -> line.anchor())
                        .thenComparing(line -> isBefore(line.anchor())
                                ? line.offset().usually().negated()
                                : line.offset().usually())
                        .thenComparing(PlanLine::channels)
                        .thenComparing(line -> line.audience().code()))
                .toList();
    }

    private static boolean isBefore(Anchor anchor) {
        return anchor == Anchor.BEFORE_START || Anchor.WATCHED.contains(anchor);
    }
}
