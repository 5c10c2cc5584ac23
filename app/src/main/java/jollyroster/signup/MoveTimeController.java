package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.owntime.PickCommands;
import jollyroster.owntime.Viewer;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.Offering;
import jollyroster.programme.Session;
import jollyroster.seating.ChangeSeatCommands.Moved;
import jollyroster.seating.Registration;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** Somebody who has a time picks another one instead, with the link to their own page. */
@Controller
class MoveTimeController {

    private final OwnPage ownPage;
    private final OwnSteps steps;
    private final PickPages picks;
    private final PickCommands commands;
    private final PersonalLinks links;
    private final Clock clock;

    MoveTimeController(
            OwnPage ownPage, OwnSteps steps, PickPages picks, PickCommands commands, PersonalLinks links, Clock clock) {
        this.ownPage = ownPage;
        this.steps = steps;
        this.picks = picks;
        this.commands = commands;
        this.links = links;
        this.clock = clock;
    }

    @GetMapping("/my/{token}/times")
    ModelAndView times(@PathVariable String token, HttpServletRequest request) {
        return ownPage.find(token).map(found -> page(token, found, request)).orElseGet(OwnSteps::unknown);
    }

    private ModelAndView page(String token, OwnPage.Found found, HttpServletRequest request) {
        Instant now = clock.instant();
        if (!OwnPage.mayPick(found, now)) {
            return OwnSteps.back(token, Moved.TOO_LATE);
        }
        Registration r = found.registration();
        Session held = found.session();
        Offering o = held.offering();
        ZoneId zone = Visitor.zone(request, r.zone());
        String own = links.ownPage(new Link(r.id(), r.generation()));
        ModelAndView page = new ModelAndView("signup/move-time");
        page.addObject("offering", o.title());
        page.addObject("now", OfferingDates.whenThere(held, zone, now));
        page.addObject("own", own);
        page.addObject("by", "start");
        page.addObject(
                "same",
                PickAsked.by(request).moment().filter(held.start()::equals).isPresent());
        page.addObject("pick", picks.of(o, own + "/times", PickAsked.by(request), zone, Viewer.leaving(r.id(), now)));
        return page;
    }

    /** Moves to the other time; both or neither. */
    @PostMapping("/my/{token}/times")
    ModelAndView move(@PathVariable String token, HttpServletRequest request) {
        PickAsked asked = PickAsked.by(request);
        return ownPage.find(token)
                .map(found -> steps.then(token, r -> move(r, found.session().offering(), asked)))
                .orElseGet(OwnSteps::unknown);
    }

    private Moved move(Registration r, Offering offering, PickAsked asked) {
        return asked.moment()
                .map(at -> commands.move(new PickCommands.Pick(offering, at, asked.hostNumber(), ""), r.id(), r.self()))
                .orElse(Moved.TIME_GONE);
    }
}
