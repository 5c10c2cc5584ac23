package jollyroster.programme;

import java.util.Arrays;
import java.util.Locale;

/** The colours an offering may have on its page. Each has a contrast of at least 4.5 to white; {@code tokens.css} holds them. */
public enum Tint {
    DEPTH,
    KELP,
    RUST,
    HEATHER,
    SLATE,
    OCHRE;

    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The tint of this code; {@link #DEPTH} for any other text. */
    public static Tint of(String code) {
        return Arrays.stream(values())
                .filter(tint -> tint.code().equals(code))
                .findFirst()
                .orElse(DEPTH);
    }
}
