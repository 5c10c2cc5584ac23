package jollyroster.seating;

import java.time.ZoneId;
import java.util.List;
import jollyroster.answers.Answer;
import jollyroster.people.PersonCommands;

/**
 * What a person asks for, checked and ready for the seat rule.
 *
 * @param email in lower case
 * @param phone E.164, or empty
 * @param party number of people, 1 = alone
 * @param companions the names of companions, as far as they were given
 * @param answers accepted answers; questions left alone are not among them
 * @param submission names this very form, so that sending it twice registers once; empty when unknown
 * @param texts the words in which they agreed to texts to their phone; empty where they did not
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
        String submission,
        String texts) {

    /** Somebody who agrees to no texts. */
    public Application(
            long session,
            String name,
            String email,
            String phone,
            int party,
            ZoneId zone,
            List<String> companions,
            List<Answer> answers,
            String submission) {
        this(session, name, email, phone, party, zone, companions, answers, submission, "");
    }

    /** Somebody who names no companions and is asked nothing. */
    public static Application plain(long session, String name, String email, int party, ZoneId zone) {
        return new Application(session, name, email, "", party, zone, List.of(), List.of(), "");
    }

    /** The same, sent with a form. @param form names it and whom it is for */
    public Application sentWith(String form) {
        return new Application(session, name, email, phone, party, zone, companions, answers, form, texts);
    }

    /** Whoever asks, should they not be known yet. */
    PersonCommands.Newcomer newcomer() {
        return new PersonCommands.Newcomer(name, email, phone, zone);
    }

    /** The same application for another session. */
    Application on(long other) {
        return new Application(other, name, email, phone, party, zone, companions, answers, submission, texts);
    }
}
