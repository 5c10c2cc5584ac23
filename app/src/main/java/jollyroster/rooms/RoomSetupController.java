package jollyroster.rooms;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.door.RoomDoor;
import jollyroster.platform.Actor;
import jollyroster.platform.Address;
import jollyroster.platform.DeskPage;
import jollyroster.platform.QrCode;
import jollyroster.rooms.StandingRoom.Afterwards;
import jollyroster.rooms.StandingRoom.Part;
import jollyroster.team.TeamQueries.Mate;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Setup: standing rooms, made by organisers and hosts. */
@DeskPage
class RoomSetupController {

    private final RoomKeepers keepers;
    private final RoomList list;
    private final RoomQueries rooms;
    private final RoomCommands commands;
    private final RoomPeople people;
    private final Address address;

    RoomSetupController(
            RoomKeepers keepers,
            RoomList list,
            RoomQueries rooms,
            RoomCommands commands,
            RoomPeople people,
            Address address) {
        this.keepers = keepers;
        this.list = list;
        this.rooms = rooms;
        this.commands = commands;
        this.people = people;
        this.address = address;
    }

    @GetMapping("/desk/setup/rooms")
    String list(Actor actor, Model model) {
        return page(actor, model, RoomForm.named("", RoomDoor.WITH_HOST.name()), Map.of());
    }

    private String page(Actor actor, Model model, RoomForm form, Map<String, String> problems) {
        model.addAttribute("rooms", list.of(actor));
        model.addAttribute("doors", RoomWords.choices());
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        return "rooms/rooms";
    }

    @PostMapping("/desk/setup/rooms")
    String create(
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String door,
            Actor actor,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash) {
        RoomForm form = RoomForm.named(name, door);
        Map<String, String> problems = form.problems();
        if (!problems.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(actor, model, form, problems);
        }
        long id = commands.create(form.settings(List.of()), actor);
        flash.addFlashAttribute("said", "The room stands. Say what it is for, and who may use it.");
        return "redirect:/desk/setup/rooms/" + id;
    }

    private StandingRoom own(long id, Actor actor) {
        return Optional.of(id)
                .flatMap(rooms::room)
                .filter(room -> keepers.owns(room, actor))
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/setup/rooms/{room}")
    String room(@PathVariable("room") long id, Actor actor, Model model) {
        StandingRoom room = own(id, actor);
        return edit(room, RoomForm.of(room, rooms.sharedWith(id)), Map.of(), model);
    }

    private String edit(StandingRoom room, RoomForm form, Map<String, String> problems, Model model) {
        String link = address.of("/rooms/" + room.slug());
        model.addAttribute("room", room);
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        model.addAttribute("doors", RoomWords.choices());
        model.addAttribute("parts", Part.values());
        model.addAttribute("afterwards", Afterwards.values());
        model.addAttribute("others", people.others(room.maker()));
        model.addAttribute("maker", people.name(room.maker()));
        model.addAttribute("link", link);
        model.addAttribute("qr", QrCode.of(link).svg());
        return "rooms/settings";
    }

    @PostMapping("/desk/setup/rooms/{room}")
    String change(
            @PathVariable("room") long id,
            @ModelAttribute("sent") RoomForm form,
            Actor actor,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash) {
        StandingRoom room = own(id, actor);
        Map<String, String> problems = form.problems();
        if (!problems.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return edit(room, form, problems, model);
        }
        List<Long> known = people.others(room.maker()).stream().map(Mate::id).toList();
        commands.change(id, form.settings(known), actor);
        flash.addFlashAttribute("said", "Saved.");
        return "redirect:/desk/setup/rooms/" + id;
    }

    @PostMapping("/desk/setup/rooms/{room}/retire")
    String retire(
            @PathVariable("room") long id,
            @RequestParam(defaultValue = "true") boolean retired,
            Actor actor,
            RedirectAttributes flash) {
        own(id, actor);
        commands.retire(id, retired, actor);
        flash.addFlashAttribute(
                "said", retired ? "The room is closed. Its address and its past stay." : "The room is open again.");
        return "redirect:/desk/setup/rooms";
    }
}
