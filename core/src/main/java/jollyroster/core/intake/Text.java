package jollyroster.core.intake;

import java.text.Normalizer;
import java.util.Locale;
import java.util.regex.Pattern;

/** Text that people enter, made fit to keep. */
public final class Text {

    private static final Pattern MARKS = Pattern.compile("\\p{Mn}+");

    private Text() {}

    /** As a search compares text: without accents, and capitals like small letters. */
    public static String folded(String text) {
        return isAscii(text) ? text.toLowerCase(Locale.ROOT) : foldedBeyondAscii(text);
    }

    /** By way of capitals, for letters that have two small forms or become two capitals. */
    private static String foldedBeyondAscii(String text) {
        return MARKS.matcher(Normalizer.normalize(text, Normalizer.Form.NFKD))
                .replaceAll("")
                .toUpperCase(Locale.ROOT)
                .toLowerCase(Locale.ROOT)
                .replace('ς', 'σ');
    }

    private static boolean isAscii(String text) {
        return text.chars().allMatch(c -> c < 0x80);
    }

    /** Whether it is a whole number from {@code least} to {@code most}, of at most nine digits. */
    public static boolean isNumber(String text, int least, int most) {
        return text.matches("\\d{1,9}") && Integer.parseInt(text) >= least && Integer.parseInt(text) <= most;
    }

    /** Several lines of at most so many characters, cut where none is split in two. */
    public static String manyLines(String entered, int most) {
        return cut(manyLines(entered), most);
    }

    /** One line of at most so many characters, cut where none is split in two. */
    public static String oneLine(String entered, int most) {
        return cut(oneLine(entered), most);
    }

    private static String cut(String text, int most) {
        int end = Math.min(text.length(), most);
        boolean splits = end > 0 && end < text.length() && Character.isHighSurrogate(text.charAt(end - 1));
        return text.substring(0, splits ? end - 1 : end).strip();
    }

    /** One line: white space and line breaks become single spaces, other control characters go. */
    public static String oneLine(String entered) {
        return cleaned(entered, false);
    }

    /** Several lines: line breaks stay, other control characters go. */
    public static String manyLines(String entered) {
        return cleaned(entered, true);
    }

    static String cleaned(String entered, boolean keepLineBreaks) {
        return isPlain(entered) ? entered.strip() : mended(entered, keepLineBreaks);
    }

    /** Printable ASCII with single spaces has nothing to mend, and is what most people enter. */
    private static boolean isPlain(String entered) {
        return entered.chars().allMatch(c -> c >= ' ' && c <= '~') && !entered.contains("  ");
    }

    private static String mended(String entered, boolean keepLineBreaks) {
        String normal = Normalizer.normalize(entered, Normalizer.Form.NFC)
                .replace("\r\n", "\n")
                .replace('\r', '\n');
        String spaced = keepLineBreaks ? normal.replace('\t', ' ') : normal.replaceAll("\\s+", " ");
        StringBuilder kept = new StringBuilder(spaced.length());
        spaced.codePoints().filter(c -> isKept(c, keepLineBreaks)).forEach(kept::appendCodePoint);
        return kept.toString().strip();
    }

    /** Direction overrides (U+202A–202E, U+2066–2069) go too: they could make one line disguise its neighbours. */
    private static boolean isKept(int c, boolean keepLineBreaks) {
        boolean overridesDirection = c >= 0x202A && c <= 0x202E || c >= 0x2066 && c <= 0x2069;
        boolean halfSurrogate = c >= 0xD800 && c <= 0xDFFF;
        return !overridesDirection && !halfSurrogate && (!Character.isISOControl(c) || keepLineBreaks && c == '\n');
    }
}
