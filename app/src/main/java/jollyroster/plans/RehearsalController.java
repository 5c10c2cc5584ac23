package jollyroster.plans;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import jollyroster.chart.Score;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.Happening;
import jollyroster.core.messages.Rehearsal.Played;
import jollyroster.core.messages.Rehearsal.Player;
import jollyroster.outbox.LetterCheck;
import jollyroster.outbox.MessageWords;
import jollyroster.plans.RehearsalRun.Open;
import jollyroster.plans.RehearsalRun.Run;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Times;
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

/** A dry run of the messages of an offering, published or not: nothing is stored and nothing is sent, but to whoever asks for it. */
@DeskPage
class RehearsalController {

    private static final Pattern OPEN = Pattern.compile("(\\d{1,2})-(\\d{1,2})");
    private final RehearsalRun runs;
    private final LetterCheck check;
    private final RehearsalFacts facts;
    private final RehearsalCommands commands;

    RehearsalController(RehearsalRun runs, LetterCheck check, RehearsalFacts facts, RehearsalCommands commands) {
        this.runs = runs;
        this.check = check;
        this.facts = facts;
        this.commands = commands;
    }

    private Run run(long id, Script script) {
        return runs.of(id, script).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static Optional<Open> open(String said) {
        Matcher read = OPEN.matcher(said);
        return read.matches()
                ? Optional.of(new Open(Integer.parseInt(read.group(1)), Integer.parseInt(read.group(2))))
                : Optional.empty();
    }

    /** What can be chosen to happen. */
    public record Choice(String code, String words, boolean personal) {}

    private static List<Choice> choices() {
        return Stream.of(Happening.Kind.values())
                .map(kind -> new Choice(kind.name(), RehearsalWords.choice(kind), kind.isPersonal()))
                .toList();
    }

    /**
     * @param open which message is open, as {@code 2-1}
     * @param x where in the drawing the playhead stands; where it is not said, at the message that is open
     */
    @GetMapping("/desk/offerings/{id}/rehearsal")
    String rehearsal(
            @PathVariable long id,
            @ModelAttribute("script") Script script,
            @RequestParam(defaultValue = "") String open,
            @RequestParam(required = false) @Nullable Integer x,
            Model model) {
        Run run = run(id, script);
        Optional<Open> wanted = open(open).filter(some -> run.message(some).isPresent());
        Instant pressed =
                x == null ? Instant.MIN : Score.at(run.drawn().timing().hours(), x);
        Open opened = wanted.orElseGet(() -> run.latest(pressed));
        Played message = run.message(opened).orElseThrow();
        Instant head = x == null ? message.at() : pressed;
        RehearsalView view = new RehearsalView(run, script);
        Player player = run.cast().get(opened.who());
        String at = script.address(id);
        model.addAttribute("offering", run.offering().title());
        model.addAttribute("at", "/desk/offerings/" + id);
        model.addAttribute("here", at);
        model.addAttribute("date", run.drawn().words());
        model.addAttribute("drawing", view.drawing(opened, head));
        model.addAttribute("lanes", view.lanes(opened));
        model.addAttribute("findings", view.findings());
        model.addAttribute("moment", view.at(head));
        model.addAttribute("events", view.events());
        model.addAttribute("codes", script.event() == null ? List.of() : script.event());
        model.addAttribute("choices", choices());
        model.addAttribute("cast", run.cast().stream().map(Player::name).toList());
        model.addAttribute("own", script.own());
        model.addAttribute("doings", Cast.Doing.values());
        model.addAttribute("start", script.beginning().map(String::valueOf).orElse(""));
        model.addAttribute("zones", Times.ZONES_OFFERED);
        model.addAttribute(
                "letter",
                at.replace("/rehearsal?", "/rehearsal/body.html?") + "&open=" + opened.who() + "-" + opened.which());
        model.addAttribute(
                "head",
                MessageWords.of(message.line().anchor(), message.line().offset(), message.channel()) + " to "
                        + player.name() + ", " + Times.dayAndTime(message.at(), player.zone()) + " "
                        + Times.city(player.zone()) + " time");
        model.addAttribute("why", RehearsalWords.why(message, player.zone()));
        return "plans/rehearsal";
    }

    /** Plays something more in. */
    @GetMapping("/desk/offerings/{id}/rehearsal/more")
    String more(
            @PathVariable long id,
            @ModelAttribute("script") Script script,
            @RequestParam(required = false) Happening.@Nullable Kind play,
            @RequestParam(defaultValue = "0") int who,
            @RequestParam(defaultValue = "24") int ahead,
            @RequestParam(defaultValue = "1") int days) {
        run(id, script);
        boolean moves = play == Happening.Kind.MOVES;
        Script longer =
                play == null ? script : script.with(play, Math.max(0, Math.min(who, 99)), ahead, moves ? days : 0);
        return "redirect:" + longer.address(id);
    }

    /** A message of the rehearsal as it would arrive, alone. */
    @GetMapping("/desk/offerings/{id}/rehearsal/body.html")
    ResponseEntity<String> body(
            @PathVariable long id,
            @ModelAttribute("script") Script script,
            @RequestParam(defaultValue = "") String open) {
        Run run = run(id, script);
        Open wanted = open(open).orElse(new Open(0, 0));
        Played message = run.message(wanted).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        LetterCheck.Mail mail = check.rehearse(
                message.line().anchor(),
                facts.of(run.offering(), run.cast().get(wanted.who()), message.state(), script.address(id)));
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "html", StandardCharsets.UTF_8))
                .body(message.channel() == Channel.TEXT ? WordingPage.phone(mail.asText()) : WordingPage.subject(mail));
    }

    /** Sends every message that somebody of the cast would get to whoever asks, marked. */
    @PostMapping("/desk/offerings/{id}/rehearsal/send")
    String send(
            @PathVariable long id,
            @ModelAttribute("script") Script script,
            @RequestParam(defaultValue = "0") int lane,
            RedirectAttributes flash,
            Actor actor) {
        Run run = run(id, script);
        RehearsalCommands.Sent sent = commands.send(run, Math.max(0, lane), script.address(id), actor);
        flash.addFlashAttribute(sent.messages() > 0 ? "said" : "warned", sent.words());
        return "redirect:" + script.address(id);
    }
}
