package jollyroster.core.dates;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import jollyroster.core.dates.TypedLine.Reading;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TypedDatesTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private final TypedDates dates = new TypedDates(LocalDate.of(2027, 3, 10), HALIFAX, Duration.ofMinutes(90));

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Tue 6 Apr 10-10:30          | 2027-04-06T10:00 | 30",
                "6 April, 19:00              | 2027-04-06T19:00 | 90",
                "2027-04-06 10.00–10.30      | 2027-04-06T10:00 | 30",
                "Tuesday 6 April 2027 1:45pm | 2027-04-06T13:45 | 90",
                "6 Apr 1-1:30                | 2027-04-06T13:00 | 30",
                "6 Apr 11-1                  | 2027-04-06T11:00 | 120",
                "6 Apr 11-1pm                | 2027-04-06T11:00 | 120",
                "6 Apr 1-1:30pm              | 2027-04-06T13:00 | 30",
                "6 Apr 07:00 to 07:45        | 2027-04-06T07:00 | 45",
                "6th of April at 19h30       | 2027-04-06T19:30 | 90",
                "1 Feb 10-11                 | 2028-02-01T10:00 | 60",
                "29 Feb 10-11                | 2028-02-29T10:00 | 60",
                "6 Apr 23:00-00:30           | 2027-04-06T23:00 | 90",
                "6 Apr 12-13                 | 2027-04-06T12:00 | 60",
                "next Tue 7pm                | 2027-03-16T19:00 | 90",
                "next Wed 7pm                | 2027-03-17T19:00 | 90",
                "noon-1pm tomorrow           | 2027-03-11T12:00 | 60",
                "tomorrow 11-noon            | 2027-03-11T11:00 | 60",
                "6 Apr 21:00-midnight        | 2027-04-06T21:00 | 180",
                "2027/04/06 10-11            | 2027-04-06T10:00 | 60",
                "6 Apr 1000-1130             | 2027-04-06T10:00 | 90",
                "6 Apr 2027 1000-1130        | 2027-04-06T10:00 | 90",
                "6 Apr 10h-11h30             | 2027-04-06T10:00 | 90",
                "6 Apr 14:00 (45 min)        | 2027-04-06T14:00 | 45",
                "6 Apr 14:00 (1 h 30)        | 2027-04-06T14:00 | 90",
                "6 Apr 22:00-06:00           | 2027-04-06T22:00 | 480",
                "6 Apr 11pm-1am              | 2027-04-06T23:00 | 120",
                "6 Apr 06:00 for 14 h        | 2027-04-06T06:00 | 840",
            })
    void reads_dates_as_people_type_them(String typed, String start, int minutes) {
        TypedLine line = only(typed);
        assertThat(line.error()).isNull();
        assertThat(line.sessions()).hasSize(1);
        assertThat(line.sessions().get(0).start().toLocalDateTime()).isEqualTo(start);
        assertThat(line.sessions().get(0).length()).isEqualTo(Duration.ofMinutes(minutes));
    }

    @Test
    void several_times_on_one_day_are_several_sessions() {
        assertThat(only("Tue 6 Apr 10-10:30, 13:45-14:15").sessions()).hasSize(2);
    }

    @Test
    void says_how_it_read_a_time_without_am_or_pm() {
        assertThat(only("6 Apr 2027 1-1:30").notes())
                .containsExactly(new TypedLine.Note(Reading.DAYTIME_ASSUMED, 12, "13:00–13:30"));
        assertThat(only("6 Apr 2027 13:00-13:30").notes()).isEmpty();
        assertThat(only("6 Apr 2027 at 7").notes()).contains(new TypedLine.Note(Reading.DAYTIME_ASSUMED, 12, "19:00"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Mon 6 Apr 2027 10-11 | WEEKDAY_CONTRADICTS | 1  | Monday/Tuesday",
                "31 Feb 2027 10-11    | NO_SUCH_DATE        | 1  | 31 Feb 2027",
                "soon 10-11           | NO_DATE             | 1  | soon 10-11",
                "6 Apr 2027           | NO_TIME             | 11 | ''",
                "6 Apr 2027 25:00     | NO_SUCH_TIME        | 12 | 25:00",
                "6 Apr 2027 13pm      | NO_SUCH_TIME        | 12 | 13:00pm",
                "6 Apr 1900 10-11     | YEAR_OUT_OF_RANGE   | 1  | 1900",
                "6 Apr 9999 10-11     | YEAR_OUT_OF_RANGE   | 1  | 9999",
                "6 Apr 2027 10 maybe  | NOT_UNDERSTOOD      | 15 | maybe",
                "6/4 10-11            | AMBIGUOUS_DATE      | 1  | 6/4",
                "2027-13-01 10-11     | NO_SUCH_DATE        | 1  | 2027-13-01",
                "8-6 Apr 10-11        | ENDS_BEFORE_START   | 1  | 8-6",
                "6 Apr 11-10          | ENDS_BEFORE_IT_STARTS | 7 | 11:00–22:00",
                "6 Apr 10-10          | ENDS_BEFORE_IT_STARTS | 7 | 10:00–22:00",
                "6 Apr 11:00-10:00    | ENDS_BEFORE_IT_STARTS | 7 | 11:00–22:00",
                "6 Apr 23-1           | ENDS_BEFORE_IT_STARTS | 7 | 23:00–01:00",
                "6 Apr 06:00-20:00    | OVER_TWELVE_HOURS   | 7  | 06:00/840",
                "6 Apr 19:00-18:00    | OVER_TWELVE_HOURS   | 7  | 19:00/1380",
                "6 Apr 1300-1200      | OVER_TWELVE_HOURS   | 7  | 13:00/1380",
                "each Sunday in June 2020 10-11 | YEAR_OUT_OF_RANGE | 13 | 2020",
                "every Sun in June until 8 Jun 10-11 | SAID_TWICE | 1 | ''",
                "6 Apr 10-11, 7 Apr 10 | SECOND_DATE        | 14 | 7 Apr",
                "every Tue until 1 Mar 2027 10-11 | ENDS_BEFORE_START | 17 | 1 Mar 2027",
                "weekly x3 until 8 Apr 10-11 | COUNT_AND_END | 8  | ''",
                "every Tue x100000 10-11 | TOO_MANY_SESSIONS | 11 | 2000",
                "6 Apr 00:00-23:59 in 100000 parts | TOO_MANY_SESSIONS | 7 | 2000",
                "6 Apr 10-11 every 25 min | SLICES_DO_NOT_FIT | 7 | 60/25",
                "6 Apr 10-11 0 seats  | SEATS_OUT_OF_RANGE  | 13 | 0",
                "6 Apr 10-11 @ a @ b  | SAID_TWICE          | 17 | @",
                "6 Apr 10-11 @ \"a   | NAME_NOT_CLOSED     | 15 | \"a",
                "6 Apr 10-11 except 6 Apr | NOTHING_LEFT     | 1  | ''",
                "6 Apr 10 for 50000 min | TOO_LONG           | 7  | ''",
            })
    void names_what_is_wrong_and_where(String typed, TypedLine.Problem problem, int column, String detail) {
        assertThat(only(typed).error()).isEqualTo(new TypedLine.Error(column, problem, detail));
    }

    @Test
    void a_start_that_the_clocks_skip_is_moved_and_noted() {
        assertThat(readings("14 Mar 2027 02:30-03:30")).contains(Reading.MOVED_OUT_OF_GAP);
    }

    @Test
    void blank_lines_are_passed_by_and_the_others_keep_their_numbers() {
        assertThat(dates.read("\n6 Apr 10\n\n7 Apr 10\n"))
                .extracting(TypedLine::line)
                .containsExactly(2, 4);
    }

    @Test
    void too_many_lines_is_one_error() {
        List<TypedLine> lines = dates.read("6 Apr 2027 10-11\n".repeat(50_000));
        assertThat(lines).hasSize(TypedDates.MOST_LINES + 1);
        assertThat(lines.get(TypedDates.MOST_LINES).error().problem()).isEqualTo(TypedLine.Problem.TOO_MANY_LINES);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "every Tue until 13 Apr 19:00               | 2027-03-16 2027-03-23 2027-03-30 2027-04-06 2027-04-13",
                "weekly x6 from 16 Mar 19:00-20:30          | 2027-03-16 2027-03-23 2027-03-30 2027-04-06 2027-04-13 2027-04-20",
                "Tue and Thu 10-11                          | 2027-03-11 2027-03-16",
                "Tue and Thu 10-11 x4                       | 2027-03-11 2027-03-16 2027-03-18 2027-03-23",
                "every other Wed x3 10-11                   | 2027-03-10 2027-03-24 2027-04-07",
                "every 2 weeks on Tue from 6 Apr x3 9-10    | 2027-04-06 2027-04-20 2027-05-04",
                "fortnightly from 6 Apr x2 9-10             | 2027-04-06 2027-04-20",
                "every weekday until 15 Mar 9-10            | 2027-03-10 2027-03-11 2027-03-12 2027-03-15",
                "every weekend x3 9-10                      | 2027-03-13 2027-03-14 2027-03-20",
                "daily x3 9-10                              | 2027-03-10 2027-03-11 2027-03-12",
                "monthly on the first Tue x3 18:00          | 2027-04-06 2027-05-04 2027-06-01",
                "last Fri of every month x2 18:00           | 2027-03-26 2027-04-30",
                "every month on the 15th x2 18:00           | 2027-03-15 2027-04-15",
                "every month on the last day x2 18:00       | 2027-03-31 2027-04-30",
                "monthly from 31 Mar x3 18:00               | 2027-03-31 2027-05-31 2027-07-31",
                "every Tue until 30 Mar except 23 Mar 19:00 | 2027-03-16 2027-03-30",
                "Tue 6 Apr 10-10:30 x3                      | 2027-04-06 2027-04-13 2027-04-20",
                "6, 8 and 13 Apr 10-11                      | 2027-04-06 2027-04-08 2027-04-13",
                "6-8 Apr 10-11                              | 2027-04-06 2027-04-07 2027-04-08",
                "6 Apr to 8 Apr 10-11                       | 2027-04-06 2027-04-07 2027-04-08",
                "30 Mar, 6 Apr and 13 Apr, 10-11            | 2027-03-30 2027-04-06 2027-04-13",
                "April 6, 2027 10-11                        | 2027-04-06",
                "today 10-11                                | 2027-03-10",
                "tomorrow at 7pm                            | 2027-03-11",
                "19:00-20:30 on Tue 6 Apr                   | 2027-04-06",
                "Mondays x2 10-11                           | 2027-03-15 2027-03-22",
                "Wed–Fri 9-10 until 19 Mar                  | 2027-03-10 2027-03-11 2027-03-12 2027-03-17 2027-03-18 2027-03-19",
                "every Fri to Mon x4 9-10                   | 2027-03-12 2027-03-13 2027-03-14 2027-03-15",
                "weekdays until 15 Mar 9-10                 | 2027-03-10 2027-03-11 2027-03-12 2027-03-15",
                "1st and 3rd Tue of the month x3 18:00      | 2027-03-16 2027-04-06 2027-04-20",
                "Apr 6-8 9-12                               | 2027-04-06 2027-04-07 2027-04-08",
                "each Sunday in June 10-11                  | 2027-06-06 2027-06-13 2027-06-20 2027-06-27",
                "each Sunday in March 10-11                 | 2027-03-14 2027-03-21 2027-03-28",
                "every Sun in Feb 10-11                     | 2028-02-06 2028-02-13 2028-02-20 2028-02-27",
            })
    void reads_days_as_people_type_them(String typed, String days) {
        TypedLine line = only(typed);
        assertThat(line.error()).isNull();
        assertThat(line.sessions())
                .extracting(s -> s.start().toLocalDate().toString())
                .containsExactly(days.split(" "));
    }

    /** Both ends included; counted by hand: four in October, five in November, two in December, one in September. */
    @Test
    void from_28_september_to_14_december_weekly_is_twelve_dates() {
        TypedDates dates = new TypedDates(LocalDate.of(2026, 9, 1), HALIFAX, Duration.ofMinutes(90));
        assertThat(dates.read("weekly from Mon 28 Sep until 14 Dec 2026 19:00")
                        .get(0)
                        .sessions())
                .hasSize(12);
    }

    /** Common practice: two hours are twelve turns of ten minutes. */
    @Test
    void a_stretch_is_cut_into_slices() {
        TypedLine line = only("6 Apr 10:00-12:00 every 10 min");
        assertThat(line.sessions()).hasSize(12);
        assertThat(line.notes()).contains(new TypedLine.Note(Reading.SLICED, 7, "12"));
        assertThat(only("6 Apr 10:00-12:00 in 4 parts").sessions()).hasSize(4);
    }

    @Test
    void one_line_holds_several_times_repeated_weekly() {
        TypedLine line = only("Tue 6 Apr 10-10:30, 13:45-14:15 x5");
        assertThat(line.sessions()).hasSize(10);
        assertThat(line.notes()).contains(new TypedLine.Note(Reading.WEEKLY, 33, "5"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "6 Apr 10-11 @ Rope loft                                  | Rope loft    |                                | 0",
                "6 Apr 10-11 @ Rope loft with Ottoline Marsh, 8 seats      | Rope loft    | Ottoline Marsh                 | 8",
                "6 Apr 10-11 with Ottoline Marsh and Barnaby Teague        |              | Ottoline Marsh/Barnaby Teague  | 0",
                "with Ottoline Marsh, Barnaby Teague, 6 Apr 10-11          |              | Ottoline Marsh/Barnaby Teague  | 0",
                "12 seats @ \"Quay, north end\" 6 Apr 10-11              | Quay, north end |                             | 12",
                "6 Apr @ Rope loft 10-11                                  | Rope loft    |                                | 0",
                "6 Apr 10-11 8 seats @ Boathouse x2                        | Boathouse    |                                | 8",
                "every Tue @ Boathouse until 13 Apr, 10-11                 | Boathouse    |                                | 0",
            })
    void reads_venue_hosts_and_seats(String typed, String venue, String hosts, int seats) {
        TypedLine line = only(typed);
        assertThat(line.error()).isNull();
        assertThat(line.options().venueName()).isEqualTo(venue == null ? "" : venue);
        assertThat(String.join("/", line.options().hostNames())).isEqualTo(hosts == null ? "" : hosts);
        assertThat(line.options().seats().orElse(0)).isEqualTo(seats);
    }

    @Test
    void a_name_knows_where_it_stands() {
        assertThat(only("6 Apr 10-11 @ Rope loft").options().venue()).isEqualTo(new TypedLine.Named("Rope loft", 15));
    }

    @Test
    void a_series_without_an_end_is_limited_and_says_so() {
        TypedLine line = only("every day 10-11");
        assertThat(line.sessions()).hasSize(TypedDates.OPEN_ENDED_DATES);
        assertThat(line.notes()).contains(new TypedLine.Note(Reading.OPEN_ENDED, 1, "52"));
    }

    @Test
    void an_exception_that_hits_nothing_is_noted() {
        assertThat(readings("every Tue until 30 Mar except 24 Mar 19:00")).contains(Reading.EXCEPTION_HITS_NOTHING);
    }

    @Test
    void a_remark_yields_a_note() {
        assertThat(only("# evenings").notes()).containsExactly(new TypedLine.Note(Reading.REMARK, 1, ""));
    }

    /** 14 March 2027 in Halifax has no 02:00–03:00: from 00:30 to 04:00 are two and a half hours. */
    @Test
    void an_end_on_the_clock_is_kept_on_a_night_of_change() {
        SessionTime night = only("14 Mar 2027 00:30-04:00").sessions().get(0);
        assertThat(night.length()).isEqualTo(Duration.ofMinutes(150));
        assertThat(night.end().toLocalTime()).hasToString("04:00");
    }

    @Test
    void working_hours_decide_about_times_without_am_or_pm() {
        TypedDates early = new TypedDates(LocalDate.of(2027, 3, 10), HALIFAX, Duration.ofMinutes(90), 6);
        assertThat(early.read("6 Apr 7-8").get(0).sessions().get(0).start().getHour())
                .isEqualTo(7);
        assertThat(dates.read("6 Apr 7-8").get(0).sessions().get(0).start().getHour())
                .isEqualTo(19);
    }

    @Property
    void every_line_yields_sessions_or_an_error(@ForAll @StringLength(max = 60) String text) {
        assertThat(dates.read(text))
                .allSatisfy(line -> assertThat(
                                line.sessions().isEmpty() && line.notes().isEmpty())
                        .isEqualTo(line.isError()));
    }

    /** Source: the bar of half a millisecond a line is in the bench; here only that no line is slow to refuse. */
    @Property(tries = 200)
    void nonsense_is_refused_without_looking_back_forever(@ForAll @StringLength(min = 300, max = 400) String text) {
        assertThat(dates.read(text)).allSatisfy(line -> assertThat(line.line()).isPositive());
    }

    private List<Reading> readings(String typed) {
        return only(typed).notes().stream().map(TypedLine.Note::reading).toList();
    }

    private TypedLine only(String typed) {
        List<TypedLine> lines = dates.read(typed);
        assertThat(lines).hasSize(1);
        return lines.get(0);
    }
}
