package jollyroster.sheet;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import jollyroster.core.dates.Meant;
import jollyroster.core.openhours.DayHours;
import jollyroster.core.openhours.OpenHours;
import jollyroster.core.openhours.OpenHoursText;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Reads open hours back while they are typed or drawn. Nothing is kept until the section is saved. */
@DeskPage
class HoursController {

    private final ProgrammeQueries programme;
    private final OwnTimeQueries ownTime;
    private final OfferingCommands commands;
    private final Clock clock;

    HoursController(ProgrammeQueries programme, OwnTimeQueries ownTime, OfferingCommands commands, Clock clock) {
        this.programme = programme;
        this.ownTime = ownTime;
        this.commands = commands;
        this.clock = clock;
    }

    /**
     * The hours as they would be read, with a change made on the drawing.
     *
     * @param edit one of {@link HoursReading.Edit}; empty for none
     * @param day it is about
     * @param wanted the hours of that day, as they are typed
     */
    @PostMapping("/desk/offerings/{id}/hours/read")
    String read(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String hours,
            @RequestParam(defaultValue = "") String edit,
            @RequestParam(defaultValue = "") String day,
            @RequestParam(defaultValue = "") String wanted,
            Model model) {
        Offering o = known(id);
        LocalDate today = clock.instant().atZone(o.zone()).toLocalDate();
        String text = hours.substring(0, Math.min(hours.length(), HoursForm.LONGEST));
        OpenHoursText.Read read = OpenHoursText.read(text, today, HoursReading.DAY_BEGINS);
        List<String> problems = new ArrayList<>(HoursForm.problems(read.parts()));
        OpenHours its = read.hours();
        Optional<HoursReading.Edit> asked = edit(edit);
        if (asked.isPresent() && problems.isEmpty()) {
            Optional<LocalDate> which = Meant.day(day);
            OpenHoursText.Read one = HoursReading.dayHours(wanted);
            HoursForm.problems(one.parts()).forEach(problems::add);
            if (which.isPresent() && problems.isEmpty()) {
                try {
                    its = asked.get().apply(its, which.get(), monday(one.hours()));
                    text = OpenHoursText.write(its);
                } catch (IllegalArgumentException tooMany) {
                    problems.add("There are as many days that differ as can be kept.");
                }
            }
        }
        model.addAttribute("reading", HoursReading.of(text, its, problems, today));
        return "sheet/parts/hours-read :: reading";
    }

    private static DayHours monday(OpenHours one) {
        return one.on(LocalDate.EPOCH.with(TemporalAdjusters.next(DayOfWeek.MONDAY)));
    }

    private static Optional<HoursReading.Edit> edit(String name) {
        for (HoursReading.Edit some : HoursReading.Edit.values()) {
            if (some.name().equalsIgnoreCase(name)) {
                return Optional.of(some);
            }
        }
        return Optional.empty();
    }

    private Offering known(long id) {
        return programme.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** Takes the hours of another offering; how times are given stays. */
    @PostMapping("/desk/offerings/{id}/hours/copy")
    String copy(
            @PathVariable long id, @RequestParam(defaultValue = "0") long from, RedirectAttributes flash, Actor actor) {
        known(id);
        boolean has = programme
                .offering(from)
                .filter(other -> other.style() == SignUpStyle.OWN_TIME)
                .isPresent();
        if (has) {
            OwnTime changed = ownTime.of(id).within(ownTime.of(from).hours());
            commands.save(id, List.of(new Section.Hours(changed)), actor);
            flash.addFlashAttribute("said", "The hours are copied.");
        } else {
            flash.addFlashAttribute("warned", "Choose an offering that has open hours.");
        }
        return "redirect:/desk/offerings/" + id + "?open=hours#hours";
    }
}
