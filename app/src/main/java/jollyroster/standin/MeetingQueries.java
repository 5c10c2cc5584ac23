package jollyroster.standin;

import static jollyroster.platform.tables.Tables.MEETING_VISIT;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads who is in a room of the meeting stand-in. */
@Component
class MeetingQueries {

    private static final int MOST_SHOWN = 200;
    private final Reads reads;

    MeetingQueries(Reads reads) {
        this.reads = reads;
    }

    record Visit(
            String visit,
            String room,
            String title,
            String guest,
            String name,
            Instant closes,
            Optional<Instant> left) {}

    Optional<Visit> visit(String visit) {
        return reads.sql()
                .selectFrom(MEETING_VISIT)
                .where(MEETING_VISIT.VISIT.eq(visit))
                .fetchOptional(v -> new Visit(
                        v.getVisit(),
                        v.getRoom(),
                        v.getTitle(),
                        v.getGuest(),
                        v.getName(),
                        v.getClosesAt(),
                        Optional.ofNullable(v.getLeftAt())));
    }

    /** The names of those inside, in order of coming in. */
    List<String> inside(String room) {
        return reads.sql()
                .select(MEETING_VISIT.NAME)
                .from(MEETING_VISIT)
                .where(MEETING_VISIT.ROOM.eq(room))
                .and(MEETING_VISIT.LEFT_AT.isNull())
                .and(MEETING_VISIT.ENTERED_AT.isNotNull())
                .orderBy(MEETING_VISIT.ENTERED_AT)
                .limit(MOST_SHOWN)
                .fetch(MEETING_VISIT.NAME);
    }
}
