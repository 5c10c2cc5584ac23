package jollyroster.rooms;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import jollyroster.core.door.RoomDoor;
import jollyroster.core.door.RoomTerms;
import jollyroster.core.intake.Text;
import jollyroster.exchange.Tables;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The meetings in a standing room: what holds in the present one only, notes, and who was in those that were. */
@DeskPage
class RoomMeetingsController {

    private static final int LONGEST_NOTES = 4000;
    private static final int MANY = 100;
    private final RoomHead head;
    private final RoomMeetingCommands meetings;
    private final PastMeetings past;

    RoomMeetingsController(RoomHead head, RoomMeetingCommands meetings, PastMeetings past) {
        this.head = head;
        this.meetings = meetings;
        this.past = past;
    }

    private static String back(long id) {
        return "/desk/rooms/" + id;
    }

    /** What holds in this meeting only. */
    @PostMapping("/desk/rooms/{room}/this-time")
    String thisTime(
            @PathVariable("room") long id,
            @RequestParam(defaultValue = "") String door,
            @RequestParam(defaultValue = "") String agenda,
            @RequestParam(required = false) boolean email,
            Actor actor,
            RedirectAttributes flash) {
        head.visible(id, actor);
        RoomDoor wanted = RoomForm.door(door).orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
        RoomTerms terms = new RoomTerms(wanted, Text.manyLines(agenda, RoomForm.LONGEST), email);
        boolean done = meetings.thisTime(id, terms, actor);
        flash.addFlashAttribute(
                done ? "said" : "warned",
                done
                        ? "Saved for this meeting. The next one is as the room has it."
                        : "No meeting is going on any more.");
        return "redirect:" + back(id);
    }

    @PostMapping("/desk/rooms/{room}/meetings/{meeting}")
    String notes(
            @PathVariable("room") long id,
            @PathVariable long meeting,
            @RequestParam(defaultValue = "") String notes,
            Actor actor,
            RedirectAttributes flash) {
        head.visible(id, actor);
        meetings.notes(id, meeting, Text.manyLines(notes, LONGEST_NOTES), actor);
        flash.addFlashAttribute("said", "Notes saved.");
        return "redirect:" + back(id);
    }

    @GetMapping("/desk/rooms/{room}/meetings")
    String meetings(@PathVariable("room") long id, Actor actor, Model model) {
        StandingRoom room = head.visible(id, actor);
        head.show(room, actor, model);
        model.addAttribute("past", past.of(room, MANY));
        return "rooms/meetings";
    }

    /** Who was in which meeting and how long, as a table. */
    @GetMapping("/desk/rooms/{room}/meetings.csv")
    void csv(@PathVariable("room") long id, Actor actor, HttpServletResponse response) throws IOException {
        StandingRoom room = head.visible(id, actor);
        response.setContentType("text/csv; charset=UTF-8");
        response.setHeader("Content-Disposition", "attachment; filename=\"" + room.slug() + "-meetings.csv\"");
        try (Tables table = new Tables(
                response.getOutputStream(), List.of("meeting", "name", "email", "part", "came", "minutes"))) {
            for (PastMeetings.Past meeting : past.of(room, MANY)) {
                for (PastMeetings.Guest guest : meeting.people()) {
                    table.row(List.of(
                            meeting.when(),
                            guest.name(),
                            guest.email(),
                            guest.leads() ? "host" : "guest",
                            guest.came().toString(),
                            String.valueOf(PastMeetings.minutes(guest.time()).toMinutes())));
                }
            }
        }
    }
}
