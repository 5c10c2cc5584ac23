package jollyroster.roster;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import jollyroster.core.intake.Text;
import jollyroster.outbox.LetterCheck;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.LongWork;
import jollyroster.platform.SignedIn;
import jollyroster.programme.Session;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.seating.RemarkCommands;
import org.jspecify.annotations.Nullable;
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

    private static final int MOST_AT_ONCE = 20_000;
    private static final int MOST_NAMED = 20;
    private static final int LONGEST_NOTE = 1000;
    private final RollAssembler assembler;
    private final RosterPageQueries pages;
    private final RegistrationQueries roster;
    private final ChangeSeatCommands commands;
    private final RemarkCommands remarks;
    private final LetterCheck letters;
    private final LongWork works;
    private final SignedIn signedIn;

    RollController(
            RollAssembler assembler,
            RosterPageQueries pages,
            RegistrationQueries roster,
            ChangeSeatCommands commands,
            RemarkCommands remarks,
            LetterCheck letters,
            LongWork works,
            SignedIn signedIn) {
        this.assembler = assembler;
        this.pages = pages;
        this.roster = roster;
        this.commands = commands;
        this.remarks = remarks;
        this.letters = letters;
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

    /** What is done with those chosen. @param all whether everybody who matches the query is meant, not only those ticked */
    record Chosen(@Nullable List<Long> r, @Nullable Boolean all) {
        Chosen {
            all = Boolean.TRUE.equals(all);
            r = r == null ? List.of() : r.stream().limit(MOST_AT_ONCE).toList();
        }
    }

    private List<Long> chosen(Session s, RollQuery query, Chosen chosen) {
        return chosen.all() ? pages.ids(s.book(), query.filter(), MOST_AT_ONCE) : onThis(s, chosen.r());
    }

    private List<Long> onThis(Session s, List<Long> ids) {
        return roster.registrations(ids).values().stream()
                .filter(r -> r.session() == s.book())
                .map(Registration::id)
                .sorted()
                .toList();
    }

    private static String back(long id, RollQuery query) {
        return "redirect:" + address(id, query);
    }

    private static String address(long id, RollQuery query) {
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
        List<Long> ids = chosen(known(id), query, chosen);
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
                        chosen(known(id), query, chosen),
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
                        chosen(known(id), query, chosen),
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

    @PostMapping("/desk/sessions/{id}/roster/write")
    String write(
            @PathVariable long id,
            @ModelAttribute("query") RollQuery query,
            @ModelAttribute Chosen chosen,
            @RequestParam(defaultValue = "") String subject,
            @RequestParam(defaultValue = "") String body,
            RedirectAttributes flash) {
        List<Long> ids = chosen(known(id), query, chosen);
        String line = Text.oneLine(subject);
        Optional<String> problem = ids.isEmpty() ? Optional.of("nobody is chosen") : letters.problem(line, body);
        if (problem.isPresent()) {
            flash.addFlashAttribute("warned", "Not written: " + problem.get());
            flash.addFlashAttribute("draft", new Draft(line, body));
            return back(id, query);
        }
        Actor actor = signedIn.actor();
        String text = Text.manyLines(body);
        return works.run(
                        task("Write to people", id, query, came -> written(came)),
                        ids,
                        group -> {
                            Set<Long> reached = remarks.write(id, group, line, text, actor);
                            return group.stream().map(reached::contains).toList();
                        },
                        actor)
                .next(flash);
    }

    private static LongWork.Said written(List<Boolean> came) {
        return new LongWork.Said("Written to " + counted(Collections.frequency(came, true)) + "; see the outbox.", "");
    }

    /** A letter that could not be sent as it is. */
    record Draft(String subject, String body) {}

    private static String counted(int people) {
        return people == 1 ? "1 registration" : people + " registrations";
    }

    @PostMapping("/desk/sessions/{id}/roster/note")
    String note(
            @PathVariable long id,
            @ModelAttribute("query") RollQuery query,
            @RequestParam long registration,
            @RequestParam(defaultValue = "") String note,
            Actor actor) {
        if (!onThis(known(id), List.of(registration)).isEmpty()) {
            remarks.note(registration, Text.oneLine(note.substring(0, Math.min(note.length(), LONGEST_NOTE))), actor);
        }
        return back(id, query) + "#r" + registration;
    }
}
