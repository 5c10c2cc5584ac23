package jollyroster.door;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.Session;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;
import org.springframework.web.util.WebUtils;

/** By what a door knows a browser again, until it closes. */
@Component
class DoorCookies {

    private final PersonalLinks links;
    private final ArrivalQueries arrivals;
    private final Clock clock;

    DoorCookies(PersonalLinks links, ArrivalQueries arrivals, Clock clock) {
        this.links = links;
        this.arrivals = arrivals;
        this.clock = clock;
    }

    /** Who has knocked at this door with this browser. */
    Optional<Arrival> knocked(Session session, HttpServletRequest request) {
        return kept(Purpose.ARRIVAL, session, request).flatMap(link -> arrivals.byLink(link, session.id()));
    }

    void keepKnock(Session session, Link arrival, HttpServletRequest request, HttpServletResponse response) {
        keep(Purpose.ARRIVAL, session, arrival, request, response);
    }

    /** Whether this browser was let in with that personal link. */
    boolean wasLetIn(Session session, Link own, HttpServletRequest request) {
        return kept(Purpose.LET_IN, session, request).filter(own::equals).isPresent();
    }

    void keepLetIn(Session session, Link own, HttpServletRequest request, HttpServletResponse response) {
        keep(Purpose.LET_IN, session, own, request, response);
    }

    private Optional<Link> kept(Purpose purpose, Session session, HttpServletRequest request) {
        return Optional.ofNullable(WebUtils.getCookie(request, name(purpose, session)))
                .flatMap(kept -> links.read(purpose, kept.getValue()));
    }

    private static String name(Purpose purpose, Session session) {
        return (purpose == Purpose.ARRIVAL ? "door-" : "in-") + session.id();
    }

    private void keep(
            Purpose purpose, Session session, Link link, HttpServletRequest request, HttpServletResponse response) {
        Duration until = Duration.between(clock.instant(), session.doorHours().closes());
        response.addHeader(
                "Set-Cookie",
                ResponseCookie.from(name(purpose, session), links.issue(purpose, link))
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Lax")
                        .path(request.getRequestURI().startsWith("/g/") ? "/g/" : "/join/")
                        .maxAge(until)
                        .build()
                        .toString());
    }
}
