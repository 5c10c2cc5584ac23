package jollyroster.mailing;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.outbox.LetterCheck;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.LongWork;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.SafeFile;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.RemarkCommands;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
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

    private static final Duration BACK = Duration.ofDays(60);
    private static final Duration AHEAD = Duration.ofDays(120);
    private static final int MOST = 30;
    private static final int LONGEST_SHOWN = 60;
    private final MailingQueries mailings;
    private final MailingCommands commands;
    private final MailingTestCommands tests;
    private final MailingPeople people;
    private final ProgrammeQueries programme;
    private final LetterCheck check;
    private final OutboxQueries outbox;
    private final LongWork works;
    private final OrganisationQueries organisation;
    private final Clock clock;

    /** As long can it be taken back that leaves at once. */
    private final Duration grace;

    MailingController(
            MailingQueries mailings,
            MailingCommands commands,
            MailingTestCommands tests,
            MailingPeople people,
            ProgrammeQueries programme,
            LetterCheck check,
            OutboxQueries outbox,
            LongWork works,
            OrganisationQueries organisation,
            Clock clock,
            @Value("${jolly.grace:PT5M}") Duration grace) {
        this.grace = grace;
        this.mailings = mailings;
        this.commands = commands;
        this.tests = tests;
        this.people = people;
        this.programme = programme;
        this.check = check;
        this.outbox = outbox;
        this.works = works;
        this.organisation = organisation;
        this.clock = clock;
    }

    /** A letter in the list. @param back whether some of it has not gone */
    public record Line(long id, String subject, String whom, String when, String counts, boolean back) {}

    /** A session to choose. */
    public record Choice(long id, String title, String when, boolean chosen) {}

    private ZoneId home() {
        return organisation.organisation().zone();
    }

    @GetMapping("/desk/letters")
    String letters(@RequestParam(defaultValue = "0") long offering, Model model) {
        Instant now = clock.instant();
        if (!model.containsAttribute("form")) {
            model.addAttribute("form", new MailingForm(List.of(), List.of(), List.of(), "", "", "", "", ""));
        }
        MailingForm form = (MailingForm) model.getAttribute("form");
        List<Long> chosen = form == null ? List.of() : form.sessions();
        model.addAttribute(
                "choices",
                Stream.concat(
                                programme.between(now, now.plus(AHEAD)).stream(),
                                programme.between(now.minus(BACK), now).stream()
                                        .filter(s -> s.start().isBefore(now))
                                        .sorted(Comparator.comparing(Session::start)
                                                .reversed()))
                        .filter(s -> s.lead() == null || s.book() == s.id())
                        .filter(s -> offering == 0 || s.offering().id() == offering)
                        .limit(LONGEST_SHOWN)
                        .map(s -> choice(s, chosen))
                        .toList());
        List<MailingQueries.Mailing> latest = mailings.latest(MOST);
        Map<Long, Map<MessageState, Integer>> counts = outbox.ofMailings(
                latest.stream().map(MailingQueries.Mailing::id).toList());
        model.addAttribute(
                "lines",
                latest.stream()
                        .map(m -> line(m, counts.getOrDefault(m.id(), Map.of())))
                        .toList());
        return "mailing/letters";
    }

    private static Choice choice(Session s, List<Long> chosen) {
        return new Choice(s.id(), s.offering().title(), Times.dayAndTime(s.start(), s.zone()), chosen.contains(s.id()));
    }

    private Line line(MailingQueries.Mailing m, Map<MessageState, Integer> counts) {
        int planned = counts.getOrDefault(MessageState.PLANNED, 0);
        String said = planned + " planned, " + counts.getOrDefault(MessageState.SENT, 0) + " sent, "
                + counts.getOrDefault(MessageState.FAILED, 0) + " failed, "
                + counts.getOrDefault(MessageState.WITHDRAWN, 0) + " taken back";
        return new Line(m.id(), m.subject(), m.whom(), Times.dayAndTime(m.due(), home()), said, planned > 0);
    }

    /** What is to be done with a letter. */
    enum Act {
        COUNT,
        TEST,
        SEND
    }

    @PostMapping("/desk/letters")
    String write(
            @ModelAttribute("sent") MailingForm form,
            @RequestParam(defaultValue = "COUNT") Act act,
            @RequestParam(required = false) @Nullable List<MultipartFile> file,
            RedirectAttributes flash,
            Actor actor)
            throws IOException {
        actor.requireOrganiser();
        List<MultipartFile> sent = file == null
                ? List.of()
                : file.stream().filter(one -> !one.isEmpty()).toList();
        List<MailingPeople.Chosen> chosen = people.of(form);
        Optional<Instant> due = due(form);
        List<SafeFile> files = files(sent);
        Optional<String> problem = problem(form, chosen, due, sent, act)
                .or(() -> files.size() < sent.size()
                        ? Optional.of("a file is none of those that can go along, or not what its name says.")
                        : Optional.empty());
        flash.addFlashAttribute("form", form);
        if (problem.isPresent()) {
            flash.addFlashAttribute("warned", "Not sent: " + problem.get());
            return "redirect:/desk/letters";
        }
        if (act == Act.COUNT) {
            flash.addFlashAttribute("said", counted(chosen));
            return "redirect:/desk/letters";
        }
        if (act == Act.TEST) {
            flash.addFlashAttribute("said", tests.send(form, chosen.get(0), actor));
            return "redirect:/desk/letters";
        }
        return send(form, chosen, due.orElseThrow(), files, flash, actor);
    }

    private static String counted(List<MailingPeople.Chosen> chosen) {
        String first = chosen.stream()
                .limit(5)
                .map(MailingPeople.Chosen::name)
                .reduce((a, b) -> a + ", " + b)
                .orElse("");
        return chosen.size() == 1
                ? "One person: " + first + "."
                : chosen.size() + " people: " + first
                        + (chosen.size() > 5 ? " and " + (chosen.size() - 5) + " more." : ".");
    }

    private Optional<Instant> due(MailingForm form) {
        Instant now = clock.instant();
        if (form.when().isEmpty()) {
            return Optional.of(now.plus(grace));
        }
        try {
            Instant at = LocalDateTime.parse(form.when()).atZone(home()).toInstant();
            boolean sensible = at.isAfter(now) && at.isBefore(now.plus(Duration.ofDays(366)));
            return sensible ? Optional.of(at) : Optional.empty();
        } catch (DateTimeParseException unreadable) {
            return Optional.empty();
        }
    }

    private Optional<String> problem(
            MailingForm form,
            List<MailingPeople.Chosen> chosen,
            Optional<Instant> due,
            List<MultipartFile> files,
            Act act) {
        if (form.sessions().isEmpty()) {
            return Optional.of("choose at least one session.");
        }
        if (chosen.isEmpty()) {
            return Optional.of("nobody is among those.");
        }
        if (act == Act.COUNT) {
            return Optional.empty();
        }
        if (due.isEmpty()) {
            return Optional.of("the time is past, more than a year ahead, or cannot be read.");
        }
        long bytes = files.stream().mapToLong(MultipartFile::getSize).sum();
        if (files.size() > MailingCommands.MOST_FILES || bytes > MailingCommands.LARGEST_FILES) {
            return Optional.of("at most five files, together at most 5 MB.");
        }
        return check.problem(form.line(), form.text());
    }

    private static List<SafeFile> files(List<MultipartFile> sent) throws IOException {
        List<SafeFile> files = new ArrayList<>();
        for (MultipartFile one : sent) {
            String name = one.getOriginalFilename() == null ? "file" : one.getOriginalFilename();
            SafeFile.of(name, one.getBytes()).ifPresent(files::add);
        }
        return files;
    }

    private String send(
            MailingForm form,
            List<MailingPeople.Chosen> chosen,
            Instant due,
            List<SafeFile> files,
            RedirectAttributes flash,
            Actor actor) {
        long mailing = commands.begin(form.line(), counted(chosen), due, files, actor);
        RemarkCommands.Mailed letter = new RemarkCommands.Mailed(mailing, form.line(), form.text(), due);
        String when = Times.dayAndTime(due, home());
        LongWork.Task<Boolean> task = new LongWork.Task<>(
                "Letter to many",
                "/desk/letters",
                came -> new LongWork.Said(
                        came.size() + " letters leave " + when + "; until then they can be taken back.", ""));
        return works.run(
                        task,
                        chosen,
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
