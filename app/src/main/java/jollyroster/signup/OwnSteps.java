package jollyroster.signup;

import java.util.function.Function;
import jollyroster.seating.Registration;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;

/** What every step on an own page does: find the registration, mind the limits, and come back saying what came of it. */
@Component
class OwnSteps {

    private final PublicLimits limits;
    private final OwnPage ownPage;

    OwnSteps(PublicLimits limits, OwnPage ownPage) {
        this.limits = limits;
        this.ownPage = ownPage;
    }

    /** Does something to the registration and shows the page again, saying what came of it. */
    ModelAndView then(String token, Function<Registration, Enum<?>> what) {
        return ownPage.find(token)
                .map(found -> limits.mayChange(found.registration().id())
                        ? what.apply(found.registration())
                        : OwnWords.Said.TOO_OFTEN)
                .map(came -> back(token, came))
                .orElseGet(OwnSteps::unknown);
    }

    /** Shows the page again, saying once what came of it. */
    static ModelAndView back(String token, Enum<?> came) {
        return new ModelAndView(new SaidOnce("/my/" + token, came));
    }

    static ModelAndView unknown() {
        ModelAndView page = new ModelAndView("door/unknown");
        page.setStatus(HttpStatus.NOT_FOUND);
        return page;
    }
}
