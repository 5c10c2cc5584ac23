package jollyroster.checkin;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import jollyroster.checkin.CheckInCommands.Sent;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.door.DoorKeepers;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Submission;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.AddingCommands;
import jollyroster.seating.Application;
import jollyroster.seating.Registration;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** The entrance: tickets are scanned, parties ticked off, and whoever walks up is let in. */
@DeskPage
class CheckInController {

    private static final int LONGEST_NAME = 120;
    private static final int LONGEST_KEY = 60;
    private static final int LARGEST_WALK_UP = 20;
    private final CheckInRoll roll;
    private final CheckInCommands commands;
    private final AddingCommands adding;
    private final Tickets tickets;
    private final ProgrammeQueries programme;
    private final DoorKeepers keepers;
    private final JsonMapper json;
    private final Clock clock;

    CheckInController(
            CheckInRoll roll,
            CheckInCommands commands,
            AddingCommands adding,
            Tickets tickets,
            ProgrammeQueries programme,
            DoorKeepers keepers,
            JsonMapper json,
            Clock clock) {
        this.roll = roll;
        this.commands = commands;
        this.adding = adding;
        this.tickets = tickets;
        this.programme = programme;
        this.keepers = keepers;
        this.json = json;
        this.clock = clock;
    }

    private Session visible(long session, Actor actor) {
        return keepers.visible(session, actor).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/check-in/{session}")
    String page(@PathVariable long session, @RequestParam(defaultValue = "") String q, Actor actor, Model model) {
        Session at = visible(session, actor);
        List<CheckInRoll.Party> parties = roll.parties(at);
        String sought = Text.folded(Text.oneLine(q, LONGEST_NAME));
        model.addAttribute("offering", at.offering().title());
        model.addAttribute("when", Times.dayAndTime(at.start(), at.zone()) + " · " + at.place());
        model.addAttribute("number", session);
        model.addAttribute("at", "/desk/check-in/" + session);
        model.addAttribute("q", q);
        model.addAttribute("submission", Submission.fresh());
        model.addAttribute(
                "parties",
                parties.stream().filter(p -> p.find().contains(sought)).toList());
        model.addAttribute(
                "inside", parties.stream().mapToLong(CheckInRoll.Party::inside).sum());
        model.addAttribute(
                "expected", parties.stream().mapToLong(p -> p.people().size()).sum());
        return "checkin/page";
    }

    /** The page without anybody on it, which is what a device keeps for when there is no network. */
    @GetMapping("/desk/check-in/{session}/shell")
    String shell(@PathVariable long session, Actor actor, Model model) {
        Session at = visible(session, actor);
        model.addAttribute("offering", at.offering().title());
        model.addAttribute("at", "/desk/check-in/" + session);
        return "checkin/shell";
    }

    /** A tablet at the entrance: people show their ticket to it, or find themselves. It shows no list. */
    @GetMapping("/desk/check-in/{session}/entrance")
    String entrance(@PathVariable long session, Actor actor, Model model) {
        Session at = visible(session, actor);
        model.addAttribute("offering", at.offering().title());
        model.addAttribute("at", "/desk/check-in/" + session);
        return "checkin/entrance";
    }

    /** Without scripts: one press, one tick. @param place of one of the party; -1 for all of it */
    @PostMapping("/desk/check-in/{session}/ticks")
    String tick(
            @PathVariable long session,
            @RequestParam(defaultValue = "0") long registration,
            @RequestParam(defaultValue = "-1") int place,
            @RequestParam(defaultValue = "false") boolean in,
            @RequestParam(defaultValue = "") String q,
            Actor actor,
            RedirectAttributes back) {
        Session at = visible(session, actor);
        Instant now = clock.instant();
        List<Sent> ticks = roll.parties(at).stream()
                .filter(p -> p.id() == registration)
                .flatMap(p -> p.people().stream())
                .filter(p -> place == p.place() || place < 0 && p.in().isEmpty() == in)
                .map(p -> new Sent(UUID.randomUUID().toString(), registration, p.place(), in, now))
                .toList();
        commands.take(session, ticks, actor);
        back.addAttribute("q", q);
        return "redirect:/desk/check-in/" + session;
    }

    /** The roll as a device keeps it. */
    @GetMapping("/desk/check-in/{session}/roll.json")
    ResponseEntity<Map<String, Object>> rollOf(@PathVariable long session, Actor actor, CsrfToken csrf) {
        Session at = visible(session, actor);
        return ResponseEntity.ok()
                .header("Cache-Control", "no-store")
                .body(Map.of(
                        "title",
                        at.offering().title(),
                        "closes",
                        at.doorHours().closes(),
                        "now",
                        clock.instant(),
                        "csrf",
                        csrf.getToken(),
                        "zone",
                        at.zone().getId(),
                        "parties",
                        roll.parties(at)));
    }

    /** @param ticks that a device has gathered, as JSON */
    @PostMapping("/desk/check-in/{session}/sync")
    ResponseEntity<Map<String, Object>> sync(
            @PathVariable long session, @RequestParam(defaultValue = "") String ticks, Actor actor) {
        visible(session, actor);
        Optional<List<Sent>> gathered = gathered(ticks);
        if (gathered.isEmpty()) {
            return ResponseEntity.badRequest().build();
        }
        List<CheckInCommands.Outcome> outcomes = commands.take(session, gathered.get(), actor);
        return ResponseEntity.ok(Map.of(
                "outcomes",
                IntStream.range(0, outcomes.size())
                        .mapToObj(i -> Map.of(
                                "key",
                                gathered.get().get(i).key(),
                                "outcome",
                                outcomes.get(i).code()))
                        .toList()));
    }

    private Optional<List<Sent>> gathered(String ticks) {
        try {
            List<Sent> sent = List.of(json.readValue(ticks, Sent[].class));
            return Optional.of(sent).filter(all -> all.size() <= CheckInCommands.MOST && areSound(all));
        } catch (JacksonException | NullPointerException notTicks) {
            return Optional.empty();
        }
    }

    private static boolean areSound(List<Sent> ticks) {
        return ticks.stream()
                .allMatch(t -> t.at() != null
                        && t.key() != null
                        && !t.key().isBlank()
                        && t.key().length() <= LONGEST_KEY);
    }

    /** What a ticket is for that is not of this session. */
    @PostMapping("/desk/check-in/{session}/ticket")
    ResponseEntity<Map<String, Object>> ticket(
            @PathVariable long session, @RequestParam(defaultValue = "") String text, Actor actor) {
        Session at = visible(session, actor);
        Optional<Registration> whose = tickets.read(text);
        String said = whose.isEmpty()
                ? "This is not a valid ticket."
                : whose.get().session() != at.book()
                        ? programme
                                .session(whose.get().session())
                                .map(s -> "This ticket is for " + s.offering().title() + ", "
                                        + Times.dayAndTime(s.start(), s.zone()) + ".")
                                .orElse("This is not a valid ticket.")
                        : whose.get().state().takesSeats() ? "" : "This registration was cancelled.";
        return ResponseEntity.ok(
                Map.of("said", said, "registration", whose.map(Registration::id).orElse(0L)));
    }

    /** Somebody without a registration: on kept-back seats where there are no others. */
    @PostMapping("/desk/check-in/{session}/walk-up")
    String walkUp(
            @PathVariable long session,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String email,
            @RequestParam(defaultValue = "1") String party,
            @RequestParam(defaultValue = "") String form,
            Actor actor,
            RedirectAttributes flash) {
        Session at = visible(session, actor);
        String line = Text.oneLine(name, LONGEST_NAME);
        Optional<String> address = email.isBlank() ? Optional.of("") : Contact.email(email);
        if (line.isEmpty() || address.isEmpty() || !Text.isNumber(party, 1, LARGEST_WALK_UP)) {
            flash.addFlashAttribute("warned", "Please give a name, and how many they are.");
            return "redirect:/desk/check-in/" + session;
        }
        Application asked = Application.plain(session, line, address.get(), Integer.parseInt(party), at.zone())
                .sentWith(Submission.read(form, List.of(at.id(), line, email, party)));
        switch (adding.walkUp(asked, actor)) {
            case SEATED -> flash.addFlashAttribute("said", line + " is on the list now.");
            case ALREADY -> flash.addFlashAttribute("said", "This address is on the list already.");
            default -> flash.addFlashAttribute("warned", "There is no seat for them.");
        }
        return "redirect:/desk/check-in/" + session;
    }
}
