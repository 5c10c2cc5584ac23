package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;

import java.time.Instant;
import java.util.Collection;
import jollyroster.core.messages.Channel;
import jollyroster.platform.Writes;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Where messages go, and which turn out not to arrive there; always in the transaction of what caused it. */
@Component
public class AddressingCommands {

    private final Writes writes;

    AddressingCommands(Writes writes) {
        this.writes = writes;
    }

    /** A text that was sent did not reach its phone. */
    public void notArrived(long message, String reason, Instant now) {
        writes.sql()
                .update(MESSAGE)
                .set(MESSAGE.STATE, MessageState.FAILED.name())
                .set(MESSAGE.REASON, reason)
                .set(MESSAGE.DONE_AT, now)
                .where(MESSAGE.ID.eq(message))
                .and(MESSAGE.STATE.eq(MessageState.SENT.name()))
                .execute();
    }

    /** An e-mail that was sent came back. @param id its Message-ID, as far as it is known; else the last to the address is meant */
    public void notArrived(String id, String recipient, String reason, Instant now) {
        int at = id.indexOf('@');
        String key = at < 0 ? "" : id.substring(0, at);
        writes.sql()
                .select(MESSAGE.ID)
                .from(MESSAGE)
                .where(MESSAGE.RECIPIENT.eq(recipient))
                .and(MESSAGE.STATE.eq(MessageState.SENT.name()))
                .and(key.isEmpty() ? DSL.noCondition() : MESSAGE.MESSAGE_KEY.eq(key))
                .orderBy(MESSAGE.DONE_AT.desc(), MESSAGE.ID.desc())
                .limit(1)
                .fetchOptional(MESSAGE.ID)
                .ifPresent(message -> notArrived(message, reason, now));
    }

    /** Sends what has not gone yet to another address. */
    public void readdress(Collection<Long> registrations, String email) {
        writes.sql()
                .update(MESSAGE)
                .set(MESSAGE.RECIPIENT, email)
                .where(MESSAGE.REGISTRATION_ID.in(registrations))
                .and(MESSAGE.CHANNEL.eq(Channel.EMAIL.name()))
                .and(MESSAGE.STATE.in(MessageState.PLANNED.name(), MessageState.FAILED.name()))
                .execute();
    }
}
