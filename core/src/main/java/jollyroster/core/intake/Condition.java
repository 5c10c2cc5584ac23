package jollyroster.core.intake;

import java.util.List;
import java.util.Map;

/**
 * Asked only if an earlier answer is one of some.
 *
 * @param key of the earlier question
 * @param values any of which will do; for a question where several can be chosen, one of the chosen must be among them
 */
public record Condition(String key, List<String> values) {

    public Condition {
        values = List.copyOf(values);
    }

    /** @param answers by question key; a question that was not asked has no answer */
    public boolean holds(Map<String, String> answers) {
        return answers.getOrDefault(key, "").lines().anyMatch(values::contains);
    }
}
