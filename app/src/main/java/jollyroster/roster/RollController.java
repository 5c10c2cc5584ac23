package jollyroster.roster;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import jollyroster.core.intake.Text;
import jollyroster.exchange.Cards;
import jollyroster.outbox.LetterCheck;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.SignedIn;
import jollyroster.programme.Session;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.seating.RemarkCommands;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
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
    private static final int LONGEST_NOTE = 1000;
    private static final MediaType VCARD = MediaType.parseMediaType("text/vcard; charset=UTF-8");
    private final RollAssembler assembler;
    private final RosterPageQueries pages;
    private final RegistrationQueries roster;
    private final ChangeSeatCommands commands;
    private final RemarkCommands remarks;
    private final LetterCheck letters;
    private final SignedIn signedIn;

    RollController(
            RollAssembler assembler,
            RosterPageQueries pages,
            RegistrationQueries roster,
            ChangeSeatCommands commands,
            RemarkCommands remarks,
            LetterCheck letters,
            SignedIn signedIn) {
        this.assembler = assembler;
        this.pages = pages;
        this.roster = roster;
        this.commands = commands;
        this.remarks = remarks;
        this.letters = letters;
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
        return "redirect:/desk/sessions/" + id + "/roster?" + query.inAddress();
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
        long done = chosen(known(id), query, chosen).stream()
                .filter(r -> commands.cancel(r, "by the organiser", signedIn.actor()))
                .count();
        flash.addFlashAttribute("said", counted((int) done) + " given back, and told.");
        return back(id, query);
    }

    @PostMapping("/desk/sessions/{id}/roster/move")
    String move(
            @PathVariable long id,
            @ModelAttribute("query") RollQuery query,
            @ModelAttribute Chosen chosen,
            @RequestParam(defaultValue = "0") long to,
            RedirectAttributes flash) {
        List<Long> ids = chosen(known(id), query, chosen);
        List<String> stayed = new ArrayList<>();
        for (long r : ids) {
            if (commands.move(r, to, signedIn.actor()) != ChangeSeatCommands.Moved.DONE) {
                roster.registration(r).map(Registration::name).ifPresent(stayed::add);
            }
        }
        flash.addFlashAttribute("said", counted(ids.size() - stayed.size()) + " moved, and told.");
        if (!stayed.isEmpty()) {
            flash.addFlashAttribute(
                    "warned",
                    "Too few seats there, or there already: "
                            + String.join(", ", stayed.stream().limit(20).toList()) + " stay where they are.");
        }
        return back(id, query);
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
        int people = remarks.write(known(id).id(), ids, line, Text.manyLines(body), signedIn.actor());
        flash.addFlashAttribute("said", "Written to " + counted(people) + "; see the outbox.");
        return back(id, query);
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

    /** Contact cards (vCard 4, RFC 6350) of everybody who matches. */
    @GetMapping("/desk/sessions/{id}/roster.vcf")
    ResponseEntity<String> cards(@PathVariable long id, @ModelAttribute("query") RollQuery query) {
        Session s = known(id);
        List<Cards.Contact> contacts =
                roster.registrations(pages.ids(s.book(), query.filter(), MOST_AT_ONCE)).values().stream()
                        .sorted(java.util.Comparator.comparing(Registration::id))
                        .map(r -> new Cards.Contact(
                                r.name(), r.email(), r.phone(), s.offering().title()))
                        .toList();
        return ResponseEntity.ok()
                .contentType(VCARD)
                .header("Content-Disposition", "attachment; filename=\"roster-" + id + ".vcf\"")
                .body(Cards.write(contacts));
    }

    /** All addresses of those who match, to be copied into a mail. */
    @GetMapping("/desk/sessions/{id}/roster/addresses")
    String addresses(@PathVariable long id, @ModelAttribute("query") RollQuery query, Model model) {
        Session s = known(id);
        List<String> addresses =
                roster.registrations(pages.ids(s.book(), query.filter(), MOST_AT_ONCE)).values().stream()
                        .map(Registration::email)
                        .distinct()
                        .sorted()
                        .toList();
        model.addAttribute("view", assembler.view(s, query, 0));
        model.addAttribute("addresses", String.join(", ", addresses));
        model.addAttribute("number", addresses.size());
        return "roster/addresses";
    }
}
