package jollyroster.schedule;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import jollyroster.core.dates.TypedDates;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.LinkCommands;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.PlanCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.SessionPlan;
import jollyroster.team.TeamQueries;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Changing sessions: one, this and all later ones, or all; and many at once from the programme. */
@DeskPage
class ScheduleController {

    private static final int MOST_AT_ONCE = 500;
    private final ProgrammeQueries queries;
    private final SessionCommands sessions;
    private final PlanCommands planned;
    private final HostQueries hosts;
    private final TeamQueries team;
    private final OfferingCommands offerings;
    private final ScheduleCommands commands;
    private final UndoCommands undo;
    private final ReachCommands reach;
    private final Foresight foresight;
    private final LinkCommands links;
    private final OrganisationQueries organisation;
    private final Clock clock;

    ScheduleController(
            ProgrammeQueries queries,
            SessionCommands sessions,
            PlanCommands planned,
            HostQueries hosts,
            TeamQueries team,
            OfferingCommands offerings,
            ScheduleCommands commands,
            UndoCommands undo,
            ReachCommands reach,
            Foresight foresight,
            LinkCommands links,
            OrganisationQueries organisation,
            Clock clock) {
        this.queries = queries;
        this.sessions = sessions;
        this.planned = planned;
        this.hosts = hosts;
        this.team = team;
        this.offerings = offerings;
        this.commands = commands;
        this.undo = undo;
        this.reach = reach;
        this.foresight = foresight;
        this.links = links;
        this.organisation = organisation;
        this.clock = clock;
    }

    private Session known(long id) {
        return queries.session(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private SessionPlan plan(long id, Actor actor) {
        return planned.plan(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/schedule/{id}")
    String edit(@PathVariable long id, Model model, Actor actor) {
        Session session = known(id);
        return page(model, session, SessionForm.of(session, plan(id, actor)), Map.of(), actor);
    }

    private String page(Model model, Session session, SessionForm form, Map<String, String> problems, Actor actor) {
        model.addAttribute(
                "change",
                ChangeView.of(session, hosts.ofOffering(session.offering().id())));
        model.addAttribute("reach", reach.of(session));
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        model.addAttribute("venues", queries.venues());
        model.addAttribute("team", team.hosts());
        return "schedule/change";
    }

    @PostMapping("/desk/schedule/{id}")
    String change(
            @PathVariable long id,
            @ModelAttribute("form") SessionForm form,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash,
            Actor actor) {
        Session session = known(id);
        TypedDates dates = dates(session);
        Map<String, String> problems = form.problems(dates);
        if (!problems.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(model, session, form, problems, actor);
        }
        if (ScheduleCommands.isOvertaken(session, form.state())) {
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("warned", overtaken(session));
            return page(model, session, form, Map.of(), actor);
        }
        Scope scope = Scope.of(form.scope());
        SessionPlan wanted = form.wanted(plan(id, actor), dates);
        if (form.again()) {
            return page(model, session, form, Map.of(), actor);
        }
        Optional<ForeseenView> foreseen = form.sure() ? Optional.empty() : foresight.of(session, scope, wanted, actor);
        if (foreseen.filter(f -> f.rows().size() > 1 || f.collisions() > 0).isPresent()) {
            model.addAttribute(
                    "change",
                    ChangeView.of(session, hosts.ofOffering(session.offering().id())));
            model.addAttribute("foreseen", foreseen.get());
            return "schedule/foreseen";
        }
        Outcome outcome = commands.change(id, form.state(), scope, wanted, form.words(), actor);
        if (outcome instanceof Outcome.Refused) {
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("warned", OutcomeWords.of(outcome));
            return page(model, session, form, Map.of(), actor);
        }
        say(outcome, flash);
        return "redirect:/desk/sessions/" + id;
    }

    /** Of two who change a session the second is told how it is now; what they typed stays, and may be sent again. */
    private static String overtaken(Session now) {
        return "Somebody changed this session meanwhile; it is now " + Times.dayAndTime(now.start(), now.zone())
                + ", with " + now.seats() + (now.seats() == 1 ? " seat. " : " seats. ")
                + "Nothing was changed yet. Below is what you typed: change the session all the same, or go back to it.";
    }

    /** Reads a date as it is typed everywhere; without an end it keeps its length. */
    private TypedDates dates(Session session) {
        return new TypedDates(
                clock.instant().atZone(session.zone()).toLocalDate(),
                session.zone(),
                session.length(),
                organisation.organisation().dayBegins());
    }

    private static void say(Outcome outcome, RedirectAttributes flash) {
        flash.addFlashAttribute(outcome instanceof Outcome.Done ? "said" : "warned", OutcomeWords.of(outcome));
    }

    private String done(long id, Supplier<Outcome> command, RedirectAttributes flash) {
        known(id);
        say(command.get(), flash);
        return "redirect:/desk/sessions/" + id;
    }

    @PostMapping("/desk/schedule/{id}/call-off")
    String callOff(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String scope,
            @RequestParam(defaultValue = "") String words,
            RedirectAttributes flash,
            Actor actor) {
        String said = SessionForm.wordsOf(words);
        return done(id, () -> commands.callOff(id, Scope.of(scope), said, actor), flash);
    }

    @PostMapping("/desk/schedule/{id}/restore")
    String restore(@PathVariable long id, RedirectAttributes flash, Actor actor) {
        return done(id, () -> commands.restore(id, actor), flash);
    }

    @PostMapping("/desk/schedule/{id}/duplicate")
    String duplicate(
            @PathVariable long id, @RequestParam(defaultValue = "7") int days, RedirectAttributes flash, Actor actor) {
        return done(id, () -> commands.duplicate(id, Math.max(1, Math.min(days, 730)), actor), flash);
    }

    @PostMapping("/desk/schedule/{id}/link")
    String link(@PathVariable long id, RedirectAttributes flash, Actor actor) {
        known(id);
        boolean asked = links.askAgain(id, actor);
        flash.addFlashAttribute("said", asked ? "The meeting service is asked again." : "There is a link already.");
        return "redirect:/desk/sessions/" + id;
    }

    @PostMapping("/desk/changes/{change}/undo")
    String undo(
            @PathVariable long change,
            @RequestParam(defaultValue = "/desk") String back,
            RedirectAttributes flash,
            Actor actor) {
        Outcome outcome = undo.undo(change, actor);
        boolean done = outcome instanceof Outcome.Done;
        flash.addFlashAttribute(done ? "said" : "warned", done ? "Undone. Nobody was told." : OutcomeWords.of(outcome));
        return "redirect:" + (back.matches("/desk[A-Za-z0-9/?=&#_.-]*") ? back : "/desk");
    }

    /** Acts on all sessions that were ticked in the programme. */
    @PostMapping("/desk/programme/together")
    String together(
            @RequestParam(defaultValue = "") List<Long> session,
            @RequestParam(defaultValue = "") String act,
            @RequestParam(defaultValue = "0") long venue,
            @RequestParam(defaultValue = "") String back,
            RedirectAttributes flash,
            Actor actor) {
        List<Session> ticked =
                queries.sessions(session.stream().limit(MOST_AT_ONCE).toList());
        if (ticked.isEmpty()) {
            flash.addFlashAttribute("warned", "Select the sessions first.");
        } else {
            act(ticked, act, venue, flash, actor);
        }
        return "redirect:/desk/programme" + (back.matches("[A-Za-z0-9=&%+_.-]{0,400}") ? "?" + back : "");
    }

    private void act(List<Session> ticked, String act, long venue, RedirectAttributes flash, Actor actor) {
        switch (act) {
            case "publish" -> turn(ticked, OfferingStatus.PUBLISHED, flash, actor);
            case "close" -> turn(ticked, OfferingStatus.CLOSED, flash, actor);
            case "venue" -> move(ticked, venue, flash, actor);
            default -> flash.addFlashAttribute("warned", "Choose what to do with them.");
        }
    }

    private void turn(List<Session> ticked, OfferingStatus to, RedirectAttributes flash, Actor actor) {
        List<Long> ids = ticked.stream().map(s -> s.offering().id()).distinct().toList();
        List<String> held = new ArrayList<>();
        int turned = 0;
        for (long id : ids) {
            if (to == OfferingStatus.PUBLISHED && reach.isStopped(id)) {
                held.add(queries.offering(id).orElseThrow().title());
            } else {
                offerings.turn(id, to, actor);
                turned++;
            }
        }
        String word = to == OfferingStatus.PUBLISHED ? "published" : "closed";
        flash.addFlashAttribute("said", (turned == 1 ? "One offering is " : turned + " offerings are ") + word + ".");
        if (!held.isEmpty()) {
            flash.addFlashAttribute("warned", "Not published, their sheets say why: " + String.join(", ", held) + ".");
        }
    }

    private void move(List<Session> ticked, long venue, RedirectAttributes flash, Actor actor) {
        if (queries.venue(venue).isEmpty()) {
            flash.addFlashAttribute("warned", "Choose the venue they should meet at.");
            return;
        }
        List<Outcome> outcomes =
                commands.changeVenue(ticked.stream().map(Session::id).toList(), venue, actor);
        int sessionsMoved = 0;
        int people = 0;
        for (Outcome outcome : outcomes) {
            if (outcome instanceof Outcome.Done done) {
                sessionsMoved += done.sessions();
                people += done.people();
            }
        }
        flash.addFlashAttribute(
                "said", OutcomeWords.of(new Outcome.Done(0, sessionsMoved, people, java.time.Instant.EPOCH)));
    }
}
