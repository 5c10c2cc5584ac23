package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.openhours.OpenTimes;
import jollyroster.owntime.OpenTime;
import jollyroster.owntime.PickCommands;
import jollyroster.owntime.TimesQueries;
import jollyroster.platform.Actor;
import jollyroster.platform.Times;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.seating.Application;
import jollyroster.seating.Registering;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;

/** The page of an offering whose people pick a time of their own, and what becomes of the time that is picked. */
@Component
class PickPage {

    private static final int OFFERED_INSTEAD = 3;
    private static final int NEAR_DAYS = 7;
    private final OfferingPages pages;
    private final PickPages picks;
    private final PickCommands commands;
    private final TimesQueries times;
    private final HostQueries hosts;
    private final Clock clock;

    PickPage(
            OfferingPages pages,
            PickPages picks,
            PickCommands commands,
            TimesQueries times,
            HostQueries hosts,
            Clock clock) {
        this.pages = pages;
        this.picks = picks;
        this.commands = commands;
        this.times = times;
        this.hosts = hosts;
        this.clock = clock;
    }

    /** What is asked for by the address of the page. */
    static PickPages.Asked asked(HttpServletRequest request) {
        return new PickPages.Asked(text(request, "from"), text(request, "host"), text(request, "start"));
    }

    private static String text(HttpServletRequest request, String name) {
        String value = request.getParameter(name);
        return value == null || value.length() > 40 ? "" : value;
    }

    ModelAndView page(
            Offering offering,
            List<AskedQuestion> questions,
            RegistrationForm form,
            PickPages.Asked asked,
            Map<String, String> problems,
            HttpStatus status,
            ZoneId visitor,
            boolean preview) {
        ModelAndView page = pages.page(offering, questions, form, problems, status, visitor, preview);
        page.setViewName("signup/own-time");
        page.addObject("pick", picks.of(offering, asked, visitor, clock.instant()));
        page.addObject("lasts", Times.length(Duration.ofMinutes(offering.minutes())));
        page.addObject("leaders", HostQueries.names(hosts.ofOffering(offering.id()), ""));
        page.addObject("notice", notice(offering));
        page.addObject("nearest", problems.containsKey("session") ? nearest(offering, asked, visitor) : List.of());
        return page;
    }

    private static String notice(Offering o) {
        return o.cutoffMinutes() == 0
                ? ""
                : "At least " + Times.length(Duration.ofMinutes(o.cutoffMinutes())) + " ahead";
    }

    /** The nearest times that are free, instead of one that is not. */
    private List<PickView.Time> nearest(Offering o, PickPages.Asked asked, ZoneId visitor) {
        Instant now = clock.instant();
        Instant wanted = asked.moment().orElse(now);
        LocalDate day = wanted.atZone(o.zone()).toLocalDate();
        LocalDate from = day.minusDays(NEAR_DAYS);
        List<OpenTime> near = times.between(o, from, day.plusDays(NEAR_DAYS), asked.hostNumber(), now);
        return OpenTimes.nearest(near, t -> t.start().toInstant(), wanted, OFFERED_INSTEAD).stream()
                .map(t -> new PickView.Time(
                        Times.dayAndTime(t.start().toInstant(), visitor),
                        "",
                        DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(t.start()),
                        false))
                .toList();
    }

    /** Gives the time that a form asks for. */
    Registering take(Offering offering, RegistrationForm form, Application asked) {
        PickPages.Asked wanted = new PickPages.Asked("", form.host(), form.start());
        return wanted.moment()
                .map(at -> commands.pick(
                        new PickCommands.Pick(offering, at, wanted.hostNumber()),
                        asked,
                        Optional.empty(),
                        Actor.visitor(asked.name())))
                .orElse(new Registering.Refused(Registering.Reason.TIME_GONE));
    }
}
