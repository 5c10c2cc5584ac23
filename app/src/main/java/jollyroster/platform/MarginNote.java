package jollyroster.platform;

/**
 * A computed remark in the margin.
 *
 * @param lead the point, in bold
 * @param text the rest of the sentence
 * @param action what can be done about it; empty for nothing
 * @param address where that is done; empty with {@code action}
 * @param level {@code stop}, {@code odd} or {@code remark}
 */
public record MarginNote(String lead, String text, String action, String address, String level) {

    /** For whoever may not go where it leads. */
    public MarginNote withoutAction() {
        return new MarginNote(lead, text, "", "", level);
    }

    public static MarginNote remark(String lead, String text) {
        return new MarginNote(lead, text, "", "", "remark");
    }

    public static MarginNote remark(String lead, String text, String action, String address) {
        return new MarginNote(lead, text, action, address, "remark");
    }
}
