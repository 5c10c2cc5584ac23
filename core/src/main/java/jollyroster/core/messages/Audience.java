package jollyroster.core.messages;

import java.util.Arrays;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * Of those whom a line of a plan is tied to, who gets the message.
 *
 * @param question the name of a question, for {@link Kind#ANSWERED}; else empty
 * @param answer what they answered to it; else empty
 */
public record Audience(Kind kind, String question, String answer) {

    /** What is looked at. */
    public enum Kind {
        EVERYBODY,
        /** Those who register for the first time. */
        FIRST_TIMERS,
        /** Those who have registered before. */
        RETURNING,
        /** Those who answered a question so. */
        ANSWERED
    }

    public static final Audience EVERYBODY = new Audience(Kind.EVERYBODY, "", "");
    public static final Audience FIRST_TIMERS = new Audience(Kind.FIRST_TIMERS, "", "");
    public static final Audience RETURNING = new Audience(Kind.RETURNING, "", "");
    private static final char IS = '=';
    private static final String BETWEEN = ", ";

    /** Those who answered a question so. */
    public static Audience answered(String question, String answer) {
        return new Audience(Kind.ANSWERED, question, answer);
    }

    public boolean isEverybody() {
        return kind == Kind.EVERYBODY;
    }

    /** Whether somebody is among them. @param answers as they stand, by the names of the questions; several chosen with commas between */
    public boolean holds(boolean firstTime, Map<String, String> answers) {
        return switch (kind) {
            case EVERYBODY -> true;
            case FIRST_TIMERS -> firstTime;
            case RETURNING -> !firstTime;
            case ANSWERED -> {
                String given = Objects.requireNonNullElse(answers.get(question), "");
                yield given.equalsIgnoreCase(answer)
                        || Arrays.stream(given.split(BETWEEN)).anyMatch(answer::equalsIgnoreCase);
            }
        };
    }

    /** As it is kept: empty for everybody. */
    public String code() {
        return switch (kind) {
            case EVERYBODY -> "";
            case FIRST_TIMERS -> "first";
            case RETURNING -> "again";
            case ANSWERED -> question + IS + answer;
        };
    }

    /** Reads what {@link #code()} gives; empty where it cannot be. */
    public static Optional<Audience> of(String code) {
        if (code.isEmpty()) {
            return Optional.of(EVERYBODY);
        }
        int is = code.indexOf(IS);
        if (is > 0 && is < code.length() - 1) {
            return Optional.of(answered(code.substring(0, is), code.substring(is + 1)));
        }
        return switch (code) {
            case "first" -> Optional.of(FIRST_TIMERS);
            case "again" -> Optional.of(RETURNING);
            default -> Optional.empty();
        };
    }
}
