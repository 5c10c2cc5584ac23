package jollyroster.programme;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import jollyroster.core.intake.Bounds;
import jollyroster.core.intake.Condition;
import jollyroster.core.intake.Option;
import jollyroster.core.intake.Question;
import jollyroster.core.intake.Text;
import org.jspecify.annotations.Nullable;

/**
 * A question as it was typed; one without a label is dropped.
 *
 * @param ref names it among the questions of one sheet, so that another can depend on it; its number once it is kept
 * @param options a line each
 * @param shownIf the ref of the question it depends on; empty when it is always asked
 * @param shownValues the answers that will do, a line each
 */
public record QuestionForm(
        @Nullable String id,
        String ref,
        String kind,
        String label,
        String help,
        @Nullable Boolean required,
        @Nullable Boolean perPerson,
        String options,
        String least,
        String most,
        String shownIf,
        String shownValues) {

    public QuestionForm {
        ref = orEmpty(ref).strip();
        kind = orEmpty(kind);
        label = Text.oneLine(orEmpty(label));
        help = Text.oneLine(orEmpty(help));
        required = Boolean.TRUE.equals(required);
        perPerson = Boolean.TRUE.equals(perPerson);
        options = Text.manyLines(orEmpty(options));
        least = orEmpty(least).strip();
        most = orEmpty(most).strip();
        shownIf = orEmpty(shownIf).strip();
        shownValues = Text.manyLines(orEmpty(shownValues));
    }

    /** A question that is always asked, once. */
    public static QuestionForm of(String kind, String label, String help, boolean required, String options) {
        return new QuestionForm(null, "", kind, label, help, required, false, options, "", "", "", "");
    }

    public QuestionForm named(String name) {
        return new QuestionForm(
                id, name, kind, label, help, required, perPerson, options, least, most, shownIf, shownValues);
    }

    public QuestionForm within(String fewest, String greatest) {
        return new QuestionForm(
                id, ref, kind, label, help, required, perPerson, options, fewest, greatest, shownIf, shownValues);
    }

    public QuestionForm forEachPerson() {
        return new QuestionForm(id, ref, kind, label, help, required, true, options, least, most, shownIf, shownValues);
    }

    public QuestionForm onlyIf(String other, String values) {
        return new QuestionForm(id, ref, kind, label, help, required, perPerson, options, least, most, other, values);
    }

    /** A question as it is kept. */
    public static QuestionForm of(AskedQuestion asked, String shownIfRef) {
        Question q = asked.question();
        return new QuestionForm(
                String.valueOf(asked.id()),
                String.valueOf(asked.id()),
                q.kind().name(),
                q.label(),
                q.help(),
                q.required(),
                q.perPerson(),
                String.join("\n", q.options().stream().map(Option::typed).toList()),
                q.bounds().least(),
                q.bounds().most(),
                shownIfRef,
                q.shownIf().map(c -> String.join("\n", c.values())).orElse(""));
    }

    Optional<Question.Kind> knownKind() {
        return List.of(Question.Kind.values()).stream()
                .filter(k -> k.name().equals(kind))
                .findFirst();
    }

    /** The options as they were typed, or none where the kind has none. */
    List<Option> optionList() {
        return knownKind().filter(Question.Kind::hasOptions).isPresent()
                ? options.lines().flatMap(line -> Option.typed(line).stream()).toList()
                : List.of();
    }

    Bounds bounds() {
        return knownKind().filter(k -> !new Bounds(least, most).fit(k)).isPresent()
                        || knownKind().isEmpty()
                ? Bounds.NONE
                : new Bounds(least, most);
    }

    Optional<Condition> condition(String key) {
        return shownIf.isEmpty() ? Optional.empty() : Optional.of(new Condition(key, valueList()));
    }

    List<String> valueList() {
        return shownValues.lines().map(String::strip).filter(v -> !v.isEmpty()).toList();
    }

    private static String orEmpty(@Nullable String text) {
        return Objects.requireNonNullElse(text, "");
    }
}
