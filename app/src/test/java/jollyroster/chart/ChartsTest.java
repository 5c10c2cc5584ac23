package jollyroster.chart;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.stream.IntStream;
import jollyroster.chart.SeatStrip.Use;
import jollyroster.core.dates.Interval;
import jollyroster.core.door.DoorHours;
import jollyroster.core.openhours.Stretch;
import org.junit.jupiter.api.Test;

class ChartsTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final Instant NOW = Instant.parse("2027-03-10T13:40:00Z");
    private static final Instant START = Instant.parse("2027-03-16T22:00:00Z");
    private static final DoorHours EVENING = DoorHours.of(
            new Interval(START, START.plus(Duration.ofHours(2))), Duration.ofMinutes(15), Duration.ofMinutes(15));

    @Test
    void a_strip_has_a_mark_for_each_seat_and_each_person_waiting() {
        SeatStrip strip = SeatStrip.of(
                8,
                1,
                List.of(
                        new SeatStrip.Party(2, Use.TAKEN, ""),
                        new SeatStrip.Party(1, Use.HELD, ""),
                        new SeatStrip.Party(3, Use.WAITING, "Teo")),
                17);
        assertThat(strip.marks().stream().map(SeatStrip.Mark::use))
                .containsExactly(
                        Use.TAKEN,
                        Use.COMPANION,
                        Use.HELD,
                        Use.KEPT_BACK,
                        Use.FREE,
                        Use.FREE,
                        Use.FREE,
                        Use.FREE,
                        Use.WAITING,
                        Use.WAITING,
                        Use.WAITING);
        assertThat(strip.words()).isEqualTo("3 of 8 taken, 1 kept back, 3 waiting");
        assertThat(strip.labels()).extracting(SeatStrip.Label::text).containsExactly("1 Teo");
        assertThat(strip.marks().get(8).x()).isGreaterThan(strip.capacityX());
    }

    @Test
    void marks_never_overlap() {
        SeatStrip strip = SeatStrip.ofCounts(16, 0, 12, 4, 8);
        for (int i = 1; i < strip.marks().size(); i++) {
            assertThat(strip.marks().get(i).x())
                    .isGreaterThanOrEqualTo(strip.marks().get(i - 1).x()
                            + strip.marks().get(i - 1).width());
        }
    }

    @Test
    void many_seats_are_drawn_in_proportion() {
        SeatStrip strip = SeatStrip.ofCounts(500, 0, 250, 0, 8);
        assertThat(strip.isProportional()).isTrue();
        assertThat(strip.marks().get(0).width()).isEqualTo(strip.marks().get(1).width());
    }

    @Test
    void the_tideline_shows_three_weeks_with_weekends_and_clock_changes() {
        Tideline line = Tideline.of(
                NOW, HALIFAX, List.of(HALIFAX, ZoneId.of("Europe/Lisbon"), ZoneId.of("Europe/Oslo")), List.of());
        assertThat(line.days()).hasSize(21);
        assertThat(line.days().get(0).label()).isEqualTo("Wed 10");
        assertThat(line.days()).filteredOn(Tideline.Day::weekend).hasSize(6);
        assertThat(line.changes())
                .extracting(Tideline.Change::label)
                .containsExactly("Clocks +1 h", "Clocks change: Lisbon and 1 more");
    }

    @Test
    void strokes_that_would_touch_are_fanned_out() {
        Tideline.Entry one = new Tideline.Entry(1, "Knots", START, 8, 4, 0);
        Tideline line = Tideline.of(NOW, HALIFAX, List.of(), List.of(one, one, one));
        assertThat(line.strokes()).hasSize(3);
        assertThat(line.strokes().get(1).x())
                .isGreaterThan(line.strokes().get(0).x() + line.strokes().get(0).width());
        assertThat(line.strokes().get(0).filled())
                .isEqualTo(line.strokes().get(0).height() / 2);
    }

    @Test
    void many_that_are_near_one_another_share_a_stroke_and_stay_in_their_day() {
        List<Tideline.Entry> slices = IntStream.range(0, 12)
                .mapToObj(i -> new Tideline.Entry(i, "Slice", START.plusSeconds(600L * i), 1, i % 2, 0))
                .toList();
        Tideline line = Tideline.of(NOW, HALIFAX, List.of(), slices);
        assertThat(line.strokes()).hasSize(3);
        assertThat(line.strokes().get(2).x() - line.strokes().get(0).x()).isLessThan(30);
        assertThat(line.strokes().get(2).words()).contains("Slice, ", " and 9 more: 5 of 10 taken");
    }

    @Test
    void the_run_line_stretches_towards_the_start_and_keeps_the_order_of_time() {
        DoorHours hours = EVENING;
        double last = -1;
        for (int minutes : new int[] {-30 * 24 * 60, -20 * 24 * 60, -24 * 60, -60, -15, 0, 60, 120, 130, 300, 9999}) {
            double x = RunLine.of(hours, START.plus(Duration.ofMinutes(minutes)), List.of())
                    .nowX();
            assertThat(x).isBetween(0.0, RunLine.WIDTH).isGreaterThanOrEqualTo(last);
            last = x;
        }
        RunLine line = RunLine.of(hours, NOW, List.of());
        assertThat(line.doorX()).isBetween(line.ticks().get(6).x(), line.startX());
    }

    @Test
    void a_run_line_shows_each_message_with_its_number_and_the_end_of_registration() {
        DoorHours hours = EVENING;
        Instant before = START.minus(Duration.ofDays(1));
        var drawn = org.jsoup.Jsoup.parse(RunLine.of(
                        hours,
                        NOW,
                        List.of(
                                new RunLine.Event(before, RunLine.Kind.MESSAGE, "14", "<i>\"1 day before\"", "planned"),
                                new RunLine.Event(before, RunLine.Kind.CUT_OFF, "cut-off", "closes", "cut-off")))
                .markup());
        assertThat(drawn.select("g.is-planned title").text()).isEqualTo("<i>\"1 day before\"");
        assertThat(drawn.select("g.is-planned .count").text()).isEqualTo("14");
        assertThat(drawn.select("g.is-planned use").attr("href")).isEqualTo("#letter");
        assertThat(drawn.select("g.is-cut-off .cutoff")).hasSize(1);
        assertThat(drawn.select("i")).isEmpty();
        assertThat(drawn.select(".tick-word").eachText()).endsWith("start", "end");
    }

    @Test
    void a_presence_bar_draws_every_span_and_nothing_for_nobody() {
        PresenceBar bar = new PresenceBar(List.of(new PresenceBar.Span(0, 40), new PresenceBar.Span(55, 20)));
        assertThat(org.jsoup.Jsoup.parse(bar.markup("54 min present"))
                        .select(".span")
                        .attr("d"))
                .isEqualTo("M0 1h40v10h-40zM55 1h20v10h-20z");
        assertThat(new PresenceBar(List.of()).markup("")).isEmpty();
    }

    @Test
    void words_of_people_are_encoded_in_drawings() {
        String nasty = "<b onload=\"x\">'&";
        String strip = SeatStrip.of(1, 0, List.of(new SeatStrip.Party(1, SeatStrip.Use.WAITING, nasty)), 17)
                .markup();
        assertThat(strip).contains("1 &lt;b onload=&quot;x&quot;&gt;&#39;&amp;").doesNotContain("<b");
        Instant now = Instant.parse("2027-03-10T13:40:00Z");
        ZoneId halifax = ZoneId.of("America/Halifax");
        String line = Tideline.of(
                        now, halifax, List.of(), List.of(new Tideline.Entry(7, nasty, now.plusSeconds(9000), 8, 3, 0)))
                .markup();
        assertThat(line)
                .contains("href=\"/desk/sessions/7\"", "<title>&lt;b onload=&quot;x&quot;&gt;&#39;&amp;, Wed 10 Mar")
                .doesNotContain("<b");
        assertThat(org.jsoup.Jsoup.parse(line).select("svg a").attr("aria-label"))
                .startsWith(nasty);
    }

    @Test
    void lanes_encode_what_people_wrote_and_say_which_day_is_which() {
        String nasty = "<b onload=\"x\">'&";
        Interval morning = new Interval(NOW, NOW.plusSeconds(7200));
        HostLanes.Host host = new HostLanes.Host(
                nasty,
                List.of(new HostLanes.Open(7, nasty, LocalDate.of(2027, 3, 10), new Stretch(540, 660), morning)),
                List.of(new HostLanes.Held(3, nasty, nasty, morning, morning, "kelp")),
                List.of(morning),
                List.of(morning));
        String lanes = HostLanes.of(new HostLanes.Frame(LocalDate.of(2027, 3, 8), 7, HALIFAX, NOW), List.of(host))
                .markup();
        assertThat(lanes).doesNotContain("<b", "NaN").contains("id=\"hatch\"");
        var drawn = org.jsoup.Jsoup.parse(lanes);
        assertThat(drawn.select("a.open-hours").attr("href")).isEqualTo("/desk/offerings/7#hours");
        assertThat(drawn.select("a.open-hours title").text()).startsWith("open hours of " + nasty + ", Wed 10 Mar");
        assertThat(drawn.select("a.held").attr("data-session")).isEqualTo("3");
        assertThat(drawn.select(".lane-name").text()).isEqualTo(nasty);
        assertThat(drawn.select("rect.busy, g.clash, line.now")).hasSize(3);
        assertThat(drawn.select("text.today").text()).isEqualTo("Wed 10 Mar");
    }

    @Test
    void seats_that_are_drawn_alike_are_one_path() {
        String strip = SeatStrip.ofCounts(40, 2, 30, 5, 6).markup();
        assertThat(org.jsoup.Jsoup.parse(strip).select("path")).hasSizeLessThanOrEqualTo(6);
        assertThat(org.jsoup.Jsoup.parse(strip)
                        .select("path.bar-full")
                        .attr("d")
                        .split("z"))
                .hasSize(30);
    }
}
