package jollyroster.desk;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import jollyroster.attendance.AttendanceCommands;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.intake.Text;
import jollyroster.exchange.CalendarEntry;
import jollyroster.exchange.Calendars;
import jollyroster.platform.Address;
import jollyroster.platform.DeskPage;
import jollyroster.platform.MarginNote;
import jollyroster.platform.SignedIn;
import jollyroster.programme.Session;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.RegistrationQueries;
import jollyroster.seating.SeatingCommands;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A session's page and what can be done on it. */
@DeskPage
class SessionController {

    private final SessionAssembler assembler;
    private static final int LONGEST_REASON = 300;
    private final ChangeSeatCommands roster;
    private final SeatingCommands seating;
    private final RegistrationQueries queries;
    private final AttendanceCommands attendance;
    private final SignedIn signedIn;
    private final Address address;
    private final Calendars calendars;

    SessionController(
            SessionAssembler assembler,
            ChangeSeatCommands roster,
            SeatingCommands seating,
            RegistrationQueries queries,
            AttendanceCommands attendance,
            SignedIn signedIn,
            Address address,
            Calendars calendars) {
        this.assembler = assembler;
        this.roster = roster;
        this.seating = seating;
        this.queries = queries;
        this.attendance = attendance;
        this.signedIn = signedIn;
        this.address = address;
        this.calendars = calendars;
    }

    private Session known(long id) {
        return assembler.visible(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/sessions/{id}")
    String session(@PathVariable long id, @RequestParam(required = false) @Nullable String all, Model model) {
        SessionAssembler.Page page =
                assembler.page(id, all != null).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        model.addAttribute("organiser", signedIn.isOrganiser());
        model.addAttribute("everybody", all != null);
        model.addAttribute("view", page.view());
        model.addAttribute("rows", page.rows());
        page.fill().ifPresent(fill -> model.addAttribute("fill", fill));
        model.addAttribute("notes", page.notes().stream().map(this::allowed).toList());
        return "desk/session";
    }

    @PostMapping("/desk/sessions/{id}/seats")
    String seats(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String seats,
            @RequestParam(defaultValue = "") String why,
            RedirectAttributes flash) {
        known(id);
        if (!seats.strip().matches("\\d{1,6}") || Integer.parseInt(seats.strip()) > 100_000) {
            flash.addFlashAttribute("warned", "Seats are a number from 1 to 100,000.");
            return back(id, "");
        }
        int wanted = Integer.parseInt(seats.strip());
        SeatingCommands.Resized resized = seating.resize(id, wanted, reason(why), signedIn.actor());
        if (resized.done()) {
            flash.addFlashAttribute("said", "Seats changed.");
        } else {
            flash.addFlashAttribute("over", new Over(wanted, resized.taken(), resized.over()));
        }
        return back(id, "");
    }

    /** Who would be over, were there as few seats as wished for. */
    record Over(int wanted, int taken, List<String> who) {}

    private static String reason(String why) {
        return Text.oneLine(why, LONGEST_REASON);
    }

    /** Seats somebody who waits, whatever the rule says. */
    @PostMapping("/desk/sessions/{id}/registrations/{registration}/seat")
    String seatAnyway(
            @PathVariable long id,
            @PathVariable long registration,
            @RequestParam(defaultValue = "") String why,
            RedirectAttributes flash) {
        requireOn(id, registration);
        if (reason(why).isEmpty()) {
            flash.addFlashAttribute("warned", "Not seated: say why, for the logbook.");
            return back(id, "#r" + registration);
        }
        boolean done = seating.seatAnyway(registration, reason(why), signedIn.actor());
        flash.addFlashAttribute(
                done ? "said" : "warned", done ? "Seated, and told." : "Nothing was changed: it does not wait.");
        return back(id, "#roster");
    }

    @PostMapping("/desk/sessions/{id}/registrations/{registration}/cancel")
    String cancel(@PathVariable long id, @PathVariable long registration, RedirectAttributes flash) {
        requireOn(id, registration);
        boolean done = roster.cancel(registration, "", signedIn.actor());
        flash.addFlashAttribute(
                done ? "said" : "warned",
                done ? "Registration cancelled, and the person told." : "Nothing was changed: it no longer stood.");
        return back(id, "#roster");
    }

    /** Marks attendance by hand; an empty verdict takes the mark away. */
    @PostMapping("/desk/sessions/{id}/registrations/{registration}/mark")
    String mark(
            @PathVariable long id,
            @PathVariable long registration,
            @RequestParam(defaultValue = "") String verdict,
            @RequestParam(required = false) @Nullable String all) {
        requireOn(id, registration);
        Optional<Verdict> wanted = Arrays.stream(Verdict.values())
                .filter(v -> v.name().equals(verdict))
                .findFirst();
        attendance.mark(registration, id, wanted, signedIn.actor());
        return back(id, (all == null ? "" : "?all") + "#r" + registration);
    }

    private void requireOn(long session, long registration) {
        queries.registration(registration)
                .filter(r -> r.session() == known(session).book())
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static String back(long id, String anchor) {
        return "redirect:/desk/sessions/" + id + anchor;
    }

    @GetMapping("/desk/sessions/{id}/session.ics")
    ResponseEntity<String> calendar(@PathVariable long id) {
        Session s = known(id);
        CalendarEntry entry = new CalendarEntry(
                s.calendarUid(address.host()),
                s.sequence(),
                s.offering().title(),
                s.offering().summary(),
                s.placeOr(address.of("/desk/sessions/" + id)),
                address.of("/desk/sessions/" + id),
                s.start(),
                s.end(),
                s.zone(),
                s.createdAt(),
                s.cancelled());
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "calendar", StandardCharsets.UTF_8))
                .header("Content-Disposition", "attachment; filename=\"session-" + id + ".ics\"")
                .body(calendars.publish(s.offering().title(), List.of(entry)));
    }

    /** Hosts and helpers read what an organiser reads, and are led only to sessions and public pages. */
    private MarginNote allowed(MarginNote note) {
        boolean apart = note.address().startsWith("/desk/") && !note.address().startsWith("/desk/sessions/");
        return apart && !signedIn.isOrganiser() ? note.withoutAction() : note;
    }
}
