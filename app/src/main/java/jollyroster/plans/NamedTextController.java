package jollyroster.plans;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.intake.Text;
import jollyroster.outbox.LetterCheck;
import jollyroster.outbox.MessageWords;
import jollyroster.outbox.NamedTextCommands;
import jollyroster.outbox.NamedTextQueries;
import jollyroster.outbox.NamedTextQueries.Named;
import jollyroster.outbox.UnsentQueries;
import jollyroster.outbox.WordingQueries.Of;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.team.TeamQueries;
import jollyroster.team.TeamQueries.Mate;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Texts that are kept once and used by name in the words of messages, of the house and of hosts. */
@DeskPage
class NamedTextController {

    private static final int LONGEST = 2000;
    private static final Pattern NAME = Pattern.compile("[a-z][a-z0-9_]{0,29}");
    private final NamedTextQueries texts;
    private final NamedTextCommands commands;
    private final LetterCheck check;
    private final UnsentQueries unsent;
    private final ProgrammeQueries programme;
    private final TeamQueries team;

    NamedTextController(
            NamedTextQueries texts,
            NamedTextCommands commands,
            LetterCheck check,
            UnsentQueries unsent,
            ProgrammeQueries programme,
            TeamQueries team) {
        this.texts = texts;
        this.commands = commands;
        this.check = check;
        this.unsent = unsent;
        this.programme = programme;
        this.team = team;
    }

    /** A text in the list. @param as how words name it @param used where, in words; empty for nowhere */
    public record Row(long id, String name, long host, String whose, String as, String body, String used) {}

    /** What was typed for a text that was not kept. */
    public record Typed(String name, long host, String body) {}

    @GetMapping("/desk/wordings/texts")
    String list(Model model) {
        List<Mate> hosts = team.hosts();
        Map<Long, String> names = hosts.stream().collect(Collectors.toMap(Mate::id, Mate::name));
        model.addAttribute(
                "rows", texts.all().stream().map(named -> row(named, names)).toList());
        model.addAttribute("hosts", hosts);
        if (!model.containsAttribute("typed")) {
            model.addAttribute("typed", new Typed("", NamedTextQueries.HOUSE, ""));
        }
        return "plans/texts";
    }

    private Row row(Named named, Map<Long, String> hosts) {
        String byHost = "{{host." + named.name() + "}}";
        return new Row(
                named.id(),
                named.name(),
                named.host(),
                isHouse(named) ? "the house" : hosts.getOrDefault(named.host(), "somebody who left"),
                isHouse(named) ? "{{text." + named.name() + "}}, " + byHost : byHost,
                named.body(),
                where(named));
    }

    private static boolean isHouse(Named named) {
        return named.host() == NamedTextQueries.HOUSE;
    }

    private Stream<Of> uses(Named named) {
        Stream<Of> byHost = check.naming("host." + named.name()).stream();
        return isHouse(named) ? Stream.concat(check.naming("text." + named.name()).stream(), byHost) : byHost;
    }

    private String where(Named named) {
        return uses(named).map(this::message).distinct().collect(Collectors.joining(", "));
    }

    private String message(Of of) {
        String whose = programme
                .offering(of.offering())
                .map(Offering::title)
                .map(t -> t + ": ")
                .orElse("");
        return whose + MessageWords.plain(of.anchor());
    }

    @PostMapping("/desk/wordings/texts")
    String set(
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "0") long host,
            @RequestParam(defaultValue = "") String body,
            RedirectAttributes flash,
            Actor actor) {
        Named named = new Named(0, host, name.strip(), Text.manyLines(body, LONGEST));
        Optional<String> problem = problem(named);
        if (problem.isPresent()) {
            flash.addFlashAttribute("warned", "Not saved: " + problem.get());
            flash.addFlashAttribute("typed", new Typed(Text.oneLine(name, LONGEST), host, named.body()));
            return "redirect:/desk/wordings/texts#text";
        }
        commands.set(host, named.name(), named.body(), actor);
        flash.addFlashAttribute("said", "Saved. " + reached(named));
        return "redirect:/desk/wordings/texts";
    }

    private Optional<String> problem(Named named) {
        if (!NAME.matcher(named.name()).matches()) {
            return Optional.of("a name is small letters, digits and _, like parking or meeting_link.");
        }
        if (named.body().isBlank()) {
            return Optional.of("give it a text.");
        }
        boolean known = isHouse(named) || team.hosts().stream().anyMatch(mate -> mate.id() == named.host());
        return known ? Optional.empty() : Optional.of("choose the house or a host.");
    }

    /** How many messages that have not gone yet are written with it. */
    private String reached(Named named) {
        int messages = uses(named).distinct().mapToInt(unsent::planned).sum();
        return switch (messages) {
            case 0 -> "No message that is planned uses it.";
            case 1 -> "1 planned message is written with it.";
            default -> messages + " planned messages are written with it.";
        };
    }

    /** A host without a text has the house's; the house's goes only when no words use it. */
    @PostMapping("/desk/wordings/texts/{id}/remove")
    String remove(@PathVariable long id, RedirectAttributes flash, Actor actor) {
        String used = texts.all().stream()
                .filter(named -> named.id() == id)
                .filter(named -> isHouse(named) || isOnly(named))
                .map(this::where)
                .findFirst()
                .orElse("");
        if (used.isEmpty()) {
            commands.remove(id, actor);
        }
        flash.addFlashAttribute(
                used.isEmpty() ? "said" : "warned",
                used.isEmpty() ? "Removed." : "Not removed: it is used in " + used + ".");
        return "redirect:/desk/wordings/texts";
    }

    private boolean isOnly(Named named) {
        return texts.all().stream()
                        .filter(other -> other.name().equals(named.name()))
                        .count()
                == 1;
    }
}
