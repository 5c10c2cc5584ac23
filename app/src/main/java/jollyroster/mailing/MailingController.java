package jollyroster.mailing;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import jollyroster.mailing.MailingDrafts.Draft;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.LongWork;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.seating.RemarkCommands;
import org.jspecify.annotations.Nullable;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Letters to many: written, tried on oneself, sent soon or later, and taken back as long as they have not gone. */
@DeskPage
class MailingController {

    private final MailingPage page;
    private final MailingDrafts drafts;
    private final MailingCommands commands;
    private final MailingTestCommands tests;
    private final LongWork works;
    private final OrganisationQueries organisation;

    MailingController(
            MailingPage page,
            MailingDrafts drafts,
            MailingCommands commands,
            MailingTestCommands tests,
            LongWork works,
            OrganisationQueries organisation) {
        this.page = page;
        this.drafts = drafts;
        this.commands = commands;
        this.tests = tests;
        this.works = works;
        this.organisation = organisation;
    }

    @GetMapping("/desk/letters")
    String letters(@RequestParam(defaultValue = "0") long offering, Model model) {
        if (!model.containsAttribute("form")) {
            model.addAttribute("form", new MailingForm(List.of(), List.of(), List.of(), "", "", "", "", ""));
        }
        MailingForm form = (MailingForm) model.getAttribute("form");
        List<Long> chosen = form == null ? List.of() : form.sessions();
        model.addAttribute("choices", page.choices(chosen, offering));
        model.addAttribute("lines", page.lines());
        return "mailing/letters";
    }

    @PostMapping("/desk/letters")
    String write(
            @ModelAttribute("sent") MailingForm form,
            @RequestParam(defaultValue = "COUNT") MailingDrafts.Act act,
            @RequestParam(required = false) @Nullable List<MultipartFile> file,
            RedirectAttributes flash,
            Actor actor)
            throws IOException {
        actor.requireOrganiser();
        Draft draft = drafts.read(form, file == null ? List.of() : file, act);
        flash.addFlashAttribute("form", form);
        if (draft.problem().isPresent()) {
            flash.addFlashAttribute("warned", "Not sent: " + draft.problem().get());
            return "redirect:/desk/letters";
        }
        if (act == MailingDrafts.Act.COUNT) {
            flash.addFlashAttribute("said", draft.counted());
            return "redirect:/desk/letters";
        }
        if (act == MailingDrafts.Act.TEST) {
            flash.addFlashAttribute("said", tests.send(form, draft.chosen().get(0), actor));
            return "redirect:/desk/letters";
        }
        return send(form, draft, flash, actor);
    }

    private String send(MailingForm form, Draft draft, RedirectAttributes flash, Actor actor) {
        Instant due = draft.due().orElseThrow();
        long mailing = commands.begin(form.line(), draft.counted(), due, draft.files(), actor);
        RemarkCommands.Mailed letter = new RemarkCommands.Mailed(mailing, form.line(), form.text(), due);
        String when = Times.dayAndTime(due, organisation.organisation().zone());
        LongWork.Task<Boolean> task = new LongWork.Task<>(
                "Group e-mail",
                "/desk/letters",
                came -> new LongWork.Said(
                        came.size() + " e-mails leave " + when + "; until then they can be taken back.", ""));
        return works.run(
                        task,
                        draft.chosen(),
                        group -> {
                            commands.mail(letter, group, actor);
                            return group.stream().map(one -> true).toList();
                        },
                        actor)
                .next(flash);
    }

    @PostMapping("/desk/letters/{id}/take-back")
    String takeBack(@PathVariable long id, RedirectAttributes flash, Actor actor) {
        int back = commands.takeBack(id, actor);
        flash.addFlashAttribute(
                back > 0 ? "said" : "warned",
                back > 0 ? back + " taken back; the others had gone." : "Nothing was left to take back.");
        return "redirect:/desk/letters";
    }
}
