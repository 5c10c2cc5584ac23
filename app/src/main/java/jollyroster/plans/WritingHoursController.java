package jollyroster.plans;

import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import jollyroster.outbox.HoursQueries;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Sets when people may be written to: for the house, and for one offering. */
@DeskPage
class WritingHoursController {

    private final WritingHoursCommands commands;
    private final HoursQueries hours;
    private final ProgrammeQueries programme;
    private final OrganisationQueries organisation;

    WritingHoursController(
            WritingHoursCommands commands,
            HoursQueries hours,
            ProgrammeQueries programme,
            OrganisationQueries organisation) {
        this.organisation = organisation;
        this.commands = commands;
        this.hours = hours;
        this.programme = programme;
    }

    @PostMapping("/desk/plans/hours")
    String house(@ModelAttribute("sent") HoursForm form, RedirectAttributes flash, Actor actor) {
        List<Long> own = hours.withOwn();
        List<Long> without = programme.offerings().stream()
                .map(Offering::id)
                .filter(id -> !own.contains(id))
                .toList();
        if (isRight(form, flash)) {
            say(commands.setHouse(form.read(home()), without, actor), flash);
        }
        return "redirect:/desk/plans#hours";
    }

    /** @param house whether the offering follows the house from now on */
    @PostMapping("/desk/offerings/{id}/plan/hours")
    String offering(
            @PathVariable long id,
            @ModelAttribute("sent") HoursForm form,
            @RequestParam(defaultValue = "false") boolean house,
            RedirectAttributes flash,
            Actor actor) {
        programme.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        if (house) {
            say(commands.asTheHouse(id, actor), flash);
        } else if (isRight(form, flash)) {
            say(commands.set(id, form.read(home()), actor), flash);
        }
        return "redirect:/desk/offerings/" + id + "/plan#hours";
    }

    private ZoneId home() {
        return organisation.organisation().zone();
    }

    private static boolean isRight(HoursForm form, RedirectAttributes flash) {
        Optional<String> problem = form.problem();
        problem.ifPresent(why -> {
            flash.addFlashAttribute("warned", "Not saved: " + why);
            flash.addFlashAttribute("hoursForm", form);
        });
        return problem.isEmpty();
    }

    private static void say(int people, RedirectAttributes flash) {
        flash.addFlashAttribute("said", "Saved. " + PlanWords.people(people));
    }
}
