package jollyroster.door;

import static jollyroster.platform.tables.Tables.ARRIVAL;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.core.door.Knock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Writes;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Knocks at doors, and what is decided about them. */
@Component
public class ArrivalCommands {

    /** More than anybody can look through. */
    static final int MOST_WAITING = 500;

    /** Browsers that wait with one personal link. */
    private static final int MOST_OF_ONE = 3;

    private static final List<String> AT_THE_DOOR = List.of(Knock.WAITING.name(), Knock.ASKED_TO_WAIT.name());
    private final DoorKeepers keepers;
    private final InsideQueries insiders;
    private final RegistrationQueries roster;
    private final LogbookCommands logbook;
    private final Writes writes;
    private final Clock clock;

    ArrivalCommands(
            DoorKeepers keepers,
            InsideQueries insiders,
            RegistrationQueries roster,
            LogbookCommands logbook,
            Writes writes,
            Clock clock) {
        this.keepers = keepers;
        this.insiders = insiders;
        this.roster = roster;
        this.logbook = logbook;
        this.writes = writes;
        this.clock = clock;
    }

    /** What somebody says of themselves. @param registration theirs; 0 for none @param agreedTo the wording they agreed to */
    public record Who(
            Arrival.Kind kind,
            long registration,
            String name,
            String email,
            String says,
            boolean isProven,
            String agreedTo) {

        Who proven() {
            return new Who(kind, registration, name, email, says, true, agreedTo);
        }

        Who agreeing(String words) {
            return new Who(kind, registration, name, email, says, isProven, words);
        }

        public static Who guest(String name, String email, String says) {
            return new Who(Arrival.Kind.GUEST, 0, name, email, says, false, "");
        }

        /** Somebody with a personal link that somebody is inside with. */
        public static Who second(Registration r) {
            return registered(Arrival.Kind.SECOND, r);
        }

        static Who registered(Arrival.Kind kind, Registration r) {
            return new Who(kind, r.id(), r.name(), r.email(), "", true, "");
        }
    }

    /**
     * Somebody knocks, once with each form.
     *
     * @param submission names the form; empty where none is known
     * @return by what their browser is known from now on; empty where too many wait already
     */
    @Transactional
    public Optional<Link> knock(long session, Who who, String submission, Actor actor) {
        return sentBefore(session, submission).or(() -> knock(session, who, submission));
    }

    private Optional<Link> sentBefore(long session, String submission) {
        return submission.isEmpty()
                ? Optional.empty()
                : writes.sql()
                        .selectFrom(ARRIVAL)
                        .where(ARRIVAL.SESSION_ID.eq(session))
                        .and(ARRIVAL.SUBMISSION.eq(submission))
                        .and(ARRIVAL.SUBMISSION.ne(""))
                        .fetchOptional(row -> Arrival.of(row).link());
    }

    private Optional<Link> knock(long session, Who who, String submission) {
        List<Arrival> waiting = waiting(session);
        boolean tooMany = who.registration() == 0
                ? waiting.size() >= MOST_WAITING
                : waiting.stream()
                                .filter(a -> a.registration() == who.registration())
                                .count()
                        >= MOST_OF_ONE;
        return tooMany ? Optional.empty() : Optional.of(arrive(session, who, submission, Knock.WAITING));
    }

    /** Notes that somebody goes in by their own link, where no service will report it. */
    @Transactional
    public void letIn(long session, Who who, Actor actor) {
        boolean noted = writes.sql()
                .fetchExists(
                        ARRIVAL,
                        ARRIVAL.SESSION_ID.eq(session),
                        ARRIVAL.REGISTRATION_ID.eq(who.registration()),
                        ARRIVAL.STATE.eq(Knock.INSIDE.name()));
        if (!noted) {
            arrive(session, who, "", Knock.INSIDE);
        }
    }

    private Link arrive(long session, Who who, String submission, Knock state) {
        Instant now = clock.instant();
        int generation = PersonalLinks.firstGeneration(now);
        Long id = writes.sql()
                .insertInto(ARRIVAL)
                .set(ARRIVAL.SESSION_ID, session)
                .set(ARRIVAL.KIND, who.kind().name())
                .set(ARRIVAL.REGISTRATION_ID, who.registration() == 0 ? null : (Long) who.registration())
                .set(ARRIVAL.GENERATION, generation)
                .set(ARRIVAL.NAME, who.name())
                .set(ARRIVAL.EMAIL, who.email())
                .set(ARRIVAL.SAYS, who.says())
                .set(ARRIVAL.IS_PROVEN, who.isProven())
                .set(ARRIVAL.AGREED_TO, who.agreedTo())
                .set(ARRIVAL.STATE, state.name())
                .set(ARRIVAL.SUBMISSION, submission)
                .set(ARRIVAL.ARRIVED_AT, now)
                .returningResult(ARRIVAL.ID)
                .fetchOne(ARRIVAL.ID);
        return new Link(id, generation);
    }

    /** Somebody who was turned away comes once more, behind those who wait. @return whether they may */
    @Transactional
    public boolean knockAgain(long arrival, Actor actor) {
        return arrival(arrival)
                .filter(a -> a.state().mayKnockAgain())
                .map(a -> writes.sql()
                                .update(ARRIVAL)
                                .set(ARRIVAL.STATE, Knock.WAITING.name())
                                .set(ARRIVAL.WORD, "")
                                .set(ARRIVAL.ARRIVED_AT, clock.instant())
                                .where(ARRIVAL.ID.eq(arrival))
                                .execute()
                        == 1)
                .orElse(false);
    }

    /** What came of a decision. */
    enum Outcome {
        DONE,
        /** Somebody else was quicker, or it changes nothing. */
        NOTHING,
        FULL
    }

    /** @param word for the one it is about; empty for none */
    @Transactional
    public Outcome decide(long session, long arrival, Knock.Decision decision, String word, Actor actor) {
        Session at = keepers.session(session, actor, clock.instant());
        Optional<Arrival> found = arrival(arrival).filter(a -> a.session() == session);
        Optional<Knock> then = found.flatMap(a -> a.state().after(decision));
        if (then.isEmpty()) {
            return Outcome.NOTHING;
        }
        if (then.get() == Knock.INSIDE && insiders.room(at) <= 0) {
            return Outcome.FULL;
        }
        settle(found.get(), decision, then.get(), word, actor);
        return Outcome.DONE;
    }

    private void settle(Arrival arrival, Knock.Decision decision, Knock then, String word, Actor actor) {
        Instant now = clock.instant();
        writes.sql()
                .update(ARRIVAL)
                .set(ARRIVAL.STATE, then.name())
                .set(ARRIVAL.WORD, word)
                .set(ARRIVAL.SETTLED_AT, now)
                .set(ARRIVAL.SETTLED_BY, actor.name())
                .where(ARRIVAL.ID.eq(arrival.id()))
                .execute();
        Facts what =
                Facts.of("who", arrival.name()).and("decision", decision.name()).and("word", word);
        logbook.write(arrival.session(), actor, LogbookEntry.AT_THE_DOOR, what, now);
    }

    /** Lets in all who wait, in their order, as long as there is room. @param onlyRegistered those who turned out to be registered */
    @Transactional
    public Outcome admitAll(long session, boolean onlyRegistered, Actor actor) {
        Session at = keepers.session(session, actor, clock.instant());
        List<Arrival> going = waiting(session).stream()
                .filter(a -> !onlyRegistered || a.registration() != 0)
                .toList();
        int room = insiders.room(at);
        going.stream().limit(Math.max(0, room)).forEach(a -> settle(a, Knock.Decision.ADMIT, Knock.INSIDE, "", actor));
        if (going.size() > room) {
            return Outcome.FULL;
        }
        return going.isEmpty() ? Outcome.NOTHING : Outcome.DONE;
    }

    /** Somebody at the door is who is registered; from now on their coming counts as that registration's. */
    @Transactional
    public boolean join(long session, long arrival, long registration, Actor actor) {
        Instant now = clock.instant();
        Session at = keepers.session(session, actor, now);
        if (roster.registration(registration)
                .filter(r -> r.session() == at.book())
                .isEmpty()) {
            return false;
        }
        int joined = writes.sql()
                .update(ARRIVAL)
                .set(ARRIVAL.REGISTRATION_ID, registration)
                .where(ARRIVAL.ID.eq(arrival))
                .and(ARRIVAL.SESSION_ID.eq(session))
                .and(ARRIVAL.REGISTRATION_ID.isNull())
                .execute();
        if (joined == 1) {
            logbook.write(session, registration, actor, LogbookEntry.RECOGNISED, Facts.none(), now);
        }
        return joined == 1;
    }

    private Optional<Arrival> arrival(long id) {
        return writes.sql().selectFrom(ARRIVAL).where(ARRIVAL.ID.eq(id)).fetchOptional(Arrival::of);
    }

    private List<Arrival> waiting(long session) {
        return writes.sql()
                .selectFrom(ARRIVAL)
                .where(ARRIVAL.SESSION_ID.eq(session))
                .and(ARRIVAL.STATE.in(AT_THE_DOOR))
                .orderBy(ARRIVAL.ARRIVED_AT, ARRIVAL.ID)
                .fetch(Arrival::of);
    }
}
