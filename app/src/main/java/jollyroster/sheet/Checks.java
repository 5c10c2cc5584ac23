package jollyroster.sheet;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import jollyroster.core.intake.Text;

/** Collects what is wrong with a form: the first problem of each field, in the order they were asked. */
final class Checks {

    private final Map<String, String> problems = new LinkedHashMap<>();

    Checks that(boolean fine, String field, String problem) {
        if (!fine) {
            problems.putIfAbsent(field, problem);
        }
        return this;
    }

    /** @param name of the field, as the sheet calls it */
    Checks number(String field, String name, String typed, int least, int most) {
        String problem = "%s: a whole number from %,d to %,d.".formatted(name, least, most);
        return that(Text.isNumber(typed, least, most), field, problem);
    }

    Checks atMost(int characters, String field, String name, String typed) {
        return that(typed.length() <= characters, field, "%s: at most %,d characters.".formatted(name, characters));
    }

    Checks oneOf(Enum<?>[] values, String field, String name, String typed) {
        boolean known = Arrays.stream(values).anyMatch(value -> value.name().equals(typed));
        return that(known, field, name + ": choose one of those offered.");
    }

    Map<String, String> problems() {
        return problems;
    }
}
