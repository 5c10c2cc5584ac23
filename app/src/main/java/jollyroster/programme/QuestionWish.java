package jollyroster.programme;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.Bounds;
import jollyroster.core.intake.Condition;
import jollyroster.core.intake.Option;
import jollyroster.core.intake.Question;

/**
 * A question that is to be asked.
 *
 * @param id of the question it changes; empty for a new one
 * @param ref names it among the questions of one offering, so that another can depend on it
 * @param shownIf the ref of the question it depends on; empty when it is always asked
 * @param shownValues the answers to that one that will do
 */
public record QuestionWish(
        Optional<Long> id,
        String ref,
        Question.Kind kind,
        String label,
        String help,
        boolean required,
        boolean perPerson,
        List<Option> options,
        Bounds bounds,
        String shownIf,
        List<String> shownValues) {

    public QuestionWish {
        options = List.copyOf(options);
        shownValues = List.copyOf(shownValues);
    }

    /** Questions as they are asked now; each is named by its number. */
    public static List<QuestionWish> of(List<AskedQuestion> questions) {
        Map<String, String> refs = new HashMap<>();
        questions.forEach(q -> refs.put(q.question().key(), String.valueOf(q.id())));
        return questions.stream().map(q -> of(q, refs)).toList();
    }

    private static QuestionWish of(AskedQuestion asked, Map<String, String> refs) {
        Question q = asked.question();
        return new QuestionWish(
                Optional.of(asked.id()),
                String.valueOf(asked.id()),
                q.kind(),
                q.label(),
                q.help(),
                q.required(),
                q.perPerson(),
                q.options(),
                q.bounds(),
                q.shownIf().map(c -> refs.getOrDefault(c.key(), "")).orElse(""),
                q.shownIf().map(Condition::values).orElse(List.of()));
    }

    /** The same question for another offering, where it is not known yet. */
    QuestionWish anew() {
        String other = shownIf.isEmpty() ? "" : "copy-" + shownIf;
        return new QuestionWish(
                Optional.empty(),
                "copy-" + ref,
                kind,
                label,
                help,
                required,
                perPerson,
                options,
                bounds,
                other,
                shownValues);
    }
}
