package jollyroster.setup;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import jollyroster.core.intake.Text;
import jollyroster.exchange.CalendarReader;
import jollyroster.hosting.BusyCommands;
import jollyroster.hosting.BusyQueries;
import jollyroster.hosting.BusyReading;
import jollyroster.hosting.CalendarSettings;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.team.TeamQueries;
import org.jspecify.annotations.Nullable;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The calendars that say when hosts are taken up elsewhere: all for an organiser, for a host their own. */
@DeskPage
class CalendarsController {

    private final BusyQueries queries;
    private final BusyCommands commands;
    private final BusyReading reading;
    private final TeamQueries team;
    private final OrganisationQueries organisation;

    CalendarsController(
            BusyQueries queries,
            BusyCommands commands,
            BusyReading reading,
            TeamQueries team,
            OrganisationQueries organisation) {
        this.queries = queries;
        this.commands = commands;
        this.reading = reading;
        this.team = team;
        this.organisation = organisation;
    }

    record Line(
            long id,
            String host,
            String name,
            boolean again,
            String read,
            String problem,
            String zone,
            boolean tentative,
            boolean free) {}

    @GetMapping("/desk/setup/calendars")
    String calendars(Model model, Actor actor) {
        List<TeamQueries.Mate> mates = team.members();
        model.addAttribute(
                "calendars",
                queries.calendars().stream()
                        .filter(c -> actor.isOver(c.host()))
                        .map(c -> line(c, mates))
                        .toList());
        model.addAttribute("hosts", hosts(actor));
        model.addAttribute("zones", Times.ZONES_OFFERED);
        model.addAttribute("home", Times.city(organisation.organisation().zone()));
        if (!model.containsAttribute("typed")) {
            model.addAttribute("typed", Typed.NOTHING);
        }
        model.addAttribute("every", BusyCommands.EVERY.toMinutes());
        return "setup/calendars";
    }

    /** Whose calendars may be added. */
    private List<TeamQueries.Mate> hosts(Actor actor) {
        return team.hosts().stream().filter(m -> actor.isOver(m.id())).toList();
    }

    private Line line(BusyQueries.Calendar c, List<TeamQueries.Mate> mates) {
        String host = mates.stream()
                .filter(m -> m.id() == c.host())
                .findFirst()
                .map(TeamQueries.Mate::name)
                .orElse("");
        String read = c.read()
                .map(at -> Times.dayAndTime(at, organisation.organisation().zone()))
                .orElse("not yet");
        return new Line(
                c.id(),
                host,
                c.name(),
                !c.address().isEmpty(),
                read,
                c.problem(),
                c.settings().zone().map(ZoneId::getId).orElse(""),
                c.settings().counts().tentative(),
                c.settings().counts().free());
    }

    /** How a calendar is to be read, as a form sends it. */
    record Settings(
            @Nullable String zone,
            @Nullable Boolean tentative,
            @Nullable Boolean free) {

        CalendarSettings kept() {
            return new CalendarSettings(
                    Optional.ofNullable(zone).flatMap(Times::zone),
                    new CalendarReader.Counts(Boolean.TRUE.equals(tentative), Boolean.TRUE.equals(free)));
        }
    }

    /** Changes how a calendar at an address is read. */
    @PostMapping("/desk/setup/calendars/{id}/settings")
    String settle(@PathVariable long id, @ModelAttribute Settings settings, RedirectAttributes flash, Actor actor) {
        boolean done = commands.settle(id, settings.kept(), actor);
        flash.addFlashAttribute(
                done ? "said" : "warned",
                done ? "Saved. The calendar is read again within a minute." : "Not saved: a file is read once only.");
        return "redirect:/desk/setup/calendars";
    }

    /** What was typed for a calendar that was not added. A file has to be chosen again. */
    public record Typed(long host, String name, String address, String zone, boolean tentative, boolean free) {

        private static final int LONGEST = 500;

        static final Typed NOTHING = new Typed(0, "", "", "", true, false);

        private static Typed of(long host, String name, String address, Settings settings) {
            return new Typed(
                    host,
                    Text.oneLine(name, LONGEST),
                    Text.oneLine(address, LONGEST),
                    Optional.ofNullable(settings.zone()).orElse(""),
                    Boolean.TRUE.equals(settings.tentative()),
                    Boolean.TRUE.equals(settings.free()));
        }
    }

    /** Takes a calendar in, from a file or from an address; an address is read again every fifteen minutes. */
    @PostMapping("/desk/setup/calendars")
    String add(
            @RequestParam(defaultValue = "0") long host,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String address,
            @RequestParam(required = false) MultipartFile file,
            @ModelAttribute Settings settings,
            RedirectAttributes flash,
            Actor actor)
            throws IOException {
        boolean known = hosts(actor).stream().anyMatch(m -> m.id() == host);
        String clean = Text.oneLine(name, 80);
        String where = address.strip();
        if (!known || where.isEmpty() && (file == null || file.isEmpty()) || where.length() > 500) {
            flash.addFlashAttribute("warned", "Nothing was added: choose a host, and a file or an address.");
            flash.addFlashAttribute("typed", Typed.of(host, name, address, settings));
            return "redirect:/desk/setup/calendars";
        }
        try {
            int times = where.isEmpty()
                    ? reading.takeFile(
                            host, named(clean, file.getOriginalFilename()), text(file), settings.kept(), actor)
                    : reading.takeAddress(host, named(clean, "Calendar"), where, settings.kept(), actor);
            flash.addFlashAttribute("said", "Added: " + times + (times == 1 ? " busy time." : " busy times."));
        } catch (BusyReading.NotRead e) {
            flash.addFlashAttribute("warned", "Nothing was added. " + e.getMessage());
            flash.addFlashAttribute("typed", Typed.of(host, name, address, settings));
        }
        return "redirect:/desk/setup/calendars";
    }

    private static String named(String name, @Nullable String otherwise) {
        return name.isEmpty() ? Text.oneLine(Optional.ofNullable(otherwise).orElse("Calendar"), 80) : name;
    }

    /** A file that is too large comes as one character more than is read, so that it is refused as such. */
    private static String text(MultipartFile file) throws IOException {
        return file.getSize() > CalendarReader.LONGEST
                ? "x".repeat(CalendarReader.LONGEST + 1)
                : new String(file.getBytes(), StandardCharsets.UTF_8);
    }

    @PostMapping("/desk/setup/calendars/{id}/forget")
    String forget(@PathVariable long id, RedirectAttributes flash, Actor actor) {
        commands.forget(id, actor);
        flash.addFlashAttribute("said", "Removed, with its busy times.");
        return "redirect:/desk/setup/calendars";
    }
}
