package jollyroster.core.foresight;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import jollyroster.core.foresight.FillForecast.Run;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.apache.commons.statistics.distribution.BetaDistribution;
import org.apache.commons.statistics.distribution.BinomialDistribution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ForesightTest {

    private static final List<Run> PAST = List.of(new Run(12, 20), new Run(15, 24), new Run(9, 18));

    /** Check value of the rules: 24.1, range 22.4 to 28. */
    @Test
    void sessions_fill_as_earlier_ones_did() {
        FillForecast forecast = FillForecast.of(PAST, 14, 40).orElseThrow();
        assertThat(forecast.expected()).isCloseTo(24.1, within(0.05));
        assertThat(forecast.low()).isCloseTo(22.4, within(1e-9));
        assertThat(forecast.high()).isCloseTo(28, within(1e-9));
        assertThat(forecast.capped()).isFalse();
    }

    @Test
    void a_forecast_is_capped_by_the_seats_and_says_so() {
        FillForecast forecast = FillForecast.of(PAST, 14, 24).orElseThrow();
        assertThat(forecast.expected()).isEqualTo(24);
        assertThat(forecast.high()).isEqualTo(24);
        assertThat(forecast.capped()).isTrue();
    }

    @Test
    void too_few_runs_say_nothing() {
        assertThat(FillForecast.of(PAST.subList(0, 1), 14, 40)).isEmpty();
        assertThat(FillForecast.of(List.of(new Run(0, 9), new Run(0, 7)), 3, 40))
                .isEmpty();
        assertThat(FillForecast.of(PAST, 0, 40)).isEmpty();
        assertThat(FillForecast.pace(List.of(), 3)).isEmpty();
        assertThat(FillForecast.pace(PAST, 14)).contains(2.0);
    }

    @Test
    void nothing_is_said_of_odds_under_twenty() {
        assertThat(Odds.of(8, 0, 1, 3, 19)).isEmpty();
        assertThat(Odds.of(8, 0, 1, 3, 20)).isPresent();
        assertThat(Odds.of(8, 2, 2, 0, 500)).hasValue(1);
        assertThat(Odds.of(8, 0, 9, 20, 20).orElseThrow()).isZero();
    }

    @Test
    void a_course_knows_how_it_stood_and_what_was_given_back_after() {
        Course course = new Course(List.of(
                new Course.Step(200, 4, 0),
                new Course.Step(150, 6, 1),
                new Course.Step(20, 3, 2),
                new Course.Step(-2, 1, 0)));
        assertThat(course.at(168)).isEqualTo(4);
        assertThat(course.at(150)).isEqualTo(9);
        assertThat(course.atStart()).isEqualTo(10);
        assertThat(course.givenBackWithin(168)).isEqualTo(3);
        assertThat(course.givenBackWithin(20)).isZero();
        assertThat(course.begins()).isEqualTo(200);
        assertThat(Odds.of(10, 0, 2, List.of(course, course, course), 24).orElseThrow())
                .isBetween(0.3, 0.95);
        assertThat(Odds.of(10, 0, 2, List.of(course), 24)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "0.001, very small",
        "0.04, less than 1 in 10",
        "0.1, about 1 in 10",
        "0.68, about 7 in 10",
        "0.97, better than 9 in 10",
    })
    void odds_are_said_in_words(double probability, String words) {
        assertThat(Odds.inWords(probability)).isEqualTo(words);
    }

    /** Against Apache Commons Statistics: the binomial, averaged over the beta distribution at its quantiles. */
    @Property(tries = 60)
    void odds_are_those_of_a_statistics_library(
            @ForAll @IntRange(min = 1, max = 40) int taken,
            @ForAll @IntRange(min = 1, max = 8) int needed,
            @ForAll @IntRange(min = 2, max = 30) int givenBack) {
        double ours = Odds.of(taken, 0, needed, givenBack, 60).orElseThrow();
        BetaDistribution share = BetaDistribution.of(givenBack + 0.5, 60 - givenBack + 0.5);
        int slices = 4000;
        double theirs = 0;
        for (int i = 0; i < slices; i++) {
            double p = share.inverseCumulativeProbability((i + 0.5) / slices);
            theirs += BinomialDistribution.of(taken, p).survivalProbability(needed - 1) / slices;
        }
        assertThat(ours).isCloseTo(theirs, within(2e-3));
    }

    @Property(tries = 300)
    void the_more_are_before_one_the_smaller_the_odds(
            @ForAll @IntRange(min = 1, max = 200) int taken, @ForAll @IntRange(min = 1, max = 30) int needed) {
        assertThat(Odds.of(taken, 0, needed, 7, 60).orElseThrow())
                .isGreaterThanOrEqualTo(Odds.of(taken, 0, needed + 1, 7, 60).orElseThrow())
                .isBetween(0.0, 1.0);
    }
}
