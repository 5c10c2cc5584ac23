package jollyroster.sheet;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.ZoneOffset;
import jollyroster.core.intake.Text;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.programme.Offering;
import jollyroster.programme.Part;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.ReplaceDatesCommands;
import jollyroster.programme.SessionCommands;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/**
 * The dates of an offering's sheet. Everything goes through the typed text: what comes from a file or another offering is
 * written there to be looked at, and nothing is added before it is accepted.
 */
@DeskPage
class DatesController {

    private static final int LONGEST_TEXT = 200_000;
    private final ProgrammeQueries queries;
    private final SessionCommands sessions;
    private final ReplaceDatesCommands replacing;
    private final TypedProgramme typed;
    private final SheetAssembler assembler;
    private final Clock clock;

    DatesController(
            ProgrammeQueries queries,
            SessionCommands sessions,
            ReplaceDatesCommands replacing,
            TypedProgramme typed,
            SheetAssembler assembler,
            Clock clock) {
        this.queries = queries;
        this.sessions = sessions;
        this.replacing = replacing;
        this.typed = typed;
        this.assembler = assembler;
        this.clock = clock;
    }

    private Offering known(long id) {
        return queries.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** The typed dates as they would be read, for the page to show while somebody types. */
    @PostMapping("/desk/offerings/{id}/dates/read")
    String read(
            @PathVariable long id,
            @RequestParam(defaultValue = "", name = "typed") String text,
            @RequestParam(defaultValue = "false") boolean replaces,
            Model model) {
        String limited = text.substring(0, Math.min(text.length(), LONGEST_TEXT));
        model.addAttribute("typed", view(limited, typed.read(known(id), limited), replaces));
        return "sheet/parts/dates :: readings";
    }

    /** Adds the typed dates, or puts them in the place of those to come. All of them or none. */
    @PostMapping("/desk/offerings/{id}/dates")
    String accept(
            @PathVariable long id,
            @RequestParam(defaultValue = "", name = "typed") String text,
            @RequestParam(defaultValue = "false") boolean replaces,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash,
            Actor actor) {
        Offering offering = known(id);
        if (text.length() > LONGEST_TEXT) {
            model.addAttribute("warned", "Nothing was added: the text is longer than 200,000 characters.");
            return again(model, response, offering, TypedDatesView.NOTHING);
        }
        TypedProgramme.Read read = typed.read(offering, text);
        if (read.isWrong() || read.dates().isEmpty() && !replaces) {
            return again(model, response, offering, view(text, read, replaces));
        }
        if (replaces) {
            ReplaceDatesCommands.Replaced replaced = replacing.replace(offering.id(), read.dates(), actor);
            if (!replaced.kept().isEmpty()) {
                model.addAttribute(
                        "warned",
                        "Nothing was changed: people are on " + String.join(", ", replaced.kept())
                                + ". Leave those lines as they are and change the session on its own page.");
                return again(model, response, offering, view(text, read, true));
            }
            flash.addFlashAttribute("said", replaced.added() + " added, " + replaced.removed() + " removed.");
            return back(id);
        }
        sessions.addDates(id, read.dates(), actor);
        int added = read.dates().size();
        flash.addFlashAttribute("said", added == 1 ? "One date added." : added + " dates added.");
        return back(id);
    }

    private TypedDatesView view(String text, TypedProgramme.Read read, boolean replaces) {
        return TypedDatesView.of(text, read.lines(), replaces, clock.instant().atZone(ZoneOffset.UTC));
    }

    private static String back(long id) {
        return "redirect:/desk/offerings/" + id + "?open=dates#dates";
    }

    private String again(Model model, HttpServletResponse response, Offering offering, TypedDatesView view) {
        response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
        return show(model, offering, view);
    }

    private String show(Model model, Offering offering, TypedDatesView view) {
        model.addAttribute("typed", view);
        Opened dates = Opened.kept(Part.DATES, assembler.form(Part.DATES, offering));
        return assembler.page(model, offering, dates, clock.instant());
    }

    /** Writes the dates to come as text, to be edited as a whole. */
    @PostMapping("/desk/offerings/{id}/dates/as-text")
    String asText(@PathVariable long id, Model model) {
        Offering offering = known(id);
        return proposed(model, offering, typed.coming(offering), true);
    }

    private String proposed(Model model, Offering offering, String text, boolean replaces) {
        return show(model, offering, view(text, typed.read(offering, text), replaces));
    }

    /** Writes another offering's dates as text, so many weeks later, after what is typed already. */
    @PostMapping("/desk/offerings/{id}/dates/copied")
    String copied(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "") String weeks,
            @RequestParam(defaultValue = "", name = "typed") String before,
            Model model,
            RedirectAttributes flash) {
        Offering offering = known(id);
        boolean fine = Text.isNumber(from, 1, Integer.MAX_VALUE)
                && weeks.matches("-?\\d{1,3}")
                && queries.offering(Long.parseLong(from)).isPresent();
        if (!fine) {
            flash.addFlashAttribute("warned", "Choose an offering, and weeks from −999 to 999.");
            return back(id);
        }
        String copied = typed.shifted(Long.parseLong(from), Integer.parseInt(weeks));
        return proposed(model, offering, after(before, copied), false);
    }

    /** Writes the dates of a calendar file as text, after what is typed already. */
    @PostMapping("/desk/offerings/{id}/dates/file")
    String file(
            @PathVariable long id,
            @RequestParam(required = false) MultipartFile file,
            @RequestParam(defaultValue = "", name = "typed") String before,
            Model model,
            RedirectAttributes flash)
            throws IOException {
        Offering offering = known(id);
        CalendarDates.Found found = CalendarDates.in(file, offering.zone(), clock.instant());
        if (found.text().isEmpty()) {
            flash.addFlashAttribute("warned", found.said());
            return back(id);
        }
        model.addAttribute("said", found.said());
        return proposed(model, offering, after(before, found.text()), false);
    }

    /** What is typed stays, with something new below it. */
    private static String after(String before, String fresh) {
        String kept =
                before.substring(0, Math.min(before.length(), LONGEST_TEXT)).stripTrailing();
        return kept.isEmpty() ? fresh : kept + "\n" + fresh;
    }

    @PostMapping("/desk/offerings/{id}/dates/{session}/remove")
    String remove(@PathVariable long id, @PathVariable long session, RedirectAttributes flash, Actor actor) {
        boolean removed = sessions.removeDate(id, session, actor);
        flash.addFlashAttribute("said", removed ? "Date removed." : "Somebody is on this date; it stays.");
        return back(id);
    }
}
