package jollyroster.roster;

import jakarta.servlet.http.HttpServletResponse;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.Contact;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Names;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.SignedIn;
import jollyroster.platform.Submission;
import jollyroster.programme.Session;
import jollyroster.seating.AddingCommands;
import jollyroster.seating.AddingCommands.Added;
import jollyroster.seating.AddingCommands.Manner;
import jollyroster.seating.Application;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Puts somebody on a session by hand. */
@DeskPage
class AddController {

    private final RollAssembler assembler;
    private final AddingCommands adding;
    private final OrganisationQueries organisation;
    private final SignedIn signedIn;

    AddController(RollAssembler assembler, AddingCommands adding, OrganisationQueries organisation, SignedIn signedIn) {
        this.assembler = assembler;
        this.adding = adding;
        this.organisation = organisation;
        this.signedIn = signedIn;
    }

    /** What was typed. @param walkUp whether kept-back seats may be used @param tell whether they are written to */
    record Form(
            String name,
            String email,
            String phone,
            String party,
            @Nullable Boolean walkUp,
            @Nullable Boolean tell,
            @Nullable String form) {
        Form {
            name = name == null ? "" : name;
            email = email == null ? "" : email;
            phone = phone == null ? "" : phone;
            walkUp = Boolean.TRUE.equals(walkUp);
            tell = Boolean.TRUE.equals(tell);
            party = party == null || party.isBlank() ? "1" : party.strip();
        }
    }

    private Session known(long id) {
        return assembler.session(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/sessions/{id}/add")
    String form(@PathVariable long id, Model model) {
        return page(known(id), new Form("", "", "", "1", false, true, ""), Map.of(), model);
    }

    private String page(Session session, Form form, Map<String, String> problems, Model model) {
        model.addAttribute("view", assembler.view(session, new RollQuery("", "", "", "", "", ""), 0));
        model.addAttribute("keptBack", session.keptBack());
        model.addAttribute("form", form);
        model.addAttribute("submission", Submission.fresh());
        model.addAttribute("problems", problems);
        return "roster/add";
    }

    @PostMapping("/desk/sessions/{id}/add")
    String add(
            @PathVariable long id,
            @ModelAttribute Form form,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash) {
        Session session = known(id);
        String region = organisation.organisation().region();
        Map<String, String> problems = problems(form, region);
        if (!problems.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(session, form, problems, model);
        }
        Added added = adding.add(
                application(form, session, region), new Manner(form.walkUp(), form.tell()), signedIn.actor());
        if (added == Added.FULL || added == Added.ALREADY) {
            response.setStatus(HttpStatus.CONFLICT.value());
            return page(session, form, Map.of(added == Added.FULL ? "party" : "email", words(added)), model);
        }
        flash.addFlashAttribute("said", Contact.name(form.name()).orElseThrow() + words(added));
        return "redirect:/desk/sessions/" + id + "/add";
    }

    private static String words(Added added) {
        return switch (added) {
            case SEATED -> " is on.";
            case WAITLISTED -> " is on the waitlist: too few seats are free.";
            case ALREADY -> "This address is on this session already.";
            case FULL -> "There are too few seats, and no place on the waitlist. Nobody was added.";
        };
    }

    private static Map<String, String> problems(Form form, String region) {
        Map<String, String> problems = new LinkedHashMap<>();
        Names.problem(form.name()).ifPresent(why -> problems.put("name", why));
        check(problems, "email", email(form), "This is not an e-mail address.");
        check(problems, "phone", phone(form, region), "This is not a phone number.");
        boolean people = form.party().matches("\\d{1,3}")
                && Integer.parseInt(form.party()) >= 1
                && Integer.parseInt(form.party()) <= 100;
        if (!people) {
            problems.put("party", "A number of people from 1 to 100.");
        }
        return problems;
    }

    private static void check(Map<String, String> problems, String field, Optional<String> value, String problem) {
        if (value.isEmpty()) {
            problems.put(field, problem);
        }
    }

    /** Somebody at the door may have none. */
    private static Optional<String> email(Form form) {
        return form.email().isBlank() ? Optional.of("") : Contact.email(form.email());
    }

    private static Optional<String> phone(Form form, String region) {
        return form.phone().isBlank() ? Optional.of("") : Contact.phone(form.phone(), region);
    }

    private static Application application(Form form, Session session, String region) {
        ZoneId zone = session.zone();
        return new Application(
                session.id(),
                Contact.name(form.name()).orElseThrow(),
                email(form).orElseThrow(),
                phone(form, region).orElseThrow(),
                Integer.parseInt(form.party()),
                zone,
                List.of(),
                List.of(),
                Submission.read(form.form(), List.of(session.id(), form.name(), form.email(), form.party())));
    }
}
