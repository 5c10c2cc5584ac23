package jollyroster.sheet;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.programme.Offering;
import jollyroster.programme.Section;

/** What is said. @param labels parted by commas @param button what the button by which people register says */
record WordsForm(
        String title,
        String summary,
        String description,
        String bring,
        String audience,
        String language,
        String labels,
        String contact,
        String button)
        implements PartForm {

    /** The languages an offering can be held in, by ISO 639-1 code. */
    static final List<String> LANGUAGES =
            List.of("en", "fr", "de", "es", "pt", "it", "nl", "nb", "sv", "da", "fi", "pl", "uk", "ja", "zh", "ar");

    private static final int LONGEST_DESCRIPTION = 20_000;
    private static final int MOST_LABELS = 12;

    WordsForm {
        title = Typed.line(title);
        summary = Typed.line(summary);
        description = Text.manyLines(Typed.orEmpty(description));
        bring = Typed.line(bring);
        audience = Typed.line(audience);
        language = Objects.requireNonNullElse(language, "en");
        labels = Typed.line(labels);
        contact = Typed.orEmpty(contact).strip();
        button = Typed.line(button);
    }

    static WordsForm of(Offering o) {
        return new WordsForm(
                o.title(),
                o.summary(),
                o.description(),
                o.bring(),
                o.front().audience(),
                o.front().language(),
                String.join(", ", o.front().labels()),
                o.front().contact(),
                o.front().button());
    }

    private List<String> labelList() {
        return List.of(labels.split(",")).stream()
                .map(String::strip)
                .filter(label -> !label.isEmpty())
                .distinct()
                .toList();
    }

    @Override
    public Map<String, String> problems() {
        List<String> found = labelList();
        boolean labelsFit = found.size() <= MOST_LABELS && found.stream().allMatch(label -> label.length() <= 40);
        boolean reachable = contact.isEmpty() || Contact.email(contact).isPresent();
        return new Checks()
                .that(!title.isEmpty(), "title", "Title: an offering needs one.")
                .atMost(120, "title", "Title", title)
                .atMost(300, "summary", "Summary", summary)
                .atMost(LONGEST_DESCRIPTION, "description", "Description", description)
                .atMost(300, "bring", "What to bring", bring)
                .atMost(300, "audience", "Who it is for", audience)
                .that(LANGUAGES.contains(language), "language", "Language: choose one of those offered.")
                .that(labelsFit, "labels", "Labels: at most 12 of at most 40 characters, with commas between them.")
                .that(reachable, "contact", "Contact: this is not an e-mail address.")
                .atMost(30, "button", "Button", button)
                .problems();
    }

    @Override
    public Section section() {
        return new Section.Words(title, summary, description, bring, audience, language, labelList(), contact, button);
    }
}
