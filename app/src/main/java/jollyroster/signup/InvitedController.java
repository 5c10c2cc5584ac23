package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.ZoneId;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.guests.GuestCommands;
import jollyroster.guests.GuestQueries;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Submission;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
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

/** Where people come in who are invited, and those who would like to be. */
@Controller
class InvitedController {

    private static final int LONGEST_WORDS = 600;
    private final PublicLimits limits;
    private final ProgrammeQueries programme;
    private final RegistrationQueries roster;
    private final GuestCommands guests;
    private final GuestQueries guestList;
    private final OfferingPages pages;
    private final PersonalLinks links;

    InvitedController(
            PublicLimits limits,
            ProgrammeQueries programme,
            RegistrationQueries roster,
            GuestCommands guests,
            GuestQueries guestList,
            OfferingPages pages,
            PersonalLinks links) {
        this.limits = limits;
        this.programme = programme;
        this.roster = roster;
        this.guests = guests;
        this.guestList = guestList;
        this.pages = pages;
        this.links = links;
    }

    private Offering shown(String slug) {
        return programme.shown(slug).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView page(
            Offering offering, RegistrationForm form, Map<String, String> problems, HttpStatus status, ZoneId visitor) {
        return pages.page(offering, programme.questions(offering.id()), form, problems, status, visitor, false);
    }

    /** Somebody who is not invited asks to come. */
    @PostMapping("/p/{slug}/ask")
    ModelAndView ask(
            @PathVariable String slug,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String email,
            @RequestParam(defaultValue = "") String words,
            HttpServletRequest request,
            Actor actor) {
        Offering offering = shown(slug);
        ZoneId visitor = Visitor.zone(request, offering.zone());
        Optional<String> who = Contact.fullName(name);
        Optional<String> address = Contact.email(email);
        Optional<String> problem = pleaProblem(who, address, request.getRemoteAddr());
        boolean good = problem.isEmpty();
        if (good) {
            String said = Text.oneLine(words, LONGEST_WORDS);
            guests.ask(offering.id(), new GuestCommands.Guest(who.get(), address.get()), said, actor);
        }
        RegistrationForm form = RegistrationForm.blank("", visitor.getId(), "");
        ModelAndView page = page(
                offering,
                form,
                problem.map(why -> Map.of("ask", why)).orElse(Map.of()),
                good ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT,
                visitor);
        page.addObject("asked", good);
        return page;
    }

    private Optional<String> pleaProblem(Optional<String> who, Optional<String> address, String sender) {
        if (who.isEmpty() || address.isEmpty()) {
            return Optional.of("Please give your full name and an e-mail address.");
        }
        return limits.mayWrite(address.get(), 0, sender)
                ? Optional.empty()
                : Optional.of("That is often enough for now. Please try again in an hour.");
    }

    /** Where an invitation leads: the offering's page with the form open, or one's own page once one has answered. */
    @GetMapping("/invited/{token}")
    ModelAndView invited(@PathVariable String token, HttpServletRequest request, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        Optional<GuestQueries.Invitee> found = links.read(Purpose.RSVP, token).flatMap(guestList::invitee);
        if (found.isEmpty()) {
            return OwnSteps.unknown();
        }
        GuestQueries.Invitee invitee = found.get();
        Optional<Registration> answered = roster.registration(invitee.registration());
        if (answered.isPresent()) {
            return new ModelAndView("redirect:/my/"
                    + links.issue(
                            Purpose.OWN_PAGE,
                            new Link(answered.get().id(), answered.get().generation())));
        }
        Offering offering = programme.offering(invitee.offering()).orElseThrow();
        ZoneId visitor = Visitor.zone(request, offering.zone());
        RegistrationForm form = RegistrationForm.blank("", visitor.getId(), Submission.fresh())
                .invited(token, invitee.name(), invitee.email());
        return page(offering, form, Map.of(), HttpStatus.OK, visitor);
    }
}
