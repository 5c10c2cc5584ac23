package jollyroster.signup;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import jollyroster.answers.GivenQueries;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.guests.GuestQueries;
import jollyroster.outbox.PlanQueries;
import jollyroster.platform.Names;
import jollyroster.platform.OrganisationQueries;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.programme.Visibility;
import jollyroster.seating.RegistrationQueries;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;

/** Puts the offering's page together, for visitors and for the team's preview. */
@Component
class OfferingPages {

    private final GivenQueries given;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final RegistrationQueries roster;
    private static final int MOST_SHOWN = 60;
    private final GuestQueries guests;
    private final PlanQueries plans;
    private final OrganisationQueries organisation;
    private final Clock clock;

    OfferingPages(
            GivenQueries given,
            ProgrammeQueries programme,
            HostQueries hosts,
            RegistrationQueries roster,
            GuestQueries guests,
            PlanQueries plans,
            OrganisationQueries organisation,
            Clock clock) {
        this.given = given;
        this.programme = programme;
        this.hosts = hosts;
        this.roster = roster;
        this.guests = guests;
        this.plans = plans;
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
        boolean invited = !form.invited().isEmpty();
        Instant now = clock.instant();
        boolean picks = offering.style() == SignUpStyle.OWN_TIME;
        List<Session> sessions = (picks ? List.<Session>of() : programme.sessionsOf(offering.id()))
                .stream()
                        .filter(s -> offering.isSeries() || s.end().isAfter(now))
                        .toList();
        Map<Long, SeatCount> counts =
                roster.of(sessions.stream().map(Session::id).toList());
        ModelAndView page = new ModelAndView("signup/offering");
        page.setStatus(status);
        page.addObject(
                "page",
                OfferingPage.of(new OfferingPage.Facts(
                        offering,
                        sessions,
                        counts,
                        questions,
                        given.chosen(
                                sessions.stream().map(Session::book).distinct().toList(), questions),
                        form,
                        visitor,
                        now,
                        hosts.of(sessions),
                        offering.front().contactOr(organisation.organisation().contactEmail()),
                        invited || offering.rules().visibility() != Visibility.INVITED
                                ? company(offering, sessions)
                                : Map.of(),
                        invited,
                        plans.texts(offering.id()),
                        preview)));
        page.addObject("form", form);
        page.addObject("problems", problems);
        return page;
    }

    /** Who comes, by first name and initial, where people may see it. */
    private Map<Long, List<String>> company(Offering offering, List<Session> sessions) {
        if (!offering.signUp().companyShown()) {
            return Map.of();
        }
        Map<Long, List<String>> company = new HashMap<>();
        guests.coming(sessions.stream().map(Session::book).distinct().toList(), MOST_SHOWN)
                .forEach((session, names) -> company.put(
                        session, names.stream().map(Names::shortened).toList()));
        return company;
    }
}
