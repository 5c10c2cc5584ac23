package jollyroster.core.intake;

/** Whether an answer will do. */
public sealed interface AnswerCheck {

    /** @param value the answer as it is kept; empty when an optional question was left alone */
    record Answered(String value) implements AnswerCheck {}

    record Wrong(Problem problem) implements AnswerCheck {}

    enum Problem {
        MISSING,
        NOT_AGREED,
        TOO_LONG,
        NOT_AN_OPTION
    }
}
