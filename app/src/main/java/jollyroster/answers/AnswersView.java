package jollyroster.answers;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import jollyroster.chart.StateMark;
import jollyroster.core.intake.Question;
import jollyroster.core.intake.Tally;
import jollyroster.programme.AskedQuestion;

/** The answers to an offering's questions, decided and formatted. */
record AnswersView(
        long offering, String title, long session, List<Choice> dates, List<Card> cards, List<String> keys, Who who) {

    public record Choice(long id, String words, boolean chosen) {}

    /**
     * One question.
     *
     * @param answered "38 answers"
     * @param retired whether it is no longer asked
     * @param older wordings it was asked under before
     */
    public record Card(
            long question,
            String label,
            String kind,
            String answered,
            boolean retired,
            List<Bar> bars,
            Spread spread,
            List<Text> texts,
            boolean moreTexts,
            List<String> older) {}

    /**
     * An option.
     *
     * @param width of its bar, of a track that is everybody who answered: 0 to 100
     * @param left "2 of 4 left"; empty when it cannot run out
     */
    public record Bar(String option, int times, String share, double width, String left, boolean gone) {}

    /** Numbers. @param middle where the median lies between the least and the most, 0 to 100 */
    public record Spread(String least, String median, String most, double middle) {
        static final Spread NONE = new Spread("", "", "", 0);
    }

    public record Text(String value, String name, long registration, long session) {}

    /** Who gave one answer. @param answer empty when nobody was asked for */
    public record Who(String question, String answer, List<Person> people, boolean more) {
        static final Who NOBODY = new Who("", "", List.of(), false);
    }

    public record Person(String name, String when, String state, String stateWord, long registration, long session) {
        /** The state, drawn. */
        public String mark() {
            return StateMark.of(state, stateWord);
        }
    }

    static Card card(
            AskedQuestion asked,
            boolean retired,
            Map<String, Integer> times,
            List<AnswerQueries.Said> texts,
            int mostTexts,
            List<String> older,
            boolean oneDate) {
        Question q = asked.question();
        Tally tally = Tally.of(q, times);
        return new Card(
                asked.id(),
                q.label(),
                q.kind().name(),
                tally.answered() == 1 ? "1 answer" : tally.answered() + " answers",
                retired,
                tally.counts().stream().map(c -> bar(q, c, oneDate)).toList(),
                tally.numbers().map(AnswersView::spread).orElse(Spread.NONE),
                texts.stream().limit(mostTexts).map(AnswersView::text).toList(),
                texts.size() > mostTexts,
                older);
    }

    private static Bar bar(Question q, Tally.Count count, boolean oneDate) {
        var limit = q.options().stream()
                .filter(o ->
                        oneDate && o.label().equals(count.option()) && o.most().isPresent())
                .findFirst();
        int left =
                limit.map(o -> Math.max(0, o.most().getAsInt() - count.times())).orElse(-1);
        return new Bar(
                count.option(),
                count.times(),
                Math.round(count.share() * 100) + " %",
                Math.round(count.share() * 1000) / 10.0,
                limit.map(o -> left + " of " + o.most().getAsInt() + " left").orElse(""),
                left == 0);
    }

    private static Spread spread(Tally.Numbers n) {
        BigDecimal width = n.most().subtract(n.least());
        double middle =
                width.signum() == 0 ? 50 : n.median().subtract(n.least()).doubleValue() / width.doubleValue() * 100;
        return new Spread(
                n.least().toPlainString(),
                n.median().stripTrailingZeros().toPlainString(),
                n.most().toPlainString(),
                Math.round(middle * 10) / 10.0);
    }

    private static Text text(AnswerQueries.Said said) {
        return new Text(said.value(), named(said), said.registration(), said.session());
    }

    static String named(AnswerQueries.Said said) {
        return said.person() == 0 ? said.name() : said.name() + ", companion " + said.person();
    }
}
