package jollyroster.hosting;

import java.time.LocalDate;
import java.util.Optional;
import jollyroster.core.dates.Meant;
import jollyroster.core.openhours.DayHours;
import jollyroster.core.openhours.Stretch;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.Part;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.SectionQueries;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Open hours of one day, changed on the host schedule: moved, made longer or shorter, or closed, on that day only. */
@DeskPage
class LaneHoursController {

    private final ProgrammeQueries programme;
    private final OwnTimeQueries ownTime;
    private final SectionQueries versions;
    private final OfferingCommands commands;
    private final HostQueries hosts;

    LaneHoursController(
            ProgrammeQueries programme,
            OwnTimeQueries ownTime,
            SectionQueries versions,
            OfferingCommands commands,
            HostQueries hosts) {
        this.programme = programme;
        this.ownTime = ownTime;
        this.versions = versions;
        this.commands = commands;
        this.hosts = hosts;
    }

    /**
     * What is to change.
     *
     * @param from of the stretch as it is, in minutes after midnight
     * @param until the same
     * @param toFrom of the stretch as it is to be; not after {@code toUntil} for closed
     */
    record Wish(long offering, String day, int from, int until, int toFrom, int toUntil) {

        Optional<LocalDate> date() {
            return Meant.day(day);
        }

        Stretch before() {
            return stretch(from, until).orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
        }

        Optional<Stretch> now() {
            return stretch(toFrom, toUntil);
        }

        private static Optional<Stretch> stretch(int from, int until) {
            return from >= 0 && from < until && until <= Stretch.DAY
                    ? Optional.of(new Stretch(from, until))
                    : Optional.empty();
        }
    }

    private Offering known(long id) {
        return programme
                .offering(id)
                .filter(o -> o.style() == SignUpStyle.OWN_TIME)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static LocalDate day(Wish wish) {
        return wish.date().orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
    }

    /** The hours of that day as they would be; empty when somebody has changed them meanwhile. */
    private static Optional<DayHours> changed(OwnTime own, Wish wish) {
        return own.hours().on(day(wish)).with(wish.before(), wish.now());
    }

    /** What would come of it, for the page to show while a stretch is dragged; nothing is changed. */
    @PostMapping("/desk/lanes/hours/check")
    String check(
            @ModelAttribute("wish") Wish wish,
            @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "1") int weeks,
            Model model) {
        Offering o = known(wish.offering());
        model.addAttribute("at", at);
        model.addAttribute("weeks", weeks);
        model.addAttribute("title", o.title());
        model.addAttribute("dayName", Times.dayAndMonth(day(wish)));
        model.addAttribute(
                "hours",
                changed(ownTime.of(o.id()), wish).map(DayHours::toString).orElse(""));
        model.addAttribute("usual", wish.before().toString());
        model.addAttribute("leaders", HostQueries.names(hosts.ofOffering(o.id()), ""));
        return "hosting/lane-hours :: check";
    }

    @PostMapping("/desk/lanes/hours")
    String change(
            @ModelAttribute("wish") Wish wish,
            @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "1") int weeks,
            RedirectAttributes flash,
            Actor actor) {
        Offering o = known(wish.offering());
        int seen = versions.versions(o.id()).get(Part.HOURS);
        OwnTime own = ownTime.of(o.id());
        boolean done = changed(own, wish)
                .filter(hours -> own.hours().mayDiffer(day(wish)))
                .map(hours -> keep(o, own.within(own.hours().onlyOn(day(wish), hours)), seen, actor))
                .orElse(false);
        String name = o.title() + ", " + Times.dayAndMonth(day(wish));
        if (done) {
            flash.addFlashAttribute(
                    "said", name + ": open " + ownTime.of(o.id()).hours().on(day(wish)) + ", on this day only.");
        } else {
            flash.addFlashAttribute(
                    "warned",
                    name + ": not changed. The hours were changed meanwhile, or too many days differ already.");
        }
        return LanesController.back(at, weeks);
    }

    private boolean keep(Offering o, OwnTime changed, int seen, Actor actor) {
        return commands.save(o.id(), new Section.Hours(changed), seen, actor) == OfferingCommands.Saved.KEPT;
    }
}
