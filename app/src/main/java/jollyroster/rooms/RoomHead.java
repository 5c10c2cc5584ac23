package jollyroster.rooms;

import jollyroster.platform.Actor;
import jollyroster.platform.Address;
import jollyroster.platform.QrCode;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.springframework.web.server.ResponseStatusException;

/** What every page of a room for its hosts begins with. */
@Component
class RoomHead {

    private final RoomKeepers keepers;
    private final Address address;

    RoomHead(RoomKeepers keepers, Address address) {
        this.keepers = keepers;
        this.address = address;
    }

    /** @throws ResponseStatusException 404 where somebody may not host there */
    StandingRoom visible(long room, Actor actor) {
        return keepers.visible(room, actor).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    void show(StandingRoom room, Actor actor, Model model) {
        String link = address.of("/rooms/" + room.slug());
        model.addAttribute("room", room);
        model.addAttribute("at", "/desk/rooms/" + room.id());
        model.addAttribute("link", link);
        model.addAttribute("qr", QrCode.of(link).svg());
        model.addAttribute("owns", keepers.owns(room, actor));
    }
}
