package jollyroster.roster;

import java.util.List;
import jollyroster.chart.StateMark;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Session;

/** A page of a roster, decided and formatted. @param rows one for each registration that is shown */
public record RollView(
        long session,
        long offering,
        String title,
        String when,
        String city,
        boolean past,
        List<Tab> tabs,
        List<Row> rows,
        int shown,
        int found,
        long next,
        boolean first,
        String query,
        List<Choice> questions,
        List<Choice> dates) {

    /** A state to look at. @param number parties in it */
    public record Tab(String state, String word, int number, boolean lit, String address) {}

    public record Choice(long id, String words) {}

    /**
     * One registration.
     *
     * @param choosable whether whoever looks may do something with it
     * @param answers each with its question
     * @param money what is paid, open and refunded, in words; empty for none
     * @param held until when, or place in line
     */
    public record Row(
            long session,
            boolean choosable,
            long id,
            long person,
            String state,
            String stateWord,
            String held,
            String name,
            String companions,
            String email,
            String phone,
            int party,
            String registered,
            String theirTime,
            List<Answer> answers,
            String note,
            boolean marked,
            String why,
            String money) {
        /** The state, drawn. */
        public String mark() {
            return StateMark.of(state, stateWord);
        }

        /** As a helper sees it: who, with whom and in what state. */
        Row withoutParticulars() {
            return new Row(
                    session,
                    choosable,
                    id,
                    person,
                    state,
                    stateWord,
                    held,
                    name,
                    companions,
                    "",
                    "",
                    party,
                    registered,
                    theirTime,
                    List.of(),
                    "",
                    false,
                    "",
                    "");
        }
    }

    public record Answer(String question, String value) {}

    static List<Choice> choices(List<AskedQuestion> questions) {
        return questions.stream()
                .map(q -> new Choice(q.id(), q.question().label()))
                .toList();
    }

    static boolean isPast(Session s, java.time.Instant now) {
        return !s.end().isAfter(now);
    }
}
