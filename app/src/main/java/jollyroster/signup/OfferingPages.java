package jollyroster.signup;

import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import jollyroster.platform.OrganisationQueries;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.roster.RosterQueries;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;

/** Puts the offering's page together, for visitors and for the team's preview. */
@Component
class OfferingPages {

    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final RosterQueries roster;
    private final OrganisationQueries organisation;
    private final Clock clock;

    OfferingPages(
            ProgrammeQueries programme,
            HostQueries hosts,
            RosterQueries roster,
            OrganisationQueries organisation,
            Clock clock) {
        this.programme = programme;
        this.hosts = hosts;
        this.roster = roster;
        this.organisation = organisation;
        this.clock = clock;
    }

    ModelAndView page(
            Offering offering,
            List<AskedQuestion> questions,
            RegistrationForm form,
            Map<String, String> problems,
            HttpStatus status,
            ZoneId visitor,
            boolean preview) {
        List<Session> sessions = programme.sessionsOf(offering.id());
        Map<Long, SeatCount> counts =
                roster.of(sessions.stream().map(Session::id).toList());
        String own = offering.front().contact();
        ModelAndView page = new ModelAndView("signup/offering");
        page.setStatus(status);
        page.addObject(
                "page",
                OfferingPage.of(new OfferingPage.Facts(
                        offering,
                        sessions,
                        counts,
                        questions,
                        roster.chosen(
                                sessions.stream().map(Session::book).distinct().toList(), questions),
                        form,
                        visitor,
                        clock.instant(),
                        hosts.ofOffering(offering.id()),
                        own.isEmpty() ? organisation.organisation().contactEmail() : own,
                        preview)));
        page.addObject("form", form);
        page.addObject("problems", problems);
        return page;
    }
}
