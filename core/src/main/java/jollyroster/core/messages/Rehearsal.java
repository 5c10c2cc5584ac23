package jollyroster.core.messages;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import jollyroster.core.attendance.Verdict;

/** What a plan comes to for people who are made up: the messages of each, by the rules by which they are planned. */
public final class Rehearsal {

    private static final QuietHours NIGHT = new QuietHours(LocalTime.of(23, 0), LocalTime.of(7, 0));

    private Rehearsal() {}

    /**
     * Somebody made up.
     *
     * @param joins when they register
     * @param seated whether they hold seats; else they wait until they are called up
     * @param was how they will have been there
     * @param texted whether texts may go to a number of theirs
     */
    public record Player(String name, ZoneId zone, Instant joins, boolean seated, Verdict was, boolean texted) {

        MessagePlan.Reader reader() {
            return new MessagePlan.Reader(zone, texted);
        }
    }

    /** What is played. @param online whether it is known who is in */
    public record Stage(List<PlanLine> plan, Timing timing, WritingHours hours, boolean online) {}

    /** Where somebody stands. */
    public enum Standing {
        NOT_YET,
        WAITING,
        OFFERED,
        SEATED,
        GONE
    }

    /**
     * How things stand for somebody.
     *
     * @param until when an offer ends; empty for none
     * @param elsewhere whether the session meets elsewhere than it was to
     * @param sequence how often the entry in their calendar has changed
     */
    public record State(
            Standing standing,
            Timing timing,
            Optional<Instant> until,
            boolean elsewhere,
            boolean calledOff,
            int sequence) {}

    /**
     * A message to somebody.
     *
     * @param nominal when it would go if nobody slept
     * @param dropped why it does not go; empty when it does, or was withdrawn
     * @param withdrawn what it was withdrawn for; empty when it goes, or never would have
     * @param state how things stand when it leaves
     */
    public record Played(
            PlanLine line,
            Channel channel,
            Instant at,
            Instant nominal,
            Optional<MessagePlan.Reason> dropped,
            Optional<Happening.Kind> withdrawn,
            State state) {

        public boolean goes() {
            return dropped.isEmpty() && withdrawn.isEmpty();
        }

        boolean isSame(Played other) {
            return line.equals(other.line) && channel == other.channel && at.equals(other.at);
        }
    }

    /** How things stand from a moment on. */
    record Moment(Instant at, State state) {}

    /** What becomes of one of the cast. @param messages in order of time */
    public record Part(List<Played> messages, List<Moment> moments) {

        /** How things stand at a moment. */
        public State at(Instant moment) {
            return moments.stream()
                    .filter(m -> !m.at().isAfter(moment))
                    .reduce((first, later) -> later)
                    .orElse(moments.get(0))
                    .state();
        }
    }

    /** The messages to somebody: the answers to what happens, and what is planned, in order of time. @param who they are, from 0 */
    public static Part play(int who, Player player, Stage stage, List<Happening> happenings) {
        return new RehearsedPart(who, player, stage).play(happenings);
    }

    /** What is odd about what somebody gets. */
    public enum Oddity {
        /** Nothing reminds them; the way in is in the confirmation alone. */
        NO_REMINDER,
        /** It comes within the hour of the one before. */
        WITHIN_THE_HOUR,
        /** It comes between 23:00 and 07:00 on their clock, and answers nothing they did. */
        AT_NIGHT
    }

    /** An oddity. @param message it is about; the first of all for {@link Oddity#NO_REMINDER} */
    public record Finding(Oddity oddity, Played message) {}

    /** What is odd about the messages to somebody who holds seats to the end; nothing about those who wait. */
    public static List<Finding> findings(Player player, Part part) {
        List<Finding> findings = new ArrayList<>();
        List<Played> going = part.messages().stream().filter(Played::goes).toList();
        boolean reminded = going.stream().anyMatch(m -> m.line().anchor().isReminder());
        boolean seated = part.moments().get(part.moments().size() - 1).state().standing() == Standing.SEATED;
        if (seated && !reminded) {
            findings.add(new Finding(Oddity.NO_REMINDER, going.get(0)));
        }
        for (int i = 0; i < going.size(); i++) {
            Played mine = going.get(i);
            if (i > 0 && isSoonAfter(going.get(i - 1), mine)) {
                findings.add(new Finding(Oddity.WITHIN_THE_HOUR, mine));
            }
            boolean night = NIGHT.contains(mine.at().atZone(player.zone()).toLocalTime());
            if (night && !mine.line().anchor().isAnswer()) {
                findings.add(new Finding(Oddity.AT_NIGHT, mine));
            }
        }
        return findings;
    }

    /** Whether one comes within the hour of another; not where both are of one line, or both answer what was done. */
    private static boolean isSoonAfter(Played before, Played mine) {
        boolean other = !before.line().equals(mine.line())
                && !(before.line().anchor().isAnswer() && mine.line().anchor().isAnswer());
        return other && Duration.between(before.at(), mine.at()).compareTo(MessagePlan.APART) < 0;
    }
}
