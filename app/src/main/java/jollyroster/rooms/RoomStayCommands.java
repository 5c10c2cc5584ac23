package jollyroster.rooms;

import static jollyroster.platform.tables.Tables.ROOM_MEETING;
import static jollyroster.platform.tables.Tables.ROOM_STAY;
import static jollyroster.platform.tables.Tables.ROOM_VISIT;
import static org.jooq.impl.DSL.max;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import jollyroster.attendance.GuestPasses;
import jollyroster.attendance.StayCommands;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.RoomStayRecord;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Who is in the meetings of standing rooms, as the meeting service reports it: late, twice and in any order. */
@Component
public class RoomStayCommands implements GuestPasses {

    private static final StayCommands<RoomStayRecord> STAYS =
            new StayCommands<>(ROOM_STAY, ROOM_STAY.STAY, ROOM_STAY.JOINED_AT, ROOM_STAY.LEFT_AT);

    private final RoomVisitQueries visits;
    private final PersonalLinks links;
    private final Writes writes;

    RoomStayCommands(RoomVisitQueries visits, PersonalLinks links, Writes writes) {
        this.visits = visits;
        this.links = links;
        this.writes = writes;
    }

    @Override
    public OptionalLong registration(String pass) {
        return links.read(Purpose.ROOM_VISIT, pass).flatMap(visits::byLink).isPresent()
                ? OptionalLong.of(0)
                : OptionalLong.empty();
    }

    @Override
    @Transactional
    public void joined(String pass, String visit, Instant at, Actor actor) {
        actor.requireTeam();
        links.read(Purpose.ROOM_VISIT, pass).ifPresent(link -> {
            STAYS.joined(writes.sql(), visit, Map.of(ROOM_STAY.VISIT_ID, link.id()), at);
            settle(link);
        });
    }

    @Override
    @Transactional
    public void left(String pass, String visit, Instant at, Actor actor) {
        actor.requireTeam();
        links.read(Purpose.ROOM_VISIT, pass).ifPresent(link -> {
            STAYS.left(writes.sql(), visit, Map.of(ROOM_STAY.VISIT_ID, link.id()), at);
            settle(link);
        });
    }

    /** Since when nobody is in the meeting of that visit, as far as is known. */
    private void settle(Link visit) {
        writes.sql()
                .selectFrom(ROOM_VISIT)
                .where(ROOM_VISIT.ID.eq(visit.id()))
                .fetchOptional(ROOM_VISIT.MEETING_ID)
                .ifPresent(meeting -> writes.sql()
                        .update(ROOM_MEETING)
                        .set(ROOM_MEETING.EMPTIED_AT, emptied(meeting).orElse(null))
                        .where(ROOM_MEETING.ID.eq(meeting))
                        .execute());
    }

    private Optional<Instant> emptied(long meeting) {
        boolean somebody = writes.sql()
                .fetchExists(writes.sql()
                        .selectOne()
                        .from(ROOM_STAY)
                        .join(ROOM_VISIT)
                        .on(ROOM_VISIT.ID.eq(ROOM_STAY.VISIT_ID))
                        .where(ROOM_VISIT.MEETING_ID.eq(meeting))
                        .and(ROOM_STAY.LEFT_AT.isNull()));
        return somebody
                ? Optional.empty()
                : writes.sql()
                        .select(max(ROOM_STAY.LEFT_AT))
                        .from(ROOM_STAY)
                        .join(ROOM_VISIT)
                        .on(ROOM_VISIT.ID.eq(ROOM_STAY.VISIT_ID))
                        .where(ROOM_VISIT.MEETING_ID.eq(meeting))
                        .fetchOptional(max(ROOM_STAY.LEFT_AT));
    }
}
