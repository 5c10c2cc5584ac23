package jollyroster.outbox;

/**
 * What a message says: Mustache over Markdown.
 *
 * @param preheader what mail programs show beside the subject; may be empty
 * @param asText the same as a text message, Mustache alone; empty for the words that ship
 */
public record Wording(String subject, String preheader, String body, String asText) {

    /** As an e-mail only. */
    public Wording(String subject, String preheader, String body) {
        this(subject, preheader, body, "");
    }

    /** In characters. */
    public static final int LONGEST_LINE = 150;
}
