package jollyroster.guests;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.intake.Text;
import jollyroster.guests.GuestQueries.Invitee;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Writes to the people on a guest list: invitations and reminders, read before they go. */
@DeskPage
class InvitingController {

    private static final int LONGEST_WORDS = 1000;
    private static final int MOST_NAMED = 12;
    private static final String UNPUBLISHED = "Not sent: publish the offering first, or the links do not work.";
    private static final String NO_DATE = "Nobody was written to: no date is to come.";
    private static final String NOBODY_TO_INVITE =
            "Nobody was written to: no date is to come, or everybody is invited already.";
    private static final String NOBODY_TO_REMIND =
            "Nobody was reminded: answers are no longer due, or everybody was written to today.";
    private final ProgrammeQueries programme;
    private final GuestList list;
    private final GuestCommands commands;
    private final InvitationLetters letters;
    private final Clock clock;

    InvitingController(
            ProgrammeQueries programme,
            GuestList list,
            GuestCommands commands,
            InvitationLetters letters,
            Clock clock) {
        this.programme = programme;
        this.list = list;
        this.commands = commands;
        this.letters = letters;
        this.clock = clock;
    }

    /** @param again whether it is the reminder @param names of the first of them */
    public record Preview(
            long offering,
            String title,
            boolean again,
            String words,
            int number,
            List<String> names,
            String subject,
            String html) {

        public String button() {
            String invitations = number == 1 ? "Send 1 invitation" : "Send " + number + " invitations";
            return again ? "Remind " + (number == 1 ? "1 person" : number + " people") : invitations;
        }
    }

    /** The letter as the first of them would read it. Nothing is sent yet. */
    @PostMapping("/desk/offerings/{id}/guests/preview")
    String preview(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(defaultValue = "false") boolean again,
            Model model,
            RedirectAttributes flash,
            Actor actor) {
        actor.requireOrganiser();
        Offering o = list.known(id);
        String text = Text.manyLines(words, LONGEST_WORDS);
        List<Invitee> people = again ? list.remindable(id) : list.fresh(id);
        List<Session> dates = programme.sessionsOf(id).stream()
                .filter(s -> !s.cancelled() && s.start().isAfter(clock.instant()))
                .toList();
        Optional<String> obstacle = obstacle(o, dates, people, again);
        if (obstacle.isPresent()) {
            flash.addFlashAttribute("words", text);
            flash.addFlashAttribute("warned", obstacle.get());
            return GuestList.back(id);
        }
        var read = letters.preview(again, addressee(people.get(0)), dates, text);
        List<String> names =
                people.stream().limit(MOST_NAMED).map(Invitee::called).toList();
        model.addAttribute(
                "view", new Preview(id, o.title(), again, text, people.size(), names, read.subject(), read.html()));
        return "guests/preview";
    }

    private static Optional<String> obstacle(Offering o, List<Session> dates, List<Invitee> people, boolean again) {
        if (o.status() != OfferingStatus.PUBLISHED) {
            return Optional.of(UNPUBLISHED);
        }
        if (dates.isEmpty()) {
            return Optional.of(NO_DATE);
        }
        String nobody = again ? NOBODY_TO_REMIND : NOBODY_TO_INVITE;
        return people.isEmpty() ? Optional.of(nobody) : Optional.empty();
    }

    private static InvitationLetters.Addressee addressee(Invitee first) {
        return new InvitationLetters.Addressee(
                new Link(first.id(), first.generation()),
                first.name(),
                first.email(),
                first.invited().isPresent());
    }

    /** Back to the list from the preview, with what was typed. */
    @PostMapping("/desk/offerings/{id}/guests/words")
    String back(@PathVariable long id, @RequestParam(defaultValue = "") String words, RedirectAttributes flash) {
        flash.addFlashAttribute("words", Text.manyLines(words, LONGEST_WORDS));
        return GuestList.back(list.known(id).id());
    }

    @PostMapping("/desk/offerings/{id}/guests/send")
    String send(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String words,
            RedirectAttributes flash,
            Actor actor) {
        if (list.known(id).status() != OfferingStatus.PUBLISHED) {
            flash.addFlashAttribute("warned", UNPUBLISHED);
            return GuestList.back(id);
        }
        int sent = commands.sendInvitations(id, Text.manyLines(words, LONGEST_WORDS), actor);
        flash.addFlashAttribute(
                sent == 0 ? "warned" : "said",
                switch (sent) {
                    case 0 -> NOBODY_TO_INVITE;
                    case 1 -> "1 invitation is on its way.";
                    default -> sent + " invitations are on their way.";
                });
        return GuestList.back(id);
    }

    /** Writes once more to everybody who has not answered. */
    @PostMapping("/desk/offerings/{id}/guests/remind")
    String remind(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String words,
            RedirectAttributes flash,
            Actor actor) {
        List<Long> silent =
                list.remindable(list.known(id).id()).stream().map(Invitee::id).toList();
        int sent = commands.remind(id, silent, Text.manyLines(words, LONGEST_WORDS), actor);
        flash.addFlashAttribute(
                sent == 0 ? "warned" : "said",
                switch (sent) {
                    case 0 -> NOBODY_TO_REMIND;
                    case 1 -> "1 person is reminded.";
                    default -> sent + " people are reminded.";
                });
        return GuestList.back(id);
    }
}
