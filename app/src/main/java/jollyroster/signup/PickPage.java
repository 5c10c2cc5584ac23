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
import jollyroster.owntime.TimeLink;
import jollyroster.owntime.TimeLinkQueries;
import jollyroster.owntime.Viewer;
import jollyroster.platform.Actor;
import jollyroster.platform.Times;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.Visibility;
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
    private static final String USED = "This link was for one time, and has been used or taken back."
            + " What was registered with it is in the e-mail that came then.";
    private static final String BY_INVITATION = "Times are given by invitation here, each with a link of its own.";
    private final OfferingPages pages;
    private final PickPages picks;
    private final PickCommands commands;
    private final TimeHoldCommands holds;
    private final HostQueries hosts;
    private final TimeLinkQueries onceLinks;
    private final Clock clock;

    PickPage(
            OfferingPages pages,
            PickPages picks,
            PickCommands commands,
            TimeHoldCommands holds,
            HostQueries hosts,
            TimeLinkQueries onceLinks,
            Clock clock) {
        this.pages = pages;
        this.picks = picks;
        this.commands = commands;
        this.holds = holds;
        this.hosts = hosts;
        this.onceLinks = onceLinks;
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
        Optional<TimeLink> once = once(offering, asked);
        String base = "/p/" + offering.slug()
                + once.map(link -> "?once=" + asked.once()).orElse("");
        PickView view = picks.of(offering, base, asked, looker.zone(), viewer, once);
        boolean closed = offering.rules().visibility() == Visibility.INVITED && once.isEmpty() && !preview;
        page.addObject("once", once.map(link -> asked.once()).orElse(""));
        page.addObject("shut", !asked.once().isEmpty() && once.isEmpty() ? USED : closed ? BY_INVITATION : "");
        page.setViewName("signup/own-time");
        page.addObject("by", "start");
        page.addObject("pick", view);
        page.addObject("lasts", Times.length(Duration.ofMinutes(offering.minutes())));
        page.addObject("leaders", HostQueries.names(hosts.ofOffering(offering.id()), ""));
        page.addObject("notice", notice(offering));
        page.addObject(
                "nearest", view.lost().isEmpty() ? List.of() : nearest(offering, asked, once, looker.zone(), viewer));
        return page;
    }

    /** The link somebody comes by, as long as it is good for this offering. */
    private Optional<TimeLink> once(Offering offering, PickAsked asked) {
        return asked.once().isEmpty()
                ? Optional.empty()
                : onceLinks.of(asked.once()).filter(link -> link.isGood() && link.offering() == offering.id());
    }

    private static String notice(Offering o) {
        return o.cutOff().amount() == 0 ? "" : "At least " + Times.length(o.cutOff()) + " ahead";
    }

    /** The nearest times that are free, instead of one that is not. */
    private List<PickView.Time> nearest(
            Offering o, PickAsked asked, Optional<TimeLink> once, ZoneId visitor, Viewer viewer) {
        Instant wanted = asked.moment().orElse(viewer.now());
        LocalDate day = wanted.atZone(o.zone()).toLocalDate();
        List<OpenTime> near = picks.table(o, day.minusDays(NEAR_DAYS), day.plusDays(NEAR_DAYS), asked, once, viewer)
                .open();
        return OpenTimes.nearest(near, t -> t.start().toInstant(), wanted, OFFERED_INSTEAD).stream()
                .map(t -> new PickView.Time(
                        Times.dayAndTime(t.start().toInstant(), visitor), "", PickDays.sent(t.start()), false))
                .toList();
    }

    /** Holds the time that is asked for, if it can be had. */
    void hold(Offering offering, PickAsked asked, String browser) {
        Optional<TimeLink> once = once(offering, asked);
        boolean byInvitation = offering.rules().visibility() == Visibility.INVITED;
        if (offering.status() != OfferingStatus.PUBLISHED || byInvitation && once.isEmpty()) {
            return;
        }
        Optional<Long> host = once.flatMap(TimeLink::host).or(asked::hostNumber);
        asked.moment()
                .ifPresent(at -> holds.hold(
                        new PickCommands.Pick(offering, at, host, browser, once),
                        new Viewer(browser, clock.instant()),
                        Actor.visitor("a visitor")));
    }

    /** Gives the time that a form asks for. */
    Registering take(Offering offering, PickAsked wanted, Application asked, String browser) {
        Optional<TimeLink> once = once(offering, wanted);
        if (!wanted.once().isEmpty() && once.isEmpty()) {
            return new Registering.Refused(Registering.Reason.TIME_GONE);
        }
        Optional<Long> host = once.flatMap(TimeLink::host).or(wanted::hostNumber);
        return wanted.moment()
                .map(at -> commands.pick(
                        new PickCommands.Pick(offering, at, host, browser, once),
                        asked,
                        Optional.empty(),
                        Actor.visitor(asked.name())))
                .orElse(new Registering.Refused(Registering.Reason.TIME_GONE));
    }
}
