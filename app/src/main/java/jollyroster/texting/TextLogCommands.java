package jollyroster.texting;

import static jollyroster.platform.tables.Tables.TEXT_RECEIVED;
import static jollyroster.platform.tables.Tables.TEXT_SENT;

import java.time.Instant;
import java.util.Optional;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;

/** Keeps texts as they were taken, what became of them, and what came back; as part of a write that is under way. */
@Component
public class TextLogCommands {

    private final Writes writes;

    TextLogCommands(Writes writes) {
        this.writes = writes;
    }

    /** Keeps a text that the gateway has taken. */
    public void taken(long message, String outside, String number, String body, int parts, Instant now) {
        writes.sql()
                .insertInto(TEXT_SENT)
                .set(TEXT_SENT.MESSAGE_ID, message)
                .set(TEXT_SENT.OUTSIDE_KEY, outside)
                .set(TEXT_SENT.NUMBER, number)
                .set(TEXT_SENT.BODY, body)
                .set(TEXT_SENT.PARTS, parts)
                .set(TEXT_SENT.OUTCOME, Outcome.TAKEN.name())
                .set(TEXT_SENT.WHY, "")
                .set(TEXT_SENT.SENT_AT, now)
                .onDuplicateKeyIgnore()
                .execute();
    }

    /** What becomes of a text. */
    public enum Outcome {
        TAKEN,
        DELIVERED,
        FAILED
    }

    /** A text whose outcome was reported. */
    public record Settled(long message, String number) {}

    /** Keeps what became of a text; the first report counts. @return empty where no such text waits for one */
    public Optional<Settled> settle(String outside, boolean delivered, String why, Instant now) {
        return writes.sql()
                .update(TEXT_SENT)
                .set(TEXT_SENT.OUTCOME, (delivered ? Outcome.DELIVERED : Outcome.FAILED).name())
                .set(TEXT_SENT.WHY, why)
                .set(TEXT_SENT.SETTLED_AT, now)
                .where(TEXT_SENT.OUTSIDE_KEY.eq(outside))
                .and(TEXT_SENT.OUTCOME.eq(Outcome.TAKEN.name()))
                .returning(TEXT_SENT.MESSAGE_ID, TEXT_SENT.NUMBER)
                .fetchOptional(r -> new Settled(r.getMessageId(), r.getNumber()));
    }

    /** Whether the gateway speaks of a text that it has taken. */
    public boolean knows(String outside) {
        return writes.sql().fetchExists(TEXT_SENT, TEXT_SENT.OUTSIDE_KEY.eq(outside));
    }

    /** What somebody wrote. @param registration 0 where it is not known whom it is from; so is {@code person} */
    public record Received(String outside, String number, String body, long registration, long person) {}

    /**
     * Keeps what somebody wrote and what was made of it.
     *
     * @param open whether somebody has to read it
     * @return whether it was not kept before
     */
    public boolean received(Received text, String outcome, boolean open, Instant now) {
        return writes.sql()
                        .insertInto(TEXT_RECEIVED)
                        .set(TEXT_RECEIVED.OUTSIDE_KEY, text.outside())
                        .set(TEXT_RECEIVED.NUMBER, text.number())
                        .set(TEXT_RECEIVED.BODY, text.body())
                        .set(TEXT_RECEIVED.REGISTRATION_ID, text.registration())
                        .set(TEXT_RECEIVED.PERSON_ID, text.person())
                        .set(TEXT_RECEIVED.OUTCOME, outcome)
                        .set(TEXT_RECEIVED.IS_OPEN, open)
                        .set(TEXT_RECEIVED.RECEIVED_AT, now)
                        .onConflict(TEXT_RECEIVED.OUTSIDE_KEY)
                        .doNothing()
                        .execute()
                > 0;
    }

    /** Somebody has read it. @return whether nobody had */
    public boolean read(long text) {
        return writes.sql()
                        .update(TEXT_RECEIVED)
                        .set(TEXT_RECEIVED.IS_OPEN, false)
                        .where(TEXT_RECEIVED.ID.eq(text))
                        .and(TEXT_RECEIVED.IS_OPEN.eq(true))
                        .execute()
                > 0;
    }
}
