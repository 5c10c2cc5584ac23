package jollyroster.door;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import jollyroster.core.door.GuestMeets;
import jollyroster.door.GuestLinkQueries.GuestLink;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** Who stands at a door with a guest link, and what they meet there. */
@Component
class GuestDoor {

    private final GuestLinkQueries guestLinks;
    private final DoorCookies cookies;
    private final InsideQueries insiders;
    private final Clock clock;

    GuestDoor(GuestLinkQueries guestLinks, DoorCookies cookies, InsideQueries insiders, Clock clock) {
        this.guestLinks = guestLinks;
        this.cookies = cookies;
        this.insiders = insiders;
        this.clock = clock;
    }

    /** Somebody with a guest link. @param arrival how this browser stands, where it has knocked */
    record Standing(GuestLink link, Session session, Optional<Arrival> arrival, GuestMeets meets) {}

    /** Empty for a link that is not good. */
    Optional<Standing> standing(String token, HttpServletRequest request) {
        Instant now = clock.instant();
        return guestLinks
                .read(token)
                .flatMap(link -> guestLinks.leadsTo(link, now).map(session -> {
                    Optional<Arrival> arrival = cookies.knocked(session, request);
                    return new Standing(link, session, arrival, meets(session, arrival, now));
                }));
    }

    private GuestMeets meets(Session session, Optional<Arrival> arrival, Instant now) {
        return GuestMeets.decide(
                session.doorHours().at(now),
                session.cancelled(),
                () -> insiders.room(session) > 0,
                arrival.map(a -> new GuestMeets.Guest(a.state(), a.left().isPresent())));
    }
}
