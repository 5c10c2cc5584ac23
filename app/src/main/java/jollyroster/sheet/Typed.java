package jollyroster.sheet;

import java.util.Objects;
import jollyroster.core.intake.Text;
import org.jspecify.annotations.Nullable;

/** Fields of a form as they arrive; what was not sent is empty. */
final class Typed {

    private Typed() {}

    static String orEmpty(@Nullable String text) {
        return Objects.requireNonNullElse(text, "");
    }

    static String line(@Nullable String text) {
        return Text.oneLine(orEmpty(text));
    }

    /** @param otherwise what an empty field means */
    static String number(@Nullable String text, String otherwise) {
        return orEmpty(text).isBlank() ? otherwise : text.strip();
    }
}
