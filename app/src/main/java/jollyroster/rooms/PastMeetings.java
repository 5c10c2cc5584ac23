package jollyroster.rooms;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import jollyroster.chart.StaysDrawing;
import jollyroster.core.attendance.Presence;
import jollyroster.core.dates.Interval;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.rooms.RoomQueries.Was;
import org.springframework.stereotype.Component;

/** The meetings that were in a room: when, who came and for how long. */
@Component
class PastMeetings {

    private final RoomQueries rooms;
    private final OrganisationQueries organisation;
    private final Clock clock;

    PastMeetings(RoomQueries rooms, OrganisationQueries organisation, Clock clock) {
        this.rooms = rooms;
        this.organisation = organisation;
        this.clock = clock;
    }

    /** Somebody who was there. @param stayed for how long, in words */
    record Guest(String name, String email, boolean leads, String stayed, Instant came, Duration time) {}

    /** A meeting. @param when from its first to its last, on the organisation's clock @param drawing as SVG @param notes Markdown */
    record Past(long id, String when, String length, List<Guest> people, String drawing, String notes) {}

    List<Past> of(StandingRoom room, int most) {
        Instant now = clock.instant();
        List<RoomMeeting> meetings = rooms.past(room.id(), now, most);
        Map<Long, List<Was>> people =
                rooms.people(meetings.stream().map(RoomMeeting::id).toList(), now);
        return meetings.stream()
                .filter(meeting -> people.containsKey(meeting.id()))
                .map(meeting -> past(meeting, people.get(meeting.id()), now))
                .toList();
    }

    private Past past(RoomMeeting meeting, List<Was> people, Instant now) {
        ZoneId zone = organisation.organisation().zone();
        Interval whole = whole(meeting, people);
        String drawing = StaysDrawing.of(
                whole,
                people.stream()
                        .map(was -> new StaysDrawing.Lane(was.name(), was.leads(), was.stays()))
                        .toList(),
                "Who was there and when");
        return new Past(
                meeting.id(),
                when(whole, zone, now),
                Times.length(minutes(whole.length())),
                people.stream().map(was -> guest(was, whole)).toList(),
                drawing,
                meeting.notes());
    }

    static String when(Interval whole, ZoneId zone, Instant now) {
        return Times.range(whole.start(), whole.end(), zone, now.atZone(zone).toLocalDate());
    }

    private static Guest guest(Was was, Interval whole) {
        Duration time = Presence.of(whole, was.stays()).time();
        Instant came = was.stays().stream().map(Interval::start).findFirst().orElse(whole.start());
        return new Guest(was.name(), was.email(), was.leads(), Times.length(minutes(time)), came, time);
    }

    /** From the first who came to the last who went. */
    static Interval whole(RoomMeeting meeting, List<Was> people) {
        List<Interval> stays =
                people.stream().flatMap(was -> was.stays().stream()).toList();
        Instant start = stays.stream()
                .map(Interval::start)
                .min(Comparator.naturalOrder())
                .orElse(meeting.started());
        Instant end =
                stays.stream().map(Interval::end).max(Comparator.naturalOrder()).orElse(start);
        return new Interval(start, end);
    }

    /** Whole minutes, and one at least. */
    static Duration minutes(Duration exact) {
        return Duration.ofMinutes(Math.max(1, Math.round(exact.toSeconds() / 60.0)));
    }
}
