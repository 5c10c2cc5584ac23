package jollyroster.signup;

import java.util.List;
import java.util.Map;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Offering;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;

/** The page of an offering as the way in which people register asks for: dates, slices of a stretch, or times of one's own. */
@Component
class PublicPages {

    private final OfferingPages dates;
    private final SlicePages slices;
    private final PickPage times;

    PublicPages(OfferingPages dates, SlicePages slices, PickPage times) {
        this.dates = dates;
        this.slices = slices;
        this.times = times;
    }

    /** Whether people pick from a week of times, rather than from a list of dates. */
    boolean isPickedFrom(Offering o) {
        return o.style() == SignUpStyle.OWN_TIME || slices.isFor(o, false);
    }

    ModelAndView page(
            Offering offering,
            List<AskedQuestion> questions,
            RegistrationForm form,
            PickAsked asked,
            Map<String, String> problems,
            HttpStatus status,
            PickPage.Looker looker,
            boolean preview) {
        if (offering.style() == SignUpStyle.OWN_TIME) {
            return times.page(offering, questions, form, asked, problems, status, looker, preview);
        }
        ModelAndView page = dates.page(offering, questions, form, problems, status, looker.zone(), preview);
        return slices.isFor(offering, preview)
                ? slices.onto(page, offering, form.session(), asked, looker.zone(), preview)
                : page;
    }
}
