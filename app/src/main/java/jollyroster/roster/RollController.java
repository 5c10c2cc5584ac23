package jollyroster.roster;

import java.util.Collections;
import java.util.List;
import java.util.function.Function;
import jollyroster.core.intake.Text;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.LongWork;
import jollyroster.platform.SignedIn;
import jollyroster.programme.Session;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.seating.RemarkCommands;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A session's roster: found in it, and done with many at once. */
@DeskPage
class RollController {

    private static final int MOST_NAMED = 20;
    private static final int LONGEST_NOTE = 1000;
    private final RollAssembler assembler;
    private final ChosenPeople people;
    private final RegistrationQueries roster;
    private final ChangeSeatCommands commands;
    private final RemarkCommands remarks;
    private final LongWork works;
    private final SignedIn signedIn;

    RollController(
            RollAssembler assembler,
            ChosenPeople people,
            RegistrationQueries roster,
            ChangeSeatCommands commands,
            RemarkCommands remarks,
            LongWork works,
            SignedIn signedIn) {
        this.assembler = assembler;
        this.people = people;
        this.roster = roster;
        this.commands = commands;
        this.remarks = remarks;
        this.works = works;
        this.signedIn = signedIn;
    }

    private Session known(long id) {
        return assembler.session(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/sessions/{id}/roster")
    String roster(
            @PathVariable long id,
            @ModelAttribute("query") RollQuery query,
            @RequestParam(defaultValue = "0") long after,
            Model model) {
        model.addAttribute("organiser", signedIn.isOrganiser());
        model.addAttribute("query", query);
        model.addAttribute("view", assembler.view(known(id), query, after));
        return "roster/roster";
    }

    private static String back(long id, RollQuery query) {
        return "redirect:" + address(id, query);
    }

    static String address(long id, RollQuery query) {
        return "/desk/sessions/" + id + "/roster?" + query.inAddress();
    }

    @PostMapping("/desk/sessions/{id}/roster/mark")
    String mark(
            @PathVariable long id,
            @ModelAttribute("query") RollQuery query,
            @ModelAttribute Chosen chosen,
            @RequestParam(defaultValue = "true") boolean on,
            RedirectAttributes flash,
            Actor actor) {
        List<Long> ids = people.of(known(id), query, chosen);
        remarks.mark(ids, on, actor);
        flash.addFlashAttribute("said", counted(ids.size()) + (on ? " marked." : " unmarked."));
        return back(id, query);
    }

    @PostMapping("/desk/sessions/{id}/roster/cancel")
    String cancel(
            @PathVariable long id,
            @ModelAttribute("query") RollQuery query,
            @ModelAttribute Chosen chosen,
            RedirectAttributes flash) {
        Actor actor = signedIn.actor();
        return works.run(
                        task("Cancel registrations", id, query, came -> given(came)),
                        people.of(known(id), query, chosen),
                        group -> group.stream()
                                .map(r -> commands.cancel(r, "by the organiser", actor))
                                .toList(),
                        actor)
                .next(flash);
    }

    private static <R> LongWork.Task<R> task(
            String title, long id, RollQuery query, Function<List<R>, LongWork.Said> words) {
        return new LongWork.Task<>(title, address(id, query), words);
    }

    private static LongWork.Said given(List<Boolean> came) {
        int done = Collections.frequency(came, true);
        return new LongWork.Said(counted(done) + " cancelled, and told.", "");
    }

    @PostMapping("/desk/sessions/{id}/roster/move")
    String move(
            @PathVariable long id,
            @ModelAttribute("query") RollQuery query,
            @ModelAttribute Chosen chosen,
            @RequestParam(defaultValue = "0") long to,
            RedirectAttributes flash) {
        Actor actor = signedIn.actor();
        return works.run(
                        task("Change dates", id, query, came -> moved(came)),
                        people.of(known(id), query, chosen),
                        group -> group.stream().map(r -> move(r, to, actor)).toList(),
                        actor)
                .next(flash);
    }

    /** @return who stays where they are; empty when they were moved */
    private String move(long registration, long to, Actor actor) {
        boolean done = commands.move(registration, to, actor) == ChangeSeatCommands.Moved.DONE;
        return done
                ? ""
                : roster.registration(registration).map(Registration::name).orElse("somebody");
    }

    private static LongWork.Said moved(List<String> came) {
        List<String> stay = came.stream().filter(name -> !name.isEmpty()).toList();
        String names = String.join(", ", stay.stream().limit(MOST_NAMED).toList());
        String more = stay.size() > MOST_NAMED ? " and " + (stay.size() - MOST_NAMED) + " more" : "";
        return new LongWork.Said(
                counted(came.size() - stay.size()) + " moved, and told.",
                stay.isEmpty()
                        ? ""
                        : "Too few seats there, or there already: " + names + more + " stay where they are.");
    }

    static String counted(int people) {
        return people == 1 ? "1 registration" : people + " registrations";
    }

    @PostMapping("/desk/sessions/{id}/roster/note")
    String note(
            @PathVariable long id,
            @ModelAttribute("query") RollQuery query,
            @RequestParam long registration,
            @RequestParam(defaultValue = "") String note,
            Actor actor) {
        if (!people.onThis(known(id), List.of(registration)).isEmpty()) {
            remarks.note(registration, Text.oneLine(note, LONGEST_NOTE), actor);
        }
        return back(id, query) + "#r" + registration;
    }
}
