package jollyroster.plans;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import jollyroster.core.intake.Text;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Segments;
import jollyroster.outbox.LetterCheck;
import jollyroster.outbox.LetterNames;
import jollyroster.outbox.MessageWords;
import jollyroster.outbox.Wording;
import jollyroster.outbox.WordingCommands;
import jollyroster.outbox.WordingQueries;
import jollyroster.outbox.WordingQueries.Of;
import jollyroster.outbox.WordingQueries.Version;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
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

/** What messages say, for the house or for one offering: read as somebody would, changed, and taken back. */
@DeskPage
class WordingController {

    private static final Readers.Reader SOMEBODY = new Readers.Reader(0, "Somebody invited", "made up");
    private final WordingQueries wordings;
    private final WordingCommands commands;
    private final LetterCheck check;
    private final Readers readers;
    private final ProgrammeQueries programme;
    private final OrganisationQueries organisation;

    WordingController(
            WordingQueries wordings,
            WordingCommands commands,
            LetterCheck check,
            Readers readers,
            ProgrammeQueries programme,
            OrganisationQueries organisation) {
        this.wordings = wordings;
        this.commands = commands;
        this.check = check;
        this.readers = readers;
        this.programme = programme;
        this.organisation = organisation;
    }

    /** A message in the list. @param whose words count */
    public record Row(String address, String message, String subject, String whose) {}

    @GetMapping("/desk/wordings")
    String list(@RequestParam(defaultValue = "0") long offering, Model model) {
        Optional<Offering> of = offering == 0 ? Optional.empty() : Optional.of(known(offering));
        model.addAttribute("offering", of.orElse(null));
        model.addAttribute(
                "rows",
                LetterNames.MESSAGES.stream()
                        .map(anchor -> row(new Of(anchor, offering)))
                        .toList());
        return "plans/wordings";
    }

    private Row row(Of of) {
        return new Row(
                address(of), MessageWords.plain(of.anchor()), check.counting(of).subject(), whose(of));
    }

    private String whose(Of of) {
        return wordings.counting(of)
                .map(v -> v.of().offering() == WordingQueries.HOUSE ? "the house’s" : "its own")
                .orElse("as they ship");
    }

    private static boolean isInviting(Of of) {
        return Anchor.INVITING.contains(of.anchor());
    }

    private static String address(Of of) {
        return address(of.anchor(), of.offering());
    }

    /** Where a message is worded; empty where it has no words of its own. */
    static String address(Anchor anchor, long offering) {
        if (!LetterNames.MESSAGES.contains(anchor)) {
            return "";
        }
        String code = anchor.name().toLowerCase(Locale.ROOT).replace('_', '-');
        return "/desk/wordings/" + code + (offering == WordingQueries.HOUSE ? "" : "?offering=" + offering);
    }

    private Offering known(long id) {
        return programme.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** Which message a page is about; an unknown one, or one without words of its own, is not found. */
    private Of of(String code, long offering) {
        if (offering != WordingQueries.HOUSE) {
            known(offering);
        }
        Anchor anchor = LetterNames.MESSAGES.stream()
                .filter(some -> address(new Of(some, WordingQueries.HOUSE)).equals("/desk/wordings/" + code))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        return new Of(anchor, offering);
    }

    /** The words of a message as a form sends them. */
    public record Typed(
            @Nullable String subject,
            @Nullable String preheader,
            @Nullable String body,
            @Nullable String asText) {

        Wording words() {
            return new Wording(
                    Text.oneLine(orEmpty(subject), 2 * Wording.LONGEST_LINE),
                    Text.oneLine(orEmpty(preheader), 2 * Wording.LONGEST_LINE),
                    orEmpty(body).replace("\r\n", "\n").strip(),
                    orEmpty(asText).replace("\r\n", "\n").strip());
        }

        private static String orEmpty(@Nullable String text) {
            return text == null ? "" : text;
        }
    }

    /** A version in the list. @param now whether it counts */
    public record Line(long id, String at, String by, String subject, boolean now) {}

    @GetMapping("/desk/wordings/{code}")
    String wording(@PathVariable String code, @RequestParam(defaultValue = "0") long offering, Model model) {
        Of of = of(code, offering);
        if (!model.containsAttribute("typed")) {
            model.addAttribute("typed", check.counting(of));
        }
        List<Version> versions = wordings.versions(of);
        model.addAttribute("base", versions.isEmpty() ? 0 : versions.get(0).id());
        model.addAttribute("offering", offering == 0 ? null : known(offering));
        model.addAttribute("at", "/desk/wordings/" + code);
        model.addAttribute("message", MessageWords.plain(of.anchor()));
        model.addAttribute("whose", whose(of));
        model.addAttribute("texted", of.anchor().isTexted());
        model.addAttribute("names", isInviting(of) ? LetterNames.INVITED : LetterNames.WORDS);
        model.addAttribute(
                "more",
                check.names(of).stream().filter(name -> name.indexOf('.') > 0).toList());
        model.addAttribute("readers", isInviting(of) ? List.of(SOMEBODY) : readers.of(offering));
        model.addAttribute(
                "versions",
                versions.stream().map(v -> line(v, v.equals(versions.get(0)))).toList());
        return "plans/wording";
    }

    private Line line(Version v, boolean now) {
        return new Line(
                v.id(),
                Times.dayAndTime(v.at(), organisation.organisation().zone()),
                v.by(),
                v.back() ? "taken back" : v.words().subject(),
                now);
    }

    @PostMapping("/desk/wordings/{code}")
    String save(
            @PathVariable String code,
            @RequestParam(defaultValue = "0") long offering,
            @RequestParam(defaultValue = "0") long base,
            @ModelAttribute("sent") Typed typed,
            RedirectAttributes flash,
            Actor actor) {
        Of of = of(code, offering);
        Wording words = typed.words();
        List<String> faults = new ArrayList<>(check.faults(of, words));
        wordings.versions(of).stream()
                .findFirst()
                .filter(latest -> latest.id() != base)
                .ifPresent(
                        latest -> faults.add(
                                "Meanwhile " + latest.by()
                                        + " saved other words; they are the latest version below. Save again to put yours in their place."));
        if (faults.isEmpty()) {
            commands.save(of, words, actor);
            flash.addFlashAttribute("said", "Saved. What has not gone yet is written with it.");
        } else {
            flash.addFlashAttribute("faults", faults);
            flash.addFlashAttribute("typed", shortened(words));
        }
        return "redirect:" + address(of);
    }

    /** What could not be kept comes back, but no megabytes of it. */
    private static Wording shortened(Wording words) {
        String body = words.body();
        int most = Math.min(body.length(), 2 * LetterCheck.LONGEST_BODY);
        String text = words.asText();
        return new Wording(
                words.subject(),
                words.preheader(),
                body.substring(0, most),
                text.substring(0, Math.min(text.length(), 2 * LetterCheck.LONGEST_TEXT)));
    }

    /** The message as somebody would read it, alone; what is wrong in the place of it. */
    @PostMapping("/desk/wordings/{code}/body.html")
    ResponseEntity<String> preview(
            @PathVariable String code,
            @RequestParam(defaultValue = "0") long offering,
            @RequestParam(defaultValue = "0") long reader,
            @RequestParam(defaultValue = "") String part,
            @ModelAttribute("sent") Typed typed) {
        Of of = of(code, offering);
        Wording words = typed.words();
        List<String> faults = check.faults(of, words);
        String html = faults.isEmpty() ? read(of, words, reader, part) : WordingPage.faults(faults);
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "html", StandardCharsets.UTF_8))
                .body(html);
    }

    private String read(Of of, Wording words, long reader, String part) {
        if (isInviting(of)) {
            LetterCheck.Mail mail = check.previewInvited(words);
            return part.equals("text") ? WordingPage.text(mail.subject(), mail.text()) : WordingPage.subject(mail);
        }
        return readers.session(reader)
                .flatMap(session -> check.preview(of, words, reader, session))
                .map(mail -> switch (part) {
                    case "text" -> WordingPage.text(mail.subject(), mail.text());
                    case "phone" -> WordingPage.phone(mail.asText(), longer(of, words, mail.asText()));
                    default -> WordingPage.subject(mail);
                })
                .orElse(WordingPage.nobody());
    }

    /** Those for whom a text has more parts than for whoever reads it, as what is filled in is longer. */
    private List<String> longer(Of of, Wording words, String read) {
        int parts = Segments.of(read).parts();
        return readers.of(of.offering()).stream()
                .filter(reader -> readers.session(reader.registration())
                        .flatMap(session -> check.preview(of, words, reader.registration(), session))
                        .filter(mail -> Segments.of(mail.asText()).parts() > parts)
                        .isPresent())
                .map(Readers.Reader::name)
                .toList();
    }

    /** Goes back to a version that was kept. */
    @PostMapping("/desk/wordings/{code}/back")
    String back(
            @PathVariable String code,
            @RequestParam(defaultValue = "0") long offering,
            @RequestParam(defaultValue = "0") long version,
            RedirectAttributes flash,
            Actor actor) {
        Of of = of(code, offering);
        Optional<Version> wanted = wordings.version(version).filter(v -> v.of().equals(of) && !v.back());
        wanted.ifPresentOrElse(v -> commands.save(of, v.words(), actor), () -> commands.takeBack(of, actor));
        flash.addFlashAttribute(
                "said",
                wanted.map(v -> "The words of "
                                + Times.dayAndTime(
                                        v.at(), organisation.organisation().zone()) + " count again.")
                        .orElse("The words are taken back."));
        return "redirect:" + address(of);
    }
}
