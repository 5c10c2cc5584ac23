package jollyroster.standin;

import static jollyroster.platform.tables.Tables.INBOX_MAIL;

import java.time.Clock;
import java.util.List;
import java.util.function.Consumer;
import jollyroster.inbound.InboundMail;
import jollyroster.platform.Writes;
import org.jooq.Record2;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** The inbox of the tray: where mail to the organiser arrives as long as no mailbox is configured. */
@Component
@ConditionalOnExpression("'${jolly.imap.host:}'.isEmpty()")
public class InboxCommands implements InboundMail {

    private final Writes writes;
    private final TransactionTemplate together;
    private final Clock clock;

    InboxCommands(Writes writes, TransactionTemplate together, Clock clock) {
        this.writes = writes;
        this.together = together;
        this.clock = clock;
    }

    @Override
    public void each(int most, Consumer<byte[]> take) {
        List<Record2<Long, byte[]>> fresh = together.execute(status -> writes.sql()
                .select(INBOX_MAIL.ID, INBOX_MAIL.SOURCE)
                .from(INBOX_MAIL)
                .where(INBOX_MAIL.IS_TAKEN.eq(false))
                .orderBy(INBOX_MAIL.ID)
                .limit(most)
                .fetch());
        for (Record2<Long, byte[]> mail : fresh) {
            take.accept(mail.value2());
            together.executeWithoutResult(status -> writes.sql()
                    .update(INBOX_MAIL)
                    .set(INBOX_MAIL.IS_TAKEN, true)
                    .where(INBOX_MAIL.ID.eq(mail.value1()))
                    .execute());
        }
    }

    /** A mail arrives, as it came over the line. */
    public void arrive(byte[] source) {
        together.executeWithoutResult(status -> writes.sql()
                .insertInto(INBOX_MAIL)
                .set(INBOX_MAIL.SOURCE, source)
                .set(INBOX_MAIL.IS_TAKEN, false)
                .set(INBOX_MAIL.ARRIVED_AT, clock.instant())
                .execute());
    }
}
