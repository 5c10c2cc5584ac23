package jollyroster.standin;

import static jollyroster.platform.tables.Tables.TRAY_MAIL;

import java.util.Optional;
import jollyroster.outbox.SentMail;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads mail from the tray, parsed from its source as a mail program would. */
@Component
public class TrayQueries implements SentMail {

    private final Reads reads;

    TrayQueries(Reads reads) {
        this.reads = reads;
    }

    @Override
    public Optional<Mail> byKey(String key) {
        return reads.sql()
                .selectFrom(TRAY_MAIL)
                .where(TRAY_MAIL.MESSAGE_KEY.eq(key))
                .orderBy(TRAY_MAIL.ID.desc())
                .limit(1)
                .fetchOptional(r -> SentMail.read(r.getSource(), r.getArrivedAt()));
    }

    /** The latest letter to an address. */
    public Optional<Mail> latestTo(String recipient) {
        return reads.sql()
                .selectFrom(TRAY_MAIL)
                .where(TRAY_MAIL.RECIPIENT.eq(recipient))
                .orderBy(TRAY_MAIL.ID.desc())
                .limit(1)
                .fetchOptional(r -> SentMail.read(r.getSource(), r.getArrivedAt()));
    }
}
