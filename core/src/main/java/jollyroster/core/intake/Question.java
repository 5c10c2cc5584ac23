package jollyroster.core.intake;

import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * A question on the registration form.
 *
 * @param key names the question in forms and files; lower-case letters, digits and underscores, 1 to 40
 * @param label the wording people see; kept with each answer
 * @param help a remark beside the label; empty for none
 * @param options what can be chosen; only for kinds that have options, where there are 1 to 50, no two alike
 * @param bounds limits to the answer
 * @param shownIf when it is asked; empty for always
 * @param perPerson whether it is asked of each companion too, not only of the registrant
 */
public record Question(
        String key,
        Kind kind,
        String label,
        String help,
        boolean required,
        List<Option> options,
        Bounds bounds,
        Optional<Condition> shownIf,
        boolean perPerson) {

    public static final int MOST_OPTIONS = 50;
    private static final Pattern KEY = Pattern.compile("[a-z0-9_]{1,40}");

    /** What sort of answer is asked for. */
    public enum Kind {
        SHORT_TEXT(200, false),
        LONG_TEXT(4000, false),
        CHOOSE_ONE(200, true),
        CHOOSE_SEVERAL(12_000, true),
        YES_NO(200, false),
        AGREEMENT(200, false),
        /** Kept in E.164 form. */
        PHONE(40, false),
        EMAIL(254, false),
        /** An http or https address. */
        WEB_ADDRESS(500, false),
        NUMBER(20, false),
        /** Kept as {@code 2027-03-16}. */
        DATE(10, false);

        private final int longestAnswer;
        private final boolean hasOptions;

        Kind(int longestAnswer, boolean hasOptions) {
            this.longestAnswer = longestAnswer;
            this.hasOptions = hasOptions;
        }

        /** In characters (code points). */
        public int longestAnswer() {
            return longestAnswer;
        }

        public boolean hasOptions() {
            return hasOptions;
        }
    }

    /** @throws IllegalArgumentException if the key, label or options break a bound above */
    public Question {
        options = List.copyOf(options);
        if (!KEY.matcher(key).matches() || label.isBlank()) {
            throw new IllegalArgumentException("A question needs a key and a label: " + key);
        }
        if (kind.hasOptions() ? options.isEmpty() || options.size() > MOST_OPTIONS : !options.isEmpty()) {
            throw new IllegalArgumentException("Options do not go with " + kind + ": " + options.size());
        }
        if (options.stream().map(Option::label).distinct().count() < options.size()) {
            throw new IllegalArgumentException("Two options are alike: " + key);
        }
    }

    /** A question that is always asked, once, with options of any number. */
    public static Question plain(
            String key, Kind kind, String label, String help, boolean required, List<String> options) {
        return new Question(
                key,
                kind,
                label,
                help,
                required,
                options.stream().map(Option::unlimited).toList(),
                Bounds.NONE,
                Optional.empty(),
                false);
    }

    /** Whether any option can run out. */
    public boolean isCounted() {
        return options.stream().anyMatch(option -> option.most().isPresent());
    }

    public boolean hasOption(String label) {
        return options.stream().anyMatch(option -> option.label().equals(label));
    }
}
