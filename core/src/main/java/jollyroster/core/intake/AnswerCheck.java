package jollyroster.core.intake;

import java.math.BigDecimal;
import java.net.URI;
import java.net.URISyntaxException;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Whether an answer will do. */
public sealed interface AnswerCheck {

    /** @param value the answer as it is kept; empty when an optional question was left alone; chosen options a line each */
    record Answered(String value) implements AnswerCheck {}

    record Wrong(Problem problem) implements AnswerCheck {}

    enum Problem {
        MISSING,
        NOT_AGREED,
        TOO_LONG,
        NOT_AN_OPTION,
        NOT_A_PHONE_NUMBER,
        NOT_AN_EMAIL,
        NOT_A_WEB_ADDRESS,
        NOT_A_NUMBER,
        NOT_A_DATE,
        /** Outside the limits of the question. */
        OUT_OF_BOUNDS
    }

    /**
     * Judges what was entered. Surrounding white space is dropped, and control characters other than line breaks.
     *
     * @param entered what came with the form; empty when nothing did; several choices a line each
     * @param region the two-letter country whose national phone numbers are read
     */
    static AnswerCheck of(Question question, String entered, String region) {
        boolean manyLines =
                question.kind() == Question.Kind.LONG_TEXT || question.kind() == Question.Kind.CHOOSE_SEVERAL;
        String answer = Text.cleaned(entered, manyLines);
        if (answer.isEmpty()) {
            return question.required() ? wrong(missing(question)) : new Answered("");
        }
        if (answer.codePointCount(0, answer.length()) > question.kind().longestAnswer()) {
            return wrong(Problem.TOO_LONG);
        }
        return switch (question.kind()) {
            case SHORT_TEXT, LONG_TEXT -> bounded(question, answer, answer.codePointCount(0, answer.length()));
            case CHOOSE_ONE -> orElse(question.hasOption(answer), answer, Problem.NOT_AN_OPTION);
            case CHOOSE_SEVERAL -> chosen(question, answer);
            case YES_NO -> orElse(Set.of("yes", "no").contains(answer), answer, Problem.NOT_AN_OPTION);
            case AGREEMENT -> orElse(answer.equals("yes"), answer, Problem.NOT_AN_OPTION);
            case PHONE -> orElse(Contact.phone(answer, region), Problem.NOT_A_PHONE_NUMBER);
            case EMAIL -> orElse(Contact.email(answer), Problem.NOT_AN_EMAIL);
            case WEB_ADDRESS -> orElse(webAddress(answer), Problem.NOT_A_WEB_ADDRESS);
            case NUMBER -> number(question, answer);
            case DATE ->
                Bounds.date(answer)
                        .map(date -> orElse(question.bounds().holdsDate(date), answer, Problem.OUT_OF_BOUNDS))
                        .orElse(wrong(Problem.NOT_A_DATE));
        };
    }

    private static AnswerCheck chosen(Question question, String answer) {
        List<String> wanted = answer.lines()
                .map(String::strip)
                .filter(o -> !o.isEmpty())
                .distinct()
                .toList();
        if (!wanted.stream().allMatch(question::hasOption)) {
            return wrong(Problem.NOT_AN_OPTION);
        }
        List<String> inOrder = question.options().stream()
                .map(Option::label)
                .filter(wanted::contains)
                .toList();
        return bounded(question, String.join("\n", inOrder), inOrder.size());
    }

    private static AnswerCheck number(Question question, String answer) {
        Optional<BigDecimal> number = Bounds.number(answer);
        return number.map(n -> orElse(question.bounds().holdsNumber(n), plain(n), Problem.OUT_OF_BOUNDS))
                .orElse(wrong(Problem.NOT_A_NUMBER));
    }

    private static String plain(BigDecimal number) {
        return number.signum() == 0 ? "0" : number.stripTrailingZeros().toPlainString();
    }

    private static AnswerCheck bounded(Question question, String answer, int count) {
        return orElse(question.bounds().holdsCount(count), answer, Problem.OUT_OF_BOUNDS);
    }

    private static Optional<String> webAddress(String answer) {
        String full = answer.contains("://") ? answer : "https://" + answer;
        try {
            URI uri = new URI(full);
            boolean web = Set.of("http", "https").contains(uri.getScheme()) && uri.getHost() != null;
            return web && uri.getHost().contains(".") ? Optional.of(full) : Optional.empty();
        } catch (URISyntaxException notAnAddress) {
            return Optional.empty();
        }
    }

    private static AnswerCheck orElse(Optional<String> answer, Problem problem) {
        return answer.<AnswerCheck>map(Answered::new).orElse(wrong(problem));
    }

    private static AnswerCheck orElse(boolean fine, String answer, Problem problem) {
        return fine ? new Answered(answer) : wrong(problem);
    }

    private static Problem missing(Question question) {
        return question.kind() == Question.Kind.AGREEMENT ? Problem.NOT_AGREED : Problem.MISSING;
    }

    private static AnswerCheck wrong(Problem problem) {
        return new Wrong(problem);
    }
}
