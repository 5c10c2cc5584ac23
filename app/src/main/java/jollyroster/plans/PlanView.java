package jollyroster.plans;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.chart.RunLine;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.Channels;
import jollyroster.core.messages.OfferingPlan;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.messages.Timing;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.MessageWords;
import jollyroster.outbox.OutboxQueries.Count;
import jollyroster.platform.Times;

/**
 * A message plan, drawn for one date.
 *
 * @param date for which it is drawn, in words
 * @param session that date; 0 for one that is made up, as none is to come
 * @param drawing the run line
 * @param linked whether some e-mail to everybody before the start carries the link
 * @param texts whether some message goes as a text
 */
record PlanView(String date, long session, String drawing, List<Line> lines, boolean linked, boolean texts) {

    /**
     * A line of the plan.
     *
     * @param when as it is typed
     * @param what it is
     * @param whom it goes to
     * @param channels by which it goes, as a form names them
     * @param by the same in words
     * @param audience as a form names it
     * @param at when that is at the date that is drawn
     * @param counts what becomes of it there, in words
     * @param own whether the offering has it for itself alone
     * @param on whether it counts
     */
    public record Line(
            String anchor,
            int amount,
            String unit,
            String when,
            String what,
            String whom,
            String channels,
            String by,
            String audience,
            String at,
            String counts,
            boolean own,
            boolean on) {}

    /** The date that is drawn. @param closes when registration does; empty for at the start */
    record Drawn(long session, String words, Timing timing, Optional<Instant> closes) {

        /** When a line of a plan goes; empty where that is not known beforehand. */
        Optional<Instant> at(PlanLine line) {
            Instant cutOff = closes.orElse(timing.hours().start());
            return switch (line.anchor()) {
                case SILENT ->
                    Optional.of(
                            line.offset().before(cutOff.atZone(timing.zone())).toInstant());
                case UNPAID -> Optional.empty();
                default -> line.anchor().isAnswer() ? Optional.empty() : Optional.of(timing.nominal(line));
            };
        }
    }

    /** @param offering whose words a mark opens; 0 for those of the house */
    static PlanView of(
            OfferingPlan plan, Drawn drawn, List<Count> counts, List<RunLine.Calm> calm, long offering, Instant now) {
        List<Line> lines = new ArrayList<>();
        List<RunLine.Event> events = new ArrayList<>();
        for (PlanLine line : plan.all()) {
            if (!line.isFixed()) {
                Map<MessageState, Integer> fates = fates(line, counts);
                Optional<Instant> at = drawn.at(line);
                String when = at.map(
                                some -> Times.dayAndTime(some, drawn.timing().zone()))
                        .orElse("");
                lines.add(line(line, plan, when, said(fates)));
                at.ifPresent(some -> events.add(event(line, plan, some, fates, when, offering, now)));
            }
        }
        drawn.closes()
                .ifPresent(at -> events.add(new RunLine.Event(
                        at,
                        RunLine.Kind.CUT_OFF,
                        "cut-off",
                        "Registration closes "
                                + Times.dayAndTime(at, drawn.timing().zone()),
                        "cut-off")));
        String drawing = RunLine.of(drawn.timing().hours(), now, events, calm).markup();
        boolean linked = plan.lines().stream()
                .anyMatch(line -> line.anchor().isReminder()
                        && line.isForAll()
                        && line.channels().has(Channel.EMAIL));
        boolean texts = plan.lines().stream().anyMatch(line -> line.channels().has(Channel.TEXT));
        return new PlanView(drawn.words(), drawn.session(), drawing, lines, linked, texts);
    }

    private static RunLine.Event event(
            PlanLine line,
            OfferingPlan plan,
            Instant at,
            Map<MessageState, Integer> fates,
            String when,
            long offering,
            Instant now) {
        String code = !plan.isOn(line) ? "withdrawn" : at.isAfter(now) ? "planned" : "sent";
        String by = line.channels() == Channels.EMAIL ? "" : " by " + MessageWords.by(line.channels());
        return new RunLine.Event(
                at,
                line.channels() == Channels.TEXT ? RunLine.Kind.TEXT : RunLine.Kind.MESSAGE,
                number(fates),
                MessageWords.when(line) + by + ", " + when,
                code,
                WordingController.address(line.anchor(), offering));
    }

    private static Line line(PlanLine line, OfferingPlan plan, String at, String counts) {
        return new Line(
                line.anchor().name(),
                line.offset().amount(),
                line.offset().unit().name(),
                MessageWords.when(line),
                MessageWords.kind(line.anchor()),
                MessageWords.whom(line),
                line.channels().name(),
                MessageWords.by(line.channels()),
                line.audience().code(),
                at,
                counts,
                plan.isOwn(line),
                plan.isOn(line));
    }

    private static Map<MessageState, Integer> fates(PlanLine line, List<Count> counts) {
        Map<MessageState, Integer> fates = new EnumMap<>(MessageState.class);
        counts.stream().filter(c -> c.isOf(line)).forEach(c -> fates.merge(c.state(), c.messages(), Integer::sum));
        return fates;
    }

    private static int of(Map<MessageState, Integer> fates, MessageState state) {
        return fates.getOrDefault(state, 0);
    }

    private static String number(Map<MessageState, Integer> fates) {
        int all = of(fates, MessageState.PLANNED) + of(fates, MessageState.SENDING) + of(fates, MessageState.SENT);
        return all == 0 ? "" : String.valueOf(all);
    }

    private static String said(Map<MessageState, Integer> fates) {
        return Stream.of(
                        of(fates, MessageState.PLANNED) + of(fates, MessageState.SENDING) + " planned",
                        of(fates, MessageState.SENT) + " sent",
                        of(fates, MessageState.FAILED) + " failed")
                .filter(some -> !some.startsWith("0 "))
                .collect(Collectors.joining(", "));
    }
}
