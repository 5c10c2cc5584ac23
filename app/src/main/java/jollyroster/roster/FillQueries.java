package jollyroster.roster;

import static jollyroster.platform.tables.Tables.REGISTRATION;
import static jollyroster.platform.tables.Tables.SESSION;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import jollyroster.core.foresight.Course;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.springframework.stereotype.Component;

/** Reads how sessions filled in the time before their start. */
@Component
public class FillQueries {

    private static final int MOST_EARLIER = 12;
    private final Reads reads;
    private final Remembered<Set<Long>, Map<Long, Course>> courses;

    FillQueries(Reads reads, TableChanges changes) {
        this.courses = new Remembered<>(changes, 100, "registration", "session");
        this.reads = reads;
    }

    /** The course of each of these sessions; for a whole series that of the session that leads it. */
    public Map<Long, Course> courses(Collection<Long> sessions) {
        Set<Long> wanted = new LinkedHashSet<>(sessions);
        return courses.get(wanted, this::read);
    }

    private Map<Long, Course> read(Set<Long> sessions) {
        Map<Long, List<Course.Step>> steps = new LinkedHashMap<>();
        sessions.forEach(session -> steps.put(session, new ArrayList<>()));
        sums(
                        sessions,
                        REGISTRATION.SEATED_AT,
                        REGISTRATION.STATE.in("UNCONFIRMED", "REGISTERED").or(gaveBack()))
                .forEach(sum -> steps.get(sum.session()).add(new Course.Step(sum.hours(), sum.seats(), 0)));
        sums(sessions, REGISTRATION.CHANGED_AT, gaveBack())
                .forEach(sum -> steps.get(sum.session()).add(new Course.Step(sum.hours(), 0, sum.seats())));
        Map<Long, Course> courses = new LinkedHashMap<>();
        steps.forEach((session, list) -> courses.put(session, new Course(list)));
        return courses;
    }

    /** Given back after it had seats. */
    private static Condition gaveBack() {
        return REGISTRATION.STATE.in("CANCELLED", "DECLINED").and(REGISTRATION.SEATED_AT.isNotNull());
    }

    private record Sum(long session, int hours, int seats) {}

    private List<Sum> sums(Collection<Long> sessions, Field<Instant> at, Condition which) {
        Field<Integer> hours =
                DSL.field("(unixepoch({0}) - unixepoch({1})) / 3600", SQLDataType.INTEGER, SESSION.STARTS_AT, at);
        return reads.sql()
                .select(REGISTRATION.SESSION_ID, hours, DSL.sum(REGISTRATION.PARTY))
                .from(REGISTRATION)
                .join(SESSION)
                .on(SESSION.ID.eq(REGISTRATION.SESSION_ID))
                .where(REGISTRATION.SESSION_ID.in(sessions))
                .and(REGISTRATION.SEATED_AT.isNotNull())
                .and(which)
                .groupBy(REGISTRATION.SESSION_ID, hours)
                .fetch(r -> new Sum(r.value1(), r.value2(), r.value3().intValue()));
    }

    /** The sessions of an offering that were held before, latest first, at most twelve. */
    public List<Long> earlier(long offering, Instant before) {
        return earlier(List.of(offering), before).getOrDefault(offering, List.of());
    }

    /** The same for several offerings, in one query. */
    public Map<Long, List<Long>> earlier(Collection<Long> offerings, Instant before) {
        var held = reads.sql()
                .select(
                        SESSION.ID,
                        SESSION.OFFERING_ID,
                        DSL.rowNumber()
                                .over()
                                .partitionBy(SESSION.OFFERING_ID)
                                .orderBy(SESSION.STARTS_AT.desc())
                                .as("nth"))
                .from(SESSION)
                .where(SESSION.OFFERING_ID.in(offerings))
                .and(SESSION.STATUS.eq("OPEN"))
                .and(SESSION.ENDS_AT.le(before))
                .and(SESSION.LEAD_ID.isNull().or(SESSION.LEAD_ID.eq(SESSION.ID)))
                .asTable("held");
        return reads.sql()
                .selectFrom(held)
                .where(held.field("nth", Integer.class).le(MOST_EARLIER))
                .orderBy(held.field("nth"))
                .fetchGroups(held.field(SESSION.OFFERING_ID), held.field(SESSION.ID));
    }
}
