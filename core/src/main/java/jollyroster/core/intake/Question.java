package jollyroster.core.intake;

import java.util.List;
import java.util.regex.Pattern;

/**
 * A question on the registration form.
 *
 * @param key names the question in forms and files; lower-case letters, digits and underscores, 1 to 40
 * @param label the wording people see; kept with each answer
 * @param help a remark beside the label; empty for none
 * @param options what can be chosen; only for {@link Kind#CHOOSE_ONE}, where there are 1 to 50
 */
public record Question(String key, Kind kind, String label, String help, boolean required, List<String> options) {

    public static final int MOST_OPTIONS = 50;
    private static final Pattern KEY = Pattern.compile("[a-z0-9_]{1,40}");

    /** What sort of answer is asked for. */
    public enum Kind {
        SHORT_TEXT(200),
        LONG_TEXT(4000),
        CHOOSE_ONE(200),
        YES_NO(3),
        AGREEMENT(3);

        private final int longestAnswer;

        Kind(int longestAnswer) {
            this.longestAnswer = longestAnswer;
        }

        /** In characters (code points). */
        public int longestAnswer() {
            return longestAnswer;
        }
    }

    /** @throws IllegalArgumentException if the key, label or options break a bound above */
    public Question {
        options = List.copyOf(options);
        if (!KEY.matcher(key).matches() || label.isBlank()) {
            throw new IllegalArgumentException("A question needs a key and a label: " + key);
        }
        if (kind == Kind.CHOOSE_ONE ? options.isEmpty() || options.size() > MOST_OPTIONS : !options.isEmpty()) {
            throw new IllegalArgumentException("Options do not go with " + kind + ": " + options.size());
        }
    }

    /**
     * Judges what was entered. Surrounding white space is dropped, and control characters other than line breaks in long
     * text.
     *
     * @param entered what came with the form; empty when nothing did
     */
    public AnswerCheck check(String entered) {
        String answer = Text.cleaned(entered, kind == Kind.LONG_TEXT);
        if (answer.isEmpty()) {
            return required ? wrong(missing()) : new AnswerCheck.Answered("");
        }
        if (answer.codePointCount(0, answer.length()) > kind.longestAnswer()) {
            return wrong(AnswerCheck.Problem.TOO_LONG);
        }
        boolean known = switch (kind) {
            case CHOOSE_ONE -> options.contains(answer);
            case YES_NO -> answer.equals("yes") || answer.equals("no");
            case AGREEMENT -> answer.equals("yes");
            case SHORT_TEXT, LONG_TEXT -> true;
        };
        return known ? new AnswerCheck.Answered(answer) : wrong(AnswerCheck.Problem.NOT_AN_OPTION);
    }

    private AnswerCheck.Problem missing() {
        return kind == Kind.AGREEMENT ? AnswerCheck.Problem.NOT_AGREED : AnswerCheck.Problem.MISSING;
    }

    private static AnswerCheck wrong(AnswerCheck.Problem problem) {
        return new AnswerCheck.Wrong(problem);
    }
}
