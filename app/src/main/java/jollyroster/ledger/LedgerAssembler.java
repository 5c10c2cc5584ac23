package jollyroster.ledger;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import jollyroster.chart.SeatStrip;
import jollyroster.core.readiness.Readiness.Clash;
import jollyroster.core.seats.Outlook;
import jollyroster.outbox.UnsentQueries;
import jollyroster.platform.Actor;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.Clashes;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.MeetingLink;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import jollyroster.roster.Paces;
import jollyroster.sheet.OutlookWords;
import org.springframework.stereotype.Component;

/** Puts the lines of the programme together: what is asked for, a screenful of it, by day. */
@Component
class LedgerAssembler {

    static final int LINES = 17;

    /** Of what has passed, which is looked through less often. */
    static final int PAST_LINES = 15;

    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM", Locale.ENGLISH);
    private static final DateTimeFormatter MONTH_AND_YEAR = DateTimeFormatter.ofPattern("MMMM yyyy", Locale.ENGLISH);
    private static final Duration REACH = Duration.ofDays(400);
    private final ProgrammeQueries queries;
    private final HostQueries hosts;
    private final SeatCounts counts;
    private final Clashes clashes;
    private final UnsentQueries unsent;
    private final OrganisationQueries organisation;
    private final Paces paces;

    LedgerAssembler(
            ProgrammeQueries queries,
            HostQueries hosts,
            SeatCounts counts,
            Clashes clashes,
            UnsentQueries unsent,
            OrganisationQueries organisation,
            Paces paces) {
        this.queries = queries;
        this.hosts = hosts;
        this.counts = counts;
        this.clashes = clashes;
        this.unsent = unsent;
        this.organisation = organisation;
        this.paces = paces;
    }

    public record Day(String label, String ahead, List<Line> lines) {}

    /**
     * A session on its day.
     *
     * @param tick what its box is called
     * @param standing cancelled, or what its offering is when it is not published; empty otherwise
     * @param notes computed remarks, the gravest first
     */
    public record Line(
            long session,
            String tick,
            String hours,
            String title,
            String host,
            String venue,
            String standing,
            boolean cancelled,
            SeatStrip strip,
            String taken,
            String pace,
            String waiting,
            String next,
            List<Note> notes) {

        public String drawnAs() {
            return cancelled ? "gone" : "";
        }
    }

    /** @param code as style sheets read it: stop, odd, remark */
    public record Note(String code, String words) {}

    /** A month that has sessions. @param words {@code Mar 14}, with the year when it is another */
    public record Month(String words, int sessions, String address, boolean chosen) {}

    /** A screenful. @param earlier where the page before is; empty when this is the first @param later likewise */
    public record Page(List<Day> days, int total, List<Month> months, String earlier, String later) {}

    /** What an actor may see of what is asked for. */
    Page page(LedgerFilter filter, Actor actor, Instant now) {
        ZoneId home = organisation.organisation().zone();
        List<Session> asked = asked(filter, actor, now);
        List<Session> inMonth = asked.stream()
                .filter(s ->
                        filter.month().isEmpty() || month(s, home).toString().equals(filter.month()))
                .toList();
        int lines = filter.isPast() ? PAST_LINES : LINES;
        int pages = Math.max(1, (inMonth.size() + lines - 1) / lines);
        int number = Math.min(filter.pageNumber(), pages);
        List<Session> shown = inMonth.subList((number - 1) * lines, Math.min(number * lines, inMonth.size()));
        return new Page(
                days(shown, now, home),
                inMonth.size(),
                months(asked, filter, home, now),
                number > 1 ? filter.address(filter.month(), number - 1) : "",
                number < pages ? filter.address(filter.month(), number + 1) : "");
    }

    private List<Session> asked(LedgerFilter filter, Actor actor, Instant now) {
        List<Session> near =
                filter.isPast() ? queries.between(now.minus(REACH), now) : queries.between(now, now.plus(REACH));
        List<Session> held = new ArrayList<>(hosts.visible(near, actor, now).stream()
                .filter(s -> filter.isPast() != s.end().isAfter(now))
                .toList());
        if (!filter.isEmpty()) {
            Map<Long, List<Host>> leaders = hosts.of(held);
            Map<Long, SeatCount> taken = counts(held);
            held.removeIf(s -> !filter.asksFor(s, leaders.get(s.id()), taken.get(s.id()), now));
        }
        if (filter.isPast()) {
            held.sort(Comparator.comparing(Session::start).reversed());
        }
        return held;
    }

    private Map<Long, SeatCount> counts(List<Session> sessions) {
        return counts.of(sessions.stream().map(Session::id).toList());
    }

    private static YearMonth month(Session s, ZoneId home) {
        return YearMonth.from(s.start().atZone(home));
    }

    private static List<Month> months(List<Session> asked, LedgerFilter filter, ZoneId home, Instant now) {
        Map<YearMonth, Integer> counted = new LinkedHashMap<>();
        asked.forEach(s -> counted.merge(month(s, home), 1, Integer::sum));
        int year = now.atZone(home).getYear();
        return counted.entrySet().stream()
                .map(e -> new Month(
                        (e.getKey().getYear() == year ? MONTH : MONTH_AND_YEAR).format(e.getKey()),
                        e.getValue(),
                        filter.address(e.getKey().toString(), 1),
                        e.getKey().toString().equals(filter.month())))
                .toList();
    }

    private List<Day> days(List<Session> sessions, Instant now, ZoneId home) {
        Map<Long, List<Host>> leaders = hosts.of(sessions);
        Map<Long, SeatCount> taken = counts(sessions);
        Map<Long, Double> pace = paces.of(sessions, now);
        Map<Long, Instant> next = unsent.next(sessions.stream().map(Session::id).toList());
        Map<Long, List<Clash>> collisions =
                clashes.of(sessions, now).stream().collect(java.util.stream.Collectors.groupingBy(Clash::session));
        Map<LocalDate, List<Line>> byDay = new LinkedHashMap<>();
        for (Session s : sessions) {
            SeatCount count = taken.get(s.id());
            String host = HostQueries.names(leaders.get(s.id()), s.offering().hostName());
            List<Note> notes = notes(s, count, host, collisions.getOrDefault(s.id(), List.of()), now);
            byDay.computeIfAbsent(s.start().atZone(home).toLocalDate(), d -> new ArrayList<>())
                    .add(line(
                            s,
                            count,
                            host,
                            pace.getOrDefault(s.id(), 0.0),
                            Optional.ofNullable(next.get(s.id())),
                            notes,
                            home));
        }
        LocalDate today = now.atZone(home).toLocalDate();
        return byDay.entrySet().stream()
                .map(day ->
                        new Day(Times.day(day.getKey().atStartOfDay(home)), ahead(today, day.getKey()), day.getValue()))
                .toList();
    }

    static String ahead(LocalDate today, LocalDate day) {
        long days = java.time.temporal.ChronoUnit.DAYS.between(today, day);
        if (days == 0) {
            return "today";
        }
        if (Math.abs(days) == 1) {
            return days > 0 ? "tomorrow" : "yesterday";
        }
        return days > 0 ? "in " + days + " days" : -days + " days ago";
    }

    private static List<Note> notes(Session s, SeatCount count, String host, List<Clash> collisions, Instant now) {
        if (s.cancelled() || !s.end().isAfter(now)) {
            return List.of();
        }
        List<Note> notes = new ArrayList<>();
        collisions.stream()
                .limit(2)
                .forEach(c -> notes.add(new Note(
                        "stop",
                        c.name() + " double-booked, overlap " + c.conflict().minutes() + " min")));
        if (s.link().state() == MeetingLink.State.FAILED) {
            notes.add(new Note("stop", "no meeting link"));
        }
        if (host.isEmpty()) {
            notes.add(new Note("odd", "no host"));
        }
        Outlook outlook = s.outlook(count.taken(), now);
        if (outlook != Outlook.OPEN) {
            notes.add(new Note(urgency(outlook), OutlookWords.of(s, count.taken(), now)));
        }
        return notes;
    }

    private static String urgency(Outlook outlook) {
        return switch (outlook) {
            case OPEN, RUNS -> "calm";
            case AT_RISK -> "odd";
            case DECIDE_TODAY, OVERDUE -> "stop";
        };
    }

    private static Line line(
            Session s,
            SeatCount count,
            String host,
            double pace,
            Optional<Instant> next,
            List<Note> notes,
            ZoneId home) {
        long more = Math.round(pace);
        Offering o = s.offering();
        String hours = Times.hours(s.start().atZone(home), s.end().atZone(home));
        return new Line(
                s.id(),
                "Select " + o.title() + " " + Times.day(s.start().atZone(home)) + " " + hours,
                hours,
                o.title(),
                host,
                s.venue().map(Venue::name).orElse("no venue yet"),
                s.cancelled()
                        ? "cancelled"
                        : o.status() == OfferingStatus.PUBLISHED
                                ? ""
                                : o.status().word(),
                s.cancelled(),
                SeatStrip.ofCounts(s.seats(), s.keptBack(), count.taken(), 0, 6),
                count.taken() + " / " + s.seats(),
                more == 0 ? "" : Math.abs(more) + (more > 0 ? " ahead" : " behind"),
                count.waitingPeople() > 0 ? count.waitingPeople() + " waiting" : "",
                next.map(at -> Times.dayAndTime(at, home)).orElse(""),
                notes);
    }
}
