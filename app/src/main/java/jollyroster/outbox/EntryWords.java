package jollyroster.outbox;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.MustacheException;
import com.samskivert.mustache.Template;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import jollyroster.core.intake.Text;
import jollyroster.core.messages.TemplateText;
import org.springframework.stereotype.Component;

/** Fills in what entries in calendars say. */
@Component
public class EntryWords {

    /** What an attendee's entry may name. */
    public static final Set<String> NAMES =
            Set.of("title", "summary", "name", "first_name", "hosts", "place", "join_link", "own_link", "organisation");

    /** What the entry of whoever leads a session may name. */
    public static final Set<String> HOST_NAMES = Set.of("title", "who", "count", "place", "organisation");

    private final Mustache.Compiler plain = Mustache.compiler()
            .escapeHTML(false)
            .strictSections(true)
            .emptyStringIsFalse(true)
            .defaultValue("");
    private final EntryWordingQueries kept;

    EntryWords(EntryWordingQueries kept) {
        this.kept = kept;
    }

    public String title(long offering, Map<String, ?> values, String otherwise) {
        return line(kept.of(offering).title(), values, otherwise);
    }

    public String hostTitle(long offering, Map<String, ?> values, String otherwise) {
        return line(kept.of(offering).hostTitle(), values, otherwise);
    }

    public String description(long offering, Map<String, ?> values, String otherwise) {
        String words = kept.of(offering).description();
        return words.isEmpty() ? otherwise : fill(words, values, otherwise);
    }

    /** Whether those who hold a seat of an offering get a request. */
    public boolean isRequest(long offering) {
        return kept.of(offering).request();
    }

    private String line(String words, Map<String, ?> values, String otherwise) {
        String filled = words.isEmpty() ? "" : Text.oneLine(fill(words, values, ""), EntryWording.LONGEST_TITLE);
        return filled.isBlank() ? otherwise : filled;
    }

    private String fill(String words, Map<String, ?> values, String otherwise) {
        try {
            Template template = plain.compile(words);
            return template.execute(values).strip();
        } catch (MustacheException broken) {
            return otherwise;
        }
    }

    /** What is wrong with words, each with its place; nothing when they can be kept. */
    public static List<String> faults(EntryWording words) {
        List<String> faults = new ArrayList<>();
        TemplateText.problems(words.title(), NAMES).forEach(p -> faults.add("Title: " + FaultWords.of(p)));
        TemplateText.problems(words.description(), NAMES).forEach(p -> faults.add("Description: " + FaultWords.of(p)));
        TemplateText.problems(words.hostTitle(), HOST_NAMES)
                .forEach(p -> faults.add("Title for hosts: " + FaultWords.of(p)));
        boolean tooLong = words.title().length() > EntryWording.LONGEST_TITLE
                || words.hostTitle().length() > EntryWording.LONGEST_TITLE;
        if (tooLong || words.description().length() > EntryWording.LONGEST_DESCRIPTION) {
            faults.add("A title has at most 150 characters, a description 2,000.");
        }
        return faults;
    }
}
