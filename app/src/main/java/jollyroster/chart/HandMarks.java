package jollyroster.chart;

import java.util.List;

/** The three buttons that mark somebody's attendance by hand, each with its shape. */
public final class HandMarks {

    private static final List<Button> BUTTONS = List.of(
            new Button("ATTENDED", "mark attended by hand", "#seat-taken"),
            new Button("PART", "mark part by hand", "#seat-called"),
            new Button("ABSENT", "mark absent by hand", "#seat-free"));

    private HandMarks() {}

    private record Button(String verdict, String words, String shape) {}

    /** The buttons as HTML, for inside a form. @param pressed the verdict that was marked; pressing it takes it back */
    public static String of(String pressed) {
        Svg html = new Svg();
        BUTTONS.forEach(button -> draw(html, button, button.verdict().equals(pressed)));
        return html.toString();
    }

    private static void draw(Svg html, Button button, boolean pressed) {
        html.begin("button")
                .with("name", "verdict")
                .with("value", pressed ? "" : button.verdict())
                .with("aria-pressed", "" + pressed)
                .with("aria-label", button.words())
                .with("title", button.words())
                .inside();
        StateMark.draw(html, button.shape());
        html.end("button");
    }
}
