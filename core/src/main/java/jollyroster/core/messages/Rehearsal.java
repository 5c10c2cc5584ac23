package jollyroster.core.messages;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.core.attendance.Verdict;

/** What a plan comes to for people who are made up: the messages of each, by the rules by which they are planned. */
public final class Rehearsal {

    private static final QuietHours NIGHT = new QuietHours(LocalTime.of(23, 0), LocalTime.of(7, 0));

    private Rehearsal() {}

    /**
     * Somebody made up.
     *
     * @param joins when they register
     * @param seated whether they hold seats; else they wait all along
     * @param was how they will have been there
     * @param texted whether texts may go to a number of theirs
     */
    public record Player(String name, ZoneId zone, Instant joins, boolean seated, Verdict was, boolean texted) {

        MessagePlan.Reader reader() {
            return new MessagePlan.Reader(zone, texted);
        }
    }

    /**
     * A message to somebody.
     *
     * @param nominal when it would go if nobody slept
     * @param dropped why it does not go; empty when it does
     */
    public record Played(
            PlanLine line, Channel channel, Instant at, Instant nominal, Optional<MessagePlan.Reason> dropped) {

        public boolean goes() {
            return dropped.isEmpty();
        }
    }

    /** The messages to somebody: the answer to their registering, then what is planned in order of time. @param online whether it is known who is in */
    public static List<Played> play(
            Player player, List<PlanLine> plan, Timing timing, WritingHours hours, boolean online) {
        Anchor first = player.seated() ? Anchor.REGISTERED : Anchor.WAITLISTED;
        PlanLine answer = new PlanLine(first, PlanLine.atOnce().offset());
        Stream<Played> answered =
                Stream.of(new Played(answer, Channel.EMAIL, player.joins(), player.joins(), Optional.empty()));
        Stream<Played> timed = player.seated()
                ? MessagePlan.schedule(plan, timing, player.reader(), hours, player.joins()).stream()
                        .filter(entry -> concerns(entry.line().anchor(), player, online))
                        .map(Rehearsal::played)
                : Stream.empty();
        return Stream.concat(answered, timed).toList();
    }

    private static boolean concerns(Anchor anchor, Player player, boolean online) {
        if (anchor == Anchor.NOT_IN) {
            return online && player.was() == Verdict.ABSENT;
        }
        return anchor.verdict().map(player.was()::equals).orElse(true);
    }

    private static Played played(MessagePlan.Entry entry) {
        if (entry instanceof MessagePlan.Entry.Send send) {
            return new Played(
                    send.line(), send.channel(), send.time().at(), send.time().nominal(), Optional.empty());
        }
        MessagePlan.Entry.Skip skip = (MessagePlan.Entry.Skip) entry;
        return new Played(skip.line(), skip.channel(), skip.nominal(), skip.nominal(), Optional.of(skip.because()));
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

    /** What is odd about the messages to somebody who holds seats; nothing about those who wait. */
    public static List<Finding> findings(Player player, List<Played> messages) {
        List<Finding> findings = new ArrayList<>();
        List<Played> going = messages.stream().filter(Played::goes).toList();
        boolean reminded = going.stream().anyMatch(m -> m.line().anchor().isReminder());
        if (player.seated() && !reminded) {
            findings.add(new Finding(Oddity.NO_REMINDER, going.get(0)));
        }
        for (int i = 0; i < going.size(); i++) {
            Played mine = going.get(i);
            boolean soon =
                    i > 0 && Duration.between(going.get(i - 1).at(), mine.at()).compareTo(MessagePlan.APART) < 0;
            boolean night = NIGHT.contains(mine.at().atZone(player.zone()).toLocalTime());
            if (soon) {
                findings.add(new Finding(Oddity.WITHIN_THE_HOUR, mine));
            }
            if (night && !mine.line().anchor().isAnswer()) {
                findings.add(new Finding(Oddity.AT_NIGHT, mine));
            }
        }
        return findings;
    }
}
