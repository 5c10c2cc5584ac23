package jollyroster.programme;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import jollyroster.chart.SeatStrip;
import jollyroster.core.dates.TypedDates;
import jollyroster.core.dates.TypedLine;
import jollyroster.core.intake.Question;
import jollyroster.core.intake.Text;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.readiness.Finding;
import jollyroster.outbox.OutboxQueries;
import jollyroster.platform.Address;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Markdown;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeCommands.Saved;
import jollyroster.programme.SeatCounts.SeatCount;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The offering's sheet: read like the page attendees see, changed in place. */
@DeskPage
class SheetController {

    private final ProgrammeQueries queries;
    private final ProgrammeCommands commands;
    private final SeatCounts counts;
    private final OutboxQueries outbox;
    private final OrganisationQueries organisation;
    private final Address address;
    private final Clock clock;

    SheetController(
            ProgrammeQueries queries,
            ProgrammeCommands commands,
            SeatCounts counts,
            OutboxQueries outbox,
            OrganisationQueries organisation,
            Address address,
            Clock clock) {
        this.queries = queries;
        this.commands = commands;
        this.counts = counts;
        this.outbox = outbox;
        this.organisation = organisation;
        this.address = address;
        this.clock = clock;
    }

    /** A date on the sheet. */
    record Date(long id, String when, boolean past, int seats, String words, SeatStrip strip, boolean removable) {}

    /** The sheet around its form. */
    record View(
            long id,
            String title,
            OfferingStatus status,
            String publicAddress,
            String preview,
            String zoneCity,
            List<Date> dates,
            List<String> plan,
            boolean canPublish) {}

    @PostMapping("/desk/offerings")
    String draft(@RequestParam(defaultValue = "") String title) {
        String clean = Text.oneLine(title.substring(0, Math.min(title.length(), 400)));
        String named = clean.isEmpty() ? "Untitled offering" : clean.substring(0, Math.min(clean.length(), 120));
        return "redirect:/desk/offerings/"
                + commands.draft(named, organisation.organisation().zone());
    }

    @GetMapping("/desk/offerings/{id}")
    String sheet(@PathVariable long id, Model model) {
        Offering offering = known(id);
        return page(model, offering, SheetForm.of(offering, queries.questions(id)), Map.of());
    }

    private Offering known(long id) {
        return queries.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private String page(Model model, Offering offering, SheetForm form, Map<String, String> problems) {
        Instant now = clock.instant();
        List<Session> sessions = queries.sessionsOf(offering.id());
        List<Finding> findings = ReadinessView.findings(offering, sessions, now);
        model.addAttribute("form", form);
        model.addAttribute("blanks", blanks(form));
        model.addAttribute("kinds", Question.Kind.values());
        model.addAttribute("problems", problems);
        model.addAttribute("venues", queries.venues());
        model.addAttribute(
                "notes",
                findings.stream()
                        .map(f -> ReadinessView.note(f, offering.zone()))
                        .toList());
        model.addAttribute(
                "troubled",
                findings.stream().map(ReadinessView::place).distinct().toList());
        model.addAttribute("sheet", view(offering, sessions, findings, now));
        if (!model.containsAttribute("typed")) {
            model.addAttribute("typed", new TypedDatesView("", List.of()));
        }
        return "programme/sheet";
    }

    /** Room for one more question, two on an empty sheet. */
    private static List<Integer> blanks(SheetForm form) {
        int asked = form.question().size();
        return asked == 0 ? List.of(0, 1) : asked < SheetForm.MOST_QUESTIONS ? List.of(asked) : List.of();
    }

    private View view(Offering offering, List<Session> sessions, List<Finding> findings, Instant now) {
        Map<Long, SeatCount> taken =
                counts.of(sessions.stream().map(Session::id).toList());
        return new View(
                offering.id(),
                offering.title(),
                offering.status(),
                address.of("/p/" + offering.slug()),
                Markdown.toSafeHtml(offering.description()),
                Times.city(offering.zone()),
                sessions.stream().map(s -> date(s, taken.get(s.id()), now)).toList(),
                outbox.plan(offering.id()).stream().map(SheetController::words).toList(),
                findings.stream().noneMatch(f -> f.kind().severity() == Finding.Severity.STOPS));
    }

    private static Date date(Session s, SeatCount count, Instant now) {
        SeatStrip strip = SeatStrip.ofCounts(s.seats(), s.keptBack(), count.taken(), count.waitingPeople(), 7);
        return new Date(
                s.id(),
                Times.range(s.start(), s.end(), s.zone(), now.atZone(s.zone()).toLocalDate()),
                !s.end().isAfter(now),
                s.seats(),
                count.taken() + " of " + s.seats()
                        + (count.waitingParties() > 0 ? ", " + count.waitingPeople() + " waiting" : ""),
                strip,
                count.equals(SeatCount.NONE));
    }

    private static String words(PlanLine line) {
        return switch (line.anchor()) {
            case BEFORE_START ->
                line.offset().amount() + " "
                        + unit(
                                line.offset().unit().name().toLowerCase(java.util.Locale.ROOT),
                                line.offset().amount())
                        + " before";
            default -> "At once, on registering";
        };
    }

    private static String unit(String plural, int amount) {
        return amount == 1 ? plural.substring(0, plural.length() - 1) : plural;
    }

    @PostMapping("/desk/offerings/{id}")
    String save(
            @PathVariable long id,
            @ModelAttribute SheetForm form,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash) {
        Offering offering = known(id);
        Map<String, String> problems = form.problems();
        if (!problems.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(model, offering, form, problems);
        }
        Saved saved = commands.save(id, form);
        if (saved == Saved.OVERTAKEN) {
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("overtaken", true);
            return page(model, offering, form, Map.of());
        }
        flash.addFlashAttribute("said", "Kept.");
        return "redirect:/desk/offerings/" + id;
    }

    @PostMapping("/desk/offerings/{id}/dates")
    String addDates(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String typed,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash) {
        Offering offering = known(id);
        List<TypedLine> lines = read(offering, typed);
        TypedDatesView view = TypedDatesView.of(typed, lines);
        if (lines.isEmpty() || view.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute("typed", view);
            return page(model, offering, SheetForm.of(offering, queries.questions(id)), Map.of());
        }
        var times = lines.stream().flatMap(line -> line.sessions().stream()).toList();
        commands.addDates(id, times);
        flash.addFlashAttribute("said", times.size() == 1 ? "One date added." : times.size() + " dates added.");
        return "redirect:/desk/offerings/" + id + "#dates";
    }

    /** The typed dates as they would be read, for the page to show while somebody types. */
    @PostMapping("/desk/offerings/{id}/dates/read")
    String readDates(@PathVariable long id, @RequestParam(defaultValue = "") String typed, Model model) {
        model.addAttribute("typed", TypedDatesView.of(typed, read(known(id), typed)));
        return "programme/sheet-parts :: typed";
    }

    private List<TypedLine> read(Offering offering, String typed) {
        var today = clock.instant().atZone(offering.zone()).toLocalDate();
        return new TypedDates(today, offering.zone(), Duration.ofMinutes(offering.minutes())).read(typed);
    }

    @PostMapping("/desk/offerings/{id}/dates/{session}/remove")
    String removeDate(@PathVariable long id, @PathVariable long session, RedirectAttributes flash) {
        boolean removed = commands.removeDate(id, session);
        flash.addFlashAttribute("said", removed ? "Date removed." : "Somebody is on this date; it stays.");
        return "redirect:/desk/offerings/" + id + "#dates";
    }

    /** Publishing with open findings that stop is refused; the margin names them. */
    @PostMapping("/desk/offerings/{id}/turn")
    String turn(@PathVariable long id, @RequestParam OfferingStatus to, RedirectAttributes flash) {
        Offering offering = known(id);
        boolean stopped = ReadinessView.findings(offering, queries.sessionsOf(id), clock.instant()).stream()
                .anyMatch(f -> f.kind().severity() == Finding.Severity.STOPS);
        if (to == OfferingStatus.PUBLISHED && stopped) {
            flash.addFlashAttribute("warned", "Not published yet: see the margin for what is missing.");
        } else {
            commands.turn(id, to);
            flash.addFlashAttribute("said", saidOf(to));
        }
        return "redirect:/desk/offerings/" + id;
    }

    private static String saidOf(OfferingStatus status) {
        return switch (status) {
            case PUBLISHED -> "Published. People can register now.";
            case CLOSED -> "Closed. Nobody can register any more; those on it stay.";
            case DRAFT -> "Back to draft. Only the team sees it.";
        };
    }
}
