package jollyroster.signup;

import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.Arrays;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.exchange.Calendars;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.PersonalLinks;
import jollyroster.roster.Registration;
import jollyroster.roster.RosterCommands;
import jollyroster.roster.RosterLetters;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** What a person can do with the link to their own page. */
@Controller
class OwnPageController {

    static final MediaType CALENDAR = new MediaType("text", "calendar", StandardCharsets.UTF_8);
    private final OwnPage ownPage;
    private final RosterCommands commands;
    private final RosterLetters letters;
    private final OutboxCommands outbox;
    private final PersonalLinks links;
    private final Clock clock;
    private final Calendars calendars;

    OwnPageController(
            OwnPage ownPage,
            RosterCommands commands,
            RosterLetters letters,
            OutboxCommands outbox,
            PersonalLinks links,
            Clock clock,
            Calendars calendars) {
        this.ownPage = ownPage;
        this.commands = commands;
        this.letters = letters;
        this.outbox = outbox;
        this.links = links;
        this.clock = clock;
        this.calendars = calendars;
    }

    @GetMapping("/my/{token}")
    ModelAndView own(
            @PathVariable String token,
            @RequestParam(defaultValue = "") String moved,
            @RequestParam(name = OwnPage.JUST_REGISTERED, required = false) @Nullable String confirmed,
            HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        Optional<OwnPage.Found> found = ownPage.find(token);
        if (found.isEmpty()) {
            return unknown();
        }
        ModelAndView page = ownPage.show(found.get(), confirmed != null);
        Arrays.stream(RosterCommands.Moved.values())
                .filter(m -> m.name().equals(moved))
                .forEach(m -> page.addObject(m == RosterCommands.Moved.DONE ? "said" : "warned", words(m)));
        return page;
    }

    @PostMapping("/my/{token}/cancel")
    ModelAndView cancel(@PathVariable String token) {
        Optional<OwnPage.Found> found = ownPage.find(token);
        if (found.isEmpty()) {
            return unknown();
        }
        commands.cancel(
                found.get().registration().id(), found.get().registration().name());
        return new ModelAndView("redirect:/my/" + token);
    }

    /** Moves to another date of the same offering; both or neither. */
    @PostMapping("/my/{token}/move")
    ModelAndView move(@PathVariable String token, @RequestParam(defaultValue = "0") long to) {
        Optional<OwnPage.Found> found = ownPage.find(token);
        if (found.isEmpty()) {
            return unknown();
        }
        Registration r = found.get().registration();
        RosterCommands.Moved moved = commands.move(r.id(), to, r.name());
        return new ModelAndView("redirect:/my/" + token + "?moved=" + moved);
    }

    private static String words(RosterCommands.Moved moved) {
        return switch (moved) {
            case DONE -> "Your date is changed. We have written to you.";
            case NO_SEATS -> "That date has filled up meanwhile. You keep the date you have.";
            case NOT_OPEN -> "That date is closed for registration. You keep the date you have.";
            case NOT_POSSIBLE -> "That change is not possible. You keep the date you have.";
        };
    }

    @GetMapping("/my/{token}/session.ics")
    ResponseEntity<String> calendar(@PathVariable String token) {
        return ownPage.find(token)
                .map(found -> {
                    var r = found.registration();
                    String join = links.join(new Link(r.id(), r.generation()));
                    var entries = letters.calendarEntries(found.session(), r, join);
                    return ResponseEntity.ok()
                            .contentType(CALENDAR)
                            .header("Content-Disposition", "attachment; filename=\"session.ics\"")
                            .header("Cache-Control", "no-store")
                            .body(calendars.publish(found.session().offering().title(), entries));
                })
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    /** Unsubscribing with one click from a mail program (RFC 8058): no more reminders, the seat stays. */
    @PostMapping("/my/{token}/no-reminders")
    ResponseEntity<Void> noReminders(@PathVariable String token) {
        Optional<OwnPage.Found> found = ownPage.find(token);
        found.ifPresent(f ->
                outbox.withdrawReminders(f.registration().id(), "the person asked for no reminders", clock.instant()));
        return found.isPresent()
                ? ResponseEntity.noContent().build()
                : ResponseEntity.notFound().build();
    }

    private static ModelAndView unknown() {
        ModelAndView page = new ModelAndView("door/unknown");
        page.setStatus(HttpStatus.NOT_FOUND);
        return page;
    }
}
