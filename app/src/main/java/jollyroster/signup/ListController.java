package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import jollyroster.platform.Organisation;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts;
import jollyroster.programme.Session;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The public list: what is on. */
@Controller
class ListController {

    private final ProgrammeQueries programme;
    private final SeatCounts counts;
    private final OrganisationQueries organisation;
    private final Clock clock;

    ListController(ProgrammeQueries programme, SeatCounts counts, OrganisationQueries organisation, Clock clock) {
        this.programme = programme;
        this.counts = counts;
        this.organisation = organisation;
        this.clock = clock;
    }

    @GetMapping("/")
    String list(
            @RequestParam(defaultValue = "") String by,
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "") String label,
            @RequestParam(defaultValue = "") String place,
            @RequestParam(defaultValue = "0") int page,
            Model model,
            HttpServletRequest request) {
        if (!organisation.isSetUp()) {
            return "redirect:/welcome";
        }
        Organisation house = organisation.organisation();
        Instant now = clock.instant();
        ZoneId visitor = Visitor.zone(request, house.zone());
        List<Session> sessions = programme.publishedAfter(now);
        PublicList.Facts facts = new PublicList.Facts(
                sessions,
                programme.ownTimeListed(),
                counts.of(sessions.stream().map(Session::id).toList()),
                visitor,
                now);
        model.addAttribute("list", PublicList.of(facts, new PublicList.Wish(by, q, label, place, page)));
        model.addAttribute("welcomeText", house.welcomeText());
        model.addAttribute("banner", house.banner());
        model.addAttribute("zone", visitor.getId());
        model.addAttribute("city", Times.city(visitor));
        return "signup/list";
    }
}
