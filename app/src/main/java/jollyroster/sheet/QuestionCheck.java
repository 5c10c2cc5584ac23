package jollyroster.sheet;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.Bounds;
import jollyroster.core.intake.Option;
import jollyroster.core.intake.Question;

/** Judges the questions of a sheet as typed, each by itself and against those before it. */
final class QuestionCheck {

    private final Map<String, QuestionForm> earlier = new HashMap<>();

    /** What is wrong with the next question; empty for nothing. To be asked in the order of the sheet. */
    Optional<String> problem(QuestionForm q) {
        Optional<String> problem = ofItself(q).or(() -> ofItsCondition(q));
        if (!q.ref().isEmpty()) {
            earlier.put(q.ref(), q);
        }
        return problem;
    }

    private static Optional<String> ofItself(QuestionForm q) {
        if (q.label().length() > 300 || q.help().length() > 300) {
            return Optional.of("at most 300 characters.");
        }
        if (q.knownKind().isEmpty()) {
            return Optional.of("choose an answer type.");
        }
        Question.Kind kind = q.knownKind().get();
        if (kind.hasOptions()) {
            return ofOptions(q.optionList());
        }
        return new Bounds(q.least(), q.most()).fit(kind)
                ? Optional.empty()
                : Optional.of("these limits do not go with the answer type, or the first is above the second.");
    }

    private static Optional<String> ofOptions(List<Option> options) {
        if (options.isEmpty() || options.size() > Question.MOST_OPTIONS) {
            return Optional.of("give 1 to 50 options, one a line.");
        }
        if (options.stream().anyMatch(o -> o.label().length() > Option.LONGEST_LABEL)) {
            return Optional.of("options of at most 200 characters.");
        }
        return options.stream().map(Option::label).distinct().count() < options.size()
                ? Optional.of("two options are alike.")
                : Optional.empty();
    }

    private Optional<String> ofItsCondition(QuestionForm q) {
        if (q.shownIf().isEmpty()) {
            return Optional.empty();
        }
        QuestionForm other = earlier.get(q.shownIf());
        if (other == null) {
            return Optional.of("it can only depend on a question before it.");
        }
        if (q.valueList().isEmpty()) {
            return Optional.of("say with which answer to the other question it is asked.");
        }
        List<Option> options = other.optionList();
        boolean offered = options.isEmpty()
                || options.stream().map(Option::label).toList().containsAll(q.valueList());
        return offered ? Optional.empty() : Optional.of("the other question does not offer this answer.");
    }
}
