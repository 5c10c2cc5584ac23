package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.view.RedirectView;
import org.springframework.web.util.UriComponentsBuilder;

/** Holds a time of open hours for whoever picks it, and leads to the form. A link to a time, or a slice, holds nothing. */
@Controller
class PickController {

    private final PublicLimits limits;
    private final ProgrammeQueries programme;
    private final PickPage picks;
    private final PublicPages pages;

    PickController(PublicLimits limits, ProgrammeQueries programme, PickPage picks, PublicPages pages) {
        this.limits = limits;
        this.programme = programme;
        this.picks = picks;
        this.pages = pages;
    }

    private Offering shown(String slug) {
        return programme
                .shown(slug)
                .filter(pages::isPickedFrom)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** Whoever loads the address of the form's answer again is led to the times. */
    @GetMapping("/p/{slug}/pick")
    String toTheTimes(@PathVariable String slug) {
        return "redirect:/p/" + shown(slug).slug() + "#pick";
    }

    /** With the form open already, all that is typed in it stays. */
    @PostMapping("/p/{slug}/pick")
    ModelAndView pick(@PathVariable String slug, HttpServletRequest request, HttpServletResponse response) {
        Offering offering = shown(slug);
        PickAsked asked = PickAsked.by(request);
        String browser = BrowserNumber.of(request).orElseGet(BrowserNumber::make);
        if (offering.style() == SignUpStyle.OWN_TIME && limits.mayHold(request.getRemoteAddr())) {
            picks.hold(offering, asked, browser);
            response.addHeader(
                    "Set-Cookie", BrowserNumber.cookie(browser, request).toString());
        }
        List<AskedQuestion> questions = programme.questions(offering.id());
        RegistrationForm form = RegistrationForm.from(request, questions);
        if (form.submission().isEmpty()) {
            return toTheForm(offering, asked, form.session());
        }
        ZoneId visitor = Visitor.zone(request, offering.zone());
        PickPage.Looker looker = new PickPage.Looker(visitor, browser);
        return pages.page(offering, questions, form, asked, Map.of(), HttpStatus.OK, looker, false);
    }

    private static ModelAndView toTheForm(Offering offering, PickAsked asked, String slice) {
        boolean own = offering.style() == SignUpStyle.OWN_TIME;
        UriComponentsBuilder address = UriComponentsBuilder.fromPath("/p/" + offering.slug())
                .queryParam(own ? "start" : "session", "{picked}")
                .fragment("ask");
        asked.hostNumber().ifPresent(host -> address.queryParam("host", host));
        if (!asked.once().isEmpty()) {
            address.queryParam("once", asked.once());
        }
        RedirectView there = new RedirectView(
                address.encode().buildAndExpand(own ? asked.start() : slice).toUriString());
        there.setStatusCode(HttpStatus.SEE_OTHER);
        there.setExposeModelAttributes(false);
        there.setExpandUriTemplateVariables(false);
        return new ModelAndView(there);
    }
}
