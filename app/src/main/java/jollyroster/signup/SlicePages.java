package jollyroster.signup;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;
import jollyroster.core.dates.Slices;
import jollyroster.core.openhours.OpenTimes;
import jollyroster.core.seats.SeatsShown;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.SeatsLeft;
import jollyroster.programme.Session;
import jollyroster.programme.Visibility;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;

/** The page of an offering whose dates are slices of a stretch: they are picked from like times of one's own. */
@Component
class SlicePages {

    private static final int OFFERED_INSTEAD = 3;
    private final ProgrammeQueries programme;
    private final RegistrationQueries roster;
    private final HostQueries hosts;
    private final Clock clock;

    SlicePages(ProgrammeQueries programme, RegistrationQueries roster, HostQueries hosts, Clock clock) {
        this.programme = programme;
        this.roster = roster;
        this.hosts = hosts;
        this.clock = clock;
    }

    /** A slice with what is left of it. @param waits whether who registers for it joins a waitlist */
    private record Slice(Session session, boolean gone, boolean waits, List<Host> hosts) {

        Instant at() {
            return session.start();
        }

        String sent() {
            return String.valueOf(session.id());
        }
    }

    /** Whether people pick from slices: not where they answer an invitation, and only while there is one to come. */
    boolean isFor(Offering o, boolean preview) {
        boolean picked =
                o.style().choosesDates() && !o.signUp().rsvp() && o.rules().visibility() != Visibility.INVITED;
        if (!picked) {
            return false;
        }
        List<Session> all = programme.sessionsOf(o.id()).stream()
                .filter(s -> !s.cancelled())
                .toList();
        return all.stream().anyMatch(s -> isOpen(s, preview))
                && Slices.areCut(all.stream().map(Session::span).toList());
    }

    /** In a preview all that are still to come. */
    private boolean isOpen(Session s, boolean preview) {
        Instant now = clock.instant();
        return preview ? !s.cancelled() && s.start().isAfter(now) : s.isOpenAt(now);
    }

    /** Puts the slices into a page that is made already. @param wanted the number of a slice, as it was sent */
    ModelAndView onto(ModelAndView page, Offering o, String wanted, PickAsked asked, ZoneId visitor, boolean preview) {
        List<Slice> slices = slices(o, preview);
        Optional<Slice> chosen =
                slices.stream().filter(s -> s.sent().equals(wanted)).findFirst();
        page.setViewName("signup/own-time");
        page.addObject("pick", view(o, slices, chosen, asked, visitor));
        page.addObject("by", "session");
        page.addObject("shut", "");
        page.addObject("once", "");
        page.addObject(
                "lasts",
                slices.isEmpty()
                        ? ""
                        : Times.length(slices.get(0).session().span().length()));
        page.addObject("leaders", leaders(slices));
        page.addObject("notice", o.cutOff().amount() == 0 ? "" : "At least " + Times.length(o.cutOff()) + " ahead");
        page.addObject(
                "nearest",
                chosen.filter(Slice::gone).map(s -> nearest(slices, s, visitor)).orElse(List.of()));
        return page;
    }

    private List<Slice> slices(Offering o, boolean preview) {
        List<Session> open = programme.sessionsOf(o.id()).stream()
                .filter(s -> isOpen(s, preview))
                .sorted(Comparator.comparing(Session::start))
                .toList();
        Map<Long, SeatCount> counts = roster.of(open.stream().map(Session::id).toList());
        Map<Long, List<Host>> leaders = hosts.of(open);
        return open.stream()
                .map(s -> {
                    SeatCount count = counts.getOrDefault(s.id(), SeatCount.NONE);
                    boolean full = SeatsLeft.of(s, count).free() == 0 || count.waitingParties() > 0;
                    return new Slice(s, full && !o.waitlistAllowed(), full, leaders.getOrDefault(s.id(), List.of()));
                })
                .toList();
    }

    private PickView view(Offering o, List<Slice> slices, Optional<Slice> chosen, PickAsked asked, ZoneId visitor) {
        Optional<Slice> first = slices.stream().filter(s -> !s.waits()).findFirst();
        LocalDate firstDay = first.or(() -> slices.stream().findFirst())
                .map(Slice::at)
                .orElse(clock.instant())
                .atZone(visitor)
                .toLocalDate();
        LocalDate from = PickPages.from(asked, chosen.map(Slice::at), firstDay, visitor);
        TreeSet<LocalDate> all = slices.stream()
                .map(s -> s.at().atZone(visitor).toLocalDate())
                .collect(Collectors.toCollection(TreeSet::new));
        List<LocalDate> shown = all.tailSet(from).stream().limit(PickDays.WEEK).toList();
        PickDays days = new PickDays(
                o.zone(),
                day -> false,
                slices.stream()
                        .filter(s -> !s.gone() || o.front().seatsShown().when() != SeatsShown.When.NEVER)
                        .map(s -> cell(s, slices)),
                visitor,
                shown.isEmpty() ? List.of(from) : shown,
                chosen.map(s -> cell(s, slices)));
        String base = "/p/" + o.slug();
        Optional<LocalDate> later =
                Optional.ofNullable(shown.isEmpty() ? null : all.higher(shown.get(shown.size() - 1)));
        Optional<LocalDate> earlier = all.headSet(from).stream()
                .sorted(Comparator.reverseOrder())
                .limit(PickDays.WEEK)
                .reduce((nearer, farther) -> farther);
        return new PickView(
                first.map(s -> Times.dayAndTime(s.at(), visitor)).orElse(slices.isEmpty() ? "" : "waitlist only"),
                days.tide(),
                days.view(
                        asked.openDay(),
                        day -> PickPages.address(base, from, Optional.empty()) + "&day=" + day + "#pick"),
                earlier.map(day -> PickPages.address(base, day, Optional.empty()))
                        .orElse(""),
                later.map(day -> PickPages.address(base, day, Optional.empty())).orElse(""),
                "",
                List.of(),
                "",
                chosen.filter(s -> !s.gone()).map(s -> chosen(s, o, visitor)),
                chosen.filter(Slice::gone)
                        .map(s -> Times.dayAndTime(s.at(), visitor))
                        .orElse(""));
    }

    private static PickDays.Cell cell(Slice s, List<Slice> all) {
        boolean alone = all.stream().filter(other -> other.at().equals(s.at())).count() == 1;
        String whose = alone ? "" : HostQueries.names(s.hosts(), "");
        String note = s.waits() && !s.gone() ? "waitlist" : whose;
        return new PickDays.Cell(s.at(), s.gone() ? "" : s.sent(), note);
    }

    private static PickView.Chosen chosen(Slice s, Offering o, ZoneId visitor) {
        ZonedDateTime start = s.at().atZone(visitor);
        String who = HostQueries.names(s.hosts(), "");
        boolean same = start.toLocalDateTime().equals(s.at().atZone(o.zone()).toLocalDateTime());
        String there = same ? "" : Times.time(s.at().atZone(o.zone())) + " in " + Times.city(o.zone());
        return new PickView.Chosen(
                s.sent(),
                Times.day(start) + ", " + Times.hours(start, s.session().end().atZone(visitor)),
                PickPages.withWhom(who, there),
                s.waits() ? "Join the waitlist" : "Register for " + Times.time(start),
                "",
                0);
    }

    private static String leaders(List<Slice> slices) {
        return HostQueries.names(
                slices.stream().flatMap(s -> s.hosts().stream()).distinct().toList(), "");
    }

    private static List<PickView.Time> nearest(List<Slice> slices, Slice wanted, ZoneId visitor) {
        List<Slice> free = slices.stream().filter(s -> !s.waits()).collect(Collectors.toList());
        return OpenTimes.nearest(free, Slice::at, wanted.at(), OFFERED_INSTEAD).stream()
                .map(s -> new PickView.Time(Times.dayAndTime(s.at(), visitor), "", s.sent(), false))
                .toList();
    }
}
