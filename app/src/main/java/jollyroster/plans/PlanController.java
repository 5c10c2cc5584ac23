package jollyroster.plans;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import jollyroster.chart.RunLine;
import jollyroster.core.intake.Text;
import jollyroster.core.messages.PlanLine;
import jollyroster.outbox.DepartureQueries;
import jollyroster.outbox.EntryWordingQueries;
import jollyroster.outbox.HoursQueries;
import jollyroster.outbox.HoursWords;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.PlanQueries;
import jollyroster.outbox.PlanQueries.House;
import jollyroster.plans.ReminderCommands.Changed;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The message plan of an offering: drawn for its next date, and changed. */
@DeskPage
class PlanController {

    private static final int LONGEST = 80;
    private final ProgrammeQueries programme;
    private final PlanQueries plans;
    private final HoursQueries hours;
    private final Readers readers;
    private final OutboxQueries outbox;
    private final ReminderCommands commands;
    private final EntryWordingQueries entries;
    private final DepartureQueries departures;
    private final Clock clock;

    PlanController(
            ProgrammeQueries programme,
            PlanQueries plans,
            HoursQueries hours,
            Readers readers,
            OutboxQueries outbox,
            ReminderCommands commands,
            EntryWordingQueries entries,
            DepartureQueries departures,
            Clock clock) {
        this.programme = programme;
        this.plans = plans;
        this.hours = hours;
        this.readers = readers;
        this.outbox = outbox;
        this.commands = commands;
        this.entries = entries;
        this.departures = departures;
        this.clock = clock;
    }

    @GetMapping("/desk/offerings/{id}/plan")
    String plan(@PathVariable long id, Model model) {
        Offering o = known(id);
        Instant now = clock.instant();
        Optional<Session> next = programme.sessionsOf(id).stream()
                .filter(s -> !s.cancelled() && s.start().isAfter(now))
                .findFirst();
        List<OutboxQueries.Count> counts =
                next.map(s -> outbox.ofSession(s.id())).orElse(List.of());
        PlanView.Drawn drawn = next.map(DrawnDates::of).orElseGet(() -> DrawnDates.madeUp(o, now));
        var plan = plans.plan(id);
        Optional<House> house = plans.followedBy(id);
        HoursQueries.Set set = hours.of(id);
        List<RunLine.Calm> calm =
                CalmHours.of(drawn.timing(), next.map(readers::clocks).orElse(List.of()), set.hours());
        model.addAttribute("view", PlanView.of(plan, drawn, counts, calm, id, now));
        model.addAttribute("offering", o.title());
        model.addAttribute("at", "/desk/offerings/" + id);
        model.addAttribute("wordings", "/desk/wordings?offering=" + id);
        if (!model.containsAttribute("entry")) {
            model.addAttribute("entry", entries.of(id));
        }
        model.addAttribute(
                "held", departures.ofOffering(id).map(DepartureQueries.Some::by).orElse(""));
        model.addAttribute("houses", plans.houses());
        model.addAttribute("house", house.orElse(null));
        model.addAttribute("departures", house.isPresent() ? PlanWords.departures(plan) : "");
        model.addAttribute("hours", HoursWords.of(set.hours()));
        model.addAttribute("ownHours", set.own());
        if (!model.containsAttribute("hoursForm")) {
            model.addAttribute("hoursForm", HoursForm.of(set.hours()));
        }
        return "plans/plan";
    }

    private Offering known(long id) {
        return programme.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** Adds a message as it is typed: {@code 2 hours before}. */
    @PostMapping("/desk/offerings/{id}/plan")
    String add(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String when,
            RedirectAttributes flash,
            Actor actor) {
        known(id);
        Changed changed = commands.add(id, when, actor);
        say("Added", changed, flash);
        if (changed instanceof Changed.Refused) {
            flash.addFlashAttribute("typed", Text.oneLine(when, LONGEST));
        }
        return back(id);
    }

    @PostMapping("/desk/offerings/{id}/plan/remove")
    String remove(@PathVariable long id, @ModelAttribute LineAsked asked, RedirectAttributes flash, Actor actor) {
        known(id);
        say("Removed", changed(asked, line -> commands.remove(id, line, actor)), flash);
        return back(id);
    }

    /** Switches a line on or off for this offering. */
    @PostMapping("/desk/offerings/{id}/plan/turn")
    String turn(
            @PathVariable long id,
            @ModelAttribute LineAsked asked,
            @RequestParam(defaultValue = "false") boolean on,
            RedirectAttributes flash,
            Actor actor) {
        known(id);
        say(on ? "Switched on" : "Switched off", changed(asked, line -> commands.turn(id, line, on, actor)), flash);
        return back(id);
    }

    /** Has the offering follow a plan of the house, or none. */
    @PostMapping("/desk/offerings/{id}/plan/follow")
    String follow(
            @PathVariable long id,
            @RequestParam(defaultValue = "0") long house,
            RedirectAttributes flash,
            Actor actor) {
        known(id);
        boolean exists = house == 0 || plans.house(house).isPresent();
        say("Saved", exists ? commands.follow(id, house, actor) : new Changed.Nothing(), flash);
        return back(id);
    }

    /** Drops where the offering departs from the plan of the house. */
    @PostMapping("/desk/offerings/{id}/plan/same")
    String same(@PathVariable long id, RedirectAttributes flash, Actor actor) {
        known(id);
        boolean follows = plans.followedBy(id).isPresent();
        say("As the house plan", follows ? commands.asTheHouse(id, actor) : new Changed.Nothing(), flash);
        return back(id);
    }

    static Changed changed(LineAsked asked, Function<PlanLine, Changed> how) {
        return asked.line().map(how).orElseGet(Changed.Nothing::new);
    }

    static void say(String did, Changed changed, RedirectAttributes flash) {
        if (changed instanceof Changed.Done done) {
            flash.addFlashAttribute("said", PlanWords.said(did, done));
        } else if (changed instanceof Changed.Refused refused) {
            flash.addFlashAttribute("warned", "Not added: " + PlanWords.problem(refused.problem()));
        } else {
            flash.addFlashAttribute("warned", "Nothing was changed: the plan is another by now.");
        }
    }

    private static String back(long id) {
        return "redirect:/desk/offerings/" + id + "/plan";
    }
}
