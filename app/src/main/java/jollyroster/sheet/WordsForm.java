package jollyroster.sheet;

import java.util.List;
import jollyroster.core.intake.Text;
import jollyroster.programme.Section;
import jollyroster.programme.Tint;

/** What is said. @param labels parted by commas */
public record WordsForm(
        String title,
        String summary,
        String description,
        String bring,
        String audience,
        String language,
        String tint,
        String labels,
        String price,
        String contact) {
    public WordsForm {
        title = Typed.line(title);
        summary = Typed.line(summary);
        description = Text.manyLines(Typed.orEmpty(description));
        bring = Typed.line(bring);
        audience = Typed.line(audience);
        language = Typed.orEmpty(language).isEmpty() ? "en" : language;
        tint = Typed.orEmpty(tint).isEmpty() ? Tint.DEPTH.code() : tint;
        labels = Typed.line(labels);
        price = Typed.line(price);
        contact = Typed.orEmpty(contact).strip();
    }

    public static WordsForm of(String title, String summary, String description, String bring) {
        return new WordsForm(title, summary, description, bring, "", "", "", "", "", "");
    }

    public WordsForm saying(String forWhom, String costs, String called) {
        return new WordsForm(title, summary, description, bring, forWhom, language, tint, called, costs, contact);
    }

    public WordsForm tinted(String code) {
        return new WordsForm(title, summary, description, bring, audience, language, code, labels, price, contact);
    }

    List<String> labelList() {
        return List.of(labels.split(",")).stream()
                .map(String::strip)
                .filter(label -> !label.isEmpty())
                .distinct()
                .toList();
    }

    Section section() {
        return new Section.Words(title, summary, description, bring, audience, language, labelList(), price, contact);
    }

    Section look() {
        return new Section.Look(Tint.of(tint));
    }
}
