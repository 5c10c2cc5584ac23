package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import jollyroster.answers.Answer;
import jollyroster.core.intake.AnswerCheck;
import jollyroster.core.intake.Bounds;
import jollyroster.core.intake.Intake;
import jollyroster.core.intake.Intake.Slot;
import jollyroster.core.intake.Option;
import jollyroster.core.intake.Question;
import jollyroster.platform.Times;
import jollyroster.programme.AskedQuestion;

/** The intake as it was filled in: read from a form, judged, and worded where something is wrong. */
final class Answers {

    private static final int LONGEST_KEPT = 5000;

    private Answers() {}

    /** The name of the field that holds an answer: {@code q.diet} of the registrant, {@code q2.diet} of a companion. */
    static String field(Slot slot) {
        return "q" + (slot.person() == 0 ? "" : slot.person()) + "." + slot.key();
    }

    /** What was entered, cut to a length that no honest entry reaches; several choices are joined, a line each. */
    static Map<Slot, String> read(HttpServletRequest request, List<AskedQuestion> questions, int party) {
        Map<Slot, String> entered = new HashMap<>();
        for (AskedQuestion asked : questions) {
            int people = asked.question().perPerson() ? party : 1;
            IntStream.range(0, people)
                    .mapToObj(person -> new Slot(asked.question().key(), person))
                    .forEach(slot -> entered.put(slot, entered(request, field(slot))));
        }
        return entered;
    }

    private static String entered(HttpServletRequest request, String field) {
        String[] values = request.getParameterValues(field);
        String joined = values == null ? "" : String.join("\n", values);
        return joined.substring(0, Math.min(joined.length(), LONGEST_KEPT));
    }

    /** Judged answers, and what is wrong in words, by field. */
    record Checked(List<Answer> accepted, Map<String, String> problems) {}

    static Checked check(List<AskedQuestion> questions, Map<Slot, String> entered, int party, String region) {
        Map<String, AskedQuestion> byKey = new HashMap<>();
        questions.forEach(q -> byKey.put(q.question().key(), q));
        Intake.Judged judged =
                new Intake(questions.stream().map(AskedQuestion::question).toList()).judge(entered, party, region);
        Map<String, String> problems = new LinkedHashMap<>();
        judged.problems()
                .forEach((slot, problem) -> problems.put(
                        field(slot), words(problem, byKey.get(slot.key()).question())));
        List<Answer> accepted = new ArrayList<>();
        judged.answers().forEach((slot, value) -> accepted.add(answer(byKey.get(slot.key()), slot.person(), value)));
        return new Checked(accepted, problems);
    }

    private static Answer answer(AskedQuestion asked, int person, String value) {
        List<String> chosen = value.lines().toList();
        List<Option> counted = asked.question().options().stream()
                .filter(o -> o.most().isPresent() && chosen.contains(o.label()))
                .toList();
        return new Answer(asked.id(), person, asked.question().label(), value, counted);
    }

    static String words(AnswerCheck.Problem problem, Question question) {
        String label = question.label();
        return switch (problem) {
            case MISSING -> "Please answer: " + label;
            case NOT_AGREED -> "Please tick: " + label;
            case TOO_LONG -> "This answer is too long.";
            case NOT_AN_OPTION -> "Choose one of the options: " + label;
            case NOT_A_PHONE_NUMBER -> "This is not a phone number: " + label;
            case NOT_AN_EMAIL -> "This is not an e-mail address: " + label;
            case NOT_A_WEB_ADDRESS -> "This is not a web address: " + label;
            case NOT_A_NUMBER -> "Please give a number: " + label;
            case NOT_A_DATE -> "Please give a date: " + label;
            case OUT_OF_BOUNDS -> label + ": " + limits(question);
        };
    }

    /** The limits of an answer in words; empty when there are none. */
    static String limits(Question question) {
        String least = said(question, question.bounds().least());
        String most = said(question, question.bounds().most());
        String unit = switch (question.kind()) {
            case SHORT_TEXT, LONG_TEXT -> " characters";
            case CHOOSE_SEVERAL -> " of them";
            default -> "";
        };
        if (least.isEmpty() && most.isEmpty()) {
            return "";
        }
        boolean date = question.kind() == Question.Kind.DATE;
        if (most.isEmpty()) {
            return (date ? "not before " : "at least ") + least + unit;
        }
        return least.isEmpty()
                ? (date ? "not after " : "at most ") + most + unit
                : "from " + least + " to " + most + unit;
    }

    private static String said(Question question, String limit) {
        return question.kind() == Question.Kind.DATE
                ? Bounds.date(limit).map(Times::dayAndYear).orElse(limit)
                : limit;
    }
}
