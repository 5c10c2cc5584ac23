package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import jollyroster.chart.StateMark;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.SignUpRules;
import jollyroster.programme.Venue;
import jollyroster.seating.HoldCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.view.RedirectView;

/**
 * The page after the form. Anybody can type anybody's address, so it says the same whether the address was on the roster
 * before or not, and gives no personal link: that goes by e-mail to whoever owns the address.
 */
@Controller
class ThanksController {

    private static final int LONGEST_CODE = 20;
    private static final String REFUSED = "code-refused";

    private final ProgrammeQueries programme;
    private final RegistrationQueries registrations;
    private final HoldCommands holds;
    private final MailedCodes codes;
    private final OwnPage ownPage;
    private final Clock clock;

    ThanksController(
            ProgrammeQueries programme,
            RegistrationQueries registrations,
            HoldCommands holds,
            MailedCodes codes,
            OwnPage ownPage,
            Clock clock) {
        this.programme = programme;
        this.registrations = registrations;
        this.holds = holds;
        this.codes = codes;
        this.ownPage = ownPage;
        this.clock = clock;
    }

    /** The page, decided and formatted. @param paid whether seats must be paid for before they are anybody's */
    record Thanks(
            String state,
            String stateWord,
            String title,
            String slug,
            String firstName,
            String name,
            String email,
            int party,
            String seats,
            String when,
            String here,
            List<String> seriesDates,
            String place,
            String accessNote,
            String bring,
            boolean paid,
            OwnView.After after) {
        /** The state, drawn. */
        public String mark() {
            return StateMark.of(state, stateWord);
        }
    }

    /** Keeps what was asked for on the device and sends the browser on, so that loading the page again sends nothing again. */
    static ModelAndView to(
            Offering offering, JustAsked asked, HttpServletRequest request, HttpServletResponse response) {
        response.addHeader("Set-Cookie", asked.cookie(request).toString());
        return see("/p/" + offering.slug() + "/thanks");
    }

    private static ModelAndView see(String address) {
        RedirectView there = new RedirectView(address, true);
        there.setStatusCode(HttpStatus.SEE_OTHER);
        there.setExposeModelAttributes(false);
        return new ModelAndView(there);
    }

    @GetMapping("/p/{slug}/thanks")
    ModelAndView thanks(
            @PathVariable String slug,
            @RequestParam(defaultValue = "") String came,
            HttpServletRequest request,
            HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        Offering offering = shown(slug);
        Optional<JustAsked> asked = JustAsked.of(request);
        Optional<Session> session = asked.flatMap(a -> programme.dateAt(a.session(), clock.instant()))
                .filter(s -> s.offering().id() == offering.id());
        Optional<Thanks> thanks = session.map(s -> view(asked.get(), s)).or(() -> picked(offering, asked));
        if (thanks.isEmpty()) {
            return see("/p/" + offering.slug());
        }
        ModelAndView page = new ModelAndView("signup/thanks");
        page.addObject("thanks", thanks.get());
        page.addObject("held", Times.length(Registering.HELD));
        page.addObject("refused", came.equals(REFUSED));
        goingOn(asked.get(), offering.signUp())
                .ifPresent(address -> response.setHeader("Refresh", "6; url=" + address));
        return page;
    }

    private Offering shown(String slug) {
        return programme.shown(slug).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** Where whoever has just registered is taken, where the organiser says so and says nothing else. */
    private static Optional<String> goingOn(JustAsked asked, SignUpRules rules) {
        boolean taken = asked.state() == RegistrationState.REGISTERED
                && rules.afterText().isEmpty()
                && !rules.afterAddress().isEmpty();
        return taken ? Optional.of(rules.afterAddress()) : Optional.empty();
    }

    private Thanks view(JustAsked asked, Session s) {
        return view(
                asked,
                s.offering(),
                new WhenAndWhere(
                        OfferingDates.whenThere(s, asked.zone(), clock.instant()),
                        OfferingDates.here(s, asked.zone()),
                        ownPage.seriesDates(s, asked.zone(), clock.instant()),
                        s.isOnline() ? "Online" : s.place(),
                        s.venue().map(Venue::accessNote).orElse("")));
    }

    /** The same for a time that was picked; whether it is theirs only its owner is told, by e-mail. */
    private Optional<Thanks> picked(Offering o, Optional<JustAsked> asked) {
        return asked.filter(a -> a.session() == 0 && o.style() == SignUpStyle.OWN_TIME)
                .flatMap(a -> PickAsked.at(a.start())
                        .moment()
                        .map(start -> view(a, o, PickPages.whenAndWhere(o, start, a.zone()))));
    }

    /** What is said of the session that was asked for. */
    record WhenAndWhere(String when, String here, List<String> seriesDates, String place, String access) {}

    private static Thanks view(JustAsked asked, Offering o, WhenAndWhere at) {
        int space = asked.name().indexOf(' ');
        return new Thanks(
                asked.state().code(),
                o.word(asked.state()),
                o.title(),
                o.slug(),
                space < 0 ? asked.name() : asked.name().substring(0, space),
                asked.name(),
                asked.email(),
                asked.party(),
                asked.party() == 1 ? "1 seat" : asked.party() + " seats",
                at.when(),
                at.here(),
                at.seriesDates(),
                at.place(),
                at.access(),
                o.bring(),
                o.signUp().isPaid(),
                new OwnView.After(o.signUp().afterText(), o.signUp().afterAddress()));
    }

    /** Confirms the address with the code of the e-mail. A wrong code and an address that is known already sound the same. */
    @PostMapping("/p/{slug}/code")
    ModelAndView code(
            @PathVariable String slug, @RequestParam(defaultValue = "") String code, HttpServletRequest request) {
        Offering offering = shown(slug);
        String typed = code.substring(0, Math.min(code.length(), LONGEST_CODE));
        return JustAsked.of(request)
                .flatMap(asked -> registrations.bySubmission(asked.form()))
                .filter(r -> codes.fits(r, typed))
                .filter(r -> holds.confirm(r.id(), r.self()) == HoldCommands.Replied.SEATED)
                .map(r -> ownPage.confirmation(link(r)))
                .orElseGet(() -> see("/p/" + offering.slug() + "/thanks?came=" + REFUSED));
    }

    private static Link link(Registration r) {
        return new Link(r.id(), r.generation());
    }
}
