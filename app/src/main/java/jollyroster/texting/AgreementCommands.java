package jollyroster.texting;

import static jollyroster.platform.tables.Tables.SILENT_NUMBER;
import static jollyroster.platform.tables.Tables.TEXT_AGREEMENT;

import java.time.Instant;
import java.util.Optional;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;

/** Who agreed to texts, and which numbers get none any more; as part of a write that is under way. */
@Component
public class AgreementCommands {

    private final Writes writes;

    AgreementCommands(Writes writes) {
        this.writes = writes;
    }

    /** The number to which texts about a registration may go. */
    public Optional<String> numberFor(long registration) {
        return AgreementQueries.number(writes.sql(), registration);
    }

    /** Keeps that somebody agreed. @param wording that they agreed to */
    public void agree(long registration, String number, String wording, Instant now) {
        writes.sql()
                .insertInto(TEXT_AGREEMENT)
                .set(TEXT_AGREEMENT.REGISTRATION_ID, registration)
                .set(TEXT_AGREEMENT.NUMBER, number)
                .set(TEXT_AGREEMENT.WORDING, wording)
                .set(TEXT_AGREEMENT.AGREED_AT, now)
                .onDuplicateKeyUpdate()
                .set(TEXT_AGREEMENT.NUMBER, number)
                .set(TEXT_AGREEMENT.WORDING, wording)
                .set(TEXT_AGREEMENT.AGREED_AT, now)
                .execute();
    }

    /** Takes back what somebody agreed to. @return whether they had */
    public boolean disagree(long registration) {
        return writes.sql()
                        .deleteFrom(TEXT_AGREEMENT)
                        .where(TEXT_AGREEMENT.REGISTRATION_ID.eq(registration))
                        .execute()
                > 0;
    }

    /** Lets no text go to a number. @param stopped whether its owner asked for that */
    public void silence(String number, boolean stopped, String why, Instant now) {
        writes.sql()
                .insertInto(SILENT_NUMBER)
                .set(SILENT_NUMBER.NUMBER, number)
                .set(SILENT_NUMBER.IS_STOPPED, stopped)
                .set(SILENT_NUMBER.WHY, why)
                .set(SILENT_NUMBER.SINCE_AT, now)
                .onDuplicateKeyUpdate()
                .set(SILENT_NUMBER.IS_STOPPED, stopped)
                .set(SILENT_NUMBER.WHY, why)
                .execute();
    }

    /** Lets texts go to a number again. @return whether they did not */
    public boolean welcome(String number) {
        return writes.sql()
                        .deleteFrom(SILENT_NUMBER)
                        .where(SILENT_NUMBER.NUMBER.eq(number))
                        .execute()
                > 0;
    }
}
