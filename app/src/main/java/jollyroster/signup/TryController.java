package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import jollyroster.platform.OrganisationQueries;
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

/** The form as attendees fill it in, to be tried by the team: it is judged like theirs, and nothing is stored. */
@Controller
class TryController {

    private final ProgrammeQueries programme;
    private final PublicPages pages;
    private final OrganisationQueries organisation;

    TryController(ProgrammeQueries programme, PublicPages pages, OrganisationQueries organisation) {
        this.programme = programme;
        this.pages = pages;
        this.organisation = organisation;
    }

    private Offering known(long id) {
        return programme.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/offerings/{id}/try")
    ModelAndView form(@PathVariable long id, HttpServletRequest request) {
        Offering offering = known(id);
        ZoneId visitor = Visitor.zone(request, offering.zone());
        String slice = request.getParameter("session");
        RegistrationForm form = RegistrationForm.blank(slice == null ? "" : slice, visitor.getId(), "");
        return page(offering, form, Map.of(), request);
    }

    private ModelAndView page(
            Offering offering, RegistrationForm form, Map<String, String> problems, HttpServletRequest request) {
        HttpStatus status = problems.isEmpty() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT;
        PickPage.Looker looker = new PickPage.Looker(Visitor.zone(request, offering.zone()), "");
        ModelAndView page = pages.page(
                offering,
                programme.questions(offering.id()),
                form,
                PickAsked.by(request),
                problems,
                status,
                looker,
                true);
        page.addObject("trying", "/desk/offerings/" + offering.id() + "/try");
        return page;
    }

    @PostMapping("/desk/offerings/{id}/try")
    ModelAndView judge(@PathVariable long id, HttpServletRequest request) {
        Offering offering = known(id);
        List<AskedQuestion> questions = programme.questions(id);
        ZoneId visitor = Visitor.zone(request, offering.zone());
        RegistrationForm form = RegistrationForm.from(request, questions);
        RegistrationForm.Checked checked =
                form.check(offering, questions, organisation.organisation().region(), visitor);
        ModelAndView page = page(offering, form, checked.problems(), request);
        page.addObject("wouldDo", checked.application().isPresent() && isStillOffered(page));
        return page;
    }

    /** A time that is picked may be gone by now. */
    private static boolean isStillOffered(ModelAndView page) {
        return !(page.getModel().get("pick") instanceof PickView pick)
                || pick.chosen().isPresent();
    }
}
