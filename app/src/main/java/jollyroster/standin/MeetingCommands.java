package jollyroster.standin;

import static jollyroster.platform.tables.Tables.MEETING_VISIT;

import java.security.SecureRandom;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import jollyroster.door.MeetingProvider.Coming;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The visits of the meeting stand-in: tickets by which one person each comes in. */
@Component
class MeetingCommands {

    private static final SecureRandom RANDOM = new SecureRandom();
    private final Writes writes;

    MeetingCommands(Writes writes) {
        this.writes = writes;
    }

    /** Makes a ticket. @return by what it is known */
    @Transactional
    public String ticket(String room, String title, Coming who, Instant closes) {
        String visit = random(16);
        writes.sql()
                .insertInto(MEETING_VISIT)
                .set(MEETING_VISIT.VISIT, visit)
                .set(MEETING_VISIT.ROOM, room)
                .set(MEETING_VISIT.TITLE, title)
                .set(MEETING_VISIT.GUEST, who.pass())
                .set(MEETING_VISIT.NAME, who.leads() ? who.name() + " (host)" : who.name())
                .set(MEETING_VISIT.CLOSES_AT, closes)
                .execute();
        return visit;
    }

    private static String random(int bytes) {
        byte[] random = new byte[bytes];
        RANDOM.nextBytes(random);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(random);
    }

    /** Comes in with a ticket. @return when, if this is the first time, and the room is not shut */
    @Transactional
    public boolean enter(String visit, Instant at) {
        return writes.sql()
                        .update(MEETING_VISIT)
                        .set(MEETING_VISIT.ENTERED_AT, at)
                        .where(MEETING_VISIT.VISIT.eq(visit))
                        .and(MEETING_VISIT.ENTERED_AT.isNull())
                        .and(MEETING_VISIT.CLOSES_AT.gt(at))
                        .execute()
                == 1;
    }

    /** Shuts a room. @return the tickets of those who were inside */
    @Transactional
    public List<String> shut(String room, Instant at) {
        List<String> inside = writes.sql()
                .selectFrom(MEETING_VISIT)
                .where(MEETING_VISIT.ROOM.eq(room))
                .and(MEETING_VISIT.ENTERED_AT.isNotNull())
                .and(MEETING_VISIT.LEFT_AT.isNull())
                .fetch(MEETING_VISIT.VISIT);
        writes.sql()
                .update(MEETING_VISIT)
                .set(MEETING_VISIT.CLOSES_AT, at)
                .where(MEETING_VISIT.ROOM.eq(room))
                .and(MEETING_VISIT.CLOSES_AT.gt(at))
                .execute();
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
