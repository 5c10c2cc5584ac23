package jollyroster.texting;

import static jollyroster.platform.tables.Tables.SILENT_NUMBER;
import static jollyroster.platform.tables.Tables.TEXT_AGREEMENT;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.selectOne;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.platform.Reads;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;

/** Reads who agreed to texts, and which numbers get none. */
@Component
public class AgreementQueries {

    private final Reads reads;

    AgreementQueries(Reads reads) {
        this.reads = reads;
    }

    static Optional<String> number(DSLContext sql, long registration) {
        return sql.select(TEXT_AGREEMENT.NUMBER)
                .from(TEXT_AGREEMENT)
                .where(TEXT_AGREEMENT.REGISTRATION_ID.eq(registration))
                .and(notExists(selectOne().from(SILENT_NUMBER).where(SILENT_NUMBER.NUMBER.eq(TEXT_AGREEMENT.NUMBER))))
                .fetchOptional(TEXT_AGREEMENT.NUMBER);
    }

    /** The number to which texts about a registration may go now. */
    public Optional<String> numberFor(long registration) {
        return number(reads.sql(), registration);
    }

    /** What somebody agreed to. */
    public record Agreement(long registration, String number, String wording, Instant at) {}

    public Optional<Agreement> of(long registration) {
        return of(List.of(registration)).values().stream().findFirst();
    }

    public Map<Long, Agreement> of(Collection<Long> registrations) {
        return reads.sql()
                .selectFrom(TEXT_AGREEMENT)
                .where(TEXT_AGREEMENT.REGISTRATION_ID.in(registrations))
                .fetchMap(
                        TEXT_AGREEMENT.REGISTRATION_ID,
                        r -> new Agreement(r.getRegistrationId(), r.getNumber(), r.getWording(), r.getAgreedAt()));
    }

    /** The registrations whose owner agreed to texts at this number, the latest first. */
    public List<Long> registrationsOf(String number) {
        return reads.sql()
                .select(TEXT_AGREEMENT.REGISTRATION_ID)
                .from(TEXT_AGREEMENT)
                .where(TEXT_AGREEMENT.NUMBER.eq(number))
                .orderBy(TEXT_AGREEMENT.REGISTRATION_ID.desc())
                .fetch(TEXT_AGREEMENT.REGISTRATION_ID);
    }

    /** Why no text goes to a number. @param stopped whether its owner asked for that */
    public record Silent(String number, boolean stopped, String why, Instant since) {}

    /** Those among the numbers that get no texts. */
    public Map<String, Silent> silent(Collection<String> numbers) {
        return reads.sql()
                .selectFrom(SILENT_NUMBER)
                .where(SILENT_NUMBER.NUMBER.in(numbers))
                .fetchMap(
                        SILENT_NUMBER.NUMBER,
                        r -> new Silent(r.getNumber(), r.getIsStopped(), r.getWhy(), r.getSinceAt()));
    }
}
