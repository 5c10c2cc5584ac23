package jollyroster.rooms;

import java.time.Instant;
import java.util.Optional;
import jollyroster.core.door.RoomDoor;
import jollyroster.core.door.RoomTerms;
import jollyroster.core.door.RoomTerms.ThisTime;
import jollyroster.platform.tables.tables.records.RoomMeetingRecord;

/**
 * A meeting in a standing room.
 *
 * @param emptied since when nobody is inside; empty while somebody is
 * @param ended empty while it goes on
 * @param place by which the meeting service knows it; empty before the first goes in
 * @param notes Markdown, for those who were there; empty for none
 */
public record RoomMeeting(
        long id,
        long room,
        Instant started,
        Optional<Instant> emptied,
        Optional<Instant> ended,
        String place,
        ThisTime once,
        String notes) {

    /** Whether it is over, be it that nobody has written so yet. */
    boolean isOver(Instant now) {
        return ended.isPresent()
                || emptied.filter(at -> !RoomTerms.over(at).isAfter(now)).isPresent();
    }

    static RoomMeeting of(RoomMeetingRecord row) {
        return new RoomMeeting(
                row.getId(),
                row.getRoomId(),
                row.getStartedAt(),
                Optional.ofNullable(row.getEmptiedAt()),
                Optional.ofNullable(row.getEndedAt()),
                row.getMeetingPlace(),
                new ThisTime(
                        Optional.ofNullable(row.getDoor()).map(RoomDoor::valueOf),
                        Optional.ofNullable(row.getAgenda()),
                        Optional.ofNullable(row.getIsEmailAsked())),
                row.getNotes());
    }
}
