package jollyroster.till;

import static jollyroster.platform.tables.Tables.RECEIPT;
import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.max;

import java.time.Clock;
import java.time.Instant;
import jollyroster.core.messages.Anchor;
import jollyroster.platform.Facts;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.PaymentRecord;
import jollyroster.platform.tables.tables.records.ReceiptRecord;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import jollyroster.seating.LetterCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Writes receipts, numbered within the year on the organisation's calendar, without a gap. */
@Component
class ReceiptCommands {

    private final Writes writes;
    private final SessionCommands programme;
    private final LetterCommands letters;
    private final OrganisationQueries organisation;
    private final Clock clock;

    ReceiptCommands(
            Writes writes,
            SessionCommands programme,
            LetterCommands letters,
            OrganisationQueries organisation,
            Clock clock) {
        this.writes = writes;
        this.programme = programme;
        this.letters = letters;
        this.organisation = organisation;
        this.clock = clock;
    }

    /** Of a payment that came, by mail. Part of the write that settles it. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void write(PaymentRecord payment) {
        Instant now = clock.instant();
        LetterCommands.Named payer = letters.named(payment.getRegistrationId());
        Session session = programme.session(payer.session()).orElseThrow();
        ReceiptRecord row = new ReceiptRecord();
        row.setPaymentId(payment.getId());
        row.setYear(now.atZone(organisation.organisation().zone()).getYear());
        row.setNumber(next(row.getYear()));
        row.setPayer(payer.name());
        row.setEmail(payer.email());
        row.setWhat(session.offering().title());
        row.setHeld(Times.longDay(session.zonedStart()) + ", " + Times.time(session.zonedStart()));
        row.setWrittenAt(now);
        writes.sql().insertInto(RECEIPT).set(row).execute();
        letters.write(
                payment.getRegistrationId(),
                Anchor.RECEIPT,
                payment.getReference(),
                Facts.of("receipt", payment.getId()).and("number", number(row.getYear(), row.getNumber())));
    }

    private int next(int year) {
        return writes.sql()
                        .select(coalesce(max(RECEIPT.NUMBER), inline(0)))
                        .from(RECEIPT)
                        .where(RECEIPT.YEAR.eq(year))
                        .fetchSingle()
                        .value1()
                + 1;
    }

    /** {@code 2027-0012}. */
    static String number(int year, int number) {
        return "%d-%04d".formatted(year, number);
    }
}
