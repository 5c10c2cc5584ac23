package jollyroster.guests;

import java.util.List;
import jollyroster.chart.StateMark;

/**
 * Who is invited to an offering, and what they answered.
 *
 * @param until by when they may answer; empty when no date is to come
 * @param fresh how many have not been written to
 * @param silent how many have not answered and may be reminded now
 */
record GuestsView(
        long offering,
        String title,
        boolean rsvp,
        boolean invitedOnly,
        String until,
        List<Tab> tabs,
        List<Line> lines,
        List<Asking> asking,
        int fresh,
        int silent,
        int total) {

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

    static List<Tab> tabs(List<Line> all, String show) {
        return List.of(
                new Tab("", "everybody", all.size(), show.isEmpty()),
                new Tab("yes", "yes", count(all, "yes"), show.equals("yes")),
                new Tab("maybe", "maybe", count(all, "maybe"), show.equals("maybe")),
                new Tab("no", "no", count(all, "no"), show.equals("no")),
                new Tab("silent", "no answer yet", count(all, "silent"), show.equals("silent")),
                new Tab("new", "not written to", count(all, "new"), show.equals("new")));
    }

    static int count(List<Line> lines, String answer) {
        return (int) lines.stream().filter(l -> l.answer().equals(answer)).count();
    }
}
