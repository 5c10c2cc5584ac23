package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts;
import jollyroster.programme.Session;
import jollyroster.team.HostNameQueries;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;

/** The public page of a member of the team: what they lead that is listed. */
@Controller
class HostPageController {

    private final HostNameQueries names;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final SeatCounts counts;
    private final OrganisationQueries organisation;
    private final Clock clock;

    HostPageController(
            HostNameQueries names,
            ProgrammeQueries programme,
            HostQueries hosts,
            SeatCounts counts,
            OrganisationQueries organisation,
            Clock clock) {
        this.names = names;
        this.programme = programme;
        this.hosts = hosts;
        this.counts = counts;
        this.organisation = organisation;
        this.clock = clock;
    }

    @GetMapping("/h/{name}")
    String page(@PathVariable String name, Model model, HttpServletRequest request) {
        HostNameQueries.Found found = Optional.of(name)
                .filter(text -> text.length() <= 80 && organisation.isSetUp())
                .flatMap(names::find)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        if (!found.slug().equals(name)) {
            return "redirect:/h/" + found.slug();
        }
        Instant now = clock.instant();
        ZoneId visitor = Visitor.zone(request, organisation.organisation().zone());
        List<Session> sessions = led(programme.publishedAfter(now), found.account());
        List<Offering> ownTime = programme.ownTimeListed().stream()
                .filter(o -> hosts.ofOffering(o.id()).stream().anyMatch(host -> host.id() == found.account()))
                .toList();
        PublicList.Facts facts = new PublicList.Facts(
                sessions, ownTime, counts.of(sessions.stream().map(Session::id).toList()), visitor, now);
        model.addAttribute("list", PublicList.of(facts, new PublicList.Wish("", "", "", "", 0)));
        model.addAttribute("host", found.name());
        model.addAttribute("slug", found.slug());
        model.addAttribute("zone", visitor.getId());
        model.addAttribute("city", Times.city(visitor));
        return "signup/host";
    }

    private List<Session> led(List<Session> sessions, long account) {
        Map<Long, List<Host>> leaders = hosts.of(sessions);
        return sessions.stream()
                .filter(s -> leaders.getOrDefault(s.id(), List.of()).stream().anyMatch(host -> host.id() == account))
                .toList();
    }
}
