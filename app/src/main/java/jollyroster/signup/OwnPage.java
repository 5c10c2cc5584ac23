package jollyroster.signup;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import jollyroster.roster.Registration;
import jollyroster.roster.RegistrationState;
import jollyroster.roster.RosterQueries;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.view.RedirectView;

/** A person's own page, also shown as the confirmation right after registering. */
@Component
class OwnPage {

    /** A parameter of the page's address right after registering. */
    static final String JUST_REGISTERED = "confirmed";

    private final RosterQueries roster;
    private final ProgrammeQueries programme;
    private final PersonalLinks links;
    private final Clock clock;

    OwnPage(RosterQueries roster, ProgrammeQueries programme, PersonalLinks links, Clock clock) {
        this.roster = roster;
        this.programme = programme;
        this.links = links;
        this.clock = clock;
    }

    /** The page, decided and formatted. */
    record View(
            String state,
            String stateWord,
            String title,
            String slug,
            String summary,
            String name,
            String firstName,
            String email,
            String seats,
            String when,
            String here,
            String until,
            String place,
            String accessNote,
            boolean online,
            String bring,
            int placeInLine,
            String joinAddress,
            String ownAddress,
            boolean canCancel,
            boolean canJoin,
            String doorOpens,
            Map<String, String> answers,
            List<String> seriesDates,
            List<Choice> otherDates) {}

    /** A date one could change to. */
    record Choice(long id, String when, String left) {}

    /** A registration that a token leads to. */
    record Found(Registration registration, Session session) {}

    Optional<Found> find(String token) {
        return links.read(Purpose.OWN_PAGE, token).flatMap(this::find);
    }

    private Optional<Found> find(Link link) {
        return roster.registration(link.id())
                .filter(r -> r.generation() == link.generation())
                .flatMap(r -> programme.dateAt(r.session(), clock.instant()).map(session -> new Found(r, session)));
    }

    /** Sends the browser to the page as a confirmation, so that loading it again registers nobody again. */
    ModelAndView confirmation(Link link) {
        RedirectView confirmed =
                new RedirectView("/my/" + links.issue(Purpose.OWN_PAGE, link) + "?" + JUST_REGISTERED, true);
        confirmed.setStatusCode(HttpStatus.SEE_OTHER);
        confirmed.setExposeModelAttributes(false);
        return new ModelAndView(confirmed);
    }

    ModelAndView show(Found found, boolean justRegistered) {
        ModelAndView page = new ModelAndView("signup/own-page");
        page.addObject("own", view(found));
        page.addObject("justRegistered", justRegistered);
        return page;
    }

    private View view(Found found) {
        Registration r = found.registration();
        Session s = found.session();
        Offering o = s.offering();
        Instant now = clock.instant();
        Link link = new Link(r.id(), r.generation());
        ZoneId zone = r.zone();
        boolean seated = r.state().takesSeats();
        boolean active = RegistrationState.ACTIVE.contains(r.state());
        boolean online = s.isOnline();
        int space = r.name().indexOf(' ');
        return new View(
                r.state().code(),
                r.state().word(),
                o.title(),
                o.slug(),
                o.summary(),
                r.name(),
                space < 0 ? r.name() : r.name().substring(0, space),
                r.email(),
                r.party() == 1 ? "1 seat" : r.party() + " seats",
                OfferingPage.when(s, zone, now) + " " + Times.city(zone) + " time",
                OfferingPage.here(s, zone),
                until(s, now),
                online ? "Online" : s.place(),
                s.venue().map(Venue::accessNote).orElse(""),
                online,
                o.bring(),
                r.state() == RegistrationState.WAITLISTED ? roster.placeInLine(r) : 0,
                links.join(link),
                links.ownPage(link),
                active && now.isBefore(s.end()),
                seated && now.isBefore(s.doorHours().closes()),
                Times.dayAndTime(s.doorHours().opens(), zone),
                roster.answersOf(r.id()),
                seriesDates(s, zone, now),
                active ? otherDates(r, s, zone, now) : List.of());
    }

    private List<String> seriesDates(Session s, ZoneId zone, Instant now) {
        List<Session> dates = programme.datesOf(s);
        return dates.size() < 2
                ? List.of()
                : dates.stream()
                        .map(d -> OfferingPage.when(d, zone, now) + (d.cancelled() ? ", called off" : ""))
                        .toList();
    }

    /** Where one date is all a person holds, the others that have room. */
    private List<Choice> otherDates(Registration r, Session s, ZoneId zone, Instant now) {
        if (s.offering().style() != SignUpStyle.ONE_DATE || !now.isBefore(s.start())) {
            return List.of();
        }
        List<Session> others = programme.sessionsOf(s.offering().id()).stream()
                .filter(d -> d.id() != s.id() && d.isOpenAt(now))
                .toList();
        Map<Long, SeatCount> counts = roster.of(others.stream().map(Session::id).toList());
        return others.stream()
                .filter(d -> d.seats() - d.keptBack() - counts.get(d.id()).taken() >= r.party())
                .map(d -> new Choice(
                        d.id(),
                        OfferingPage.when(d, zone, now),
                        d.seats() - d.keptBack() - counts.get(d.id()).taken() + " left"))
                .toList();
    }

    private static String until(Session s, Instant now) {
        if (!now.isBefore(s.end())) {
            return "This session is over.";
        }
        if (!now.isBefore(s.start())) {
            return "This session is under way.";
        }
        return "in " + Times.length(java.time.Duration.between(now, s.start()));
    }
}
