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
    private final OfferingPages pages;
    private final OrganisationQueries organisation;

    TryController(ProgrammeQueries programme, OfferingPages pages, OrganisationQueries organisation) {
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
        return page(offering, RegistrationForm.blank("", visitor.getId(), ""), Map.of(), visitor, false);
    }

    private ModelAndView page(
            Offering offering, RegistrationForm form, Map<String, String> problems, ZoneId visitor, boolean fine) {
        HttpStatus status = problems.isEmpty() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT;
        ModelAndView page =
                pages.page(offering, programme.questions(offering.id()), form, problems, status, visitor, true);
        page.addObject("trying", "/desk/offerings/" + offering.id() + "/try");
        page.addObject("wouldDo", fine);
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
        return page(
                offering,
                form,
                checked.problems(),
                visitor,
                checked.application().isPresent());
    }
}
