package jollyroster.inbound;

import static jollyroster.platform.tables.Tables.BOUNCED_ADDRESS;
import static jollyroster.platform.tables.Tables.MAIL_RECEIVED;

import java.time.Clock;
import jollyroster.core.intake.Text;
import jollyroster.exchange.IncomingMail;
import jollyroster.outbox.AddressingCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps mail that came and what was made of it. */
@Component
public class MailReceivedCommands {

    private static final int LONGEST_LINE = 250;
    private static final int LONGEST_BODY = 5000;
    private final Writes writes;
    private final AddressingCommands addressing;
    private final Clock clock;

    MailReceivedCommands(Writes writes, AddressingCommands addressing, Clock clock) {
        this.writes = writes;
        this.addressing = addressing;
        this.clock = clock;
    }

    /** Whom a mail is about, as far as it is known. */
    record About(long registration, long person) {

        static final About NOBODY = new About(0, 0);
    }

    /** Keeps a mail; the same one counts once. @param open whether somebody has to read it */
    @Transactional
    void keep(IncomingMail mail, About about, String outcome, boolean open) {
        String body = mail.text().strip();
        writes.sql()
                .insertInto(MAIL_RECEIVED)
                .set(MAIL_RECEIVED.MAIL_KEY, mail.key())
                .set(MAIL_RECEIVED.SENDER, Text.oneLine(mail.sender(), LONGEST_LINE))
                .set(MAIL_RECEIVED.SUBJECT, Text.oneLine(mail.subject(), LONGEST_LINE))
                .set(MAIL_RECEIVED.BODY, body.substring(0, Math.min(body.length(), LONGEST_BODY)))
                .set(MAIL_RECEIVED.REGISTRATION_ID, about.registration())
                .set(MAIL_RECEIVED.PERSON_ID, about.person())
                .set(MAIL_RECEIVED.OUTCOME, outcome)
                .set(MAIL_RECEIVED.IS_OPEN, open)
                .set(MAIL_RECEIVED.RECEIVED_AT, clock.instant())
                .onConflict(MAIL_RECEIVED.MAIL_KEY)
                .doNothing()
                .execute();
    }

    /** Marks an address from which mail comes back, and the message that did. */
    @Transactional
    void bounced(IncomingMail.Bounce bounce, String why) {
        writes.sql()
                .insertInto(BOUNCED_ADDRESS)
                .set(BOUNCED_ADDRESS.EMAIL, Text.oneLine(bounce.recipient(), LONGEST_LINE))
                .set(BOUNCED_ADDRESS.WHY, why)
                .set(BOUNCED_ADDRESS.SINCE_AT, clock.instant())
                .onDuplicateKeyUpdate()
                .set(BOUNCED_ADDRESS.WHY, why)
                .execute();
        addressing.notArrived(bounce.original(), bounce.recipient(), why, clock.instant());
    }

    /** Somebody of the team has read what came. @return whether nobody had */
    @Transactional
    public boolean read(long mail, Actor actor) {
        actor.requireOrganiser();
        return writes.sql()
                        .update(MAIL_RECEIVED)
                        .set(MAIL_RECEIVED.IS_OPEN, false)
                        .where(MAIL_RECEIVED.ID.eq(mail))
                        .and(MAIL_RECEIVED.IS_OPEN.eq(true))
                        .execute()
                > 0;
    }
}
