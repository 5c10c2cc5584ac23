package jollyroster.ledger;

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
import jollyroster.core.intake.Text;
import jollyroster.core.readiness.Readiness.Clash;
import jollyroster.core.seats.Outlook;
import jollyroster.outbox.OutboxQueries;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.SignedIn;
import jollyroster.platform.Times;
import jollyroster.programme.Clashes;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.MeetingLink;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.ReadinessCheck;
import jollyroster.programme.SeatCounts;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import jollyroster.roster.Paces;
import jollyroster.sheet.OutlookWords;
import jollyroster.sheet.ReadinessView;
import jollyroster.team.TeamQueries;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The programme: a ledger of sessions by date. */
@DeskPage
class LedgerController {

    private static final Duration REACH = Duration.ofDays(400);
    private final ProgrammeQueries queries;
    private final HostQueries hosts;
    private final TeamQueries team;
    private final SeatCounts counts;
    private final Clashes clashes;
    private final ReadinessCheck readiness;
    private final OutboxQueries outbox;
    private final SavedViewQueries views;
    private final SavedViewCommands viewCommands;
    private final OrganisationQueries organisation;
    private final Paces paces;
    private final SignedIn signedIn;
    private final Clock clock;

    LedgerController(
            ProgrammeQueries queries,
            HostQueries hosts,
            TeamQueries team,
            SeatCounts counts,
            Clashes clashes,
            ReadinessCheck readiness,
            OutboxQueries outbox,
            SavedViewQueries views,
            SavedViewCommands viewCommands,
            OrganisationQueries organisation,
            Paces paces,
            SignedIn signedIn,
            Clock clock) {
        this.queries = queries;
        this.hosts = hosts;
        this.team = team;
        this.counts = counts;
        this.clashes = clashes;
        this.readiness = readiness;
        this.outbox = outbox;
        this.views = views;
        this.viewCommands = viewCommands;
        this.organisation = organisation;
        this.paces = paces;
        this.signedIn = signedIn;
        this.clock = clock;
    }

    record Day(String label, String ahead, List<Line> lines) {}

    /** @param notes computed remarks, the gravest first */
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
            String pace,
            String paceWords,
            String waiting,
            String next,
            List<Note> notes) {}

    /** @param code as style sheets read it: stop, odd, remark */
    record Note(String code, String words) {}

    record Draft(long id, String title, int dates, String lacks, boolean stops) {}

    @GetMapping("/desk/programme")
    String ledger(@ModelAttribute("filter") LedgerFilter filter, Model model) {
        Instant now = clock.instant();
        List<Session> held = hosts.visible(
                filter.isPast() ? queries.between(now.minus(REACH), now) : queries.between(now, now.plus(REACH)),
                signedIn.actor(),
                now);
        List<Session> sessions = new ArrayList<>(held.stream()
                .filter(s -> filter.isPast() != s.end().isAfter(now))
                .toList());
        Map<Long, List<Host>> leaders = hosts.of(sessions);
        Map<Long, SeatCount> taken =
                counts.of(sessions.stream().map(Session::id).toList());
        sessions.removeIf(s -> !filter.asksFor(s, leaders.get(s.id()), taken.get(s.id()), now));
        if (filter.isPast()) {
            sessions.sort(Comparator.comparing(Session::start).reversed());
        }
        model.addAttribute("days", days(sessions, leaders, taken, now));
        model.addAttribute("total", sessions.size());
        addChoices(model, filter, now);
        return "ledger/ledger";
    }

    private void addChoices(Model model, LedgerFilter filter, Instant now) {
        boolean organiser = signedIn.isOrganiser();
        model.addAttribute("organiser", organiser);
        model.addAttribute("states", LedgerFilter.STATES);
        model.addAttribute("hosts", team.hosts());
        model.addAttribute("venues", queries.venues());
        model.addAttribute("patterns", organiser ? queries.patterns() : List.of());
        model.addAttribute("views", signedIn.member().map(m -> views.of(m.id())).orElse(List.of()));
        model.addAttribute("drafts", filter.isPast() || !organiser ? List.of() : drafts(now, filter.q()));
    }

    private List<Day> days(
            List<Session> sessions, Map<Long, List<Host>> leaders, Map<Long, SeatCount> taken, Instant now) {
        Map<Long, Double> pace = paces.of(sessions, now);
        Map<Long, Instant> next = outbox.next(sessions.stream().map(Session::id).toList());
        Map<Long, List<Clash>> collisions =
                clashes.of(sessions, now).stream().collect(java.util.stream.Collectors.groupingBy(Clash::session));
        ZoneId home = organisation.organisation().zone();
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
                .forEach(c -> notes.add(
                        new Note("stop", c.name() + " twice, " + c.conflict().minutes() + " min")));
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
        return new Line(
                s.id(),
                o.id(),
                Times.hours(s.start().atZone(home), s.end().atZone(home)),
                o.title(),
                host,
                s.venue().map(Venue::name).orElse("no venue yet"),
                o.status().word(),
                s.cancelled(),
                SeatStrip.ofCounts(s.seats(), s.keptBack(), count.taken(), 0, 6),
                count.taken() + " / " + s.seats(),
                more == 0 ? "" : (more > 0 ? "+" : "−") + Math.abs(more),
                more == 0 ? "" : Math.abs(more) + (more > 0 ? " more" : " fewer") + " than usual by now",
                count.waitingPeople() > 0 ? count.waitingPeople() + " waiting" : "",
                next.map(at -> Times.dayAndTime(at, home)).orElse(""),
                notes);
    }

    private List<Draft> drafts(Instant now, String sought) {
        List<Offering> drafts = queries.offerings().stream()
                .filter(o -> o.status() == OfferingStatus.DRAFT)
                .filter(o -> o.title().toLowerCase(Locale.ROOT).contains(sought.toLowerCase(Locale.ROOT)))
                .toList();
        Map<Long, List<Session>> dates =
                queries.sessionsOf(drafts.stream().map(Offering::id).toList());
        var findings = readiness.of(drafts, dates, now);
        return drafts.stream()
                .map(o -> {
                    var first = findings.get(o.id()).stream().findFirst();
                    return new Draft(
                            o.id(),
                            o.title(),
                            dates.getOrDefault(o.id(), List.of()).size(),
                            first.map(f -> ReadinessView.lead(f, o.zone())).orElse("Ready to publish."),
                            first.isPresent());
                })
                .toList();
    }

    @PostMapping("/desk/programme/views")
    String saveView(
            @RequestParam(defaultValue = "") String name,
            @ModelAttribute LedgerFilter filter,
            RedirectAttributes flash,
            Actor actor) {
        String clean = Text.oneLine(name.substring(0, Math.min(name.length(), 60)));
        signedIn.member().filter(m -> !clean.isEmpty()).ifPresent(m -> {
            boolean saved = viewCommands.save(m.id(), clean, filter.query(), actor);
            flash.addFlashAttribute(
                    saved ? "said" : "warned", saved ? "View saved." : "There are 30 views already; forget one first.");
        });
        return "redirect:/desk/programme?" + filter.query();
    }

    @PostMapping("/desk/programme/views/{view}/forget")
    String forgetView(@PathVariable long view, Actor actor) {
        signedIn.member().ifPresent(m -> viewCommands.forget(m.id(), view, actor));
        return "redirect:/desk/programme";
    }
}
