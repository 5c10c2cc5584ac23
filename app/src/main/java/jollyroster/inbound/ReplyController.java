package jollyroster.inbound;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.people.PersonQueries;
import jollyroster.people.ReceivedQueries;
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
    private final ReceivedQueries mails;
    private final MailReceivedCommands mailCommands;
    private final PersonQueries people;
    private final OrganisationQueries organisation;

    ReplyController(
            TextLogQueries texts,
            TextReplyCommands commands,
            ReceivedQueries mails,
            MailReceivedCommands mailCommands,
            PersonQueries people,
            OrganisationQueries organisation) {
        this.texts = texts;
        this.commands = commands;
        this.mails = mails;
        this.mailCommands = mailCommands;
        this.people = people;
        this.organisation = organisation;
    }

    /** Something to read. @param person 0 where it is not known who wrote it @param outcome what was made of it; empty for nothing */
    public record Line(
            String address,
            Instant at,
            String when,
            long person,
            String who,
            String lead,
            String words,
            String outcome) {}

    @GetMapping("/desk/replies")
    String replies(Model model) {
        List<TextLogQueries.Reply> open = texts.open(MOST);
        List<ReceivedQueries.Mail> letters = mails.open(MOST);
        Map<Long, String> names = people.names(Stream.concat(
                        open.stream().map(TextLogQueries.Reply::person),
                        letters.stream().map(ReceivedQueries.Mail::person))
                .distinct()
                .toList());
        model.addAttribute(
                "lines",
                Stream.concat(
                                open.stream().map(r -> line(r, names)),
                                letters.stream().map(m -> line(m, names)))
                        .sorted(Comparator.comparing(Line::at).reversed())
                        .toList());
        return "inbound/replies";
    }

    private String when(Instant at) {
        return Times.dayAndTime(at, organisation.organisation().zone());
    }

    private Line line(TextLogQueries.Reply r, Map<Long, String> names) {
        String who = Optional.ofNullable(names.get(r.person())).orElse(r.number());
        return new Line(
                "/desk/texts/" + r.id() + "/read",
                r.at(),
                when(r.at()),
                r.person(),
                who,
                "by text",
                r.body(),
                r.outcome());
    }

    private Line line(ReceivedQueries.Mail m, Map<Long, String> names) {
        String who = Optional.ofNullable(names.get(m.person())).orElse(m.sender());
        return new Line(
                "/desk/mails/" + m.id() + "/read",
                m.at(),
                when(m.at()),
                m.person(),
                who,
                m.subject(),
                m.body(),
                m.outcome());
    }

    /** Somebody has read it. @param person on whose page that was; 0 for the list */
    @PostMapping("/desk/mails/{id}/read")
    String readMail(
            @PathVariable long id,
            @RequestParam(defaultValue = "0") long person,
            RedirectAttributes flash,
            Actor actor) {
        return done(mailCommands.read(id, actor), person, flash);
    }

    /** Somebody has read it. @param person on whose page that was; 0 for the list */
    @PostMapping("/desk/texts/{id}/read")
    String read(
            @PathVariable long id,
            @RequestParam(defaultValue = "0") long person,
            RedirectAttributes flash,
            Actor actor) {
        return done(commands.read(id, actor), person, flash);
    }

    private static String done(boolean done, long person, RedirectAttributes flash) {
        flash.addFlashAttribute(done ? "said" : "warned", done ? "Done with it." : "Somebody has done that already.");
        return person > 0 ? "redirect:/desk/people/" + person : "redirect:/desk/replies";
    }
}
