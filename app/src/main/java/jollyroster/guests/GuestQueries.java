package jollyroster.guests;

import static jollyroster.platform.tables.Tables.DIGEST;
import static jollyroster.platform.tables.Tables.INVITEE;
import static jollyroster.platform.tables.Tables.PERSON;
import static jollyroster.platform.tables.Tables.PLEA;
import static jollyroster.platform.tables.Tables.REGISTRATION;
import static jollyroster.platform.tables.Tables.SESSION;

import java.time.Instant;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Reads;
import org.jooq.Condition;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Reads guest lists and what people answered. */
@Component
public class GuestQueries {

    private final Reads reads;

    GuestQueries(Reads reads) {
        this.reads = reads;
    }

    /**
     * Somebody on the list.
     *
     * @param invited when they were written to; empty for not yet
     * @param state of their latest registration; empty while they have not answered
     * @param session they answered for, 0 for none
     */
    public record Invitee(
            long id,
            long offering,
            String name,
            String email,
            int generation,
            Optional<Instant> invited,
            Optional<Instant> reminded,
            Optional<RegistrationState> state,
            long session,
            long registration,
            int party) {

        /** The name, or the address of somebody who has none. */
        public String called() {
            return name.isEmpty() ? email : name;
        }

        public Optional<Reply> reply() {
            return state.flatMap(Reply::of);
        }
    }

    /** Somebody who asks to come. */
    public record Plea(long id, String name, String email, String words, Instant askedAt) {}

    /** The list of an offering in order of name, each with the latest answer. */
    public List<Invitee> list(long offering) {
        return invitees(INVITEE.OFFERING_ID.eq(offering));
    }

    private List<Invitee> invitees(Condition which) {
        var latest = reads.sql()
                .select(PERSON.EMAIL, DSL.max(REGISTRATION.ID).as("latest"))
                .from(REGISTRATION)
                .join(PERSON)
                .on(PERSON.ID.eq(REGISTRATION.PERSON_ID))
                .join(SESSION)
                .on(SESSION.ID.eq(REGISTRATION.SESSION_ID))
                .join(INVITEE)
                .on(INVITEE.EMAIL.eq(PERSON.EMAIL))
                .and(PERSON.EMAIL.ne(DSL.inline("")))
                .and(INVITEE.OFFERING_ID.eq(SESSION.OFFERING_ID))
                .where(which)
                .groupBy(PERSON.EMAIL)
                .asTable("latest");
        return reads.sql()
                .select(
                        INVITEE.asterisk(),
                        REGISTRATION.ID,
                        REGISTRATION.STATE,
                        REGISTRATION.SESSION_ID,
                        REGISTRATION.PARTY)
                .from(INVITEE)
                .leftJoin(latest)
                .on(latest.field(PERSON.EMAIL).eq(INVITEE.EMAIL))
                .leftJoin(REGISTRATION)
                .on(REGISTRATION.ID.eq(latest.field("latest", Long.class)))
                .where(which)
                .orderBy(INVITEE.NAME, INVITEE.EMAIL)
                .fetch(r -> new Invitee(
                        r.get(INVITEE.ID),
                        r.get(INVITEE.OFFERING_ID),
                        r.get(INVITEE.NAME),
                        r.get(INVITEE.EMAIL),
                        r.get(INVITEE.GENERATION),
                        Optional.ofNullable(r.get(INVITEE.INVITED_AT)),
                        Optional.ofNullable(r.get(INVITEE.REMINDED_AT)),
                        Optional.ofNullable(r.get(REGISTRATION.STATE)).map(RegistrationState::valueOf),
                        orZero(r.get(REGISTRATION.SESSION_ID)),
                        orZero(r.get(REGISTRATION.ID)),
                        r.get(REGISTRATION.PARTY) == null ? 0 : r.get(REGISTRATION.PARTY)));
    }

    private static long orZero(@Nullable Long number) {
        return number == null ? 0 : number;
    }

    /** The invitee a link was issued for, unless it was revoked. */
    public Optional<Invitee> invitee(Link link) {
        return invitees(INVITEE.ID.eq(link.id()).and(INVITEE.GENERATION.eq(link.generation()))).stream()
                .findFirst();
    }

    /** Those who ask to come and wait for an answer, the longest waiting first. */
    public List<Plea> pleas(long offering) {
        return reads.sql()
                .selectFrom(PLEA)
                .where(PLEA.OFFERING_ID.eq(offering))
                .and(PLEA.DECIDED_AT.isNull())
                .orderBy(PLEA.ID)
                .limit(500)
                .fetch(p -> new Plea(p.getId(), p.getName(), p.getEmail(), p.getWords(), p.getAskedAt()));
    }

    /** How many ask to come and wait for an answer, by offering. */
    public Map<Long, Integer> pleas() {
        return reads.sql()
                .select(PLEA.OFFERING_ID, DSL.count())
                .from(PLEA)
                .where(PLEA.DECIDED_AT.isNull())
                .groupBy(PLEA.OFFERING_ID)
                .fetchMap(PLEA.OFFERING_ID, DSL.count());
    }

    /** People in each kind of answer on a session. */
    public Map<Reply, Integer> answers(long session) {
        Map<Reply, Integer> answers = new EnumMap<>(Reply.class);
        reads.sql()
                .select(REGISTRATION.STATE, DSL.sum(REGISTRATION.PARTY))
                .from(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(session))
                .groupBy(REGISTRATION.STATE)
                .forEach(r -> Reply.of(RegistrationState.valueOf(r.value1()))
                        .ifPresent(reply -> answers.merge(reply, r.value2().intValue(), Integer::sum)));
        return answers;
    }

    /** How many people said yes and have no seat yet. */
    public int waiting(long session) {
        return reads.sql()
                .select(DSL.coalesce(DSL.sum(REGISTRATION.PARTY), DSL.inline(0)))
                .from(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.eq(session))
                .and(REGISTRATION.STATE.in(RegistrationState.WAITLISTED.name(), RegistrationState.CALLED_UP.name()))
                .fetchSingle()
                .value1()
                .intValue();
    }

    /** The names of those who come to each of these sessions, in order of answering, at most so many of each. */
    public Map<Long, List<String>> coming(Collection<Long> sessions, int most) {
        var ranked = reads.sql()
                .select(
                        REGISTRATION.SESSION_ID,
                        REGISTRATION.NAME,
                        DSL.rowNumber()
                                .over()
                                .partitionBy(REGISTRATION.SESSION_ID)
                                .orderBy(REGISTRATION.ID)
                                .as("nth"))
                .from(REGISTRATION)
                .where(REGISTRATION.SESSION_ID.in(sessions))
                .and(REGISTRATION.STATE.eq(RegistrationState.REGISTERED.name()))
                .asTable("ranked");
        return reads.sql()
                .selectFrom(ranked)
                .where(ranked.field("nth", Integer.class).le(most))
                .orderBy(ranked.field("nth"))
                .fetchGroups(ranked.field(REGISTRATION.SESSION_ID), ranked.field(REGISTRATION.NAME));
    }

    /** Until when the organiser of an offering has been told; empty for never. */
    public Optional<Instant> told(long offering) {
        return reads.sql()
                .select(DIGEST.TOLD_AT)
                .from(DIGEST)
                .where(DIGEST.OFFERING_ID.eq(offering))
                .fetchOptional(DIGEST.TOLD_AT);
    }

    /** How many answers to an offering were given or changed after a time, and no later than another. */
    public int answersBetween(long offering, Instant after, Instant until) {
        return reads.sql()
                .fetchCount(DSL.selectOne()
                        .from(REGISTRATION)
                        .join(SESSION)
                        .on(SESSION.ID.eq(REGISTRATION.SESSION_ID))
                        .where(SESSION.OFFERING_ID.eq(offering))
                        .and(REGISTRATION.CHANGED_AT.gt(after))
                        .and(REGISTRATION.CHANGED_AT.le(until)));
    }
}
