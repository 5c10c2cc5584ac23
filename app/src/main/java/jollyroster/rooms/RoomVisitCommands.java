package jollyroster.rooms;

import static jollyroster.platform.tables.Tables.ROOM_VISIT;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import jollyroster.core.door.Knock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Writes;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Who comes to a standing room, is let in, asked to wait or turned away. */
@Component
public class RoomVisitCommands {

    /** More than anybody can look through. */
    static final int MOST_WAITING = 200;

    private static final Duration SEEN_EVERY = Duration.ofMinutes(1);
    private final RoomKeepers keepers;
    private final RoomMeetingCommands meetings;
    private final Writes writes;
    private final Clock clock;

    RoomVisitCommands(RoomKeepers keepers, RoomMeetingCommands meetings, Writes writes, Clock clock) {
        this.keepers = keepers;
        this.meetings = meetings;
        this.writes = writes;
        this.clock = clock;
    }

    /** What somebody says of themselves. @param email empty for none @param says to the host; empty for nothing */
    public record Who(String name, String email, String says) {}

    /**
     * Somebody comes, once with each form.
     *
     * @param submission names the form; empty where none is known
     * @return by what their browser is known from now on; empty where too many wait already
     */
    @Transactional
    public Optional<Link> knock(StandingRoom room, Who who, String submission, Actor actor) {
        return sentBefore(room.id(), submission).or(() -> knock(room, who, submission));
    }

    private Optional<Link> sentBefore(long room, String submission) {
        return submission.isEmpty()
                ? Optional.empty()
                : writes.sql()
                        .selectFrom(ROOM_VISIT)
                        .where(ROOM_VISIT.ROOM_ID.eq(room))
                        .and(ROOM_VISIT.SUBMISSION.eq(submission))
                        .and(ROOM_VISIT.SUBMISSION.ne(""))
                        .fetchOptional(row -> RoomVisit.of(row).link());
    }

    private Optional<Link> knock(StandingRoom room, Who who, String submission) {
        Instant now = clock.instant();
        boolean tooMany =
                writes.sql().fetchCount(ROOM_VISIT, RoomVisitQueries.atTheDoor(room.id(), now)) >= MOST_WAITING;
        return tooMany ? Optional.empty() : Optional.of(arrive(room.id(), null, who, submission, now));
    }

    private Link arrive(long room, @Nullable Long account, Who who, String submission, Instant now) {
        int generation = PersonalLinks.firstGeneration(now);
        Long id = writes.sql()
                .insertInto(ROOM_VISIT)
                .set(ROOM_VISIT.ROOM_ID, room)
                .set(ROOM_VISIT.ACCOUNT_ID, account)
                .set(ROOM_VISIT.GENERATION, generation)
                .set(ROOM_VISIT.NAME, who.name())
                .set(ROOM_VISIT.EMAIL, who.email().toLowerCase(Locale.ROOT))
                .set(ROOM_VISIT.SAYS, who.says())
                .set(ROOM_VISIT.STATE, Knock.WAITING.name())
                .set(ROOM_VISIT.SUBMISSION, submission)
                .set(ROOM_VISIT.ARRIVED_AT, now)
                .set(ROOM_VISIT.SEEN_AT, now)
                .returningResult(ROOM_VISIT.ID)
                .fetchOne(ROOM_VISIT.ID);
        return new Link(id, generation);
    }

    /** A page that waits has asked; noted once a minute. */
    @Transactional
    public void seen(RoomVisit visit, Actor actor) {
        Instant now = clock.instant();
        writes.sql()
                .update(ROOM_VISIT)
                .set(ROOM_VISIT.SEEN_AT, now)
                .where(ROOM_VISIT.ID.eq(visit.id()))
                .and(ROOM_VISIT.SEEN_AT.le(now.minus(SEEN_EVERY)))
                .execute();
    }

    /** Goes in where the door lets them. @return the meeting they go into; empty where it does not */
    @Transactional
    public Optional<RoomMeeting> enter(StandingRoom room, long visit, Actor actor) {
        Instant now = clock.instant();
        return find(visit, room.id()).filter(v -> meetings.lets(room, v, now)).map(v -> go(room, v, now));
    }

    /** A host goes in, which opens a room that is locked without one. */
    @Transactional
    public Going enterAsHost(long room, Actor.Team host, Actor actor) {
        Instant now = clock.instant();
        StandingRoom at = keepers.hosted(room, actor);
        Optional<RoomMeeting> present = meetings.present(room, now);
        RoomVisit visit = present.flatMap(m -> hostIn(m, host.id())).orElseGet(() -> {
            Link link = arrive(room, host.id(), new Who(host.name(), "", ""), "", now);
            return find(link.id(), room).orElseThrow();
        });
        return new Going(visit, go(at, visit, now));
    }

    /** Somebody on their way into a meeting. */
    public record Going(RoomVisit who, RoomMeeting meeting) {}

    private Optional<RoomVisit> hostIn(RoomMeeting meeting, long account) {
        return writes.sql()
                .selectFrom(ROOM_VISIT)
                .where(ROOM_VISIT.MEETING_ID.eq(meeting.id()))
                .and(ROOM_VISIT.ACCOUNT_ID.eq(account))
                .limit(1)
                .fetchOptional(RoomVisit::of);
    }

    private RoomMeeting go(StandingRoom room, RoomVisit visit, Instant now) {
        RoomMeeting meeting = meetings.presentOrNew(room.id(), now);
        writes.sql()
                .update(ROOM_VISIT)
                .set(ROOM_VISIT.STATE, Knock.INSIDE.name())
                .set(ROOM_VISIT.MEETING_ID, meeting.id())
                .set(ROOM_VISIT.ENTERED_AT, now)
                .set(ROOM_VISIT.SEEN_AT, now)
                .where(ROOM_VISIT.ID.eq(visit.id()))
                .execute();
        return meeting;
    }

    /** @param word for the one it is about; empty for none @return whether it changed anything */
    @Transactional
    public boolean decide(long room, long visit, Knock.Decision decision, String word, Actor actor) {
        keepers.hosted(room, actor);
        Optional<Knock> then = find(visit, room)
                .filter(v -> v.account() == 0)
                .flatMap(v -> v.state().after(decision));
        then.ifPresent(state -> writes.sql()
                .update(ROOM_VISIT)
                .set(ROOM_VISIT.STATE, state.name())
                .set(ROOM_VISIT.WORD, word)
                .set(ROOM_VISIT.SETTLED_BY, actor.name())
                .where(ROOM_VISIT.ID.eq(visit))
                .execute());
        return then.isPresent();
    }

    /** Lets in all who wait; those there is no room for go in as it comes free. @return how many */
    @Transactional
    public int admitAll(long room, Actor actor) {
        keepers.hosted(room, actor);
        List<Long> waiting = writes.sql()
                .selectFrom(ROOM_VISIT)
                .where(RoomVisitQueries.atTheDoor(room, clock.instant()))
                .fetch(ROOM_VISIT.ID);
        return writes.sql()
                .update(ROOM_VISIT)
                .set(ROOM_VISIT.STATE, Knock.INSIDE.name())
                .set(ROOM_VISIT.SETTLED_BY, actor.name())
                .where(ROOM_VISIT.ID.in(waiting))
                .execute();
    }

    /** Somebody who was turned away comes once more, behind those who wait. */
    @Transactional
    public void knockAgain(RoomVisit visit, Actor actor) {
        Instant now = clock.instant();
        if (find(visit.id(), visit.room())
                .filter(v -> v.state().mayKnockAgain())
                .isPresent()) {
            writes.sql()
                    .update(ROOM_VISIT)
                    .set(ROOM_VISIT.STATE, Knock.WAITING.name())
                    .set(ROOM_VISIT.WORD, "")
                    .set(ROOM_VISIT.ARRIVED_AT, now)
                    .set(ROOM_VISIT.SEEN_AT, now)
                    .where(ROOM_VISIT.ID.eq(visit.id()))
                    .execute();
        }
    }

    private Optional<RoomVisit> find(long visit, long room) {
        return writes.sql()
                .selectFrom(ROOM_VISIT)
                .where(ROOM_VISIT.ID.eq(visit))
                .and(ROOM_VISIT.ROOM_ID.eq(room))
                .fetchOptional(RoomVisit::of);
    }
}
