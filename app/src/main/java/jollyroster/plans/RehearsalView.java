package jollyroster.plans;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import jollyroster.chart.Score;
import jollyroster.core.messages.MessagePlan;
import jollyroster.core.messages.Rehearsal;
import jollyroster.core.messages.Rehearsal.Played;
import jollyroster.core.messages.Rehearsal.Player;
import jollyroster.core.messages.Timing;
import jollyroster.core.messages.WritingHours;
import jollyroster.outbox.MessageWords;
import jollyroster.platform.Times;

/** A rehearsal put into words and a drawing. */
final class RehearsalView {

    private final Timing timing;
    private final WritingHours hours;
    private final List<Player> cast;
    private final List<List<Played>> messages;
    private final String at;

    /** @param at the address of the rehearsal, to which the number of a message is added */
    RehearsalView(Timing timing, WritingHours hours, List<Player> cast, List<List<Played>> messages, String at) {
        this.timing = timing;
        this.hours = hours;
        this.cast = cast;
        this.messages = messages;
        this.at = at;
    }

    /** Somebody and what they get. */
    public record Lane(String who, String what, List<Line> lines) {}

    /** A message in words. @param when on their clock @param why it is moved or dropped; empty for neither */
    public record Line(String address, String when, String what, String why, boolean goes, boolean open) {}

    /** Something odd. @param address of the message it is about */
    public record Odd(String lead, String text, String address) {}

    private String address(int who, int which) {
        return at + "&open=" + who + "-" + which + "#message";
    }

    List<Lane> lanes(Open open) {
        List<Lane> lanes = new ArrayList<>();
        for (int who = 0; who < cast.size(); who++) {
            Player player = cast.get(who);
            List<Line> lines = new ArrayList<>();
            for (int which = 0; which < messages.get(who).size(); which++) {
                Played m = messages.get(who).get(which);
                lines.add(new Line(
                        address(who, which),
                        Times.dayAndTime(m.at(), player.zone()),
                        MessageWords.of(m.line().anchor(), m.line().offset(), m.channel()),
                        why(m, player.zone()),
                        m.goes(),
                        open.is(who, which)));
            }
            lanes.add(new Lane(player.name(), Times.city(player.zone()) + " time, " + Cast.doing(player), lines));
        }
        return lanes;
    }

    /** Why a message goes when it goes, or does not. */
    static String why(Played m, ZoneId zone) {
        if (m.dropped().isPresent()) {
            return "does not go: " + reason(m.dropped().get());
        }
        return m.at().equals(m.nominal())
                ? ""
                : "moved from " + Times.dayAndTime(m.nominal(), zone) + ", when nobody is written to there";
    }

    private static String reason(MessagePlan.Reason reason) {
        return switch (reason) {
            case TIME_HAD_PASSED -> "its time had passed when they registered";
            case FOLDED_INTO_CONFIRMATION -> "its time had passed; the confirmation brings the link";
            case TOO_CLOSE_TO_ANOTHER -> "less than an hour from a more urgent one";
            case NO_TEXTS -> "they have not agreed to texts";
        };
    }

    String drawing(Open open, Instant head) {
        List<Score.Lane> lanes = new ArrayList<>();
        for (int who = 0; who < cast.size(); who++) {
            Player player = cast.get(who);
            List<Score.Mark> marks = new ArrayList<>();
            for (int which = 0; which < messages.get(who).size(); which++) {
                Played m = messages.get(who).get(which);
                String words = MessageWords.of(m.line().anchor(), m.line().offset(), m.channel()) + " to "
                        + player.name() + ", " + Times.dayAndTime(m.at(), player.zone());
                marks.add(new Score.Mark(m.at(), address(who, which), words, m.goes(), open.is(who, which)));
            }
            lanes.add(new Score.Lane(
                    player.name(),
                    Times.city(player.zone()) + ", " + Cast.doing(player),
                    CalmHours.of(timing, List.of(player.zone()), hours).stream()
                            .flatMap(calm -> calm.spans().stream())
                            .toList(),
                    marks));
        }
        String words = Times.dayAndTime(head, timing.zone()) + " in " + Times.city(timing.zone());
        return new Score(timing.hours(), head, words, lanes).markup();
    }

    List<Odd> findings() {
        List<Odd> odd = new ArrayList<>();
        for (int who = 0; who < cast.size(); who++) {
            Player player = cast.get(who);
            for (Rehearsal.Finding f : Rehearsal.findings(player, messages.get(who))) {
                String what = MessageWords.of(
                        f.message().line().anchor(), f.message().line().offset());
                String time = Times.time(f.message().at().atZone(player.zone()));
                String address = address(who, messages.get(who).indexOf(f.message()));
                odd.add(
                        switch (f.oddity()) {
                            case NO_REMINDER ->
                                new Odd(
                                        player.name() + " gets no reminder.",
                                        "The link is in the confirmation alone.",
                                        address);
                            case WITHIN_THE_HOUR ->
                                new Odd(
                                        player.name() + " gets two within the hour.",
                                        what + ", " + time + " there.",
                                        address);
                            case AT_NIGHT -> new Odd(player.name() + " is woken at " + time + ".", what + ".", address);
                        });
            }
        }
        return odd;
    }

    /** What is true at a moment. */
    List<String> at(Instant head) {
        long seated = cast.stream()
                .filter(p -> p.seated() && !p.joins().isAfter(head))
                .count();
        long waiting = cast.stream()
                .filter(p -> !p.seated() && !p.joins().isAfter(head))
                .count();
        String door = switch (timing.hours().at(head)) {
            case BEFORE ->
                "The door is shut for "
                        + Times.length(Duration.between(head, timing.hours().opens())) + " more.";
            case OPEN -> "The door is open.";
            case AFTER -> "The room is shut.";
        };
        return List.of(seated + " of the cast hold seats, " + waiting + " wait.", door);
    }

    /** Which message is open. */
    record Open(int who, int which) {

        boolean is(int someone, int something) {
            return who == someone && which == something;
        }
    }
}
