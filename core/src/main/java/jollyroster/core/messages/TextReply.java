package jollyroster.core.messages;

import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/** What somebody means who answers a text message with a word. */
public enum TextReply {
    /** No more texts to this number. */
    STOP,
    /** Texts are welcome again. */
    START,
    /** Who writes, and how it ends. */
    HELP,
    YES,
    NO,
    /** Words for somebody to read. */
    WORDS;

    private static final Map<String, TextReply> SAID = Map.ofEntries(
            Map.entry("stop", STOP),
            Map.entry("stopall", STOP),
            Map.entry("stop all", STOP),
            Map.entry("unsubscribe", STOP),
            Map.entry("end", STOP),
            Map.entry("quit", STOP),
            Map.entry("cancel", STOP),
            Map.entry("start", START),
            Map.entry("unstop", START),
            Map.entry("help", HELP),
            Map.entry("info", HELP),
            Map.entry("yes", YES),
            Map.entry("y", YES),
            Map.entry("yes please", YES),
            Map.entry("no", NO),
            Map.entry("n", NO),
            Map.entry("no thanks", NO),
            Map.entry("no thank you", NO));
    private static final Pattern AROUND = Pattern.compile("^[\\s\\p{Punct}“”‘’]+|[\\s\\p{Punct}“”‘’]+$");
    private static final int LONGEST = 40;

    /** Reads a reply: one of the words, in any case, with or without marks around it. */
    public static TextReply of(String text) {
        if (text.length() > LONGEST) {
            return WORDS;
        }
        String word =
                AROUND.matcher(text).replaceAll("").replaceAll("[,\\s]+", " ").toLowerCase(Locale.ROOT);
        return SAID.getOrDefault(word, WORDS);
    }
}
