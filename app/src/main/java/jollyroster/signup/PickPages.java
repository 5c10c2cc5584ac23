package jollyroster.signup;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import jollyroster.core.openhours.HostChoice;
import jollyroster.owntime.OpenTime;
import jollyroster.owntime.TimeHoldQueries;
import jollyroster.owntime.TimeLink;
import jollyroster.owntime.TimesQueries;
import jollyroster.owntime.Viewer;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.Venue;
import org.springframework.stereotype.Component;

/** Puts together what a visitor picks a time from: a week of days, on their clock. */
@Component
class PickPages {

    private static final int HORIZON = 62;
    private final TimesQueries times;
    private final TimeHoldQueries holds;
    private final OwnTimeQueries ownTime;
    private final HostQueries hosts;

    PickPages(TimesQueries times, TimeHoldQueries holds, OwnTimeQueries ownTime, HostQueries hosts) {
        this.times = times;
        this.holds = holds;
        this.ownTime = ownTime;
        this.hosts = hosts;
    }

    /** @param base the address of the page the times stand on */
    PickView of(Offering o, String base, PickAsked asked, ZoneId visitor, Viewer viewer) {
        return of(o, base, asked, visitor, viewer, Optional.empty());
    }

    /** @param once the link that gives one person one time, if somebody comes by one */
    PickView of(Offering o, String base, PickAsked asked, ZoneId visitor, Viewer viewer, Optional<TimeLink> once) {
        OwnTime own = ownTime.of(o.id());
        Set<Long> allowed = once.map(link -> link.leaders(own.choice())).orElse(Set.of());
        boolean chooses = own.choice() == HostChoice.ATTENDEES_CHOICE && allowed.size() != 1;
        Optional<Long> only = chooses ? asked.hostNumber() : once.flatMap(TimeLink::host);
        LocalDate today = viewer.now().atZone(o.zone()).toLocalDate();
        LocalDate last = last(own, o, viewer.now());
        boolean limited = last.isBefore(today.plusDays(HORIZON));
        LocalDate until = limited ? last.plusDays(1) : today.plusDays(HORIZON);
        TimesQueries.Table table = o.status() == OfferingStatus.CLOSED
                ? new TimesQueries.Table(List.of(), List.of())
                : table(o, today, until, asked, once, viewer);
        LocalDate firstFree = table.open().stream()
                .findFirst()
                .map(t -> t.start().toInstant())
                .orElse(viewer.now())
                .atZone(visitor)
                .toLocalDate();
        LocalDate from = from(asked, asked.moment(), firstFree, visitor);
        PickDays days = new PickDays(
                o.zone(),
                day -> own.hours().on(day).isClosed(),
                PickDays.cells(table),
                visitor,
                PickDays.week(from),
                asked.moment().map(at -> new PickDays.Cell(at, PickDays.sent(at.atZone(o.zone())), "")));
        Optional<PickView.Chosen> chosen = chosen(o, own, table.open(), asked, visitor, viewer);
        return new PickView(
                table.open().isEmpty()
                        ? ""
                        : Times.dayAndTime(table.open().get(0).start().toInstant(), visitor),
                days.tide(),
                days.view(asked.openDay(), day -> address(base, from, only) + "&day=" + day + "#pick"),
                from.isAfter(firstFree) ? address(base, from.minusDays(PickDays.WEEK), only) : "",
                table.open().stream()
                                .anyMatch(
                                        t -> !days.dayOf(t.start().toInstant()).isBefore(from.plusDays(PickDays.WEEK)))
                        ? address(base, from.plusDays(PickDays.WEEK), only)
                        : "",
                limited ? Times.dayAndMonth(last) : "",
                chooses ? choices(hosts.ofOffering(o.id(), allowed), base, from, asked) : List.of(),
                only.map(String::valueOf).orElse(""),
                chosen,
                chosen.isPresent()
                        ? ""
                        : asked.moment()
                                .map(at -> Times.dayAndTime(at, visitor))
                                .orElse(""));
    }

    /** What somebody may pick from: with whom they ask for, and within what their link allows. */
    TimesQueries.Table table(
            Offering o, LocalDate from, LocalDate until, PickAsked asked, Optional<TimeLink> once, Viewer viewer) {
        HostChoice choice = ownTime.of(o.id()).choice();
        Set<Long> allowed = once.map(link -> link.leaders(choice)).orElse(Set.of());
        Set<Long> only = asked.hostNumber()
                .filter(host -> choice == HostChoice.ATTENDEES_CHOICE)
                .filter(host -> allowed.isEmpty() || allowed.contains(host))
                .map(Set::of)
                .orElse(allowed);
        return within(once, o, times.table(o, from, until, only, viewer));
    }

    private static TimesQueries.Table within(Optional<TimeLink> once, Offering o, TimesQueries.Table all) {
        return once.map(link -> new TimesQueries.Table(
                        all.open().stream()
                                .filter(t -> link.allows(t.start().toLocalDate()))
                                .toList(),
                        all.taken().stream()
                                .filter(at -> link.allows(at.atZone(o.zone()).toLocalDate()))
                                .toList()))
                .orElse(all);
    }

    /** The last day that may be picked from. */
    private static LocalDate last(OwnTime own, Offering o, Instant now) {
        LocalDate ahead = own.rules(o).lastDay(now, o.zone());
        LocalDate end = own.hours().last();
        return end != null && end.isBefore(ahead) ? end : ahead;
    }

    /** The first day to show: the one that is asked for, else that of the time which was picked, else the first with a time. */
    static LocalDate from(PickAsked asked, Optional<Instant> picked, LocalDate firstFree, ZoneId visitor) {
        return asked.firstDay()
                .or(asked::openDay)
                .or(() -> picked.map(at -> at.atZone(visitor).toLocalDate())
                        .filter(day -> day.isBefore(firstFree) || !day.isBefore(firstFree.plusDays(PickDays.WEEK))))
                .orElse(firstFree);
    }

    /** A time that was picked, as the page that thanks for it says it: where it is held on that clock, else on the visitor's. */
    static ThanksController.WhenAndWhere whenAndWhere(Offering o, Instant start, ZoneId visitor) {
        boolean online = o.venue().map(Venue::isOnline).orElse(false);
        ZonedDateTime first = start.atZone(online ? visitor : o.zone());
        ZonedDateTime other = start.atZone(online ? o.zone() : visitor);
        String when = Times.day(first) + ", " + Times.hours(first, first.plusMinutes(o.minutes())) + " "
                + Times.city(first.getZone()) + " time";
        boolean same = first.getOffset().equals(other.getOffset());
        return new ThanksController.WhenAndWhere(
                when,
                same ? "" : Times.dayAndTime(start, other.getZone()) + " in " + Times.city(other.getZone()),
                List.of(),
                online ? "Online" : o.place(),
                o.venue().map(Venue::accessNote).orElse(""));
    }

    static String address(String base, LocalDate from, Optional<Long> only) {
        return base + (base.contains("?") ? "&" : "?") + "from=" + from
                + only.map(id -> "&host=" + id).orElse("");
    }

    private static List<PickView.Choice> choices(List<Host> leaders, String base, LocalDate from, PickAsked asked) {
        List<PickView.Choice> choices = new ArrayList<>();
        choices.add(new PickView.Choice(
                "anybody",
                address(base, from, Optional.empty()) + "#pick",
                asked.hostNumber().isEmpty()));
        for (Host host : leaders) {
            choices.add(new PickView.Choice(
                    host.name(),
                    address(base, from, Optional.of(host.id())) + "#pick",
                    asked.hostNumber().filter(id -> id == host.id()).isPresent()));
        }
        return choices;
    }

    private Optional<PickView.Chosen> chosen(
            Offering o, OwnTime own, List<OpenTime> all, PickAsked asked, ZoneId visitor, Viewer viewer) {
        return all.stream()
                .filter(t ->
                        asked.moment().filter(t.start().toInstant()::equals).isPresent())
                .findFirst()
                .map(t -> chosen(o, own.choice(), t, asked, visitor, viewer));
    }

    private PickView.Chosen chosen(
            Offering o, HostChoice choice, OpenTime t, PickAsked asked, ZoneId visitor, Viewer viewer) {
        Optional<TimeHoldQueries.Own> hold = holds.own(o.id(), viewer)
                .filter(own -> own.start().equals(t.start().toInstant()));
        List<Host> leaders = leaders(choice, t, asked, hold);
        boolean known = choice == HostChoice.ALL_TOGETHER || leaders.size() == 1;
        return new PickView.Chosen(
                PickDays.sent(t.start()),
                when(t, visitor),
                with(known ? HostQueries.names(leaders, "") : "", t, o, visitor),
                "Register for " + Times.time(t.start().withZoneSameInstant(visitor)),
                hold.map(own -> Times.time(own.until().atZone(visitor))).orElse(""),
                hold.map(own -> Duration.between(viewer.now(), own.until()).toSeconds())
                        .orElse(0L));
    }

    /** Who would lead it: those who are held, or chosen, else all who could. */
    private static List<Host> leaders(
            HostChoice choice, OpenTime t, PickAsked asked, Optional<TimeHoldQueries.Own> hold) {
        List<Host> held = t.hosts().stream()
                .filter(host ->
                        hold.filter(own -> own.hosts().contains(host.id())).isPresent())
                .toList();
        boolean chosen =
                choice == HostChoice.ATTENDEES_CHOICE && asked.hostNumber().isPresent();
        return chosen
                ? t.hosts().stream()
                        .filter(host -> host.id() == asked.hostNumber().get())
                        .toList()
                : held.isEmpty() ? t.hosts() : held;
    }

    private static String when(OpenTime t, ZoneId visitor) {
        ZonedDateTime start = t.start().withZoneSameInstant(visitor);
        return Times.day(start) + ", " + Times.hours(start, t.end().withZoneSameInstant(visitor));
    }

    private static String with(String names, OpenTime t, Offering o, ZoneId visitor) {
        boolean same = t.start()
                .withZoneSameInstant(visitor)
                .toLocalDateTime()
                .equals(t.start().toLocalDateTime());
        String there = same ? "" : Times.time(t.start()) + " in " + Times.city(o.zone());
        return withWhom(names, there);
    }

    /** Who leads a time, and when that is elsewhere. @param there empty where the clocks show the same */
    static String withWhom(String names, String there) {
        String who = names.isEmpty() ? "" : "with " + names;
        return who.isEmpty() || there.isEmpty() ? who + there : who + " · " + there;
    }
}
