package jollyroster.plans;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Offset;
import jollyroster.core.door.DoorHours;
import jollyroster.core.intake.Text;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.messages.PlanText;
import jollyroster.outbox.OutboxQueries;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The message plan of an offering: drawn for its next date, and changed. */
@DeskPage
class PlanController {

    private static final int LONGEST = 80;
    private static final int WEEKS_AHEAD = 4;
    private static final LocalTime EVENING = LocalTime.of(19, 0);
    private final ProgrammeQueries programme;
    private final OutboxQueries outbox;
    private final ReminderCommands commands;
    private final Clock clock;

    PlanController(ProgrammeQueries programme, OutboxQueries outbox, ReminderCommands commands, Clock clock) {
        this.programme = programme;
        this.outbox = outbox;
        this.commands = commands;
        this.clock = clock;
    }

    @GetMapping("/desk/offerings/{id}/plan")
    String plan(@PathVariable long id, Model model) {
        Offering o = known(id);
        Instant now = clock.instant();
        Optional<Session> next = programme.sessionsOf(id).stream()
                .filter(s -> !s.cancelled() && s.start().isAfter(now))
                .findFirst();
        PlanView.Drawn drawn = next.map(PlanController::drawn).orElseGet(() -> madeUp(o, now));
        model.addAttribute(
                "view",
                PlanView.of(
                        id,
                        o.title(),
                        outbox.plan(id),
                        drawn,
                        next.map(s -> outbox.ofSession(s.id())).orElse(List.of()),
                        now));
        return "plans/plan";
    }

    private static PlanView.Drawn drawn(Session s) {
        boolean closesBefore = s.offering().cutOff().amount() > 0;
        return new PlanView.Drawn(
                s.id(),
                Times.dayAndTime(s.start(), s.zone()),
                s.doorHours(),
                s.zone(),
                closesBefore ? Optional.of(s.cutOff()) : Optional.empty());
    }

    /** An evening some weeks ahead, as long as no date is to come. */
    private static PlanView.Drawn madeUp(Offering o, Instant now) {
        ZonedDateTime start = now.atZone(o.zone()).plusWeeks(WEEKS_AHEAD).with(EVENING);
        Interval span =
                new Interval(start.toInstant(), start.plusMinutes(o.minutes()).toInstant());
        return new PlanView.Drawn(
                0,
                "",
                DoorHours.of(span, Duration.ofMinutes(o.doorMinutes()), Duration.ofMinutes(o.overrunMinutes())),
                o.zone(),
                Optional.empty());
    }

    private Offering known(long id) {
        return programme.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** Adds a reminder as it is typed: {@code 2 hours before}. */
    @PostMapping("/desk/offerings/{id}/plan")
    String add(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String when,
            RedirectAttributes flash,
            Actor actor) {
        known(id);
        ReminderCommands.Changed changed = commands.add(id, when, actor);
        if (changed instanceof ReminderCommands.Changed.Done done) {
            flash.addFlashAttribute(
                    "said", "Added: " + Times.said(done.line().offset()) + " before." + planned(done.people()));
        } else {
            flash.addFlashAttribute(
                    "warned", "Not added: " + problem(((ReminderCommands.Changed.Refused) changed).problem()));
            flash.addFlashAttribute("typed", Text.oneLine(when, LONGEST));
        }
        return back(id);
    }

    @PostMapping("/desk/offerings/{id}/plan/remove")
    String remove(
            @PathVariable long id,
            @RequestParam int amount,
            @RequestParam Offset.Unit unit,
            RedirectAttributes flash,
            Actor actor) {
        known(id);
        Optional<Integer> people =
                amount < 0 ? Optional.empty() : commands.remove(id, PlanLine.before(new Offset(amount, unit)), actor);
        flash.addFlashAttribute(
                people.isPresent() ? "said" : "warned",
                people.map(n -> "Removed." + planned(n)).orElse("Not removed: it was not in the plan any more."));
        return back(id);
    }

    private static String planned(int people) {
        return switch (people) {
            case 0 -> " Nobody is registered for a date to come yet.";
            case 1 -> " The reminders of 1 registration to come follow.";
            default -> " The reminders of " + people + " registrations to come follow.";
        };
    }

    private static String problem(PlanText.Problem problem) {
        return switch (problem) {
            case NOT_UNDERSTOOD -> "write it like “2 hours before”, “a day before” or “15 min before”.";
            case OUT_OF_RANGE -> "a reminder goes from a minute to a year before the start.";
            case SAID_TWICE -> "the plan has that reminder already.";
            case TOO_MANY -> "a plan has at most " + PlanText.MOST + " reminders.";
        };
    }

    private static String back(long id) {
        return "redirect:/desk/offerings/" + id + "/plan";
    }
}
