package jollyroster.desk;

import static java.time.temporal.ChronoUnit.MINUTES;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import jollyroster.core.intake.Text;
import jollyroster.desk.Needs.Need;
import jollyroster.outbox.DepartureQueries;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.people.ReceivedQueries;
import jollyroster.platform.Times;
import jollyroster.texting.TextLogQueries;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Messages that are held or have failed, and what people wrote back. */
@Component
@Order(2)
class MessageNeeds implements NeedSource {

    private static final int MOST_REPLIES = 50;
    private static final int LONGEST_QUOTED = 80;
    private final DepartureQueries departures;
    private final OutboxQueries outbox;
    private final TextLogQueries texts;
    private final ReceivedQueries mails;

    MessageNeeds(DepartureQueries departures, OutboxQueries outbox, TextLogQueries texts, ReceivedQueries mails) {
        this.departures = departures;
        this.outbox = outbox;
        this.texts = texts;
        this.mails = mails;
    }

    @Override
    public List<Need> at(Instant now) {
        List<Need> needs = new ArrayList<>();
        held(now, needs);
        replies(needs);
        failedMessages(needs);
        return needs;
    }

    private void held(Instant now, List<Need> needs) {
        departures
                .held()
                .ifPresent(held -> needs.add(new Need(
                        0,
                        "held",
                        "All messages are held",
                        "By " + held.by() + " for "
                                + Times.length(
                                        Duration.between(held.since(), now).truncatedTo(MINUTES))
                                + "; due meanwhile: " + departures.due(now) + ".",
                        "See the outbox",
                        "/desk/outbox")));
        int some = departures.some().size();
        if (some > 0) {
            needs.add(new Need(
                    2,
                    "held",
                    some == 1 ? "Some messages are held" : "Messages are held in " + some + " places",
                    "They wait until somebody lets them go.",
                    "See the outbox",
                    "/desk/outbox"));
        }
    }

    /** What people wrote back and nothing could be made of. */
    private void replies(List<Need> needs) {
        List<String> open = Stream.concat(
                        texts.open(MOST_REPLIES).stream().map(TextLogQueries.Reply::body),
                        mails.open(MOST_REPLIES).stream().map(m -> m.subject() + ": " + m.body()))
                .toList();
        if (!open.isEmpty()) {
            needs.add(new Need(
                    1,
                    "now",
                    open.size() == 1 ? "Somebody wrote back" : open.size() + " people wrote back",
                    "“" + Text.oneLine(open.get(0), LONGEST_QUOTED) + "”",
                    open.size() == 1 ? "Read it" : "Read them",
                    "/desk/replies"));
        }
    }

    private void failedMessages(List<Need> needs) {
        int failed = outbox.inState(MessageState.FAILED);
        if (failed > 0) {
            needs.add(new Need(
                    1,
                    "now",
                    failed == 1 ? "One message failed" : failed + " messages failed",
                    "Somebody may be without their link.",
                    "See why",
                    "/desk/outbox?show=failed"));
        }
    }
}
