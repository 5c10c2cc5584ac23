package jollyroster.answers;

import java.util.List;
import jollyroster.core.intake.Option;

/**
 * An answer under the wording it was given to.
 *
 * @param person 0 for the registrant, from 1 for companions
 * @param value chosen options a line each
 * @param counted those of the chosen options that can run out
 */
public record Answer(long question, int person, String wording, String value, List<Option> counted) {

    /** The registrant's answer, with nothing in it that can run out. */
    public static Answer plain(long question, String wording, String value) {
        return new Answer(question, 0, wording, value, List.of());
    }
}
