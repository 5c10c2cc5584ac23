package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import jollyroster.platform.DeskPage;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/** The offering's page as attendees see it, before anybody else does: at a desk and on a phone. Nothing can be sent. */
@DeskPage
class PreviewController {

    private static final String MAY_BE_FRAMED_HERE = "default-src 'self'; img-src 'self' data:; style-src 'self'; "
            + "script-src 'self'; object-src 'none'; base-uri 'none'; form-action 'none'; frame-ancestors 'self'";
    private final ProgrammeQueries programme;
    private final PublicPages pages;

    PreviewController(ProgrammeQueries programme, PublicPages pages) {
        this.programme = programme;
        this.pages = pages;
    }

    private Offering known(long id) {
        return programme.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/offerings/{id}/preview")
    String preview(@PathVariable long id, Model model) {
        model.addAttribute("offering", known(id));
        return "signup/preview";
    }

    /** The page inside the frames. */
    @GetMapping("/desk/offerings/{id}/page")
    ModelAndView page(@PathVariable long id, HttpServletRequest request, HttpServletResponse response) {
        Offering offering = known(id);
        response.setHeader("Content-Security-Policy", MAY_BE_FRAMED_HERE);
        var visitor = Visitor.zone(request, offering.zone());
        RegistrationForm form = RegistrationForm.blank("", visitor.getId(), "");
        return pages.page(
                offering,
                programme.questions(id),
                form,
                PickAsked.by(request),
                Map.of(),
                HttpStatus.OK,
                new PickPage.Looker(visitor, ""),
                true);
    }
}
