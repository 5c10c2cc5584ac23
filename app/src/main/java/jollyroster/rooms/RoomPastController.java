package jollyroster.rooms;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.intake.Contact;
import jollyroster.door.KnockLimit;
import jollyroster.platform.Actor;
import jollyroster.platform.Markdown;
import jollyroster.platform.PersonalLinks;
import jollyroster.rooms.StandingRoom.Afterwards;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The meetings somebody was in: by a link that goes to their address, as far as the room allows. */
@Controller
class RoomPastController {

    private static final int MOST = 100;
    private final RoomQueries rooms;
    private final RoomVisitQueries visits;
    private final RoomLinkCommands commands;
    private final PastMeetings past;
    private final PersonalLinks links;
    private final KnockLimit limit;

    RoomPastController(
            RoomQueries rooms,
            RoomVisitQueries visits,
            RoomLinkCommands commands,
            PastMeetings past,
            PersonalLinks links,
            KnockLimit limit) {
        this.rooms = rooms;
        this.visits = visits;
        this.commands = commands;
        this.past = past;
        this.links = links;
        this.limit = limit;
    }

    /** A meeting for somebody who was in it. @param notes as safe HTML; empty where there are none */
    record Own(String when, String stayed, String notes) {}

    private Optional<StandingRoom> open(String slug) {
        return rooms.bySlug(slug).filter(room -> room.afterwards() != Afterwards.NOTHING);
    }

    private static String unknown(HttpServletResponse response) {
        response.setStatus(HttpStatus.NOT_FOUND.value());
        return "door/unknown";
    }

    @GetMapping("/rooms/{slug}/mine")
    String ask(@PathVariable String slug, HttpServletResponse response, Model model) {
        return open(slug).map(room -> page(room, model)).orElseGet(() -> unknown(response));
    }

    private static String page(StandingRoom room, Model model) {
        model.addAttribute("room", room.name());
        model.addAttribute("at", "/rooms/" + room.slug());
        return "rooms/mine";
    }

    /** Says the same whether somebody was there with that address or not. */
    @PostMapping("/rooms/{slug}/mine")
    String send(
            @PathVariable String slug,
            @RequestParam(defaultValue = "") String email,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        Optional<StandingRoom> room = open(slug);
        if (room.isEmpty()) {
            return unknown(response);
        }
        Optional<String> address = Contact.email(email);
        model.addAttribute("typed", email);
        if (address.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
            model.addAttribute("problem", "Please give an e-mail address like name@example.org.");
        } else if (!limit.mayKnock(request.getRemoteAddr(), "room-" + room.get().id())) {
            response.setStatus(HttpStatus.TOO_MANY_REQUESTS.value());
            model.addAttribute("problem", "Too many requests from your network. Please try again in a few minutes.");
        } else {
            commands.send(room.get(), address.get(), Actor.visitor(address.get()));
            model.addAttribute("sent", address.get());
        }
        return page(room.get(), model);
    }

    @GetMapping("/rooms/{slug}/mine/{token}")
    String mine(@PathVariable String slug, @PathVariable String token, HttpServletResponse response, Model model) {
        Optional<StandingRoom> room = open(slug);
        Optional<RoomVisit> visit = room.flatMap(r -> links.read(Purpose.ROOM_PAST, token)
                .flatMap(visits::byLink)
                .filter(v -> v.room() == r.id() && !v.email().isEmpty()));
        if (visit.isEmpty()) {
            return unknown(response);
        }
        response.setHeader("Cache-Control", "no-store");
        model.addAttribute("meetings", own(room.get(), visit.get().email()));
        model.addAttribute(
                "materials",
                room.get().afterwards() == Afterwards.NOTES_AND_MATERIALS
                        ? Markdown.toSafeHtml(room.get().words().materials())
                        : "");
        return page(room.get(), model);
    }

    private List<Own> own(StandingRoom room, String email) {
        List<Long> theirs = visits.meetingsOf(room.id(), email);
        return past.of(room, MOST).stream()
                .filter(meeting -> theirs.contains(meeting.id()))
                .map(meeting -> new Own(
                        meeting.when(),
                        meeting.people().stream()
                                .filter(guest -> guest.email().equals(email))
                                .map(PastMeetings.Guest::stayed)
                                .findFirst()
                                .orElse(""),
                        Markdown.toSafeHtml(meeting.notes())))
                .toList();
    }
}
