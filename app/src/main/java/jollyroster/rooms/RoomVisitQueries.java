package jollyroster.rooms;

import static jollyroster.platform.tables.Tables.ROOM_STAY;
import static jollyroster.platform.tables.Tables.ROOM_VISIT;
import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.selectOne;
import static org.jooq.impl.DSL.val;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;
import jollyroster.core.door.Knock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.platform.Reads;
import org.jooq.Condition;
import org.jooq.Field;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Reads who is at a standing room's door and who is inside, as the meeting service reports it. */
@Component
public class RoomVisitQueries {

    /** How long somebody who was let in counts as inside before the service has reported them. */
    static final Duration ON_THE_WAY = Duration.ofMinutes(2);

    /** How long somebody waits whose page has not asked any more. */
    static final Duration GONE_AFTER = Duration.ofMinutes(10);

    private static final List<String> AT_THE_DOOR = List.of(Knock.WAITING.name(), Knock.ASKED_TO_WAIT.name());
    private final Reads reads;

    RoomVisitQueries(Reads reads) {
        this.reads = reads;
    }

    /** By the link a browser keeps, or the meeting service hands back. */
    Optional<RoomVisit> byLink(Link link) {
        return reads.sql()
                .selectFrom(ROOM_VISIT)
                .where(ROOM_VISIT.ID.eq(link.id()))
                .and(ROOM_VISIT.GENERATION.eq(link.generation()))
                .fetchOptional(RoomVisit::of);
    }

    /** Those at the door, in the order they came. */
    public List<RoomVisit> waiting(long room, Instant now) {
        return reads.sql()
                .selectFrom(ROOM_VISIT)
                .where(atTheDoor(room, now))
                .orderBy(ROOM_VISIT.ARRIVED_AT, ROOM_VISIT.ID)
                .limit(RoomVisitCommands.MOST_WAITING)
                .fetch(RoomVisit::of);
    }

    static Condition atTheDoor(long room, Instant now) {
        return ROOM_VISIT.ROOM_ID.eq(room).and(waits(now));
    }

    /** At whichever door. */
    static Condition waits(Instant now) {
        return ROOM_VISIT.STATE.in(AT_THE_DOOR).and(ROOM_VISIT.SEEN_AT.gt(now.minus(GONE_AFTER)));
    }

    /** Those who are inside, in the order they were let in. */
    public List<RoomVisit> inside(RoomMeeting meeting, Instant now) {
        return reads.sql()
                .selectFrom(ROOM_VISIT)
                .where(isInside(meeting.id(), now))
                .orderBy(ROOM_VISIT.ENTERED_AT, ROOM_VISIT.ID)
                .fetch(RoomVisit::of);
    }

    static Condition isInside(long meeting, Instant now) {
        return isInside(val(meeting), now);
    }

    static Condition isInside(Field<Long> meeting, Instant now) {
        Condition reported = ROOM_STAY.VISIT_ID.eq(ROOM_VISIT.ID);
        return ROOM_VISIT
                .MEETING_ID
                .eq(meeting)
                .and(exists(selectOne().from(ROOM_STAY).where(reported).and(ROOM_STAY.LEFT_AT.isNull()))
                        .or(ROOM_VISIT
                                .ENTERED_AT
                                .gt(now.minus(ON_THE_WAY))
                                .and(notExists(selectOne()
                                        .from(ROOM_STAY)
                                        .where(reported)
                                        .and(ROOM_STAY.JOINED_AT.ge(ROOM_VISIT.ENTERED_AT))))));
    }

    /** The latest visit to a room with that address; whoever can read its mail may see the meetings. */
    Optional<RoomVisit> latest(long room, String email) {
        return reads.sql()
                .selectFrom(ROOM_VISIT)
                .where(ROOM_VISIT.EMAIL.eq(email.toLowerCase(Locale.ROOT)))
                .and(ROOM_VISIT.ROOM_ID.eq(room))
                .and(ROOM_VISIT.MEETING_ID.isNotNull())
                .orderBy(ROOM_VISIT.ARRIVED_AT.desc())
                .limit(1)
                .fetchOptional(RoomVisit::of);
    }

    /** The meetings in a room somebody was in with that address. */
    List<Long> meetingsOf(long room, String email) {
        return reads.sql()
                .selectDistinct(ROOM_VISIT.MEETING_ID)
                .from(ROOM_VISIT)
                .where(ROOM_VISIT.EMAIL.eq(email))
                .and(ROOM_VISIT.ROOM_ID.eq(room))
                .and(exists(selectOne().from(ROOM_STAY).where(ROOM_STAY.VISIT_ID.eq(ROOM_VISIT.ID))))
                .fetch(ROOM_VISIT.MEETING_ID);
    }

    /** A stay; none of no length. */
    static Stream<Interval> stay(Instant joined, @Nullable Instant left, Instant now) {
        Instant end = left == null ? now : left;
        return end.isAfter(joined) ? Stream.of(new Interval(joined, end)) : Stream.empty();
    }
}
