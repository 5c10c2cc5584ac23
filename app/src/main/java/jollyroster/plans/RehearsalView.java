package jollyroster.plans;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import jollyroster.chart.Score;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.Rehearsal;
import jollyroster.core.messages.Rehearsal.Part;
import jollyroster.core.messages.Rehearsal.Played;
import jollyroster.core.messages.Rehearsal.Player;
import jollyroster.core.messages.Rehearsal.Standing;
import jollyroster.core.messages.Rehearsal.State;
import jollyroster.outbox.MessageWords;
import jollyroster.plans.RehearsalRun.Open;
import jollyroster.plans.RehearsalRun.Run;
import jollyroster.platform.Times;

/** A rehearsal put into words and a drawing. */
final class RehearsalView {

    private final Run run;
    private final Script script;
    private final String at;

    RehearsalView(Run run, Script script) {
        this.run = run;
        this.script = script;
        this.at = script.address(run.offering().id());
    }

    /** Somebody and what they get. */
    public record Lane(String who, String what, List<Line> lines) {}

    /** A message in words. @param when on their clock @param why it is moved or dropped; empty for neither */
    public record Line(String address, String when, String what, String why, boolean goes, boolean open) {}

    /** Something odd. @param address of the message it is about */
    public record Odd(String lead, String text, String address) {}

    /** Something that happens. @param out the address without it */
    public record Event(String words, String out) {}

    private String address(int who, int which) {
        return at + "&open=" + who + "-" + which + "#message";
    }

    private ZoneId home() {
        return run.drawn().timing().zone();
    }

    private List<Played> messages(int who) {
        return run.parts().get(who).messages();
    }

    private static String words(Played m) {
        return MessageWords.of(m.line().anchor(), m.line().offset(), m.channel());
    }

    List<Lane> lanes(Open open) {
        return IntStream.range(0, run.cast().size())
                .mapToObj(who -> lane(who, open))
                .toList();
    }

    private Lane lane(int who, Open open) {
        Player player = run.cast().get(who);
        List<Line> lines = IntStream.range(0, messages(who).size())
                .mapToObj(which -> {
                    Played m = messages(who).get(which);
                    return new Line(
                            address(who, which),
                            Times.dayAndTime(m.at(), player.zone()),
                            words(m),
                            RehearsalWords.why(m, player.zone()),
                            m.goes(),
                            open.is(who, which));
                })
                .toList();
        return new Lane(player.name(), Times.city(player.zone()) + " time, " + Cast.doing(player), lines);
    }

    String drawing(Open open, Instant head) {
        List<Score.Lane> lanes = IntStream.range(0, run.cast().size())
                .mapToObj(who -> drawn(who, open))
                .toList();
        List<Score.Event> events = run.happenings().stream()
                .map(h -> new Score.Event(
                        h.at(), RehearsalWords.of(h, run.cast()) + ", " + Times.dayAndTime(h.at(), home())))
                .toList();
        String words = Times.dayAndTime(head, home()) + " in " + Times.city(home());
        return new Score(run.drawn().timing().hours(), head, words, lanes, events).markup();
    }

    private Score.Lane drawn(int who, Open open) {
        Player player = run.cast().get(who);
        List<Score.Mark> marks = IntStream.range(0, messages(who).size())
                .mapToObj(which -> {
                    Played m = messages(who).get(which);
                    return new Score.Mark(
                            m.at(),
                            address(who, which),
                            words(m) + " to " + player.name() + ", " + Times.dayAndTime(m.at(), player.zone())
                                    + (m.goes() ? "" : ", " + RehearsalWords.why(m, player.zone())),
                            m.goes(),
                            open.is(who, which),
                            m.channel() == Channel.TEXT);
                })
                .toList();
        return new Score.Lane(
                player.name(),
                Times.city(player.zone()) + ", " + Cast.doing(player),
                CalmHours.of(
                                run.drawn().timing(),
                                List.of(player.zone()),
                                run.stage().hours())
                        .stream()
                        .flatMap(calm -> calm.spans().stream())
                        .toList(),
                marks);
    }

    List<Event> events() {
        List<Script.Said> said = script.said();
        return IntStream.range(0, said.size())
                .mapToObj(i -> new Event(
                        RehearsalWords.of(run.happenings().get(i), run.cast()) + ", "
                                + Times.dayAndTime(run.happenings().get(i).at(), home()),
                        script.address(run.offering().id(), said.get(i).index())))
                .toList();
    }

    List<Odd> findings() {
        List<Odd> odd = new ArrayList<>();
        for (int who = 0; who < run.cast().size(); who++) {
            Player player = run.cast().get(who);
            for (Rehearsal.Finding f : Rehearsal.findings(player, run.parts().get(who))) {
                odd.add(odd(f, player, address(who, messages(who).indexOf(f.message()))));
            }
        }
        return odd;
    }

    private static Odd odd(Rehearsal.Finding f, Player player, String address) {
        String what = words(f.message());
        String time = Times.time(f.message().at().atZone(player.zone()));
        return switch (f.oddity()) {
            case NO_REMINDER ->
                new Odd(player.name() + " gets no reminder.", "The link is in the confirmation alone.", address);
            case WITHIN_THE_HOUR ->
                new Odd(player.name() + " gets two within the hour.", what + ", " + time + " there.", address);
            case AT_NIGHT -> new Odd(player.name() + " is woken at " + time + ".", what + ".", address);
        };
    }

    /** What is true at a moment. */
    List<String> at(Instant head) {
        List<State> states = run.parts().stream().map(part -> part.at(head)).toList();
        State session = states.get(0);
        long seated = count(states, Standing.SEATED);
        long waiting = count(states, Standing.WAITING);
        long offered = count(states, Standing.OFFERED);
        List<String> said = new ArrayList<>();
        said.add(seated + " of the cast hold seats, " + waiting + " wait"
                + (offered > 0 ? ", " + offered + " called up." : "."));
        said.add(session.calledOff() ? "The session has been cancelled." : door(session, head));
        said.add(entry(session));
        next(head).ifPresent(said::add);
        return said;
    }

    private static long count(List<State> states, Standing standing) {
        return states.stream().filter(s -> s.standing() == standing).count();
    }

    private static String door(State session, Instant head) {
        return switch (session.timing().hours().at(head)) {
            case BEFORE ->
                "The door is shut for "
                        + Times.length(
                                Duration.between(head, session.timing().hours().opens())) + " more.";
            case OPEN -> "The door is open.";
            case AFTER -> "The room is shut.";
        };
    }

    private String entry(State session) {
        String when = Times.dayAndTime(session.timing().hours().start(), home());
        String changes = switch (session.sequence()) {
            case 0 -> "";
            case 1 -> ", changed once";
            default -> ", changed " + session.sequence() + " times";
        };
        return "Their calendars say " + (session.calledOff() ? "cancelled" : when)
                + (session.elsewhere() ? ", elsewhere" : "") + changes + ".";
    }

    /** What leaves next, to anybody. */
    private Optional<String> next(Instant head) {
        String next = "";
        Instant soonest = Instant.MAX;
        for (int who = 0; who < run.cast().size(); who++) {
            for (Played m : messages(who)) {
                if (m.goes() && m.at().isAfter(head) && m.at().isBefore(soonest)) {
                    soonest = m.at();
                    next = words(m) + " to " + run.cast().get(who).name();
                }
            }
        }
        return next.isEmpty()
                ? Optional.empty()
                : Optional.of("Next: " + next + ", in " + Times.length(Duration.between(head, soonest)) + ".");
    }

    /** Everybody's part. */
    List<Part> parts() {
        return run.parts();
    }
}
