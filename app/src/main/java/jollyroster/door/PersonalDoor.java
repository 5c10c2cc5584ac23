package jollyroster.door;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import jollyroster.core.door.Admission;
import jollyroster.core.door.GuestMeets;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.door.Passage;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** Who stands at a door with their own link, and what they meet there. */
@Component
class PersonalDoor {

    private final PersonalLinks links;
    private final RegistrationQueries roster;
    private final ProgrammeQueries programme;
    private final DoorCookies cookies;
    private final InsideQueries insiders;
    private final Clock clock;

    PersonalDoor(
            PersonalLinks links,
            RegistrationQueries roster,
            ProgrammeQueries programme,
            DoorCookies cookies,
            InsideQueries insiders,
            Clock clock) {
        this.links = links;
        this.roster = roster;
        this.programme = programme;
        this.cookies = cookies;
        this.insiders = insiders;
        this.clock = clock;
    }

    /** Somebody with their own link. @param knocked how this browser stands, where it has knocked */
    record Arriving(Registration who, Session session, Admission meets, Optional<Arrival> knocked) {

        Link link() {
            return new Link(who.id(), who.generation());
        }
    }

    /** Empty for a link that is not good. */
    Optional<Arriving> arriving(String token, HttpServletRequest request) {
        Instant now = clock.instant();
        return links.read(Purpose.JOIN, token)
                .flatMap(link -> roster.registration(link.id())
                        .filter(r -> r.generation() == link.generation())
                        .flatMap(r ->
                                programme.dateAt(r.session(), now).map(session -> arriving(r, session, now, request))));
    }

    private Arriving arriving(Registration who, Session session, Instant now, HttpServletRequest request) {
        Admission meets =
                Admission.decide(standing(who.state()), session.doorHours().at(now), session.cancelled());
        if (meets != Admission.COME_IN || !session.isOnline()) {
            return new Arriving(who, session, meets, Optional.empty());
        }
        Optional<Arrival> knocked = cookies.knocked(session, request).filter(a -> a.registration() == who.id());
        InsideQueries.Standing standing = insiders.standing(session, who.id());
        Passage.Link link = new Passage.Link(
                cookies.wasLetIn(session, new Link(who.id(), who.generation()), request),
                standing.inside(),
                standing.barred());
        Admission kept = Admission.atOpenDoor(
                link,
                session.offering().door().everyoneKnocks(),
                () -> insiders.room(session) > 0,
                knocked.map(a -> new GuestMeets.Guest(a.state(), a.left().isPresent())));
        return new Arriving(who, session, kept, knocked);
    }

    private static Admission.Standing standing(RegistrationState state) {
        return switch (state) {
            case REGISTERED -> Admission.Standing.REGISTERED;
            case UNCONFIRMED, MAYBE -> Admission.Standing.HELD;
            case WAITLISTED, CALLED_UP -> Admission.Standing.WAITLISTED;
            case CANCELLED, DECLINED -> Admission.Standing.CANCELLED;
        };
    }
}
