package jollyroster.programme;

import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.QUESTION;
import static jollyroster.platform.tables.Tables.SESSION;
import static jollyroster.platform.tables.Tables.VENUE;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Collection;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import jollyroster.core.dates.Offset;
import jollyroster.core.intake.Bounds;
import jollyroster.core.intake.Condition;
import jollyroster.core.intake.Option;
import jollyroster.core.intake.Question;
import jollyroster.core.prices.Price;
import jollyroster.core.prices.RefundRule;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.Leave;
import jollyroster.core.seats.SeatsShown;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.tables.tables.records.QuestionRecord;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.SelectJoinStep;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;

/** Turns rows into records. Shared by the queries and commands of this package. */
final class RowQueries {

    private static final jollyroster.platform.tables.tables.Venue OWN_VENUE = VENUE.as("own_venue");
    private static final jollyroster.platform.tables.tables.Session OF_SERIES = SESSION.as("of_series");

    /** The start that registration counts from: for a date of a series that of the first one to be held. */
    private static final Field<Instant> REGISTERS_FOR = DSL.when(SESSION.LEAD_ID.isNull(), SESSION.STARTS_AT)
            .otherwise(DSL.coalesce(
                    DSL.field(DSL.select(DSL.min(OF_SERIES.STARTS_AT))
                            .from(OF_SERIES)
                            .where(OF_SERIES.LEAD_ID.eq(SESSION.LEAD_ID))
                            .and(OF_SERIES.STATUS.eq(DSL.inline("OPEN")))),
                    SESSION.STARTS_AT))
            .as("registers_for");

    private RowQueries() {}

    static SelectJoinStep<Record> offerings(DSLContext sql) {
        return sql.select(OFFERING.asterisk(), VENUE.asterisk())
                .from(OFFERING)
                .leftJoin(VENUE)
                .on(VENUE.ID.eq(OFFERING.VENUE_ID));
    }

    static SelectJoinStep<Record> sessions(DSLContext sql) {
        return sql.select(
                        SESSION.asterisk(), OFFERING.asterisk(), VENUE.asterisk(), OWN_VENUE.asterisk(), REGISTERS_FOR)
                .from(SESSION)
                .join(OFFERING)
                .on(OFFERING.ID.eq(SESSION.OFFERING_ID))
                .leftJoin(VENUE)
                .on(VENUE.ID.eq(OFFERING.VENUE_ID))
                .leftJoin(OWN_VENUE)
                .on(OWN_VENUE.ID.eq(SESSION.VENUE_ID));
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
                r.get(SESSION.IS_GIVEN_BACK),
                new Session.Own(
                        venue(r, OWN_VENUE),
                        optional(r.get(SESSION.DOOR_MINUTES)),
                        optional(r.get(SESSION.OVERRUN_MINUTES)),
                        optional(r.get(SESSION.MINIMUM)),
                        r.get(SESSION.IS_OWN_HOSTS),
                        r.get(SESSION.NOTE),
                        new HandHours(
                                Optional.ofNullable(r.get(SESSION.DOOR_OPENED_AT)),
                                Optional.ofNullable(r.get(SESSION.DOOR_CLOSES_AT)))),
                new MeetingLink(
                        MeetingLink.State.valueOf(r.get(SESSION.LINK_STATE)),
                        r.get(SESSION.MEETING_ROOM),
                        r.get(SESSION.LINK_TRIES),
                        r.get(SESSION.LINK_PROBLEM),
                        r.get(SESSION.LINK_NEXT_AT)),
                r.get(SESSION.LEAD_ID),
                r.get(REGISTERS_FOR),
                r.get(SESSION.SEQUENCE),
                r.get(SESSION.CREATED_AT));
    }

    private static OptionalInt optional(@Nullable Integer number) {
        return number == null ? OptionalInt.empty() : OptionalInt.of(number);
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
                venue(r, VENUE),
                r.get(OFFERING.HOST_NAME),
                ZoneId.of(r.get(OFFERING.ZONE)),
                r.get(OFFERING.MINUTES),
                r.get(OFFERING.SEATS),
                r.get(OFFERING.WAITLIST_ALLOWED),
                r.get(OFFERING.LARGEST_PARTY),
                new Offset(r.get(OFFERING.CUTOFF_AMOUNT), Offset.Unit.valueOf(r.get(OFFERING.CUTOFF_UNIT))),
                new DoorRules(
                        r.get(OFFERING.DOOR_MINUTES),
                        r.get(OFFERING.OVERRUN_MINUTES),
                        r.get(OFFERING.IS_EVERYONE_KNOCKING),
                        r.get(OFFERING.WELCOME),
                        r.get(OFFERING.TURN_MINUTES),
                        r.get(OFFERING.IS_SECOND_ROOM)),
                OfferingStatus.valueOf(r.get(OFFERING.STATUS)),
                r.get(OFFERING.VERSION),
                rules(r),
                signUp(r),
                front(r));
    }

    private static OfferingRules rules(Record r) {
        return new OfferingRules(
                SignUpStyle.valueOf(r.get(OFFERING.STYLE)),
                Visibility.valueOf(r.get(OFFERING.VISIBILITY)),
                r.get(OFFERING.OPENS_DAYS),
                r.get(OFFERING.KEPT_BACK),
                r.get(OFFERING.MINIMUM),
                r.get(OFFERING.DECIDE_DAYS),
                r.get(OFFERING.BUFFER_BEFORE),
                r.get(OFFERING.BUFFER_AFTER),
                r.get(OFFERING.IS_PATTERN));
    }

    private static SignUpRules signUp(Record r) {
        return new SignUpRules(
                FreedSeats.valueOf(r.get(OFFERING.FREED_SEATS)),
                optional(r.get(OFFERING.WAITLIST_LIMIT)),
                PhoneRule.valueOf(r.get(OFFERING.PHONE_RULE)),
                r.get(OFFERING.IS_FULL_NAME),
                r.get(OFFERING.IS_EMAIL_CONFIRMED),
                r.get(OFFERING.CHANGES_MINUTES),
                new Leave(r.get(OFFERING.IS_MOVE_ALLOWED), r.get(OFFERING.MOVE_MINUTES)),
                new Leave(r.get(OFFERING.IS_CANCEL_ALLOWED), r.get(OFFERING.CANCEL_MINUTES)),
                r.get(OFFERING.AFTER_TEXT),
                r.get(OFFERING.AFTER_ADDRESS),
                r.get(OFFERING.IS_RSVP),
                r.get(OFFERING.IS_COMPANY_SHOWN),
                Tell.valueOf(r.get(OFFERING.TELL)),
                new Price(r.get(OFFERING.PRICE_MINOR), Currency.getInstance(r.get(OFFERING.CURRENCY))),
                new RefundRule(optional(r.get(OFFERING.REFUND_MINUTES))),
                r.get(OFFERING.IS_FIXED_ONCE_PAID));
    }

    private static OfferingFront front(Record r) {
        return new OfferingFront(
                r.get(OFFERING.AUDIENCE),
                r.get(OFFERING.LANGUAGE),
                Tint.of(r.get(OFFERING.COLOUR)),
                r.get(OFFERING.LABELS).lines().toList(),
                r.get(OFFERING.PRICE),
                r.get(OFFERING.CONTACT),
                r.get(OFFERING.PICTURE),
                r.get(OFFERING.EMBED_ORIGINS).lines().toList(),
                r.get(OFFERING.SHORT_CODE),
                new SeatsShown(SeatsShown.When.valueOf(r.get(OFFERING.SEATS_SHOWN)), r.get(OFFERING.FEW_FROM)),
                r.get(OFFERING.BUTTON));
    }

    static Venue venue(Record r) {
        return venue(r, VENUE).orElseThrow();
    }

    private static Optional<Venue> venue(Record r, jollyroster.platform.tables.tables.Venue from) {
        return Optional.ofNullable(r.get(from.ID))
                .map(id -> new Venue(
                        id,
                        r.get(from.NAME),
                        Venue.Kind.valueOf(r.get(from.KIND)),
                        r.get(from.ADDRESS),
                        r.get(from.ACCESS_NOTE),
                        r.get(from.LINK),
                        r.get(from.PHONE),
                        optional(r.get(from.ROOM_SIZE)),
                        r.get(from.IS_RETIRED),
                        r.get(from.VERSION)));
    }

    static List<AskedQuestion> questions(DSLContext sql, long offering) {
        return sql.selectFrom(QUESTION)
                .where(QUESTION.OFFERING_ID.eq(offering))
                .and(QUESTION.IS_RETIRED.isFalse())
                .orderBy(QUESTION.PLACE)
                .fetch(RowQueries::question);
    }

    /** Questions that are no longer asked, but were answered. */
    static List<AskedQuestion> retiredQuestions(DSLContext sql, long offering) {
        return sql.selectFrom(QUESTION)
                .where(QUESTION.OFFERING_ID.eq(offering))
                .and(QUESTION.IS_RETIRED.isTrue())
                .orderBy(QUESTION.ID)
                .fetch(RowQueries::question);
    }

    /** The questions of several offerings, in one query. */
    static Map<Long, List<AskedQuestion>> questions(DSLContext sql, Collection<Long> offerings) {
        return sql.selectFrom(QUESTION)
                .where(QUESTION.OFFERING_ID.in(offerings))
                .and(QUESTION.IS_RETIRED.isFalse())
                .orderBy(QUESTION.PLACE)
                .fetchGroups(QUESTION.OFFERING_ID, RowQueries::question);
    }

    private static AskedQuestion question(QuestionRecord q) {
        return new AskedQuestion(
                q.getId(),
                new Question(
                        q.getKey(),
                        Question.Kind.valueOf(q.getKind()),
                        q.getLabel(),
                        q.getHelp(),
                        q.getRequired(),
                        q.getOptions()
                                .lines()
                                .flatMap(line -> Option.typed(line).stream())
                                .toList(),
                        new Bounds(q.getLeast(), q.getMost()),
                        q.getShownIf().isEmpty()
                                ? Optional.empty()
                                : Optional.of(new Condition(
                                        q.getShownIf(),
                                        q.getShownValues().lines().toList())),
                        q.getIsPerPerson()));
    }
}
