package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Intake.Slot;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.guests.Reply;
import jollyroster.platform.Names;
import jollyroster.platform.Submission;
import jollyroster.platform.Times;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Offering;
import jollyroster.programme.PhoneRule;
import jollyroster.seating.Application;
import jollyroster.texting.Agreement;

/**
 * The registration form as it was filled in. It is shown again just as it was when something is wrong with it, cut to a
 * length that no honest entry reaches.
 *
 * @param reply yes, maybe or no, where people answer an invitation; else empty
 * @param invited the token of an invitation; empty for none
 * @param companions names as entered, one for each companion, empty for not given
 * @param answers what was entered
 * @param start of a time that is picked; empty where people choose a date
 * @param texts whether they agree to texts
 */
public record RegistrationForm(
        String session,
        String name,
        String email,
        String phone,
        String party,
        String zone,
        String submission,
        String reply,
        String invited,
        List<String> companions,
        Map<Slot, String> answers,
        String start,
        boolean texts) {

    private static final int LONGEST_KEPT = 5000;
    static final int LARGEST_PARTY = 20;
    private static final Pattern COUNT = Pattern.compile("\\d{1,3}");
    private static final Pattern NUMBER = Pattern.compile("\\d{1,15}");

    static RegistrationForm blank(String session, String zone, String submission) {
        return new RegistrationForm(session, "", "", "", "1", zone, submission, "", "", List.of(), Map.of(), "", false);
    }

    static RegistrationForm from(HttpServletRequest request, List<AskedQuestion> questions) {
        String submission = entered(request, "form");
        String party = entered(request, "party").isEmpty() ? "1" : entered(request, "party");
        return new RegistrationForm(
                entered(request, "session"),
                entered(request, "name"),
                entered(request, "email"),
                entered(request, "phone"),
                party,
                entered(request, "zone"),
                Submission.read(submission),
                entered(request, "reply"),
                entered(request, "invited"),
                companions(request, people(party)),
                Answers.read(request, questions, people(party)),
                entered(request, "start"),
                "true".equals(request.getParameter("texts")));
    }

    /** The names of all companions but the registrant, as entered. */
    static List<String> companions(HttpServletRequest request, int party) {
        return IntStream.range(1, party)
                .mapToObj(i -> entered(request, "companion" + i))
                .toList();
    }

    /** The form of somebody whom this device remembers. */
    RegistrationForm of(DeviceMemory.Known known) {
        return new RegistrationForm(
                session,
                known.name(),
                known.email(),
                known.phone(),
                party,
                zone,
                submission,
                reply,
                invited,
                companions,
                answers,
                start,
                texts);
    }

    /** With name and address where the link that leads here has them. */
    RegistrationForm prefilled(HttpServletRequest request) {
        String theirName = entered(request, "name");
        String theirEmail = entered(request, "email");
        return theirName.isEmpty() && theirEmail.isEmpty()
                ? this
                : of(new DeviceMemory.Known(
                        theirName.isEmpty() ? name : theirName, theirEmail.isEmpty() ? email : theirEmail, phone));
    }

    /** The form of somebody who is invited, with what is known of them. */
    RegistrationForm invited(String token, String knownName, String knownEmail) {
        return new RegistrationForm(
                session,
                knownName,
                knownEmail,
                phone,
                party,
                zone,
                submission,
                reply,
                token,
                companions,
                answers,
                start,
                texts);
    }

    /** Somebody who does not come brings nobody and is asked nothing. */
    private boolean comesNot(Offering offering) {
        return offering.signUp().rsvp() && reply.equals(Reply.NO.code());
    }

    /** How many people; 1 when it is not a number that could be meant. */
    static int people(String party) {
        boolean number = COUNT.matcher(party.strip()).matches();
        return number ? Math.max(1, Math.min(Integer.parseInt(party.strip()), LARGEST_PARTY)) : 1;
    }

    int people() {
        return people(party);
    }

    private static String entered(HttpServletRequest request, String field) {
        String value = request.getParameter(field);
        return value == null ? "" : value.substring(0, Math.min(value.length(), LONGEST_KEPT));
    }

    /** The checked application, or what is wrong by field. */
    record Checked(Optional<Application> application, Map<String, String> problems) {}

    Checked check(Offering offering, List<AskedQuestion> questions, String region, ZoneId otherwise) {
        Map<String, String> problems = new LinkedHashMap<>();
        boolean picks = offering.style() == SignUpStyle.OWN_TIME;
        if (!picks) {
            checkSession(problems);
        }
        if (offering.signUp().rsvp() && Reply.of(reply).isEmpty()) {
            problems.put("reply", "Please say whether you will come.");
        }
        boolean full = offering.signUp().fullName();
        Optional<String> goodName = full ? Contact.fullName(name) : Contact.name(name);
        Optional<String> goodEmail = Contact.email(email);
        Optional<String> number =
                comesNot(offering) ? Optional.of("") : number(offering.signUp().phone(), region);
        note(problems, "name", goodName, nameProblem());
        note(problems, "email", goodEmail, emailProblem());
        note(problems, "phone", number, phoneProblem(offering.signUp().phone()));
        Answers.Checked intake = comesNot(offering)
                ? new Answers.Checked(List.of(), Map.of())
                : Answers.check(questions, answers, people(), region);
        if (!comesNot(offering)) {
            checkParty(offering, problems);
            checkCompanions(problems);
            problems.putAll(intake.problems());
        }
        if (!problems.isEmpty()) {
            return new Checked(Optional.empty(), problems);
        }
        return new Checked(
                Optional.of(new Application(
                        picks ? 0 : Long.parseLong(session),
                        goodName.orElseThrow(),
                        goodEmail.orElseThrow(),
                        number.orElseThrow(),
                        comesNot(offering) ? 1 : Integer.parseInt(party.strip()),
                        Times.zone(zone).orElse(otherwise),
                        comesNot(offering) ? List.of() : named(companions),
                        intake.accepted(),
                        submission,
                        texts && !comesNot(offering) ? Agreement.WORDS : "")),
                problems);
    }

    private static void note(Map<String, String> problems, String field, Optional<String> value, String problem) {
        if (value.isEmpty()) {
            problems.put(field, problem);
        }
    }

    private Optional<String> number(PhoneRule rule, String region) {
        boolean mayBeLeft = rule == PhoneRule.NOT_ASKED || phone.isBlank() && rule == PhoneRule.OPTIONAL;
        if (mayBeLeft && !texts) {
            return Optional.of("");
        }
        return phone.isBlank() ? Optional.empty() : Contact.phone(phone, region);
    }

    private String phoneProblem(PhoneRule rule) {
        if (phone.isBlank()) {
            return rule == PhoneRule.REQUIRED
                    ? "Please give a phone number."
                    : "Say to which number, or want no texts.";
        }
        return rule == PhoneRule.REQUIRED
                ? "This is not a phone number."
                : "This is not a phone number. Leave it empty if you like.";
    }

    private void checkSession(Map<String, String> problems) {
        if (!NUMBER.matcher(session).matches()) {
            problems.put("session", "Choose a date.");
        }
    }

    private String nameProblem() {
        return Names.problem(name).orElse("Please give your full name, first and last.");
    }

    private String emailProblem() {
        return email.isBlank()
                ? "Please give an e-mail address; your link goes there."
                : "This is not an e-mail address.";
    }

    private void checkParty(Offering offering, Map<String, String> problems) {
        boolean number = COUNT.matcher(party.strip()).matches();
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

    private void checkCompanions(Map<String, String> problems) {
        problems.putAll(companionProblems(companions));
    }

    /** What is wrong with the names of companions, by field; none has to be given. */
    static Map<String, String> companionProblems(List<String> names) {
        Map<String, String> problems = new LinkedHashMap<>();
        for (int i = 0; i < names.size(); i++) {
            if (!names.get(i).isBlank() && Contact.name(names.get(i)).isEmpty()) {
                problems.put("companion" + (i + 1), "This is not a name. Leave it empty if you do not know yet.");
            }
        }
        return problems;
    }

    /** The names in order, empty lines for those not known; nothing when none is. */
    static List<String> named(List<String> names) {
        return names.stream().allMatch(String::isBlank)
                ? List.of()
                : names.stream().map(n -> Contact.name(n).orElse("")).toList();
    }
}
