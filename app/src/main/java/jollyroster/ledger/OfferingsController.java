package jollyroster.ledger;

import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.chart.SeatStrip;
import jollyroster.core.intake.Text;
import jollyroster.core.readiness.Finding;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.ReadinessCheck;
import jollyroster.programme.SeatCounts;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.programme.Visibility;
import jollyroster.sheet.ReadinessView;
import org.jspecify.annotations.Nullable;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** All offerings as a list: how each stands, its next date, and what there is to do. Templates stand below them. */
@DeskPage
class OfferingsController {

    private static final int LINES = 25;
    private final ProgrammeQueries queries;
    private final SeatCounts counts;
    private final ReadinessCheck readiness;
    private final Clock clock;

    OfferingsController(ProgrammeQueries queries, SeatCounts counts, ReadinessCheck readiness, Clock clock) {
        this.queries = queries;
        this.counts = counts;
        this.readiness = readiness;
        this.clock = clock;
    }

    /**
     * An offering.
     *
     * @param next when its next date is; empty for none
     * @param strip the seats of that date; {@code null} for none
     * @param toDo the gravest finding; empty for nothing
     * @param grave whether it stops publishing, or probably is a mistake
     */
    public record Line(
            long id,
            String title,
            String status,
            String found,
            int coming,
            String next,
            @Nullable Long session,
            @Nullable SeatStrip strip,
            String taken,
            String waiting,
            String toDo,
            boolean grave) {}

    /** @param q text in title, host, venue or label @param status a word of {@link OfferingStatus}; empty for all */
    @GetMapping("/desk/offerings")
    String offerings(
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "") String status,
            @RequestParam(defaultValue = "1") String page,
            Model model) {
        Instant now = clock.instant();
        String sought = Text.folded(Text.oneLine(q, 100));
        List<Offering> asked = queries.offerings().stream()
                .filter(o -> status.isEmpty() || o.status().word().equals(status))
                .filter(o -> o.mentions(sought))
                .toList();
        Map<Long, List<Session>> dates =
                queries.sessionsOf(asked.stream().map(Offering::id).toList());
        List<Offering> inOrder = asked.stream()
                .sorted(Comparator.comparing(o -> rank(o, dates, now)))
                .toList();
        int pages = Math.max(1, (inOrder.size() + LINES - 1) / LINES);
        int number = page.matches("[1-9]\\d{0,3}") ? Math.min(Integer.parseInt(page), pages) : 1;
        List<Offering> shown = inOrder.subList((number - 1) * LINES, Math.min(number * LINES, inOrder.size()));
        model.addAttribute("lines", lines(shown, dates, now));
        model.addAttribute("total", inOrder.size());
        model.addAttribute("q", q);
        model.addAttribute("status", status);
        model.addAttribute("number", number);
        model.addAttribute("pages", pages);
        model.addAttribute(
                "statuses",
                Stream.of(OfferingStatus.values()).map(OfferingStatus::word).toList());
        model.addAttribute("templates", queries.patterns());
        return "ledger/offerings";
    }

    /** Drafts first, then by the next date, then those without one. */
    private static Instant rank(Offering o, Map<Long, List<Session>> dates, Instant now) {
        return o.status() == OfferingStatus.DRAFT
                ? Instant.MIN
                : next(dates.getOrDefault(o.id(), List.of()), now)
                        .map(Session::start)
                        .orElse(Instant.MAX);
    }

    private static Optional<Session> next(List<Session> sessions, Instant now) {
        return sessions.stream()
                .filter(s -> s.end().isAfter(now) && !s.cancelled())
                .findFirst();
    }

    private List<Line> lines(List<Offering> shown, Map<Long, List<Session>> dates, Instant now) {
        Map<Long, List<Session>> theirs =
                shown.stream().collect(Collectors.toMap(Offering::id, o -> dates.getOrDefault(o.id(), List.of())));
        Map<Long, List<Finding>> findings = readiness.of(shown, theirs, now);
        Map<Long, SeatCount> taken = counts.of(theirs.values().stream()
                .flatMap(sessions -> next(sessions, now).stream())
                .map(Session::id)
                .toList());
        return shown.stream()
                .map(o -> line(o, theirs.get(o.id()), taken, findings.getOrDefault(o.id(), List.of()), now))
                .toList();
    }

    private static Line line(
            Offering o, List<Session> dates, Map<Long, SeatCount> taken, List<Finding> findings, Instant now) {
        Optional<Session> next = next(dates, now);
        SeatCount count = next.map(s -> taken.get(s.id())).orElse(SeatCount.NONE);
        Optional<Finding> first = findings.stream()
                .filter(f -> f.kind().severity() != Finding.Severity.REMARK)
                .findFirst();
        int coming = (int) dates.stream()
                .filter(s -> s.end().isAfter(now) && !s.cancelled())
                .count();
        return new Line(
                o.id(),
                o.title(),
                o.status().word(),
                o.rules().visibility() == Visibility.LISTED
                        ? ""
                        : o.rules().visibility().word(),
                coming,
                next.map(s -> Times.dayAndTime(s.start(), s.zone())).orElse(""),
                next.map(Session::id).orElse(null),
                next.map(s -> SeatStrip.ofCounts(s.seats(), s.keptBack(), count.taken(), 0, 6))
                        .orElse(null),
                next.map(s -> "%,d of %,d".formatted(count.taken(), s.seats())).orElse(""),
                count.waitingPeople() == 0 ? "" : count.waitingPeople() + " waiting",
                first.map(f -> ReadinessView.lead(f, o.zone())).orElse(ready(o)),
                first.isPresent());
    }

    private static String ready(Offering o) {
        return o.status() == OfferingStatus.DRAFT ? "Ready to publish." : "";
    }
}
