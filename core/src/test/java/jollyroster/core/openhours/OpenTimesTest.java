package jollyroster.core.openhours;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Offset;
import jollyroster.core.openhours.OpenTimes.Host;
import jollyroster.core.openhours.OpenTimes.Start;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** Check values are those of common practice, worked out by hand, unless a source is named. */
class OpenTimesTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final Claim.Owner OTTOLINE = Claim.Owner.host(1);
    private static final LocalDate WEDNESDAY = LocalDate.of(2027, 3, 17);
    private static final Instant EARLY = Instant.parse("2027-01-01T00:00:00Z");
    private static final TimeRules HALF_HOURS = TimeRules.of(Duration.ofMinutes(30));

    private static OpenHours on(LocalDate day, String from, String until) {
        return OpenHours.NONE.onlyOn(day, DayHours.of(Stretch.of(LocalTime.parse(from), LocalTime.parse(until))));
    }

    private static Instant at(LocalDate day, String time) {
        return day.atTime(LocalTime.parse(time)).atZone(HALIFAX).toInstant();
    }

    private static Claim busy(LocalDate day, String from, String until) {
        return Claim.busy(OTTOLINE, 7, new Interval(at(day, from), at(day, until)));
    }

    private static OpenTimes times(OpenHours hours, TimeRules rules, Host host, Instant now) {
        return new OpenTimes(hours, HALIFAX, rules, host, now);
    }

    private static List<String> offered(OpenTimes times, LocalDate day) {
        return times.between(day, day.plusDays(1)).stream()
                .filter(Start::isOffered)
                .map(s -> s.at().toLocalTime().toString())
                .toList();
    }

    @Test
    void the_time_itself_ends_within_the_hours() {
        List<String> starts = offered(
                times(on(WEDNESDAY, "10:00", "14:00"), HALF_HOURS.every(Duration.ofMinutes(15)), Host.FREE, EARLY),
                WEDNESDAY);
        assertThat(starts).hasSize(15).startsWith("10:00").endsWith("13:30");
    }

    @Test
    void what_is_kept_free_may_stick_out_of_the_hours_and_not_into_what_is_busy() {
        TimeRules rules = HALF_HOURS
                .buffered(Duration.ofMinutes(5), Duration.ofMinutes(15))
                .every(Duration.ofMinutes(15));
        OpenTimes times = times(
                on(WEDNESDAY, "09:00", "13:00"),
                rules,
                Host.takenUpBy(List.of(busy(WEDNESDAY, "11:00", "12:00"))),
                EARLY);
        assertThat(offered(times, WEDNESDAY))
                .containsExactly("09:00", "09:15", "09:30", "09:45", "10:00", "10:15", "12:15", "12:30");
        assertThat(times.whyNot(at(WEDNESDAY, "10:30"))).containsInstanceOf(Unoffered.Buffer.class);
        assertThat(times.whyNot(at(WEDNESDAY, "11:15"))).containsInstanceOf(Unoffered.Taken.class);
        assertThat(times.whyNot(at(WEDNESDAY, "12:00"))).containsInstanceOf(Unoffered.Buffer.class);
    }

    @Test
    void hours_are_wall_clock_and_lengths_are_elapsed_when_the_clocks_change() {
        LocalDate spring = LocalDate.of(2027, 3, 14);
        assertThat(offered(times(on(spring, "01:00", "04:00"), HALF_HOURS, Host.FREE, EARLY), spring))
                .containsExactly("01:00", "01:30", "03:00", "03:30");
        LocalDate autumn = LocalDate.of(2027, 11, 7);
        List<Start> starts = times(on(autumn, "00:00", "03:00"), HALF_HOURS, Host.FREE, EARLY)
                .between(autumn, autumn.plusDays(1));
        assertThat(starts).hasSize(8);
        assertThat(starts)
                .extracting(s -> s.at().toLocalTime() + s.at().getOffset().getId())
                .contains("01:00-03:00", "01:30-03:00", "01:00-04:00", "01:30-04:00");
    }

    @Test
    void cut_off_and_days_ahead_bound_what_may_be_picked() {
        Instant now = Instant.parse("2027-03-10T13:41:00Z");
        OpenHours evenings =
                OpenHoursText.read("daily 19-21", LocalDate.of(2027, 3, 10), 8).hours();
        OpenTimes times = times(evenings, HALF_HOURS.closing(Offset.hours(12)).aheadBy(30), Host.FREE, now);
        List<Start> offered = times.between(LocalDate.of(2027, 3, 10), LocalDate.of(2027, 5, 1)).stream()
                .filter(Start::isOffered)
                .toList();
        assertThat(offered.get(0).at().toLocalDateTime()).hasToString("2027-03-11T19:00");
        assertThat(offered.get(offered.size() - 1).at().toLocalDate()).isEqualTo("2027-04-09");
        assertThat(times.whyNot(at(LocalDate.of(2027, 3, 10), "19:00")))
                .contains(new Unoffered.CutOff(Instant.parse("2027-03-10T11:00:00Z")));
        assertThat(times.whyNot(at(LocalDate.of(2027, 4, 10), "19:00")))
                .contains(new Unoffered.TooFarAhead(LocalDate.of(2027, 4, 9)));
    }

    @Test
    void limits_count_what_the_host_gives_in_the_day_and_in_the_week() {
        OpenHours hours = OpenHoursText.read("Mon–Fri 10-12", WEDNESDAY, 8).hours();
        Host host = new Host(
                List.of(),
                List.of(at(WEDNESDAY, "08:00"), at(WEDNESDAY, "09:00"), at(WEDNESDAY.plusDays(1), "09:00")),
                Map.of());
        OpenTimes daily = times(hours, HALF_HOURS.atMost(OptionalInt.of(2), OptionalInt.empty()), host, EARLY);
        assertThat(daily.whyNot(at(WEDNESDAY, "10:00"))).contains(new Unoffered.DailyLimit(2));
        assertThat(daily.whyNot(at(WEDNESDAY.plusDays(1), "10:00"))).isEmpty();
        OpenTimes weekly = times(hours, HALF_HOURS.atMost(OptionalInt.empty(), OptionalInt.of(3)), host, EARLY);
        assertThat(weekly.whyNot(at(WEDNESDAY.plusDays(2), "10:00"))).contains(new Unoffered.WeeklyLimit(3));
        assertThat(weekly.whyNot(at(WEDNESDAY.plusDays(5), "10:00"))).isEmpty();
    }

    @Test
    void any_time_that_is_no_start_has_its_reason() {
        OpenTimes times = times(on(WEDNESDAY, "10:00", "14:00"), HALF_HOURS, Host.FREE, EARLY);
        assertThat(times.whyNot(at(WEDNESDAY, "09:00"))).contains(new Unoffered.Closed(OpenHours.Source.EXCEPTION));
        assertThat(times.whyNot(at(WEDNESDAY.plusDays(1), "10:00")))
                .contains(new Unoffered.Closed(OpenHours.Source.WEEKLY));
        assertThat(times.whyNot(at(WEDNESDAY, "10:10"))).contains(new Unoffered.OffGrid(at(WEDNESDAY, "10:00")));
        OpenTimes hourLong = times(
                on(WEDNESDAY, "10:00", "14:00"),
                TimeRules.of(Duration.ofHours(1)).every(Duration.ofMinutes(30)),
                Host.FREE,
                EARLY);
        assertThat(hourLong.whyNot(at(WEDNESDAY, "13:30"))).contains(new Unoffered.TooLong(at(WEDNESDAY, "14:00")));
    }

    @Test
    void a_time_with_seats_left_is_offered_though_the_host_is_in_it() {
        Claim session = Claim.session(
                OTTOLINE,
                3,
                new Interval(at(WEDNESDAY, "10:30"), at(WEDNESDAY, "11:00")),
                Duration.ZERO,
                Duration.ZERO);
        OpenHours hours = on(WEDNESDAY, "10:00", "12:00");
        Host host = new Host(List.of(session), List.of(), Map.of(at(WEDNESDAY, "10:30"), 4));
        assertThat(times(hours, HALF_HOURS, host, EARLY).between(WEDNESDAY, WEDNESDAY.plusDays(1)))
                .extracting(Start::isOffered, Start::free)
                .contains(org.assertj.core.groups.Tuple.tuple(true, 4))
                .hasSize(4);
        assertThat(offered(times(hours, HALF_HOURS, Host.takenUpBy(List.of(session)), EARLY), WEDNESDAY))
                .containsExactly("10:00", "11:00", "11:30");
    }

    @Test
    void the_nearest_three_are_found() {
        List<Start> starts = times(on(WEDNESDAY, "10:00", "14:00"), HALF_HOURS, Host.FREE, EARLY)
                .between(WEDNESDAY, WEDNESDAY.plusDays(1));
        assertThat(OpenTimes.nearest(starts, s -> s.at().toInstant(), at(WEDNESDAY, "12:15"), 3))
                .extracting(s -> s.at().toLocalTime())
                .containsExactly(LocalTime.of(12, 0), LocalTime.of(12, 30), LocalTime.of(11, 30));
    }

    /** Pacific/Apia skipped 30 December 2011; Lord Howe's clocks move by half an hour (IANA). */
    @Test
    void zones_that_skip_a_day_or_move_by_half_an_hour() {
        LocalDate skipped = LocalDate.of(2011, 12, 30);
        Stretch all = new Stretch(0, Stretch.DAY);
        assertThat(all.on(skipped, ZoneId.of("Pacific/Apia"))).isEmpty();
        LocalDate back = LocalDate.of(2011, 4, 3);
        assertThat(all.on(back, ZoneId.of("Australia/Lord_Howe")).orElseThrow().length())
                .isEqualTo(Duration.ofMinutes(24 * 60 + 30));
        assertThat(new Stretch(120, 180).on(LocalDate.of(2027, 3, 14), HALIFAX)).isEmpty();
    }

    /** In St John's the clocks go back from 02:00 to 01:00 on 7 November 2027 (IANA). */
    @Test
    void stretches_do_not_overlap_in_the_hour_that_comes_twice() {
        ZoneId stJohns = ZoneId.of("America/St_Johns");
        LocalDate back = LocalDate.of(2027, 11, 7);
        DayHours abutting = DayHours.of(new Stretch(0, 90), new Stretch(90, 180));
        assertThat(abutting.on(back, stJohns))
                .containsExactly(
                        new Interval(Instant.parse("2027-11-07T02:30:00Z"), Instant.parse("2027-11-07T05:00:00Z")),
                        new Interval(Instant.parse("2027-11-07T05:00:00Z"), Instant.parse("2027-11-07T06:30:00Z")));
        DayHours apart = DayHours.of(new Stretch(0, 75), new Stretch(105, 180));
        assertThat(apart.on(back, stJohns).get(1).start())
                .as("what is closed in between stays closed the second time")
                .isEqualTo("2027-11-07T05:15:00Z");
        OpenTimes times = times(hours(back, abutting), stJohns);
        assertThat(times.between(back, back.plusDays(1)))
                .extracting(s -> s.at().toInstant())
                .doesNotHaveDuplicates()
                .allSatisfy(at -> assertThat(times.whyNot(at)).isEmpty());
    }

    private static OpenHours hours(LocalDate day, DayHours hours) {
        return OpenHours.NONE.onlyOn(day, hours);
    }

    private static OpenTimes times(OpenHours hours, ZoneId zone) {
        return new OpenTimes(hours, zone, HALF_HOURS, Host.FREE, EARLY);
    }

    /** Random hours, claims and rules against trying every start against every claim. */
    @Property(tries = 1000)
    void what_is_offered_is_what_trying_everything_offers(@ForAll long seed) {
        Case some = Case.of(new Random(seed));
        List<Start> starts = some.times(some.claims).between(some.from, some.from.plusDays(8));
        for (Start start : starts) {
            assertThat(start.why().map(Unoffered::getClass)).as("%s", start).isEqualTo(some.expected(start));
            start.why().ifPresent(why -> some.assertTrue(start, why));
            assertThat(some.times(some.claims).whyNot(start.at().toInstant())).isEqualTo(start.why());
        }
        assertThat(starts).hasSameSizeAs(some.grid());
        List<Claim> shuffled = new ArrayList<>(some.claims);
        Collections.shuffle(shuffled, new Random(seed));
        assertThat(some.times(shuffled).between(some.from, some.from.plusDays(8)))
                .as("in whatever order claims come")
                .isEqualTo(starts);
        List<Claim> fewer = some.claims.subList(0, some.claims.size() / 2);
        List<Instant> before = offered(some.times(fewer).between(some.from, some.from.plusDays(8)));
        assertThat(before).as("a claim more never adds a start").containsAll(offered(starts));
    }

    private static List<Instant> offered(List<Start> starts) {
        return starts.stream()
                .filter(Start::isOffered)
                .map(s -> s.at().toInstant())
                .toList();
    }

    /** Something to try, and what everybody would say of it who looks at each claim. */
    private record Case(
            OpenHours hours, ZoneId zone, TimeRules rules, List<Claim> claims, LocalDate from, Instant now) {

        private static final List<String> ZONES = List.of(
                "America/Halifax", "Asia/Kathmandu", "Asia/Kolkata", "Australia/Lord_Howe", "America/St_Johns", "UTC");

        static Case of(Random random) {
            ZoneId zone = ZoneId.of(ZONES.get(random.nextInt(ZONES.size())));
            LocalDate from = LocalDate.of(2027, 1, 1).plusDays(random.nextInt(365));
            TimeRules rules = new TimeRules(
                    Duration.ofMinutes(5 * (1 + random.nextInt(24))),
                    Duration.ofMinutes(5 * (1 + random.nextInt(12))),
                    Duration.ofMinutes(5 * random.nextInt(5)),
                    Duration.ofMinutes(5 * random.nextInt(5)),
                    random.nextBoolean() ? Offset.hours(random.nextInt(30)) : Offset.days(random.nextInt(3)),
                    random.nextBoolean() ? OptionalInt.of(random.nextInt(9)) : OptionalInt.empty(),
                    OptionalInt.empty(),
                    OptionalInt.empty());
            Instant begin = from.atStartOfDay(zone).toInstant();
            List<Claim> claims = Stream.generate(() -> claim(random, begin))
                    .limit(random.nextInt(25))
                    .toList();
            return new Case(
                    hours(random, from), zone, rules, claims, from, begin.plusSeconds(60L * random.nextInt(9000)));
        }

        private static OpenHours hours(Random random, LocalDate from) {
            List<OpenHours.Weekly> weekly = new ArrayList<>();
            for (DayOfWeek day : DayOfWeek.values()) {
                if (random.nextInt(4) > 0) {
                    weekly.add(new OpenHours.Weekly(day, LocalDate.MIN, day(random)));
                }
            }
            TreeMap<LocalDate, DayHours> exceptions = new TreeMap<>();
            exceptions.put(from.plusDays(random.nextInt(8)), random.nextBoolean() ? DayHours.CLOSED : day(random));
            return new OpenHours(weekly, exceptions, null, null);
        }

        private static DayHours day(Random random) {
            int from = 5 * random.nextInt(140);
            int until = from + 5 * (1 + random.nextInt(60));
            int next = until + 5 * random.nextInt(20);
            int end = next + 5 * (1 + random.nextInt(20));
            return end > Stretch.DAY
                    ? DayHours.of(new Stretch(from, Math.min(until, Stretch.DAY)))
                    : DayHours.of(new Stretch(from, until), new Stretch(next, end));
        }

        private static Claim claim(Random random, Instant begin) {
            Instant start = begin.plusSeconds(300L * random.nextInt(12 * 24 * 8));
            Interval span = new Interval(start, start.plusSeconds(300L * (1 + random.nextInt(40))));
            Duration kept = Duration.ofMinutes(5L * random.nextInt(4));
            return random.nextBoolean()
                    ? Claim.busy(OTTOLINE, random.nextInt(99), span)
                    : Claim.session(OTTOLINE, random.nextInt(99), span, kept, kept);
        }

        OpenTimes times(List<Claim> some) {
            return new OpenTimes(hours, zone, rules, Host.takenUpBy(some), now);
        }

        /** Every start, minute by minute. */
        List<Instant> grid() {
            List<Instant> all = new ArrayList<>();
            for (LocalDate day = from; day.isBefore(from.plusDays(8)); day = day.plusDays(1)) {
                for (Interval open : hours.on(day).on(day, zone)) {
                    Instant at = open.start();
                    while (!at.plus(rules.length()).isAfter(open.end())) {
                        all.add(at);
                        at = at.plus(rules.grid());
                    }
                }
            }
            return all;
        }

        /** By trying every claim; a claim that reaches into the time counts before one that reaches into what is kept free. */
        Optional<Class<? extends Unoffered>> expected(Start start) {
            Instant at = start.at().toInstant();
            LocalDate today = now.atZone(zone).toLocalDate();
            if (rules.ahead().isPresent()
                    && start.at()
                            .toLocalDate()
                            .isAfter(today.plusDays(rules.ahead().getAsInt()))) {
                return Optional.of(Unoffered.TooFarAhead.class);
            }
            if (!now.isBefore(rules.cutOff().before(start.at()).toInstant())) {
                return Optional.of(Unoffered.CutOff.class);
            }
            Interval padded = new Interval(
                    at.minus(rules.before()), at.plus(rules.length()).plus(rules.after()));
            Interval time = new Interval(at, at.plus(rules.length()));
            if (claims.stream().noneMatch(c -> c.padded().overlaps(padded))) {
                return Optional.empty();
            }
            return claims.stream().anyMatch(c -> c.span().overlaps(time))
                    ? Optional.of(Unoffered.Taken.class)
                    : Optional.of(Unoffered.Buffer.class);
        }

        /** Whether the reason names something that really is in the way. */
        void assertTrue(Start start, Unoffered why) {
            Interval padded = rules.padded(start.at().toInstant());
            if (why instanceof Unoffered.Taken taken) {
                assertThat(taken.by()
                                .span()
                                .overlaps(new Interval(
                                        start.at().toInstant(),
                                        start.at().toInstant().plus(rules.length()))))
                        .isTrue();
            } else if (why instanceof Unoffered.Buffer buffer) {
                assertThat(buffer.by().padded().overlaps(padded)).isTrue();
            }
        }
    }
}
