package jollyroster.roster;

import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import jollyroster.core.intake.Text;
import jollyroster.outbox.LetterCheck;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.LongWork;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.seating.RemarkCommands;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** An e-mail to those selected on a roster: written, seen as the first of them will, sent. */
@DeskPage
class WriteController {

    private static final int MOST_NAMED = 12;
    private final RollAssembler assembler;
    private final ChosenPeople people;
    private final RegistrationQueries roster;
    private final RemarkCommands remarks;
    private final LetterCheck letters;
    private final LongWork works;

    WriteController(
            RollAssembler assembler,
            ChosenPeople people,
            RegistrationQueries roster,
            RemarkCommands remarks,
            LetterCheck letters,
            LongWork works) {
        this.assembler = assembler;
        this.people = people;
        this.roster = roster;
        this.remarks = remarks;
        this.letters = letters;
        this.works = works;
    }

    /** An e-mail that was not sent as it is. @param chosen who was selected, so that they stay selected */
    record Draft(String subject, String body, List<Long> chosen, boolean all) {}

    /** @param sure whether it was seen as it arrives @param again whether the form is to be shown once more */
    @PostMapping("/desk/sessions/{id}/roster/write")
    String write(
            @PathVariable long id,
            @ModelAttribute("query") RollQuery query,
            @ModelAttribute Chosen chosen,
            @RequestParam(defaultValue = "") String subject,
            @RequestParam(defaultValue = "") String body,
            @RequestParam(defaultValue = "false") boolean sure,
            @RequestParam(defaultValue = "false") boolean again,
            Model model,
            RedirectAttributes flash,
            Actor actor) {
        actor.requireOrganiser();
        Session session = assembler.session(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        List<Long> ids = people.of(session, query, chosen);
        String line = Text.oneLine(subject);
        String text = Text.manyLines(body);
        Optional<String> problem = ids.isEmpty() ? Optional.of("nobody is selected") : letters.problem(line, text);
        if (problem.isPresent() || again) {
            problem.ifPresent(why -> flash.addFlashAttribute("warned", "Not sent: " + why));
            flash.addFlashAttribute("draft", new Draft(line, text, chosen.r(), chosen.all()));
            return "redirect:" + RollController.address(id, query);
        }
        return sure
                ? send(id, query, ids, new Words(line, text), flash, actor)
                : preview(session, ids, line, text, model);
    }

    private record Words(String subject, String text) {}

    private String preview(Session session, List<Long> ids, String line, String text, Model model) {
        List<String> names = roster.registrations(ids.stream().limit(MOST_NAMED).toList()).values().stream()
                .sorted(Comparator.comparing(Registration::id))
                .map(Registration::name)
                .toList();
        model.addAttribute("on", session.id());
        model.addAttribute("offering", session.offering().title());
        model.addAttribute("subject", line);
        model.addAttribute("body", text);
        model.addAttribute("number", ids.size());
        model.addAttribute("names", names);
        model.addAttribute("more", ids.size() - names.size());
        model.addAttribute(
                "html", letters.preview(text, ids.get(0), session.id()).orElse(""));
        return "roster/write";
    }

    private String send(long id, RollQuery query, List<Long> ids, Words words, RedirectAttributes flash, Actor actor) {
        LongWork.Task<Boolean> task =
                new LongWork.Task<>("Write to people", RollController.address(id, query), came -> written(came));
        return works.run(
                        task,
                        ids,
                        group -> {
                            Set<Long> reached = remarks.write(id, group, words.subject(), words.text(), actor);
                            return group.stream().map(reached::contains).toList();
                        },
                        actor)
                .next(flash);
    }

    private static LongWork.Said written(List<Boolean> came) {
        int reached = Collections.frequency(came, true);
        return new LongWork.Said("Sent to " + RollController.counted(reached) + "; see the outbox.", "");
    }
}
