package jollyroster.signup;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.answers.GivenQueries;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.foresight.Odds;
import jollyroster.core.intake.Bounds;
import jollyroster.core.seats.CallUp;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.guests.Reply;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import jollyroster.roster.FillQueries;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.view.RedirectView;

/** A person's own page, also shown as the confirmation right after registering. */
@Component
class OwnPage {

    /** A parameter of the page's address right after registering. */
    static final String JUST_REGISTERED = "confirmed";

    private final GivenQueries given;
    private final RegistrationQueries roster;
    private final FillQueries fill;
    private final ProgrammeQueries programme;
    private final OwnChanges changes;
    private final OwnMoney money;
    private final OwnTexts texts;
    private final PersonalLinks links;
    private final Clock clock;

    OwnPage(
            GivenQueries given,
            RegistrationQueries roster,
            FillQueries fill,
            ProgrammeQueries programme,
            OwnChanges changes,
            OwnMoney money,
            OwnTexts texts,
            PersonalLinks links,
            Clock clock) {
        this.given = given;
        this.roster = roster;
        this.fill = fill;
        this.programme = programme;
        this.changes = changes;
        this.money = money;
        this.links = links;
        this.texts = texts;
        this.clock = clock;
    }

    /** A registration that a token leads to. */
    record Found(Registration registration, Session session) {}

    Optional<Found> find(String token) {
        return links.read(Purpose.OWN_PAGE, token).flatMap(this::find);
    }

    Optional<Found> find(Link link) {
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
        return show(found, justRegistered, changes.kept(found), Map.of());
    }

    /** @param problems with what was entered, by field */
    ModelAndView show(Found found, boolean justRegistered, OwnChanges.Form form, Map<String, String> problems) {
        ModelAndView page = new ModelAndView("signup/own-page");
        page.addObject("own", view(found, form));
        page.addObject("money", money.of(found.registration(), found.session(), clock.instant()));
        page.addObject("texting", texts.of(found));
        page.addObject("justRegistered", justRegistered);
        page.addObject("problems", problems);
        page.addObject("zones", Times.ZONES_OFFERED);
        toConfirm(found).ifPresent(address -> page.addObject("confirm", address));
        return page;
    }

    /** Where the address is confirmed: whoever has this page has the e-mail that leads to it. */
    private Optional<String> toConfirm(Found found) {
        Registration r = found.registration();
        boolean paid = found.session().offering().signUp().isPaid();
        return r.state() == RegistrationState.UNCONFIRMED && !paid
                ? Optional.of("/confirm/" + links.issue(Purpose.CONFIRM, new Link(r.id(), r.generation())))
                : Optional.empty();
    }

    private OwnView view(Found found, OwnChanges.Form form) {
        Registration r = found.registration();
        Session s = found.session();
        Offering o = s.offering();
        Instant now = clock.instant();
        Link link = new Link(r.id(), r.generation());
        ZoneId zone = r.zone();
        boolean active = RegistrationState.ACTIVE.contains(r.state());
        boolean seated = r.state().mayJoin();
        boolean online = s.isOnline();
        int space = r.name().indexOf(' ');
        return new OwnView(
                r.state().code(),
                o.word(r.state()),
                o.title(),
                o.slug(),
                o.summary(),
                r.name(),
                space < 0 ? r.name() : r.name().substring(0, space),
                r.email(),
                r.party() == 1 ? "1 seat" : r.party() + " seats",
                OfferingDates.whenThere(s, zone, now),
                OfferingDates.here(s, zone),
                s.cancelled(),
                mayPick(found, now) ? links.ownPage(link) + "/times" : "",
                until(s, now),
                online ? "Online" : s.place(),
                s.venue().map(Venue::accessNote).orElse(""),
                online,
                o.bring(),
                seated && !s.cancelled() ? links.join(link) : "",
                links.ownPage(link),
                links.ownFeed(link),
                active && !s.cancelled() && now.isBefore(s.end()),
                r.state() != RegistrationState.REGISTERED || now.isBefore(s.cancelsUntil()),
                seated && !s.cancelled() && now.isBefore(s.doorHours().closes()),
                Times.dayAndTime(s.doorHours().opens(), zone),
                r.remarks().companions().stream().filter(n -> !n.isEmpty()).toList(),
                said(r),
                seriesDates(s, zone, now),
                line(r, s, now),
                offer(r, now),
                changes.view(found, form, now),
                active && !s.cancelled() ? otherDates(r, s, zone, now) : List.of(),
                changes.swaps(found, now),
                new OwnView.After(o.signUp().afterText(), o.signUp().afterAddress()),
                zone.getId(),
                Times.city(zone),
                r.remarks().reminded(),
                r.remarks().why(),
                r.state() == RegistrationState.UNCONFIRMED && o.signUp().isPaid()
                        ? r.due(o.signUp().price()).inWords()
                        : "",
                o.signUp().rsvp() ? Reply.of(r.state()).map(Reply::code).orElse("") : "",
                s.isOpenAt(now) ? Times.dayAndTime(s.cutOff(), zone) : "");
    }

    /** What was answered, days as people write them. */
    private Map<String, String> said(Registration r) {
        Map<String, String> answers = new LinkedHashMap<>(given.answersOf(r.id()));
        answers.replaceAll(
                (question, value) -> Bounds.date(value).map(Times::dayAndYear).orElse(value));
        return answers;
    }

    /** Whether another time can be picked instead of the one that is held. */
    static boolean mayPick(Found found, Instant now) {
        Session s = found.session();
        return s.offering().style() == SignUpStyle.OWN_TIME
                && RegistrationState.ACTIVE.contains(found.registration().state())
                && !s.cancelled()
                && now.isBefore(s.movesUntil(found.registration().isSettled()));
    }

    /** All dates of a whole series; empty where a registration is for one. */
    List<String> seriesDates(Session s, ZoneId zone, Instant now) {
        List<Session> dates = programme.datesOf(s);
        return dates.size() < 2
                ? List.of()
                : dates.stream()
                        .map(d -> OfferingDates.when(d, zone, now)
                                + other(d, zone)
                                + (d.cancelled() ? ", cancelled" : ""))
                        .toList();
    }

    private static String other(Session date, ZoneId zone) {
        String there = OfferingDates.here(date, zone);
        return there.isEmpty() ? "" : " (" + there + ")";
    }

    private OwnView.Line line(Registration r, Session s, Instant now) {
        if (r.state() != RegistrationState.WAITLISTED || s.seats() == 0) {
            return OwnView.Line.NONE;
        }
        int taken = roster.of(List.of(s.id())).get(s.id()).taken();
        int free = s.capacity().free(taken);
        boolean firstCome = s.wayToSeat(now) == CallUp.Way.NOBODY && r.party() <= free && now.isBefore(s.end());
        int needed = roster.peopleBefore(r) + r.party();
        int hours = (int) Duration.between(now, s.registersFor()).toHours();
        List<Long> earlier = fill.earlier(s.offering().id(), now);
        String odds = Odds.of(
                        taken, free, needed, List.copyOf(fill.courses(earlier).values()), hours)
                .stream()
                .mapToObj(Odds::inWords)
                .findFirst()
                .orElse("");
        return new OwnView.Line(roster.placeInLine(r), hours < 1 ? "" : odds, firstCome);
    }

    private static OwnView.Offer offer(Registration r, Instant now) {
        return r.hold()
                .until()
                .map(at -> new OwnView.Offer(
                        Times.dayAndTime(at, r.zone()),
                        Math.max(0, Duration.between(now, at).toSeconds()),
                        r.hold().racing()))
                .orElse(OwnView.Offer.NONE);
    }

    /** The other dates that have room and on which the person is not yet. */
    private List<OwnView.Choice> otherDates(Registration r, Session s, ZoneId zone, Instant now) {
        if (!s.offering().style().choosesDates() || !now.isBefore(s.movesUntil(r.isSettled()))) {
            return List.of();
        }
        List<Long> held = roster.ofPerson(r.person()).stream()
                .filter(other -> RegistrationState.ACTIVE.contains(other.state()))
                .map(Registration::session)
                .toList();
        List<Session> others = programme.sessionsOf(s.offering().id()).stream()
                .filter(d -> !held.contains(d.id()) && d.isOpenAt(now))
                .toList();
        Map<Long, SeatCount> counts = roster.of(others.stream().map(Session::id).toList());
        return others.stream()
                .filter(d -> d.capacity().free(counts.get(d.id()).taken()) >= r.party()
                        && counts.get(d.id()).waitingParties() == 0)
                .map(d -> new OwnView.Choice(
                        d.id(),
                        OfferingDates.when(d, zone, now),
                        d.capacity().free(counts.get(d.id()).taken()) + " left"))
                .toList();
    }

    private static String until(Session s, Instant now) {
        if (s.cancelled()) {
            return "";
        }
        if (!now.isBefore(s.end())) {
            return "This session is over.";
        }
        if (!now.isBefore(s.start())) {
            return "This session is under way.";
        }
        return Times.ahead(now, s.start(), s.zone());
    }
}
