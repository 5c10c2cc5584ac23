package jollyroster.standin;

import static jollyroster.platform.tables.Tables.TRAY_MAIL;

import java.time.Clock;
import jollyroster.outbox.Letter;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps mails in the tray. */
@Component
class TrayCommands {

    private final Writes writes;
    private final Clock clock;

    TrayCommands(Writes writes, Clock clock) {
        this.writes = writes;
        this.clock = clock;
    }

    /** @param source as it came */
    @Transactional
    void put(Letter letter, byte[] source) {
        writes.sql()
                .insertInto(TRAY_MAIL)
                .set(TRAY_MAIL.MESSAGE_KEY, letter.key())
                .set(TRAY_MAIL.RECIPIENT, letter.to())
                .set(TRAY_MAIL.SUBJECT, letter.subject())
                .set(TRAY_MAIL.SOURCE, source)
                .set(TRAY_MAIL.ARRIVED_AT, clock.instant())
                .execute();
    }
}
