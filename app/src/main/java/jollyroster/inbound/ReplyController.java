package jollyroster.inbound;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.people.PersonQueries;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.texting.TextLogQueries;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What people wrote back, for somebody to read. */
@DeskPage
class ReplyController {

    private static final int MOST = 50;
    private final TextLogQueries texts;
    private final TextReplyCommands commands;
    private final PersonQueries people;
    private final OrganisationQueries organisation;

    ReplyController(
            TextLogQueries texts, TextReplyCommands commands, PersonQueries people, OrganisationQueries organisation) {
        this.texts = texts;
        this.commands = commands;
        this.people = people;
        this.organisation = organisation;
    }

    /** Something to read. @param person 0 where it is not known who wrote it @param outcome what was made of it; empty for nothing */
    public record Line(long id, String when, long person, String who, String words, String outcome) {}

    @GetMapping("/desk/replies")
    String replies(Model model) {
        List<TextLogQueries.Reply> open = texts.open(MOST);
        Map<Long, String> names = people.names(
                open.stream().map(TextLogQueries.Reply::person).distinct().toList());
        model.addAttribute("lines", open.stream().map(r -> line(r, names)).toList());
        return "inbound/replies";
    }

    private Line line(TextLogQueries.Reply r, Map<Long, String> names) {
        return new Line(
                r.id(),
                Times.dayAndTime(r.at(), organisation.organisation().zone()),
                r.person(),
                Optional.ofNullable(names.get(r.person())).orElse(r.number()),
                r.body(),
                r.outcome());
    }

    /** Somebody has read it. @param person on whose page that was; 0 for the list */
    @PostMapping("/desk/texts/{id}/read")
    String read(
            @PathVariable long id,
            @RequestParam(defaultValue = "0") long person,
            RedirectAttributes flash,
            Actor actor) {
        boolean done = commands.read(id, actor);
        flash.addFlashAttribute(done ? "said" : "warned", done ? "Done with it." : "Somebody has done that already.");
        return person > 0 ? "redirect:/desk/people/" + person : "redirect:/desk/replies";
    }
}
