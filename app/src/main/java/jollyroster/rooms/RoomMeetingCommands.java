package jollyroster.rooms;

import static jollyroster.platform.tables.Tables.ROOM_MEETING;
import static jollyroster.platform.tables.Tables.ROOM_VISIT;
import static org.jooq.impl.DSL.noCondition;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import jollyroster.core.door.GuestMeets;
import jollyroster.core.door.RoomDoor;
import jollyroster.core.door.RoomTerms;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The meetings of standing rooms: begun by the first who goes in, over when nobody has been inside for a while. */
@Component
public class RoomMeetingCommands {

    /** How long it is kept who came to a door and never went in. */
    private static final Duration KEPT_FOR = Duration.ofDays(1);

    private final RoomKeepers keepers;
    private final Writes writes;
    private final Clock clock;

    RoomMeetingCommands(RoomKeepers keepers, Writes writes, Clock clock) {
        this.keepers = keepers;
        this.writes = writes;
        this.clock = clock;
    }

    /** Whether the door lets somebody in as it stands in the write that is under way. */
    boolean lets(StandingRoom room, RoomVisit visit, Instant now) {
        Optional<RoomMeeting> present = present(room.id(), now);
        RoomDoor door = present.map(m -> room.terms().during(m.once()))
                .orElse(room.terms())
                .door();
        return !room.retired()
                && door.meets(
                                visit.state(),
                                () -> present.filter(m -> inside(m, now, true) > 0)
                                        .isPresent(),
                                () -> present.filter(m -> inside(m, now, false) >= room.capacity())
                                        .isEmpty())
                        == GuestMeets.INSIDE;
    }

    private int inside(RoomMeeting meeting, Instant now, boolean hosts) {
        return writes.sql()
                .fetchCount(
                        ROOM_VISIT,
                        RoomVisitQueries.isInside(meeting.id(), now),
                        hosts ? ROOM_VISIT.ACCOUNT_ID.isNotNull() : noCondition());
    }

    Optional<RoomMeeting> present(long room, Instant now) {
        return last(room).filter(meeting -> !meeting.isOver(now));
    }

    private Optional<RoomMeeting> last(long room) {
        return writes.sql()
                .selectFrom(ROOM_MEETING)
                .where(ROOM_MEETING.ROOM_ID.eq(room))
                .and(ROOM_MEETING.ENDED_AT.isNull())
                .fetchOptional(RoomMeeting::of);
    }

    /** Nobody is inside before the service reports the first. */
    RoomMeeting presentOrNew(long room, Instant now) {
        return present(room, now).map(meeting -> expectSomebody(meeting, now)).orElseGet(() -> {
            last(room).ifPresent(this::end);
            return writes.sql()
                    .insertInto(ROOM_MEETING)
                    .set(ROOM_MEETING.ROOM_ID, room)
                    .set(ROOM_MEETING.STARTED_AT, now)
                    .set(ROOM_MEETING.EMPTIED_AT, now)
                    .returning()
                    .fetchOne(RoomMeeting::of);
        });
    }

    /** Somebody is on their way in: the meeting is not over before they can be there. */
    private RoomMeeting expectSomebody(RoomMeeting meeting, Instant now) {
        writes.sql()
                .update(ROOM_MEETING)
                .set(ROOM_MEETING.EMPTIED_AT, now)
                .where(ROOM_MEETING.ID.eq(meeting.id()))
                .and(ROOM_MEETING.EMPTIED_AT.isNotNull())
                .execute();
        return meeting;
    }

    private void end(RoomMeeting meeting) {
        writes.sql()
                .update(ROOM_MEETING)
                .set(ROOM_MEETING.ENDED_AT, RoomTerms.over(meeting.emptied().orElse(meeting.started())))
                .where(ROOM_MEETING.ID.eq(meeting.id()))
                .execute();
    }

    /** The service has made the room of a meeting. @return the one that holds, which may be an earlier one */
    @Transactional
    public String placeMade(long meeting, String place, Actor actor) {
        actor.requireTeam();
        writes.sql()
                .update(ROOM_MEETING)
                .set(ROOM_MEETING.MEETING_PLACE, place)
                .where(ROOM_MEETING.ID.eq(meeting))
                .and(ROOM_MEETING.MEETING_PLACE.eq(""))
                .execute();
        return writes.sql()
                .selectFrom(ROOM_MEETING)
                .where(ROOM_MEETING.ID.eq(meeting))
                .fetchOne(ROOM_MEETING.MEETING_PLACE);
    }

    /** What is to hold in the present meeting only. @return whether one is going on */
    @Transactional
    public boolean thisTime(long room, RoomTerms wanted, Actor actor) {
        StandingRoom at = keepers.hosted(room, actor);
        RoomTerms.ThisTime once = at.terms().differences(wanted);
        return present(room, clock.instant())
                .map(meeting -> writes.sql()
                                .update(ROOM_MEETING)
                                .set(
                                        ROOM_MEETING.DOOR,
                                        once.door().map(RoomDoor::name).orElse(null))
                                .set(ROOM_MEETING.AGENDA, once.agenda().orElse(null))
                                .set(
                                        ROOM_MEETING.IS_EMAIL_ASKED,
                                        once.asksEmail().orElse(null))
                                .where(ROOM_MEETING.ID.eq(meeting.id()))
                                .execute()
                        == 1)
                .orElse(false);
    }

    /** @param notes Markdown, which those who were there may read if the room says so */
    @Transactional
    public void notes(long room, long meeting, String notes, Actor actor) {
        keepers.hosted(room, actor);
        writes.sql()
                .update(ROOM_MEETING)
                .set(ROOM_MEETING.NOTES, notes)
                .where(ROOM_MEETING.ID.eq(meeting))
                .and(ROOM_MEETING.ROOM_ID.eq(room))
                .execute();
    }

    /** Ends the meetings that are over, and forgets who came and never went in. */
    @Transactional
    public void tidy(Actor actor) {
        actor.requireTeam();
        Instant now = clock.instant();
        writes
                .sql()
                .selectFrom(ROOM_MEETING)
                .where(ROOM_MEETING.ENDED_AT.isNull())
                .and(ROOM_MEETING.EMPTIED_AT.isNotNull())
                .fetch(RoomMeeting::of)
                .stream()
                .filter(meeting -> meeting.isOver(now))
                .forEach(this::end);
        writes.sql()
                .deleteFrom(ROOM_VISIT)
                .where(ROOM_VISIT.MEETING_ID.isNull())
                .and(ROOM_VISIT.SEEN_AT.lt(now.minus(KEPT_FOR)))
                .execute();
    }
}
