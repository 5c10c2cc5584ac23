package jollyroster.plans;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.chart.RunLine;
import jollyroster.core.dates.Offset;
import jollyroster.core.door.DoorHours;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.messages.PlanText;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries.Count;
import jollyroster.platform.Times;

/**
 * When an offering reminds, drawn for one date.
 *
 * @param date for which it is drawn, in words
 * @param session that date; 0 for one that is made up, as none is to come
 * @param drawing the run line
 */
record PlanView(long offering, String title, String date, long session, String drawing, List<Reminder> reminders) {

    /** A reminder. @param when as it is said @param at at the date that is drawn @param counts what becomes of it there, in words */
    public record Reminder(int amount, String unit, String when, String at, String counts) {}

    /** The date that is drawn. */
    record Drawn(long session, String words, DoorHours hours, ZoneId zone, Optional<Instant> closes) {}

    static PlanView of(long offering, String title, List<PlanLine> plan, Drawn drawn, List<Count> counts, Instant now) {
        List<Reminder> reminders = new ArrayList<>();
        List<RunLine.Event> events = new ArrayList<>();
        for (PlanLine line : PlanText.inOrder(plan)) {
            if (line.anchor() == Anchor.BEFORE_START) {
                Map<MessageState, Integer> fates = fates(line, counts);
                Instant at = line.offset()
                        .before(drawn.hours().start().atZone(drawn.zone()))
                        .toInstant();
                Reminder reminder = reminder(line, Times.dayAndTime(at, drawn.zone()), said(fates));
                reminders.add(reminder);
                events.add(new RunLine.Event(
                        at,
                        RunLine.Kind.MESSAGE,
                        number(fates),
                        reminder.when() + ", " + reminder.at(),
                        at.isAfter(now) ? "planned" : "sent"));
            }
        }
        drawn.closes()
                .ifPresent(at -> events.add(new RunLine.Event(
                        at,
                        RunLine.Kind.CUT_OFF,
                        "cut-off",
                        "Registration closes " + Times.dayAndTime(at, drawn.zone()),
                        "cut-off")));
        String drawing = RunLine.of(drawn.hours(), now, events).markup();
        return new PlanView(offering, title, drawn.words(), drawn.session(), drawing, reminders);
    }

    private static Reminder reminder(PlanLine line, String at, String counts) {
        Offset offset = line.offset();
        return new Reminder(offset.amount(), offset.unit().name(), Times.said(offset) + " before", at, counts);
    }

    private static Map<MessageState, Integer> fates(PlanLine line, List<Count> counts) {
        Map<MessageState, Integer> fates = new EnumMap<>(MessageState.class);
        counts.stream()
                .filter(c -> c.anchor() == line.anchor() && c.offset().equals(line.offset()))
                .forEach(c -> fates.merge(c.state(), c.messages(), Integer::sum));
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
