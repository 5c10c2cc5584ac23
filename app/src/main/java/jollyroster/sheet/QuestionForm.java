package jollyroster.sheet;

import java.util.List;
import java.util.Optional;
import jollyroster.core.intake.Bounds;
import jollyroster.core.intake.Option;
import jollyroster.core.intake.Question;
import jollyroster.core.intake.Text;
import jollyroster.programme.QuestionWish;
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
        ref = Typed.orEmpty(ref).strip();
        kind = Typed.orEmpty(kind);
        label = Text.oneLine(Typed.orEmpty(label));
        help = Text.oneLine(Typed.orEmpty(help));
        required = Boolean.TRUE.equals(required);
        perPerson = Boolean.TRUE.equals(perPerson);
        options = Text.manyLines(Typed.orEmpty(options));
        least = Typed.orEmpty(least).strip();
        most = Typed.orEmpty(most).strip();
        shownIf = Typed.orEmpty(shownIf).strip();
        shownValues = Text.manyLines(Typed.orEmpty(shownValues));
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

    /** A question as it is asked now, ready to be typed over. */
    static QuestionForm of(QuestionWish wish) {
        return new QuestionForm(
                wish.ref(),
                wish.ref(),
                wish.kind().name(),
                wish.label(),
                wish.help(),
                wish.required(),
                wish.perPerson(),
                String.join("\n", wish.options().stream().map(Option::typed).toList()),
                wish.bounds().least(),
                wish.bounds().most(),
                wish.shownIf(),
                String.join("\n", wish.shownValues()));
    }

    /** The question as it can be kept; only when nothing is wrong with it. */
    public QuestionWish wish() {
        String number = String.valueOf(id);
        return new QuestionWish(
                Text.isNumber(number, 1, Integer.MAX_VALUE) ? Optional.of(Long.valueOf(number)) : Optional.empty(),
                ref.isEmpty() ? number : ref,
                knownKind().orElseThrow(),
                label,
                help,
                required,
                perPerson,
                optionList(),
                bounds(),
                shownIf,
                valueList());
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

    List<String> valueList() {
        return shownValues.lines().map(String::strip).filter(v -> !v.isEmpty()).toList();
    }
}
