package jollyroster.roster;

import java.time.ZoneId;
import java.util.List;
import jollyroster.core.intake.Option;

/**
 * What a person asks for, checked and ready for the seat rule.
 *
 * @param email in lower case
 * @param phone E.164, or empty
 * @param party number of people, 1 = alone
 * @param companions the names of companions, as far as they were given
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
        List<String> companions,
        List<Answer> answers,
        String submission) {

    /** Somebody who names no companions and is asked nothing. */
    public static Application plain(long session, String name, String email, int party, ZoneId zone) {
        return new Application(session, name, email, "", party, zone, List.of(), List.of(), "");
    }

    /** The same application for another session. */
    Application on(long other) {
        return new Application(other, name, email, phone, party, zone, companions, answers, submission);
    }

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
}
