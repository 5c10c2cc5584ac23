package jollyroster.chart;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.Test;

/** Drawings of open hours. */
class TideTest {

    @Test
    void the_tide_is_highest_where_most_is_free_and_lowest_where_nothing_is() {
        String markup = new Tide(List.of(new Tide.Day(2, "2 free"), new Tide.Day(0, "none"), new Tide.Day(4, "4 free")))
                .markup("Thu: 2 free, Fri: none, Sat: 4 free");
        assertThat(markup).contains("viewBox=\"0 0 700 80\"").doesNotContain("NaN");
        assertThat(Jsoup.parse(markup).select(".surface").attr("d"))
                .startsWith("M0 50H50C100 50 100 78 150 78C200 78 200 22 250 22H300");
        assertThat(Jsoup.parse(markup).select("text").eachText()).containsExactly("2 free", "none", "4 free");
        assertThat(new Tide(List.of(new Tide.Day(0, "none"))).markup("none")).doesNotContain("NaN");
    }

    @Test
    void a_day_has_its_hours_as_land_and_a_bar_for_each_start() {
        DayStrip strip = new DayStrip(
                List.of(new DayStrip.Stretch(600, 720)),
                List.of(new DayStrip.Start(600, true), new DayStrip.Start(660, false)));
        String markup = strip.markup("1 of 2");
        assertThat(Jsoup.parse(markup).select(".hour").eachText()).containsExactly("10", "11", "12");
        assertThat(Jsoup.parse(markup).select(".bar-full, .bar-free")).hasSize(2);
        assertThat(new DayStrip(List.of(), List.of()).markup("closed")).isEmpty();
    }
}
