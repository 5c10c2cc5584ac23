package jollyroster.door;

import static jollyroster.platform.tables.Tables.ARRIVAL;
import static jollyroster.platform.tables.Tables.CONNECTION;
import static org.jooq.impl.DSL.countDistinct;
import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.field;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.noCondition;
import static org.jooq.impl.DSL.param;
import static org.jooq.impl.DSL.selectOne;

import java.util.HashSet;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.Set;
import jollyroster.core.door.Knock;
import jollyroster.platform.Reads;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import org.jooq.Condition;
import org.jooq.Field;
import org.springframework.stereotype.Component;

/** Who is inside, and whether more may come: as the meeting service reports it, else as the door let them in. */
@Component
class InsideQueries {

    private final Reads reads;
    private final String standing;

    InsideQueries(Reads reads) {
        this.reads = reads;
        this.standing = standing(reads);
    }

    /** How many are inside, guests among them. */
    int number(Session session) {
        Condition open = CONNECTION.SESSION_ID.eq(session.id()).and(CONNECTION.LEFT_AT.isNull());
        Condition here = letIn(session).and(ARRIVAL.LEFT_AT.isNull());
        return reported(open) + guests(here) + unreported(here, open);
    }

    /** How many of those who are registered have come, whether they are still inside or not. */
    int came(Session session) {
        Condition ever = CONNECTION.SESSION_ID.eq(session.id());
        return reported(ever) + unreported(letIn(session), ever);
    }

    /** As which registrations people have come, inside still or not. */
    Set<Long> cameAs(Session session) {
        Set<Long> came = new HashSet<>(reads.sql()
                .selectDistinct(CONNECTION.REGISTRATION_ID)
                .from(CONNECTION)
                .where(CONNECTION.SESSION_ID.eq(session.id()))
                .fetch(CONNECTION.REGISTRATION_ID));
        came.addAll(reads.sql()
                .selectDistinct(ARRIVAL.REGISTRATION_ID)
                .from(ARRIVAL)
                .where(letIn(session))
                .and(ARRIVAL.REGISTRATION_ID.isNotNull())
                .fetch(ARRIVAL.REGISTRATION_ID));
        return came;
    }

    /** How a registration stands at a door. @param inside whether somebody is inside as it @param barred whether somebody was barred who is it */
    record Standing(boolean inside, boolean barred) {}

    /** In one question, whose text is written once, as a crowd comes with their own links. */
    Standing standing(Session session, long registration) {
        Object[] values = {session.id(), registration, session.id(), registration, session.id(), registration};
        return reads.sql()
                .resultQuery(standing, values)
                .fetchSingle(
                        r -> new Standing(r.get(0, Boolean.class) || r.get(1, Boolean.class), r.get(2, Boolean.class)));
    }

    /** It has places for the session and the registration, three times. */
    private static String standing(Reads reads) {
        Condition theirConnection = CONNECTION
                .SESSION_ID
                .eq(param("session", Long.class))
                .and(CONNECTION.REGISTRATION_ID.eq(param("registration", Long.class)));
        Condition theirArrival = ARRIVAL.SESSION_ID
                .eq(param("session", Long.class))
                .and(ARRIVAL.REGISTRATION_ID.eq(param("registration", Long.class)));
        Condition inside = ARRIVAL.STATE.eq(inline(Knock.INSIDE.name())).and(ARRIVAL.LEFT_AT.isNull());
        Condition barred = ARRIVAL.STATE.eq(inline(Knock.BARRED.name()));
        return reads.sql()
                .select(
                        field(exists(selectOne()
                                .from(CONNECTION)
                                .where(theirConnection)
                                .and(CONNECTION.LEFT_AT.isNull()))),
                        field(exists(
                                selectOne().from(ARRIVAL).where(theirArrival).and(inside))),
                        field(exists(
                                selectOne().from(ARRIVAL).where(theirArrival).and(barred))))
                .getSQL();
    }

    /** Whether somebody has come as that registration, inside still or not. */
    boolean hasCome(Session session, long registration) {
        return isReported(session, registration, noCondition()) || isLetIn(session, registration, noCondition());
    }

    private boolean isReported(Session session, long registration, Condition which) {
        return reads.sql()
                .fetchExists(
                        CONNECTION,
                        CONNECTION.SESSION_ID.eq(session.id()),
                        CONNECTION.REGISTRATION_ID.eq(registration),
                        which);
    }

    private boolean isLetIn(Session session, long registration, Condition which) {
        return reads.sql().fetchExists(ARRIVAL, letIn(session), ARRIVAL.REGISTRATION_ID.eq(registration), which);
    }

    private static Condition letIn(Session session) {
        return ARRIVAL.SESSION_ID.eq(session.id()).and(ARRIVAL.STATE.eq(Knock.INSIDE.name()));
    }

    private int reported(Condition which) {
        Field<Integer> people = countDistinct(CONNECTION.REGISTRATION_ID);
        return Objects.requireNonNull(
                reads.sql().select(people).from(CONNECTION).where(which).fetchOne(people));
    }

    private int guests(Condition which) {
        return reads.sql().fetchCount(ARRIVAL, which, ARRIVAL.REGISTRATION_ID.isNull());
    }

    /** Registered people whom the door let in and of whom no service has reported. */
    private int unreported(Condition arrived, Condition connected) {
        Field<Integer> people = countDistinct(ARRIVAL.REGISTRATION_ID);
        return Objects.requireNonNull(reads.sql()
                .select(people)
                .from(ARRIVAL)
                .where(arrived)
                .and(ARRIVAL.REGISTRATION_ID.isNotNull())
                .andNot(exists(selectOne()
                        .from(CONNECTION)
                        .where(connected)
                        .and(CONNECTION.REGISTRATION_ID.eq(ARRIVAL.REGISTRATION_ID))))
                .fetchOne(people));
    }

    /** How many the room takes; empty where it takes any number. */
    static OptionalInt limit(Session session) {
        return session.venue().map(Venue::roomSize).orElse(OptionalInt.empty());
    }

    /** How many more may come in. */
    int room(Session session) {
        OptionalInt limit = limit(session);
        int rooms = SecondRoomQueries.has(session) ? 2 : 1;
        return limit.isPresent() ? rooms * limit.getAsInt() - number(session) : Integer.MAX_VALUE;
    }
}
