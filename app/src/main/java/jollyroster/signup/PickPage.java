package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.openhours.OpenTimes;
import jollyroster.owntime.OpenTime;
import jollyroster.owntime.PickCommands;
import jollyroster.owntime.TimeHoldCommands;
import jollyroster.owntime.TimesQueries;
import jollyroster.owntime.Viewer;
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
    private final TimeHoldCommands holds;
    private final TimesQueries times;
    private final HostQueries hosts;
    private final Clock clock;

    PickPage(
            OfferingPages pages,
            PickPages picks,
            PickCommands commands,
            TimeHoldCommands holds,
            TimesQueries times,
            HostQueries hosts,
            Clock clock) {
        this.pages = pages;
        this.picks = picks;
        this.commands = commands;
        this.holds = holds;
        this.times = times;
        this.hosts = hosts;
        this.clock = clock;
    }

    /** Who looks at the page. @param zone on whose clock @param browser see {@link BrowserNumber}; empty for none */
    record Looker(ZoneId zone, String browser) {

        static Looker of(ZoneId zone, HttpServletRequest request) {
            return new Looker(zone, BrowserNumber.of(request).orElse(""));
        }
    }

    ModelAndView page(
            Offering offering,
            List<AskedQuestion> questions,
            RegistrationForm form,
            PickAsked asked,
            Map<String, String> problems,
            HttpStatus status,
            Looker looker,
            boolean preview) {
        ModelAndView page = pages.page(offering, questions, form, problems, status, looker.zone(), preview);
        Viewer viewer = new Viewer(looker.browser(), clock.instant());
        PickView view = picks.of(offering, "/p/" + offering.slug(), asked, looker.zone(), viewer);
        page.setViewName("signup/own-time");
        page.addObject("pick", view);
        page.addObject("lasts", Times.length(Duration.ofMinutes(offering.minutes())));
        page.addObject("leaders", HostQueries.names(hosts.ofOffering(offering.id()), ""));
        page.addObject("notice", notice(offering));
        page.addObject("nearest", view.lost().isEmpty() ? List.of() : nearest(offering, asked, looker.zone(), viewer));
        return page;
    }

    private static String notice(Offering o) {
        return o.cutoffMinutes() == 0
                ? ""
                : "At least " + Times.length(Duration.ofMinutes(o.cutoffMinutes())) + " ahead";
    }

    /** The nearest times that are free, instead of one that is not. */
    private List<PickView.Time> nearest(Offering o, PickAsked asked, ZoneId visitor, Viewer viewer) {
        Instant wanted = asked.moment().orElse(viewer.now());
        LocalDate day = wanted.atZone(o.zone()).toLocalDate();
        List<OpenTime> near =
                times.between(o, day.minusDays(NEAR_DAYS), day.plusDays(NEAR_DAYS), asked.hostNumber(), viewer);
        return OpenTimes.nearest(near, t -> t.start().toInstant(), wanted, OFFERED_INSTEAD).stream()
                .map(t -> new PickView.Time(
                        Times.dayAndTime(t.start().toInstant(), visitor), "", PickDays.sent(t.start()), false))
                .toList();
    }

    /** Holds the time that is asked for, if it can be had. */
    void hold(Offering offering, PickAsked asked, String browser) {
        asked.moment()
                .ifPresent(at -> holds.hold(
                        new PickCommands.Pick(offering, at, asked.hostNumber(), browser),
                        new Viewer(browser, clock.instant()),
                        Actor.visitor("a visitor")));
    }

    /** Gives the time that a form asks for. */
    Registering take(Offering offering, PickAsked wanted, Application asked, String browser) {
        return wanted.moment()
                .map(at -> commands.pick(
                        new PickCommands.Pick(offering, at, wanted.hostNumber(), browser),
                        asked,
                        Optional.empty(),
                        Actor.visitor(asked.name())))
                .orElse(new Registering.Refused(Registering.Reason.TIME_GONE));
    }
}
