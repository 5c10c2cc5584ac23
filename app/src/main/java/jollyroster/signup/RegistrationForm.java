package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.AnswerCheck;
import jollyroster.core.intake.Contact;
import jollyroster.platform.Times;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Offering;
import jollyroster.roster.Application;

/**
 * The registration form as it was filled in. It is shown again just as it was when something is wrong with it, cut to a
 * length that no honest entry reaches.
 *
 * @param answers what was entered, by question key
 */
public record RegistrationForm(
        String session,
        String name,
        String email,
        String phone,
        String party,
        String zone,
        String submission,
        Map<String, String> answers) {

    private static final int LONGEST_KEPT = 5000;
    private static final int LONGEST_SUBMISSION = 64;

    static RegistrationForm blank(String session, String zone, String submission) {
        return new RegistrationForm(session, "", "", "", "1", zone, submission, Map.of());
    }

    static RegistrationForm from(HttpServletRequest request, List<AskedQuestion> questions) {
        Map<String, String> answers = new HashMap<>();
        questions.forEach(q -> answers.put(
                q.question().key(), entered(request, "q." + q.question().key())));
        String submission = entered(request, "form");
        return new RegistrationForm(
                entered(request, "session"),
                entered(request, "name"),
                entered(request, "email"),
                entered(request, "phone"),
                entered(request, "party").isEmpty() ? "1" : entered(request, "party"),
                entered(request, "zone"),
                submission.length() <= LONGEST_SUBMISSION ? submission : "",
                answers);
    }

    private static String entered(HttpServletRequest request, String field) {
        String value = request.getParameter(field);
        return value == null ? "" : value.substring(0, Math.min(value.length(), LONGEST_KEPT));
    }

    /** The checked application, or what is wrong by field. */
    record Checked(Optional<Application> application, Map<String, String> problems) {}

    Checked check(Offering offering, List<AskedQuestion> questions, String region, ZoneId otherwise) {
        Map<String, String> problems = new LinkedHashMap<>();
        checkSession(problems);
        Contact.name(name).ifPresentOrElse(n -> {}, () -> problems.put("name", nameProblem()));
        Contact.email(email).ifPresentOrElse(e -> {}, () -> problems.put("email", emailProblem()));
        Optional<String> number = phone.isBlank() ? Optional.of("") : Contact.phone(phone, region);
        number.ifPresentOrElse(
                n -> {}, () -> problems.put("phone", "This is not a phone number. Leave it empty if you like."));
        checkParty(offering, problems);
        List<Application.Answer> accepted = checkAnswers(questions, problems);
        if (!problems.isEmpty()) {
            return new Checked(Optional.empty(), problems);
        }
        return new Checked(
                Optional.of(new Application(
                        Long.parseLong(session),
                        Contact.name(name).orElseThrow(),
                        Contact.email(email).orElseThrow(),
                        number.orElseThrow(),
                        Integer.parseInt(party.strip()),
                        Times.zone(zone).orElse(otherwise),
                        accepted,
                        submission)),
                problems);
    }

    private void checkSession(Map<String, String> problems) {
        if (!session.matches("\\d{1,15}")) {
            problems.put("session", "Choose a date.");
        }
    }

    private String nameProblem() {
        return name.codePointCount(0, name.length()) > Contact.LONGEST_NAME
                ? "This name is too long. 120 characters are kept."
                : "Please give your name.";
    }

    private String emailProblem() {
        return email.isBlank()
                ? "Please give an e-mail address; your link goes there."
                : "This is not an e-mail address.";
    }

    private void checkParty(Offering offering, Map<String, String> problems) {
        boolean number = party.strip().matches("\\d{1,3}");
        if (!number || Integer.parseInt(party.strip()) < 1) {
            problems.put("party", "Say how many people are coming, yourself included.");
        } else if (Integer.parseInt(party.strip()) > offering.largestParty()) {
            problems.put("party", partyTooLarge(offering));
        }
    }

    static String partyTooLarge(Offering offering) {
        return offering.largestParty() == 1
                ? "Everybody registers for themselves here."
                : "At most " + offering.largestParty() + " people can come on one registration.";
    }

    private List<Application.Answer> checkAnswers(List<AskedQuestion> questions, Map<String, String> problems) {
        List<Application.Answer> accepted = new ArrayList<>();
        for (AskedQuestion asked : questions) {
            String key = asked.question().key();
            AnswerCheck check = asked.question().check(answers.getOrDefault(key, ""));
            if (check instanceof AnswerCheck.Answered answered) {
                keep(asked, answered.value(), accepted);
            } else {
                problems.put(
                        "q." + key,
                        words(
                                ((AnswerCheck.Wrong) check).problem(),
                                asked.question().label()));
            }
        }
        return accepted;
    }

    private static void keep(AskedQuestion asked, String value, List<Application.Answer> accepted) {
        if (!value.isEmpty()) {
            accepted.add(new Application.Answer(asked.id(), asked.question().label(), value));
        }
    }

    private static String words(AnswerCheck.Problem problem, String label) {
        return switch (problem) {
            case MISSING -> "Please answer: " + label;
            case NOT_AGREED -> "Please tick: " + label;
            case TOO_LONG -> "This answer is too long.";
            case NOT_AN_OPTION -> "Choose one of the options: " + label;
        };
    }
}
