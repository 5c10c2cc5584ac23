package jollyroster.desk;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import jollyroster.chart.RunLine;
import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.PlanLine;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.MessageWords;
import jollyroster.outbox.OutboxQueries.Count;
import jollyroster.platform.Times;
import jollyroster.programme.Session;

/** The run line of a session, and its messages in words. */
final class RunLineView {

    private RunLineView() {}

    private record Line(Anchor anchor, Offset offset, Channel channel) {
        Instant at(Session session) {
            return session.timing().nominal(new PlanLine(anchor, offset));
        }
    }

    static RunLine of(Session session, List<Count> messages, Instant now) {
        List<RunLine.Event> events = new ArrayList<>();
        byLine(messages).forEach((line, counts) -> {
            if (Anchor.TIMED.contains(line.anchor())) {
                events.add(event(session, line, counts));
            }
        });
        if (session.offering().cutOff().amount() > 0) {
            String when = Times.dayAndTime(session.cutOff(), session.zone());
            events.add(new RunLine.Event(
                    session.cutOff(), RunLine.Kind.CUT_OFF, "cut-off", "Registration closes " + when, "cut-off"));
        }
        return RunLine.of(session.doorHours(), now, events);
    }

    private static RunLine.Event event(Session session, Line line, List<Count> counts) {
        Instant at = line.at(session);
        int planned = count(counts, MessageState.PLANNED) + count(counts, MessageState.SENDING);
        int sent = count(counts, MessageState.SENT);
        int failed = count(counts, MessageState.FAILED);
        String code = failed > 0 ? "failed" : planned > 0 ? "planned" : sent > 0 ? "sent" : "withdrawn";
        return new RunLine.Event(
                at,
                line.channel() == Channel.TEXT ? RunLine.Kind.TEXT : RunLine.Kind.MESSAGE,
                String.valueOf(planned + sent + failed),
                words(line) + ", " + Times.dayAndTime(at, session.zone()) + ": " + planned + " planned, " + sent
                        + " sent" + (failed > 0 ? ", " + failed + " failed" : ""),
                code);
    }

    private static Map<Line, List<Count>> byLine(List<Count> messages) {
        Map<Line, List<Count>> byLine = new LinkedHashMap<>();
        messages.stream()
                .sorted(Comparator.comparing(Count::first))
                .forEach(c -> byLine.computeIfAbsent(
                                new Line(c.anchor(), c.offset(), c.channel()), l -> new ArrayList<>())
                        .add(c));
        return byLine;
    }

    static List<SessionView.Sending> sendings(Session session, List<Count> messages) {
        List<SessionView.Sending> sendings = new ArrayList<>();
        byLine(messages)
                .forEach((line, counts) -> sendings.add(new SessionView.Sending(
                        !Anchor.TIMED.contains(line.anchor())
                                ? "at once"
                                : Times.dayAndTime(line.at(session), session.zone()),
                        words(line),
                        count(counts, MessageState.PLANNED) + count(counts, MessageState.SENDING),
                        count(counts, MessageState.SENT),
                        count(counts, MessageState.FAILED),
                        count(counts, MessageState.WITHDRAWN))));
        return sendings;
    }

    private static int count(List<Count> counts, MessageState state) {
        return counts.stream()
                .filter(c -> c.state() == state)
                .mapToInt(Count::messages)
                .sum();
    }

    private static String words(Line line) {
        return MessageWords.of(line.anchor(), line.offset(), line.channel());
    }
}
