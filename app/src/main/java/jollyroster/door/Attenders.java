package jollyroster.door;

import java.time.Clock;
import java.util.Optional;
import jollyroster.core.door.DoorHours.Phase;
import jollyroster.core.door.Knock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** Who takes part in a session, by their personal link or by what the door has given a guest. */
@Component
public class Attenders {

    private final PersonalLinks links;
    private final RegistrationQueries roster;
    private final ProgrammeQueries programme;
    private final ArrivalQueries arrivals;
    private final InsideQueries inside;
    private final Clock clock;

    Attenders(
            PersonalLinks links,
            RegistrationQueries roster,
            ProgrammeQueries programme,
            ArrivalQueries arrivals,
            InsideQueries inside,
            Clock clock) {
        this.links = links;
        this.roster = roster;
        this.programme = programme;
        this.arrivals = arrivals;
        this.inside = inside;
        this.clock = clock;
    }

    /**
     * Somebody who takes part.
     *
     * @param registration theirs; 0 for a guest
     * @param arrival a guest's; 0 for somebody registered
     * @param pass by which the meeting service reports them
     */
    public record Attender(Session session, long registration, long arrival, String name, String pass) {}

    /** Empty for a link that is not good, and before the door opens or has let them in. */
    public Optional<Attender> of(String token) {
        Optional<Attender> registered = links.read(Purpose.JOIN, token).flatMap(this::registered);
        return registered.isPresent()
                ? registered
                : links.read(Purpose.ARRIVAL, token).flatMap(this::guest).filter(this::hasBegun);
    }

    private Optional<Attender> registered(Link link) {
        return roster.registration(link.id())
                .filter(r -> r.generation() == link.generation() && r.state().mayJoin())
                .flatMap(r -> programme.dateAt(r.session(), clock.instant()).map(session -> attender(r, session, link)))
                .filter(this::hasBegun)
                .filter(a -> !arrivals.isBarred(a.session().id(), a.registration()))
                .filter(a -> !a.session().offering().door().everyoneKnocks()
                        || inside.hasCome(a.session(), a.registration()));
    }

    private Attender attender(Registration r, Session session, Link link) {
        return new Attender(session, r.id(), 0, r.name(), links.issue(Purpose.MEETING_PASS, link));
    }

    private Optional<Attender> guest(Link link) {
        return arrivals.byLink(link)
                .filter(a -> a.state() == Knock.INSIDE)
                .flatMap(a -> programme
                        .session(a.session())
                        .map(session -> new Attender(
                                session,
                                a.registration(),
                                a.registration() == 0 ? a.id() : 0,
                                a.name(),
                                links.issue(Purpose.ARRIVAL, link))));
    }

    private boolean hasBegun(Attender who) {
        Session session = who.session();
        return !session.cancelled() && session.doorHours().at(clock.instant()) != Phase.BEFORE;
    }
}
