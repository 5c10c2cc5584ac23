package jollyroster.plans;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import jollyroster.chart.RunLine;
import jollyroster.core.intake.Text;
import jollyroster.core.messages.OfferingPlan;
import jollyroster.core.messages.WritingHours;
import jollyroster.outbox.HoursQueries;
import jollyroster.outbox.HoursWords;
import jollyroster.outbox.MessageWords;
import jollyroster.outbox.PlanQueries;
import jollyroster.outbox.PlanQueries.House;
import jollyroster.outbox.UnsentQueries;
import jollyroster.plans.ReminderCommands.Changed;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
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

/** Plans of the house: kept once, followed by many offerings. */
@DeskPage
class HousePlanController {

    private static final int LONGEST_NAME = 60;
    private static final int LONGEST = 80;
    private static final int MOST_NAMED = 12;
    private final PlanQueries plans;
    private final HousePlanCommands commands;
    private final ProgrammeQueries programme;
    private final HoursQueries hours;
    private final UnsentQueries unsent;
    private final OrganisationQueries organisation;
    private final Clock clock;

    HousePlanController(
            PlanQueries plans,
            HousePlanCommands commands,
            ProgrammeQueries programme,
            HoursQueries hours,
            UnsentQueries unsent,
            OrganisationQueries organisation,
            Clock clock) {
        this.plans = plans;
        this.commands = commands;
        this.programme = programme;
        this.hours = hours;
        this.unsent = unsent;
        this.organisation = organisation;
        this.clock = clock;
    }

    /** A plan in the list. @param when its lines go, in words @param followers how many follow it, in words */
    public record Row(long id, String name, String when, String followers) {}

    @GetMapping("/desk/plans")
    String plans(Model model) {
        model.addAttribute(
                "rows", plans.houses().stream().map(HousePlanController::row).toList());
        WritingHours set = hours.of(HoursQueries.HOUSE).hours();
        model.addAttribute("hours", HoursWords.of(set));
        if (!model.containsAttribute("hoursForm")) {
            model.addAttribute("hoursForm", HoursForm.of(set));
        }
        return "plans/houses";
    }

    private static Row row(House house) {
        String when = String.join(
                ", ", house.lines().stream().map(MessageWords::when).distinct().toList());
        int followers = house.followers().size();
        return new Row(
                house.id(),
                house.name(),
                when.isEmpty() ? "nothing beside the answers" : when,
                followers == 0 ? "nobody yet" : followers + (followers == 1 ? " offering" : " offerings"));
    }

    @PostMapping("/desk/plans")
    String make(@RequestParam(defaultValue = "") String name, RedirectAttributes flash, Actor actor) {
        String clean = Text.oneLine(name, LONGEST_NAME);
        Optional<Long> made = clean.isEmpty() ? Optional.empty() : commands.make(clean, actor);
        if (made.isEmpty()) {
            flash.addFlashAttribute("warned", "Not made: " + (clean.isEmpty() ? "give it a name." : taken(clean)));
            flash.addFlashAttribute("typed", clean);
        }
        return "redirect:/desk/plans" + made.map(id -> "/" + id).orElse("");
    }

    private static String taken(String name) {
        return "there is a plan “" + name + "” already.";
    }

    /** An offering that follows. */
    public record Follower(long id, String title) {}

    @GetMapping("/desk/plans/{id}")
    String house(@PathVariable long id, Model model) {
        House house = known(id);
        Instant now = clock.instant();
        PlanView.Drawn drawn = DrawnDates.madeUp(organisation.organisation().zone(), now);
        List<RunLine.Calm> calm = CalmHours.of(
                drawn.timing(), List.of(), hours.of(HoursQueries.HOUSE).hours());
        OfferingPlan plan = new OfferingPlan(List.of(), house.lines(), Set.of());
        model.addAttribute("view", PlanView.of(plan, drawn, List.of(), calm, 0, now));
        model.addAttribute("house", house);
        model.addAttribute("at", "/desk/plans/" + id);
        model.addAttribute("followers", followers(house));
        model.addAttribute("more", Math.max(0, house.followers().size() - MOST_NAMED));
        model.addAttribute("unsent", unsent(house, now));
        return "plans/house";
    }

    private List<Follower> followers(House house) {
        return house.followers().stream()
                .flatMap(offering -> programme.offering(offering).stream())
                .limit(MOST_NAMED)
                .map(o -> new Follower(o.id(), o.title()))
                .toList();
    }

    /** How many messages have not gone yet of the offerings that follow. */
    private int unsent(House house, Instant now) {
        List<Long> coming = programme.sessionsOf(house.followers()).values().stream()
                .flatMap(List::stream)
                .filter(s -> s.start().isAfter(now))
                .map(Session::id)
                .toList();
        return unsent.of(coming).values().stream().mapToInt(Integer::intValue).sum();
    }

    private House known(long id) {
        return plans.house(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @PostMapping("/desk/plans/{id}")
    String add(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String when,
            RedirectAttributes flash,
            Actor actor) {
        known(id);
        Changed changed = commands.add(id, when, actor);
        say("Added", id, changed, flash);
        if (changed instanceof Changed.Refused) {
            flash.addFlashAttribute("typed", Text.oneLine(when, LONGEST));
        }
        return "redirect:/desk/plans/" + id;
    }

    private void say(String did, long id, Changed changed, RedirectAttributes flash) {
        boolean alone = known(id).followers().isEmpty();
        if (alone && changed instanceof Changed.Done done) {
            flash.addFlashAttribute("said", PlanWords.did(did, done) + " No offering follows it yet.");
        } else {
            PlanController.say(did, changed, flash);
        }
    }

    @PostMapping("/desk/plans/{id}/remove")
    String remove(@PathVariable long id, @ModelAttribute LineAsked asked, RedirectAttributes flash, Actor actor) {
        known(id);
        say("Removed", id, PlanController.changed(asked, line -> commands.remove(id, line, actor)), flash);
        return "redirect:/desk/plans/" + id;
    }

    @PostMapping("/desk/plans/{id}/name")
    String rename(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String name,
            RedirectAttributes flash,
            Actor actor) {
        known(id);
        String clean = Text.oneLine(name, LONGEST_NAME);
        boolean done = !clean.isEmpty() && commands.rename(id, clean, actor);
        flash.addFlashAttribute(
                done ? "said" : "warned",
                done ? "Saved." : "Not saved: " + (clean.isEmpty() ? "give it a name." : taken(clean)));
        return "redirect:/desk/plans/" + id;
    }

    @PostMapping("/desk/plans/{id}/drop")
    String drop(@PathVariable long id, RedirectAttributes flash, Actor actor) {
        known(id);
        boolean done = commands.drop(id, actor);
        flash.addFlashAttribute(done ? "said" : "warned", done ? "Removed." : "Not removed: offerings follow it.");
        return done ? "redirect:/desk/plans" : "redirect:/desk/plans/" + id;
    }
}
