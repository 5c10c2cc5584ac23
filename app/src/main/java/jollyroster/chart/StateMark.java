package jollyroster.chart;

/** The state of somebody: its mark from the sprite, and its word beside it. */
public final class StateMark {

    private StateMark() {}

    /**
     * The state as HTML.
     *
     * @param code of the state, such as {@code called-up}, or of a mark, such as {@code free}
     * @param word what people read
     */
    public static String of(String code, String word) {
        Svg mark = new Svg();
        mark.begin("span").with("class", "state state-" + code).inside();
        draw(mark, "#seat-" + shape(code));
        return mark.text(word).end("span").toString();
    }

    /** @param symbol the address of a mark in the sprite */
    static void draw(Svg into, String symbol) {
        into.begin("svg")
                .with("class", "mark")
                .with("viewBox", "0 0 17 34")
                .with("aria-hidden", "true")
                .inside();
        into.begin("use").with("href", symbol).end().end("svg");
    }

    private static String shape(String code) {
        return switch (code) {
            case "registered", "maybe" -> "taken";
            case "waitlisted" -> "waiting";
            case "called-up" -> "called";
            case "unconfirmed" -> "held";
            case "cancelled", "declined" -> "gone";
            default -> code;
        };
    }
}
