package jollyroster.standin;

import static jollyroster.platform.tables.Tables.MEETING_SHUT;
import static jollyroster.platform.tables.Tables.MEETING_VISIT;

import java.time.Instant;
import java.util.List;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The visits of the meeting stand-in. */
@Component
class MeetingCommands {

    private final Writes writes;

    MeetingCommands(Writes writes) {
        this.writes = writes;
    }

    /** Comes in with a ticket. @return whether it is the first time, and the room is not shut */
    @Transactional
    public boolean enter(MeetingTicket ticket, Instant at) {
        return ticket.closes().isAfter(at)
                && !isShut(ticket)
                && writes.sql()
                                .insertInto(MEETING_VISIT)
                                .set(MEETING_VISIT.VISIT, ticket.visit())
                                .set(MEETING_VISIT.ROOM, ticket.room())
                                .set(MEETING_VISIT.TITLE, ticket.title())
                                .set(MEETING_VISIT.GUEST, ticket.guest())
                                .set(MEETING_VISIT.NAME, ticket.name())
                                .set(MEETING_VISIT.CLOSES_AT, ticket.closes())
                                .set(MEETING_VISIT.ENTERED_AT, at)
                                .onConflictDoNothing()
                                .execute()
                        == 1;
    }

    private boolean isShut(MeetingTicket ticket) {
        return writes.sql()
                .fetchExists(MEETING_SHUT, MEETING_SHUT.ROOM.eq(ticket.room()), MEETING_SHUT.SHUT_AT.ge(ticket.made()));
    }

    /** Shuts a room. @return the visits of those who were inside */
    @Transactional
    public List<String> shut(String room, Instant at) {
        writes.sql()
                .insertInto(MEETING_SHUT)
                .set(MEETING_SHUT.ROOM, room)
                .set(MEETING_SHUT.SHUT_AT, at)
                .onDuplicateKeyUpdate()
                .set(MEETING_SHUT.SHUT_AT, at)
                .execute();
        List<String> inside = writes.sql()
                .selectFrom(MEETING_VISIT)
                .where(MEETING_VISIT.ROOM.eq(room))
                .and(MEETING_VISIT.ENTERED_AT.isNotNull())
                .and(MEETING_VISIT.LEFT_AT.isNull())
                .fetch(MEETING_VISIT.VISIT);
        return inside.stream().filter(visit -> leave(visit, at)).toList();
    }

    /** Leaves. @return whether the person was inside */
    @Transactional
    public boolean leave(String visit, Instant at) {
        return writes.sql()
                        .update(MEETING_VISIT)
                        .set(MEETING_VISIT.LEFT_AT, at)
                        .where(MEETING_VISIT.VISIT.eq(visit))
                        .and(MEETING_VISIT.ENTERED_AT.isNotNull())
                        .and(MEETING_VISIT.LEFT_AT.isNull())
                        .execute()
                == 1;
    }
}
