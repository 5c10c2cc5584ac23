package jollyroster.rooms;

import static jollyroster.platform.tables.Tables.ROOM_MEETING;
import static jollyroster.platform.tables.Tables.ROOM_STAY;
import static jollyroster.platform.tables.Tables.ROOM_VISIT;
import static jollyroster.platform.tables.Tables.STANDING_ROOM;
import static jollyroster.platform.tables.Tables.STANDING_ROOM_HOST;
import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.selectOne;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import jollyroster.core.dates.Interval;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads standing rooms and the meetings in them. */
@Component
public class RoomQueries {

    private final Reads reads;

    RoomQueries(Reads reads) {
        this.reads = reads;
    }

    /** All, those that were retired last. */
    List<StandingRoom> rooms() {
        return reads.sql()
                .selectFrom(STANDING_ROOM)
                .orderBy(STANDING_ROOM.IS_RETIRED, STANDING_ROOM.NAME, STANDING_ROOM.ID)
                .fetch(StandingRoom::of);
    }

    public Optional<StandingRoom> room(long id) {
        return reads.sql()
                .selectFrom(STANDING_ROOM)
                .where(STANDING_ROOM.ID.eq(id))
                .fetchOptional(StandingRoom::of);
    }

    public Optional<StandingRoom> bySlug(String slug) {
        return reads.sql()
                .selectFrom(STANDING_ROOM)
                .where(STANDING_ROOM.SLUG.eq(slug))
                .fetchOptional(StandingRoom::of);
    }

    /** The hosts of choice that a room is shared with, by account; none beside whose it is, and all where it is everybody's. */
    List<Long> sharedWith(long room) {
        return reads.sql()
                .selectFrom(STANDING_ROOM_HOST)
                .where(STANDING_ROOM_HOST.ROOM_ID.eq(room))
                .fetch(STANDING_ROOM_HOST.ACCOUNT_ID);
    }

    /** The rooms that are shared with somebody by name. */
    List<Long> sharedRooms(long account) {
        return reads.sql()
                .selectFrom(STANDING_ROOM_HOST)
                .where(STANDING_ROOM_HOST.ACCOUNT_ID.eq(account))
                .fetch(STANDING_ROOM_HOST.ROOM_ID);
    }

    /** The meeting that goes on in a room. */
    public Optional<RoomMeeting> present(long room, Instant now) {
        return reads.sql()
                .selectFrom(ROOM_MEETING)
                .where(ROOM_MEETING.ROOM_ID.eq(room))
                .and(ROOM_MEETING.ENDED_AT.isNull())
                .fetchOptional(RoomMeeting::of)
                .filter(meeting -> !meeting.isOver(now));
    }

    Optional<RoomMeeting> meeting(long room, long meeting) {
        return reads.sql()
                .selectFrom(ROOM_MEETING)
                .where(ROOM_MEETING.ID.eq(meeting))
                .and(ROOM_MEETING.ROOM_ID.eq(room))
                .fetchOptional(RoomMeeting::of);
    }

    /** Meetings in which somebody was, the last one first. */
    public List<RoomMeeting> past(long room, Instant now, int most) {
        return reads
                .sql()
                .selectFrom(ROOM_MEETING)
                .where(ROOM_MEETING.ROOM_ID.eq(room))
                .and(exists(selectOne()
                        .from(ROOM_VISIT)
                        .join(ROOM_STAY)
                        .on(ROOM_STAY.VISIT_ID.eq(ROOM_VISIT.ID))
                        .where(ROOM_VISIT.MEETING_ID.eq(ROOM_MEETING.ID))))
                .orderBy(ROOM_MEETING.STARTED_AT.desc(), ROOM_MEETING.ID.desc())
                .limit(most + 1)
                .fetch(RoomMeeting::of)
                .stream()
                .filter(meeting -> meeting.isOver(now))
                .limit(most)
                .toList();
    }

    /** Somebody who was in a meeting. @param stays in order; one that lasts ends when it is asked */
    public record Was(long meeting, String name, String email, boolean leads, List<Interval> stays) {}

    /** Who was in these meetings, hosts first, then in the order they came; by meeting. */
    public Map<Long, List<Was>> people(Collection<Long> meetings, Instant now) {
        return reads
                .sql()
                .select(
                        ROOM_VISIT.ID,
                        ROOM_VISIT.MEETING_ID,
                        ROOM_VISIT.NAME,
                        ROOM_VISIT.EMAIL,
                        ROOM_VISIT.ACCOUNT_ID,
                        ROOM_STAY.JOINED_AT,
                        ROOM_STAY.LEFT_AT)
                .from(ROOM_VISIT)
                .join(ROOM_STAY)
                .on(ROOM_STAY.VISIT_ID.eq(ROOM_VISIT.ID))
                .where(ROOM_VISIT.MEETING_ID.in(meetings))
                .orderBy(ROOM_VISIT.ACCOUNT_ID.isNull(), ROOM_VISIT.ARRIVED_AT, ROOM_VISIT.ID, ROOM_STAY.JOINED_AT)
                .fetchGroups(ROOM_VISIT.ID)
                .values()
                .stream()
                .map(stays -> new Was(
                        stays.get(0).get(ROOM_VISIT.MEETING_ID),
                        stays.get(0).get(ROOM_VISIT.NAME),
                        stays.get(0).get(ROOM_VISIT.EMAIL),
                        stays.get(0).get(ROOM_VISIT.ACCOUNT_ID) != null,
                        stays.stream()
                                .flatMap(row -> RoomVisitQueries.stay(
                                        row.get(ROOM_STAY.JOINED_AT), row.get(ROOM_STAY.LEFT_AT), now))
                                .toList()))
                .collect(Collectors.groupingBy(Was::meeting));
    }
}
