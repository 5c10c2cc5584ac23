package jollyroster.programme;

import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.QUESTION;
import static jollyroster.platform.tables.Tables.SESSION;
import static jollyroster.platform.tables.Tables.VENUE;

import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import jollyroster.core.intake.Question;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.SelectJoinStep;

/** Turns rows into records. Shared by the queries and commands of this package. */
final class RowQueries {

    private RowQueries() {}

    static SelectJoinStep<Record> offerings(DSLContext sql) {
        return sql.select(OFFERING.asterisk(), VENUE.asterisk())
                .from(OFFERING)
                .leftJoin(VENUE)
                .on(VENUE.ID.eq(OFFERING.VENUE_ID));
    }

    static SelectJoinStep<Record> sessions(DSLContext sql) {
        return sql.select(SESSION.asterisk(), OFFERING.asterisk(), VENUE.asterisk())
                .from(SESSION)
                .join(OFFERING)
                .on(OFFERING.ID.eq(SESSION.OFFERING_ID))
                .leftJoin(VENUE)
                .on(VENUE.ID.eq(OFFERING.VENUE_ID));
    }

    static Session session(Record r) {
        return new Session(
                r.get(SESSION.ID),
                offering(r),
                r.get(SESSION.STARTS_AT),
                r.get(SESSION.ENDS_AT),
                ZoneId.of(r.get(SESSION.ZONE)),
                r.get(SESSION.SEATS),
                r.get(SESSION.KEPT_BACK),
                r.get(SESSION.STATUS).equals("CANCELLED"),
                r.get(SESSION.MEETING_ROOM),
                r.get(SESSION.SEQUENCE),
                r.get(SESSION.CREATED_AT));
    }

    static Offering offering(Record r) {
        return new Offering(
                r.get(OFFERING.ID),
                r.get(OFFERING.SLUG),
                r.get(OFFERING.TITLE),
                r.get(OFFERING.SUMMARY),
                r.get(OFFERING.DESCRIPTION),
                r.get(OFFERING.BRING),
                Format.valueOf(r.get(OFFERING.FORMAT)),
                r.get(VENUE.ID) == null ? Optional.empty() : Optional.of(venue(r)),
                r.get(OFFERING.HOST_NAME),
                ZoneId.of(r.get(OFFERING.ZONE)),
                r.get(OFFERING.MINUTES),
                r.get(OFFERING.SEATS),
                r.get(OFFERING.WAITLIST_ALLOWED),
                r.get(OFFERING.LARGEST_PARTY),
                r.get(OFFERING.CUTOFF_MINUTES),
                r.get(OFFERING.DOOR_MINUTES),
                r.get(OFFERING.OVERRUN_MINUTES),
                OfferingStatus.valueOf(r.get(OFFERING.STATUS)),
                r.get(OFFERING.VERSION));
    }

    static Venue venue(Record r) {
        Integer size = r.get(VENUE.ROOM_SIZE);
        return new Venue(
                r.get(VENUE.ID),
                r.get(VENUE.NAME),
                Venue.Kind.valueOf(r.get(VENUE.KIND)),
                r.get(VENUE.ADDRESS),
                r.get(VENUE.ACCESS_NOTE),
                r.get(VENUE.LINK),
                size == null ? OptionalInt.empty() : OptionalInt.of(size));
    }

    static List<AskedQuestion> questions(DSLContext sql, long offering) {
        return sql.selectFrom(QUESTION)
                .where(QUESTION.OFFERING_ID.eq(offering))
                .orderBy(QUESTION.PLACE)
                .fetch(q -> new AskedQuestion(
                        q.getId(),
                        new Question(
                                q.getKey(),
                                Question.Kind.valueOf(q.getKind()),
                                q.getLabel(),
                                q.getHelp(),
                                q.getRequired(),
                                q.getOptions().lines().toList())));
    }
}
