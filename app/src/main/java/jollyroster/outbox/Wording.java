package jollyroster.outbox;

/**
 * What a message says: Mustache over Markdown.
 *
 * @param preheader what mail programs show beside the subject; may be empty
 */
public record Wording(String subject, String preheader, String body) {

    /** In characters. */
    public static final int LONGEST_LINE = 150;
}
