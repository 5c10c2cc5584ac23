package jollyroster.core.dates;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
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
        assertThat(only("6 Apr 2027 1-1:30").notes()).containsExactly(TypedLine.Note.DAYTIME_ASSUMED);
        assertThat(only("6 Apr 2027 13:00-13:30").notes()).isEmpty();
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
            })
    void names_what_is_wrong_and_where(String typed, TypedLine.Problem problem, int column, String detail) {
        assertThat(only(typed).error()).isEqualTo(new TypedLine.Error(column, problem, detail));
    }

    @Test
    void a_start_that_the_clocks_skip_is_moved_and_noted() {
        assertThat(only("14 Mar 2027 02:30-03:30").notes()).contains(TypedLine.Note.MOVED_OUT_OF_GAP);
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

    @Property
    void every_line_yields_sessions_or_an_error(@ForAll @StringLength(max = 60) String text) {
        assertThat(dates.read(text))
                .allSatisfy(line -> assertThat(line.sessions().isEmpty()).isEqualTo(line.isError()));
    }

    private TypedLine only(String typed) {
        List<TypedLine> lines = dates.read(typed);
        assertThat(lines).hasSize(1);
        return lines.get(0);
    }
}
