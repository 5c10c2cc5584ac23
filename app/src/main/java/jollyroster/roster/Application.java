package jollyroster.roster;

import java.time.ZoneId;
import java.util.List;

/**
 * What a person asks for, checked and ready for the seat rule.
 *
 * @param email in lower case
 * @param phone E.164, or empty
 * @param party number of people, 1 = alone
 * @param answers accepted answers; questions left alone are not among them
 * @param submission names this very form, so that sending it twice registers once; empty when unknown
 */
public record Application(
        long session,
        String name,
        String email,
        String phone,
        int party,
        ZoneId zone,
        List<Answer> answers,
        String submission) {

    /** The same application for another session. */
    Application on(long other) {
        return new Application(other, name, email, phone, party, zone, answers, submission);
    }

    /** An answer under the wording it was given to. */
    public record Answer(long question, String wording, String value) {}
}
