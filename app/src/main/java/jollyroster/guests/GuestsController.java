package jollyroster.guests;

import java.io.IOException;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import jollyroster.core.intake.Text;
import jollyroster.exchange.CalendarReplies;
import jollyroster.exchange.TableReader;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.SignedIn;
import org.jspecify.annotations.Nullable;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The guest list of an offering: who is invited, who has answered what, and who asks to come. */
@DeskPage
class GuestsController {

    private static final int LONGEST_SOUGHT = 100;
    private static final int MOST_NAMED = 10;

    private static final int LARGEST = 1_000_000;
    private final GuestList list;
    private final GuestCommands commands;
    private final CalendarAnswers calendarAnswers;
    private final SignedIn signedIn;

    GuestsController(GuestList list, GuestCommands commands, CalendarAnswers calendarAnswers, SignedIn signedIn) {
        this.list = list;
        this.commands = commands;
        this.calendarAnswers = calendarAnswers;
        this.signedIn = signedIn;
    }

    @GetMapping("/desk/offerings/{id}/guests")
    String guests(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String show,
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "0") int page,
            Model model) {
        model.addAttribute("view", list.view(list.known(id), show, Text.oneLine(q, LONGEST_SOUGHT), page));
        return "guests/guests";
    }

    /** Takes people in from text or a file. */
    @PostMapping("/desk/offerings/{id}/guests")
    String add(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(required = false) @Nullable MultipartFile file,
            RedirectAttributes flash,
            Actor actor)
            throws IOException {
        list.known(id);
        if (text.length() > LARGEST || file != null && file.getSize() > LARGEST) {
            flash.addFlashAttribute("warned", "Nobody was imported: it is larger than 1 MB.");
            return GuestList.back(id);
        }
        GuestReading.Read read = GuestReading.read(source(text, file));
        if (!read.wrong().isEmpty()) {
            flash.addFlashAttribute("warned", wrong(read.wrong()));
            flash.addFlashAttribute("people", String.join("\n", read.wrong()));
        }
        if (read.guests().isEmpty()) {
            flash.addFlashAttribute("warned", "Nobody was imported: there is no e-mail address in it.");
            flash.addFlashAttribute("people", text);
            return GuestList.back(id);
        }
        int added = commands.invite(id, read.guests(), actor);
        flash.addFlashAttribute(
                "said",
                added + (added == 1 ? " person" : " people") + " imported, "
                        + (read.guests().size() - added) + " on the list already. Nobody has been written to yet.");
        return GuestList.back(id);
    }

    /** The file if there is one, else what was pasted. */
    private static String source(String text, @Nullable MultipartFile file) throws IOException {
        return file == null || file.isEmpty() ? text : TableReader.text(file.getBytes());
    }

    private static String wrong(List<String> typed) {
        String first = String.join(", ", typed.stream().limit(MOST_NAMED).toList());
        int more = typed.size() - MOST_NAMED;
        return "Not e-mail addresses: " + first + (more > 0 ? " and " + more + " more." : ".");
    }

    @PostMapping("/desk/offerings/{id}/guests/{guest}/remove")
    String remove(@PathVariable long id, @PathVariable long guest, RedirectAttributes flash, Actor actor) {
        list.known(id);
        commands.uninvite(id, guest, actor);
        flash.addFlashAttribute(
                "said", "Off the list. Their link is worth nothing now; an answer already given stands.");
        return GuestList.back(id);
    }

    @PostMapping("/desk/offerings/{id}/guests/asking/{plea}")
    String decide(
            @PathVariable long id,
            @PathVariable long plea,
            @RequestParam(defaultValue = "false") boolean yes,
            RedirectAttributes flash) {
        list.known(id);
        boolean told = commands.decide(id, plea, yes, signedIn.actor());
        flash.addFlashAttribute(
                told ? "said" : "warned",
                told
                        ? yes ? "Invited, and told." : "Told that there is no room."
                        : "Nobody was written to: it was decided before, or no date is to come.");
        return GuestList.back(id);
    }

    /** Reads replies that calendar programs sent, from a file or pasted, as a calendar or as a whole mail. */
    @PostMapping("/desk/offerings/{id}/guests/replies")
    String replies(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(required = false) @Nullable MultipartFile file,
            RedirectAttributes flash,
            Actor actor)
            throws IOException {
        list.known(id);
        Map<CalendarAnswers.Came, Integer> came = new EnumMap<>(CalendarAnswers.Came.class);
        CalendarReplies.read(source(text, file))
                .forEach(reply -> came.merge(calendarAnswers.apply(reply), 1, Integer::sum));
        int taken = came.getOrDefault(CalendarAnswers.Came.TAKEN, 0);
        int others = came.values().stream().mapToInt(Integer::intValue).sum() - taken;
        flash.addFlashAttribute(
                taken > 0 ? "said" : "warned",
                came.isEmpty()
                        ? "There is no reply to an invitation in it."
                        : taken
                                + (taken == 1 ? " reply recorded" : " replies recorded")
                                + (others > 0
                                        ? ", " + others + " not: unknown, from another address, or too late."
                                        : "."));
        return GuestList.back(id);
    }
}
