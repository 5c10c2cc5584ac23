package jollyroster.core.intake;

import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Something that can be chosen. It is typed on a line, with how often it can be had after a bar: {@code Dinghy | 4}.
 *
 * @param label one to 200 characters on one line
 * @param most how many people can have it; empty for any number
 */
public record Option(String label, OptionalInt most) {

    public static final int LONGEST_LABEL = 200;
    private static final Pattern COUNTED = Pattern.compile("(.*\\S)\\s*\\|\\s*(\\d{1,5})");

    public Option {
        if (label.isBlank() || label.contains("\n")) {
            throw new IllegalArgumentException("An option is a line: " + label);
        }
    }

    public static Option unlimited(String label) {
        return new Option(label, OptionalInt.empty());
    }

    /** Reads a line as typed; empty when the line is. */
    public static Optional<Option> typed(String line) {
        String text = Text.oneLine(line);
        Matcher counted = COUNTED.matcher(text);
        if (counted.matches()) {
            return Optional.of(
                    new Option(counted.group(1).strip(), OptionalInt.of(Integer.parseInt(counted.group(2)))));
        }
        return text.isEmpty() ? Optional.empty() : Optional.of(unlimited(text));
    }

    /** The line that reads as this option. */
    public String typed() {
        return label + (most.isPresent() ? " | " + most.getAsInt() : "");
    }
}
