package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.answers.RanOut;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.intake.Intake.Slot;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.guests.Reply;
import jollyroster.guests.ReplyCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Submission;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.seating.Application;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/** An offering's page and its form. */
@Controller
class PublicController {

    private final PublicLimits limits;
    private final ProgrammeQueries programme;
    private final RegistrationQueries roster;
    private final RegistrationCommands commands;
    private final ReplyCommands replies;
    private final PersonalLinks links;
    private final PublicPages pages;
    private final PickPage picks;
    private final OwnPage ownPage;
    private final OrganisationQueries organisation;
    private final Clock clock;

    PublicController(
            PublicLimits limits,
            ProgrammeQueries programme,
            RegistrationQueries roster,
            RegistrationCommands commands,
            ReplyCommands replies,
            PersonalLinks links,
            PublicPages pages,
            PickPage picks,
            OwnPage ownPage,
            OrganisationQueries organisation,
            Clock clock) {
        this.limits = limits;
        this.programme = programme;
        this.roster = roster;
        this.commands = commands;
        this.replies = replies;
        this.links = links;
        this.pages = pages;
        this.picks = picks;
        this.ownPage = ownPage;
        this.organisation = organisation;
        this.clock = clock;
    }

    @GetMapping("/p/{slug}")
    ModelAndView offering(@PathVariable String slug, HttpServletRequest request) {
        Offering offering = shown(slug);
        ZoneId visitor = Visitor.zone(request, offering.zone());
        String asked = request.getParameter("session");
        RegistrationForm blank =
                RegistrationForm.blank(asked == null ? "" : asked, visitor.getId(), Submission.fresh());
        Optional<DeviceMemory.Known> known = DeviceMemory.of(request);
        RegistrationForm form = known.map(blank::of).orElse(blank).prefilled(request);
        List<AskedQuestion> questions = programme.questions(offering.id());
        ModelAndView page = page(offering, questions, form, Map.of(), HttpStatus.OK, request);
        page.addObject("remembered", known.isPresent());
        return page;
    }

    private Offering shown(String slug) {
        return programme.shown(slug).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView page(
            Offering offering,
            List<AskedQuestion> questions,
            RegistrationForm form,
            Map<String, String> problems,
            HttpStatus status,
            HttpServletRequest request) {
        ZoneId visitor = Visitor.zone(request, offering.zone());
        PickPage.Looker looker = PickPage.Looker.of(visitor, request);
        return pages.page(offering, questions, form, PickAsked.by(request), problems, status, looker, false);
    }

    /** Whoever loads the address of the form's answer again is led to the form. */
    @GetMapping("/p/{slug}/register")
    String toTheForm(@PathVariable String slug) {
        return "redirect:/p/" + shown(slug).slug() + "#ask";
    }

    @PostMapping("/p/{slug}/register")
    ModelAndView register(@PathVariable String slug, HttpServletRequest request, HttpServletResponse response) {
        Offering offering = shown(slug);
        List<AskedQuestion> questions = programme.questions(offering.id());
        ZoneId visitor = Visitor.zone(request, offering.zone());
        RegistrationForm form = RegistrationForm.from(request, questions);
        RegistrationForm.Checked checked =
                form.check(offering, questions, organisation.organisation().region(), visitor);
        if (checked.application().isEmpty()) {
            return page(offering, questions, form, checked.problems(), HttpStatus.UNPROCESSABLE_CONTENT, request);
        }
        boolean own = offering.style() == SignUpStyle.OWN_TIME;
        if (!own && !belongs(checked.application().get().session(), offering)) {
            return refused(offering, questions, form, "session", "This date is not on offer here.", request);
        }
        Application asked = checked.application().get();
        if (!limits.mayWrite(asked.email(), asked.session(), request.getRemoteAddr())) {
            return page(offering, questions, form, Map.of("email", TOO_OFTEN), HttpStatus.TOO_MANY_REQUESTS, request);
        }
        Registering came = take(offering, asked, form, request);
        boolean remember = "true".equals(request.getParameter("remember"));
        if (came instanceof Registering.Done done) {
            remember(remember ? checked.application() : Optional.empty(), request, response);
            return done.proven()
                    ? ownPage.confirmation(done.link())
                    : ThanksController.to(
                            offering, JustAsked.of(asked, done.state(), own ? form.start() : ""), request, response);
        }
        if (came instanceof Registering.Already already) {
            remember(remember ? checked.application() : Optional.empty(), request, response);
            return ThanksController.to(
                    offering, JustAsked.of(asked, already.asNewcomer(), own ? form.start() : ""), request, response);
        }
        if (came instanceof Registering.OptionGone gone) {
            return refused(offering, questions, form, fieldOf(gone.option(), questions), words(gone.option()), request);
        }
        Registering.Reason reason = ((Registering.Refused) came).because();
        return refused(offering, questions, form, field(reason), words(reason, offering), request);
    }

    /** Remembers somebody on this device who wishes it, and forgets whoever was remembered when they do not. */
    private static void remember(
            Optional<Application> asked, HttpServletRequest request, HttpServletResponse response) {
        if (asked.isPresent() || DeviceMemory.of(request).isPresent()) {
            Optional<DeviceMemory.Known> known = asked.map(a -> new DeviceMemory.Known(a.name(), a.email(), a.phone()));
            response.addHeader("Set-Cookie", DeviceMemory.cookie(known, request).toString());
        }
    }

    private Registering take(Offering offering, Application asked, RegistrationForm form, HttpServletRequest request) {
        if (offering.style() == SignUpStyle.OWN_TIME) {
            return picks.take(
                    offering,
                    PickAsked.by(request),
                    asked,
                    BrowserNumber.of(request).orElse(""));
        }
        Optional<Link> invitation = links.read(Purpose.RSVP, form.invited());
        return offering.signUp().rsvp()
                ? replies.answer(asked, Reply.of(form.reply()).orElseThrow(), invitation, Actor.visitor(asked.name()))
                : commands.register(asked, invitation, Actor.visitor(asked.name()));
    }

    private static String fieldOf(RanOut ranOut, List<AskedQuestion> questions) {
        return questions.stream()
                .filter(q -> q.id() == ranOut.question())
                .findFirst()
                .map(q -> Answers.field(new Slot(q.question().key(), 0)))
                .orElse("session");
    }

    private static String words(RanOut ranOut) {
        return "“" + ranOut.option() + "” has just run out, or too few are left for your party. Please choose again.";
    }

    private static final String TOO_OFTEN =
            "Too much was asked for with this address in a short time. Please try again in an hour.";

    private boolean belongs(long session, Offering offering) {
        return programme
                .session(session)
                .filter(s -> s.offering().id() == offering.id())
                .isPresent();
    }

    private ModelAndView refused(
            Offering offering,
            List<AskedQuestion> questions,
            RegistrationForm form,
            String field,
            String problem,
            HttpServletRequest request) {
        return page(offering, questions, form, Map.of(field, problem), HttpStatus.CONFLICT, request);
    }

    private static String field(Registering.Reason reason) {
        return switch (reason) {
            case PARTY_TOO_LARGE, LARGER_THAN_SESSION -> "party";
            default -> "session";
        };
    }

    private static String words(Registering.Reason reason, Offering offering) {
        return switch (reason) {
            case NO_SUCH_SESSION -> "This date is not on offer here.";
            case TIME_GONE -> "This time is taken, or cannot be picked any more.";
            case INVITED_ONLY -> "This is by invitation only, with the link and the address of the invitation.";
            case NOT_OPEN, NOT_POSSIBLE -> "Registration for this date is closed.";
            case ENDED_BY_TEAM ->
                "The organiser has cancelled this registration. Please ask them if you would like to come after all.";
            case ALREADY_STARTED -> "This date has passed or is under way.";
            case PARTY_TOO_LARGE -> RegistrationForm.partyTooLarge(offering);
            case LARGER_THAN_SESSION -> "This date has fewer seats than your party needs.";
            case FULL -> "This date is full and has no waitlist. Another date may have seats.";
            case WAITLIST_FULL -> "This date and its waitlist are full. Another date may have seats.";
        };
    }
}
