package jollyroster.rooms;

import static jollyroster.platform.tables.Tables.ROOM_MEETING;
import static jollyroster.platform.tables.Tables.ROOM_STAY;
import static jollyroster.platform.tables.Tables.ROOM_VISIT;
import static jollyroster.platform.tables.Tables.STANDING_ROOM_HOST;
import static org.jooq.impl.DSL.count;
import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.select;
import static org.jooq.impl.DSL.selectOne;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import jollyroster.core.door.RoomTerms;
import jollyroster.platform.Reads;
import org.jooq.Condition;
import org.springframework.stereotype.Component;

/** Reads how it stands in all standing rooms at once, by room. */
@Component
class RoomListQueries {

    private final Reads reads;

    RoomListQueries(Reads reads) {
        this.reads = reads;
    }

    /** How many are inside, of the rooms in which somebody is. */
    Map<Long, Integer> inside(Instant now) {
        return reads.sql()
                .select(ROOM_MEETING.ROOM_ID, count())
                .from(ROOM_MEETING)
                .join(ROOM_VISIT)
                .on(RoomVisitQueries.isInside(ROOM_MEETING.ID, now))
                .where(isOver(now).not())
                .groupBy(ROOM_MEETING.ROOM_ID)
                .fetchMap(ROOM_MEETING.ROOM_ID, count());
    }

    /** How many wait, of the rooms at whose door somebody does. */
    Map<Long, Integer> waiting(Instant now) {
        return reads.sql()
                .select(ROOM_VISIT.ROOM_ID, count())
                .from(ROOM_VISIT)
                .where(RoomVisitQueries.waits(now))
                .groupBy(ROOM_VISIT.ROOM_ID)
                .fetchMap(ROOM_VISIT.ROOM_ID, count());
    }

    /** The last meeting that is over and somebody was in. */
    Map<Long, RoomMeeting> last(Instant now) {
        return reads
                .sql()
                .selectFrom(ROOM_MEETING)
                .where(ROOM_MEETING.ID.in(select(max(ROOM_MEETING.ID))
                        .from(ROOM_MEETING)
                        .where(isOver(now))
                        .and(exists(selectOne()
                                .from(ROOM_VISIT)
                                .join(ROOM_STAY)
                                .on(ROOM_STAY.VISIT_ID.eq(ROOM_VISIT.ID))
                                .where(ROOM_VISIT.MEETING_ID.eq(ROOM_MEETING.ID))))
                        .groupBy(ROOM_MEETING.ROOM_ID)))
                .fetch(RoomMeeting::of)
                .stream()
                .collect(Collectors.toMap(RoomMeeting::room, meeting -> meeting));
    }

    /** The hosts of choice that rooms are shared with, by account. */
    Map<Long, List<Long>> sharedWith() {
        return reads.sql()
                .selectFrom(STANDING_ROOM_HOST)
                .fetchGroups(STANDING_ROOM_HOST.ROOM_ID, STANDING_ROOM_HOST.ACCOUNT_ID);
    }

    private static Condition isOver(Instant now) {
        return ROOM_MEETING
                .ENDED_AT
                .isNotNull()
                .or(ROOM_MEETING
                        .EMPTIED_AT
                        .isNotNull()
                        .and(ROOM_MEETING.EMPTIED_AT.le(now.minus(RoomTerms.EMPTY_FOR))));
    }
}
