package jollyroster.core.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * The questions of an offering as a whole: which are asked of whom, and whether a form's answers will do.
 *
 * <p>A question may depend on an earlier one only, so no two can depend on each other. One that is not asked has no
 * answer, whatever was entered, so what depends on it is not asked either.
 */
public final class Intake {

    private final List<Question> questions;

    /** @param questions in the order in which they are asked */
    public Intake(List<Question> questions) {
        this.questions = List.copyOf(questions);
    }

    /** Who answers what. @param person 0 for the registrant, from 1 for companions */
    public record Slot(String key, int person) {}

    /**
     * What was entered, judged.
     *
     * @param answers that will do, by slot in the order asked; those left alone are not among them
     * @param problems by slot in the order asked
     */
    public record Judged(Map<Slot, String> answers, Map<Slot, AnswerCheck.Problem> problems) {}

    /** The questions whose condition names no earlier question; empty when all is well. */
    public List<Question> withBadConditions() {
        Set<String> earlier = new HashSet<>();
        List<Question> bad = new ArrayList<>();
        for (Question question : questions) {
            if (question.shownIf().filter(c -> !earlier.contains(c.key())).isPresent()) {
                bad.add(question);
            }
            earlier.add(question.key());
        }
        return List.copyOf(bad);
    }

    /**
     * Judges a form.
     *
     * @param entered by slot; what is missing counts as empty, what is not asked is ignored
     * @param party people in all, one or more
     * @param region see {@link AnswerCheck#of}
     */
    public Judged judge(Map<Slot, String> entered, int party, String region) {
        Map<Slot, String> answers = new java.util.LinkedHashMap<>();
        Map<Slot, AnswerCheck.Problem> problems = new java.util.LinkedHashMap<>();
        Map<String, String> ofRegistrant = new HashMap<>();
        List<Map<String, String>> known = new ArrayList<>();
        IntStream.range(0, party).forEach(i -> known.add(i == 0 ? ofRegistrant : new HashMap<>()));
        for (Question question : questions) {
            for (int person = 0; person < (question.perPerson() ? party : 1); person++) {
                if (!isAsked(question, ofRegistrant, known.get(person))) {
                    continue;
                }
                Slot slot = new Slot(question.key(), person);
                AnswerCheck check = AnswerCheck.of(question, entered.getOrDefault(slot, ""), region);
                if (check instanceof AnswerCheck.Wrong wrong) {
                    problems.put(slot, wrong.problem());
                } else if (check instanceof AnswerCheck.Answered answered
                        && !answered.value().isEmpty()) {
                    answers.put(slot, answered.value());
                    known.get(person).put(question.key(), answered.value());
                }
            }
        }
        return new Judged(answers, problems);
    }

    /** A companion's own answer decides where there is one, else the registrant's. */
    private static boolean isAsked(Question question, Map<String, String> registrant, Map<String, String> own) {
        return question.shownIf()
                .map(c -> c.holds(own.containsKey(c.key()) ? own : registrant))
                .orElse(true);
    }
}
