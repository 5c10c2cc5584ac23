package jollyroster.live;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.core.intake.Text;
import jollyroster.door.DoorKeepers;
import jollyroster.live.LiveQueries.Questions;
import jollyroster.live.LiveQueries.Settings;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.programme.Session;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What the host looks after beside the meeting: questions, polls, the agenda and materials. */
@DeskPage
class LiveDeskController {

    private static final int LONGEST_LINE = 200;
    private static final int LONGEST_CHOICES = 600;
    private static final int MOST_CHOICES = 8;
    private final LiveQueries queries;
    private final LiveCommands commands;
    private final MaterialFiles files;
    private final DoorKeepers keepers;

    LiveDeskController(LiveQueries queries, LiveCommands commands, MaterialFiles files, DoorKeepers keepers) {
        this.files = files;
        this.queries = queries;
        this.commands = commands;
        this.keepers = keepers;
    }

    private Session visible(long session, Actor actor) {
        return keepers.visible(session, actor).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static String back(long session) {
        return "redirect:/desk/live/" + session;
    }

    private static <E extends Enum<E>> E chosen(E[] values, String name) {
        return Stream.of(values)
                .filter(value -> value.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
    }

    @GetMapping("/desk/live/{session}")
    String page(@PathVariable long session, Actor actor, Model model) {
        Session at = visible(session, actor);
        model.addAttribute("offering", at.offering().title());
        model.addAttribute("number", session);
        model.addAttribute("at", "/desk/live/" + session);
        model.addAttribute("settings", queries.settings(session));
        model.addAttribute("agenda", Beside.agenda(at));
        model.addAttribute("questions", queries.questions(session));
        model.addAttribute("materials", files.shown(queries.materials(session)));
        model.addAttribute(
                "polls", queries.polls(session).stream().map(Beside::shown).toList());
        return "live/desk";
    }

    @PostMapping("/desk/live/{session}/questions/{question}")
    String settle(
            @PathVariable long session,
            @PathVariable long question,
            @RequestParam(name = "do", defaultValue = "") String state,
            Actor actor) {
        visible(session, actor);
        if (!List.of("SHOWN", "ANSWERED", "REMOVED").contains(state)) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        commands.settle(session, question, state, actor);
        return back(session);
    }

    /** @param questions empty for as it is @param now of the agenda; not sent for as it is */
    @PostMapping("/desk/live/{session}/settings")
    String set(
            @PathVariable long session,
            @RequestParam(defaultValue = "") String questions,
            @RequestParam Optional<String> now,
            Actor actor) {
        visible(session, actor);
        Settings is = queries.settings(session);
        commands.set(
                session,
                questions.isEmpty() ? is.questions() : chosen(Questions.values(), questions),
                now.map(words -> Text.oneLine(words, LONGEST_LINE)).orElse(is.now()),
                actor);
        return back(session);
    }

    /** @param choices one a line; empty for a show of hands */
    @PostMapping("/desk/live/{session}/polls")
    String poll(
            @PathVariable long session,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(defaultValue = "") String choices,
            Actor actor,
            RedirectAttributes flash) {
        visible(session, actor);
        String line = Text.oneLine(words, LONGEST_LINE);
        List<String> given = Text.manyLines(choices, LONGEST_CHOICES)
                .lines()
                .map(String::strip)
                .filter(choice -> !choice.isEmpty())
                .distinct()
                .toList();
        List<String> offered = given.isEmpty() ? List.of("Yes", "No") : given;
        if (line.isEmpty() || offered.size() < 2 || offered.size() > MOST_CHOICES) {
            flash.addFlashAttribute("warned", "A poll needs a question and two to eight answers.");
        } else if (!commands.poll(session, line, offered, actor)) {
            flash.addFlashAttribute("warned", "There were fifty polls already.");
        }
        return back(session);
    }

    @PostMapping("/desk/live/{session}/polls/end")
    String end(@PathVariable long session, Actor actor) {
        visible(session, actor);
        commands.endPoll(session, actor);
        return back(session);
    }
}
