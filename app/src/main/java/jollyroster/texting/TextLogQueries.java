package jollyroster.texting;

import static jollyroster.platform.tables.Tables.TEXT_RECEIVED;
import static jollyroster.platform.tables.Tables.TEXT_SENT;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.platform.tables.tables.records.TextReceivedRecord;
import jollyroster.platform.tables.tables.records.TextSentRecord;
import jollyroster.texting.TextLogCommands.Outcome;
import org.jooq.Condition;
import org.springframework.stereotype.Component;

/** Reads texts that have gone, and what came back. */
@Component
public class TextLogQueries {

    private final Reads reads;
    private final Remembered<Integer, List<Reply>> open;

    TextLogQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.open = new Remembered<>(changes, 2, "text_received");
    }

    /** A text as it went. @param settled when its outcome was reported */
    public record Sent(
            long message,
            String number,
            String body,
            int parts,
            Outcome outcome,
            String why,
            Instant at,
            Optional<Instant> settled) {}

    /** What somebody wrote. @param open whether somebody has to read it */
    public record Reply(
            long id,
            String number,
            String body,
            long registration,
            long person,
            String outcome,
            boolean open,
            Instant at) {}

    public Map<Long, Sent> sent(Collection<Long> messages) {
        return reads.sql()
                .selectFrom(TEXT_SENT)
                .where(TEXT_SENT.MESSAGE_ID.in(messages))
                .fetchMap(TEXT_SENT.MESSAGE_ID, TextLogQueries::sent);
    }

    /** The message whose text went last to a number. */
    public Optional<Long> lastTo(String number) {
        return reads.sql()
                .select(TEXT_SENT.MESSAGE_ID)
                .from(TEXT_SENT)
                .where(TEXT_SENT.NUMBER.eq(number))
                .orderBy(TEXT_SENT.SENT_AT.desc(), TEXT_SENT.MESSAGE_ID.desc())
                .limit(1)
                .fetchOptional(TEXT_SENT.MESSAGE_ID);
    }

    public boolean wasReceived(String outside) {
        return reads.sql().fetchExists(TEXT_RECEIVED, TEXT_RECEIVED.OUTSIDE_KEY.eq(outside));
    }

    /** What nobody has read yet, the latest first. */
    public List<Reply> open(int most) {
        return open.get(most, n -> replies(TEXT_RECEIVED.IS_OPEN.eq(true), n));
    }

    /** What a person wrote, the latest first. */
    public List<Reply> ofPerson(long person, int most) {
        return replies(TEXT_RECEIVED.PERSON_ID.eq(person), most);
    }

    private List<Reply> replies(Condition which, int most) {
        return reads.sql()
                .selectFrom(TEXT_RECEIVED)
                .where(which)
                .orderBy(TEXT_RECEIVED.RECEIVED_AT.desc(), TEXT_RECEIVED.ID.desc())
                .limit(most)
                .fetch(TextLogQueries::reply);
    }

    private static Sent sent(TextSentRecord r) {
        return new Sent(
                r.getMessageId(),
                r.getNumber(),
                r.getBody(),
                r.getParts(),
                Outcome.valueOf(r.getOutcome()),
                r.getWhy(),
                r.getSentAt(),
                Optional.ofNullable(r.getSettledAt()));
    }

    private static Reply reply(TextReceivedRecord r) {
        return new Reply(
                r.getId(),
                r.getNumber(),
                r.getBody(),
                r.getRegistrationId(),
                r.getPersonId(),
                r.getOutcome(),
                r.getIsOpen(),
                r.getReceivedAt());
    }
}
