package jollyroster.outbox;

import jollyroster.core.messages.TemplateText.Problem;

/** Says what is wrong with the words of a message, and where. */
final class FaultWords {

    private FaultWords() {}

    static String of(Problem problem) {
        return "Line " + problem.line() + ", column " + problem.column() + ": " + what(problem);
    }

    private static String what(Problem problem) {
        String name = problem.name();
        return switch (problem.fault()) {
            case TOO_LONG -> "the text is longer than 20,000 characters.";
            case TAG_NOT_CLOSED -> "{{ is not closed by }}.";
            case PART_NOT_CLOSED -> "{{#" + name + "}} is never closed; write {{/" + name + "}} where the part ends.";
            case PART_NOT_OPEN -> "{{/" + name + "}} closes nothing that is open.";
            case TOO_DEEP -> "too many parts within one another.";
            case NOT_A_LINK -> "{{{" + name + "}}} has three braces; they are for links. Write {{" + name + "}}.";
            case NOT_ALLOWED -> "{{" + name + "}} is not allowed; names and conditions are.";
            case UNKNOWN_NAME ->
                "{{" + name + "}} is not known."
                        + problem.meant()
                                .map(meant -> " Did you mean {{" + meant + "}}?")
                                .orElse("");
        };
    }
}
