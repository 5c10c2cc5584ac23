package jollyroster.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.List;
import jollyroster.core.intake.Question.Kind;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.apache.commons.statistics.descriptive.Median;
import org.junit.jupiter.api.Test;

class TallyTest {

    private static Question question(Kind kind, String... options) {
        return Question.plain("q", kind, "Q?", "", false, List.of(options));
    }

    @Test
    void options_are_counted_with_their_share_and_those_no_longer_offered_come_last() {
        Tally tally = Tally.of(
                question(Kind.CHOOSE_SEVERAL, "Dinghy", "Gig", "Launch"),
                List.of("Dinghy\nGig", "Dinghy", "", "Canoe", "Gig"));
        assertThat(tally.answered()).isEqualTo(4);
        assertThat(tally.counts())
                .containsExactly(
                        new Tally.Count("Dinghy", 2, 0.5),
                        new Tally.Count("Gig", 2, 0.5),
                        new Tally.Count("Launch", 0, 0),
                        new Tally.Count("Canoe", 1, 0.25));
    }

    @Test
    void numbers_have_a_least_a_median_and_a_most() {
        Tally.Numbers numbers = Tally.of(question(Kind.NUMBER), List.of("12", "3.5", "7", "4"))
                .numbers()
                .orElseThrow();
        assertThat(numbers.least()).isEqualByComparingTo("3.5");
        assertThat(numbers.median()).isEqualByComparingTo("5.5");
        assertThat(numbers.most()).isEqualByComparingTo("12");
        assertThat(Tally.of(question(Kind.NUMBER), List.of("", "")).numbers()).isEmpty();
    }

    /** Against the median of Apache Commons Statistics. */
    @Property
    void the_median_is_the_one_of_a_statistics_library(
            @ForAll @net.jqwik.api.constraints.NotEmpty List<@IntRange(min = -1000, max = 1000) Integer> values) {
        BigDecimal ours = Tally.of(
                        question(Kind.NUMBER),
                        values.stream().map(String::valueOf).toList())
                .numbers()
                .orElseThrow()
                .median();
        double theirs = Median.withDefaults()
                .evaluate(values.stream().mapToDouble(Integer::doubleValue).toArray());
        assertThat(ours.doubleValue()).isCloseTo(theirs, within(1e-9));
    }

    @Test
    void texts_are_listed_as_given() {
        assertThat(Tally.of(question(Kind.LONG_TEXT), List.of("b", "", "a")).texts())
                .containsExactly("b", "a");
    }
}
