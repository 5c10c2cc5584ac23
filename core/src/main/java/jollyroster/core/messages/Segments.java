package jollyroster.core.messages;

import java.util.List;
import java.util.Map;

/**
 * What a text message comes to as phones count it (3GPP TS 23.038, 6.2.1; parts that belong together leave room for the header
 * of TS 23.040, 9.2.3.24).
 *
 * @param units septets of the default alphabet, or 16-bit units where a character is not in it
 * @param parts it is sent in; 0 for nothing
 * @param left units that are left in the last part
 */
public record Segments(Alphabet alphabet, int units, int parts, int left) {

    /** How its characters are written. */
    public enum Alphabet {
        /** The default alphabet, seven bits each; some count two. */
        GSM_7(160, 153),
        /** Sixteen bits each. */
        UCS_2(70, 67);

        private final int alone;
        private final int together;

        Alphabet(int alone, int together) {
            this.alone = alone;
            this.together = together;
        }
    }

    /** TS 23.038, 6.2.1: without the escape to the extension. */
    private static final String DEFAULT = "@£$¥èéùìòÇ\nØø\rÅåΔ_ΦΓΛΩΠΨΣΘΞÆæßÉ !\"#¤%&'()*+,-./0123456789:;<=>?"
            + "¡ABCDEFGHIJKLMNOPQRSTUVWXYZÄÖÑÜ§¿abcdefghijklmnopqrstuvwxyzäöñüà";

    /** TS 23.038, 6.2.1.1: each is written as two. */
    private static final String EXTENSION = "\f^{}\\[~]|€";

    private static final Map<String, String> PLAINLY = Map.ofEntries(
            Map.entry("–", "-"),
            Map.entry("—", "-"),
            Map.entry("‘", "'"),
            Map.entry("’", "'"),
            Map.entry("“", "\""),
            Map.entry("”", "\""),
            Map.entry("„", "\""),
            Map.entry("…", "..."),
            Map.entry("\u00a0", " "),
            Map.entry("\u202f", " "));

    public static Segments of(String text) {
        List<Integer> characters = text.codePoints().boxed().toList();
        boolean plain = characters.stream().allMatch(Segments::isPlain);
        Alphabet alphabet = plain ? Alphabet.GSM_7 : Alphabet.UCS_2;
        List<Integer> sizes = characters.stream()
                .map(c -> plain ? septets(c) : Character.charCount(c))
                .toList();
        int units = sizes.stream().mapToInt(Integer::intValue).sum();
        if (units <= alphabet.alone) {
            return new Segments(alphabet, units, units == 0 ? 0 : 1, alphabet.alone - units);
        }
        int parts = 1;
        int used = 0;
        for (int size : sizes) {
            if (used + size > alphabet.together) {
                parts++;
                used = 0;
            }
            used += size;
        }
        return new Segments(alphabet, units, parts, alphabet.together - used);
    }

    /** The characters that are not in the default alphabet, each once, in order; with one of them a part holds less than half. */
    public static List<String> wide(String text) {
        return text.codePoints()
                .filter(c -> !isPlain(c))
                .distinct()
                .mapToObj(Character::toString)
                .toList();
    }

    /** The same with typographic signs written plainly, where that makes all of it narrow; else as it is. */
    public static String narrowed(String text) {
        StringBuilder plainly = new StringBuilder();
        text.codePoints()
                .mapToObj(Character::toString)
                .map(sign -> PLAINLY.getOrDefault(sign, sign))
                .forEach(plainly::append);
        String narrow = plainly.toString();
        return of(narrow).alphabet() == Alphabet.GSM_7 ? narrow : text;
    }

    private static boolean isPlain(int character) {
        return DEFAULT.indexOf(character) >= 0 || EXTENSION.indexOf(character) >= 0;
    }

    private static int septets(int character) {
        return EXTENSION.indexOf(character) >= 0 ? 2 : 1;
    }
}
