package jollyroster.programme;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import jollyroster.chart.SeatStrip;
import jollyroster.outbox.OutboxQueries;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.SeatCounts.SeatCount;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The programme: a ledger of sessions by date. */
@DeskPage
class LedgerController {

    private static final Duration REACH = Duration.ofDays(400);
    private final ProgrammeQueries queries;
    private final SeatCounts counts;
    private final OutboxQueries outbox;
    private final OrganisationQueries organisation;
    private final Clock clock;

    LedgerController(
            ProgrammeQueries queries,
            SeatCounts counts,
            OutboxQueries outbox,
            OrganisationQueries organisation,
            Clock clock) {
        this.queries = queries;
        this.counts = counts;
        this.outbox = outbox;
        this.organisation = organisation;
        this.clock = clock;
    }

    record Day(String label, String ahead, List<Line> lines) {}

    record Line(
            long session,
            long offering,
            String hours,
            String title,
            String host,
            String venue,
            String status,
            boolean cancelled,
            SeatStrip strip,
            String taken,
            String waiting,
            String next) {}

    record Draft(long id, String title, int dates, String lacks) {}

    @GetMapping("/desk/programme")
    String ledger(
            @RequestParam(defaultValue = "coming") String when,
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "") String status,
            Model model) {
        Instant now = clock.instant();
        boolean past = when.equals("past");
        String sought = q.strip().toLowerCase(Locale.ROOT);
        List<Session> sessions =
                new ArrayList<>(past ? queries.between(now.minus(REACH), now) : queries.between(now, now.plus(REACH)));
        sessions.removeIf(s -> past == s.end().isAfter(now) || !matches(s, sought, status));
        if (past) {
            sessions.sort(Comparator.comparing(Session::start).reversed());
        }
        model.addAttribute("past", past);
        model.addAttribute("q", q);
        model.addAttribute("status", status);
        model.addAttribute("days", days(sessions, now));
        model.addAttribute("drafts", past ? List.of() : drafts(now, sought));
        model.addAttribute("total", sessions.size());
        return "programme/ledger";
    }

    private static boolean matches(Session s, String sought, String status) {
        Offering o = s.offering();
        String text = (o.title() + " " + o.hostName() + " " + o.place()).toLowerCase(Locale.ROOT);
        return text.contains(sought) && (status.isEmpty() || o.status().word().equals(status));
    }

    private List<Day> days(List<Session> sessions, Instant now) {
        List<Long> ids = sessions.stream().map(Session::id).toList();
        Map<Long, SeatCount> taken = counts.of(ids);
        Map<Long, Instant> next = outbox.next(ids);
        ZoneId home = organisation.organisation().zone();
        Map<LocalDate, List<Line>> byDay = new LinkedHashMap<>();
        sessions.forEach(s -> byDay.computeIfAbsent(s.start().atZone(home).toLocalDate(), d -> new ArrayList<>())
                .add(line(s, taken.get(s.id()), Optional.ofNullable(next.get(s.id())), home)));
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

    private static Line line(Session s, SeatCount count, Optional<Instant> next, ZoneId home) {
        Offering o = s.offering();
        return new Line(
                s.id(),
                o.id(),
                Times.hours(s.start().atZone(home), s.end().atZone(home)),
                o.title(),
                o.hostName(),
                o.venue().map(Venue::name).orElse("no venue yet"),
                o.status().word(),
                s.cancelled(),
                SeatStrip.ofCounts(s.seats(), s.keptBack(), count.taken(), 0, 6),
                count.taken() + " / " + s.seats(),
                count.waitingPeople() > 0 ? count.waitingPeople() + " waiting" : "",
                next.map(at -> Times.dayAndTime(at, home)).orElse(""));
    }

    private List<Draft> drafts(Instant now, String sought) {
        return queries.offerings().stream()
                .filter(o -> o.status() == OfferingStatus.DRAFT)
                .filter(o -> o.title().toLowerCase(Locale.ROOT).contains(sought))
                .map(o -> draft(o, now))
                .toList();
    }

    private Draft draft(Offering o, Instant now) {
        List<Session> sessions = queries.sessionsOf(o.id());
        String lacks = ReadinessView.findings(o, sessions, now).stream()
                .findFirst()
                .map(f -> ReadinessView.lead(f, o.zone()))
                .orElse("Ready to publish.");
        return new Draft(o.id(), o.title(), sessions.size(), lacks);
    }
}
