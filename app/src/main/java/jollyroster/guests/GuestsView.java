package jollyroster.guests;

import java.util.Collections;
import java.util.List;
import jollyroster.chart.StateMark;

/**
 * Who is invited to an offering, and what they answered.
 *
 * @param until by when they may answer; empty when no date is to come
 * @param silent how many have not answered and may be reminded now
 */
record GuestsView(
        long offering,
        String title,
        boolean invitedOnly,
        String until,
        List<Tab> tabs,
        Shown shown,
        List<Line> lines,
        List<Asking> asking,
        int silent) {

    /** How many have not been written to. */
    public int fresh() {
        return tabs.get(tabs.size() - 1).number();
    }

    public int total() {
        return tabs.get(0).number();
    }

    /**
     * Which of them are shown.
     *
     * @param show the code of an answer; empty for everybody
     * @param sought part of a name or an address; empty for everybody
     */
    public record Shown(String show, String sought, int page, boolean more) {}

    /** @param answer the code of a reply, {@code silent} or {@code new} */
    public record Line(
            long id,
            String name,
            String email,
            String answer,
            String answerWord,
            int party,
            String invited,
            String link,
            long session,
            long registration) {

        /** The answer, drawn. */
        public String mark() {
            return switch (answer) {
                case "yes" -> StateMark.of("registered", answer);
                case "maybe" -> StateMark.of("called-up", answer);
                case "no" -> StateMark.of("declined", answer);
                default -> StateMark.of("free", answerWord);
            };
        }
    }

    /** Somebody who asks to be invited. */
    public record Asking(long id, String name, String email, String words, String at) {}

    public record Tab(String code, String word, int number, boolean lit) {}

    static List<Tab> tabs(List<String> answers, String show) {
        return List.of(
                new Tab("", "everybody", answers.size(), show.isEmpty()),
                tab("yes", "yes", answers, show),
                tab("maybe", "maybe", answers, show),
                tab("no", "no", answers, show),
                tab("silent", "no answer yet", answers, show),
                tab("new", "not written to", answers, show));
    }

    private static Tab tab(String code, String word, List<String> answers, String show) {
        return new Tab(code, word, Collections.frequency(answers, code), show.equals(code));
    }
}
