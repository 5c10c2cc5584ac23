package jollyroster.core.messages;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import jollyroster.core.dates.Offset;
import jollyroster.core.messages.PlanText.Added;
import jollyroster.core.messages.PlanText.Problem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PlanTextTest {

    private static Problem refused(List<PlanLine> plan, String typed) {
        return ((Added.Refused) PlanText.add(plan, typed)).problem();
    }

    @ParameterizedTest
    @CsvSource({
        "2 hours before, 2, HOURS",
        "2 hours before the start, 2, HOURS",
        "An hour before the session, 1, HOURS",
        "24h before, 24, HOURS",
        "'  45   min  before', 45, MINUTES",
        "half an hour before, 30, MINUTES",
        "the day before, 1, DAYS",
        "two days ahead, 2, DAYS",
        "1d, 1, DAYS",
        "a week before, 1, WEEKS",
        "3 WKS before start, 3, WEEKS",
        "168 hours before, 168, HOURS"
    })
    void a_reminder_is_read_as_people_say_it(String typed, int amount, Offset.Unit unit) {
        Added added = PlanText.add(PlanLine.DEFAULT.subList(0, 1), typed);
        assertThat(added)
                .isEqualTo(new Added.Lines(
                        List.of(PlanLine.before(new Offset(amount, unit))),
                        List.of(PlanLine.atOnce(), PlanLine.before(new Offset(amount, unit)))));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                " ",
                "soon",
                "2 fortnights before",
                "some hours before",
                "2 hours afterwards",
                "-2 hours before",
                "2.5 hours before",
                "before",
                "2 hours before the end",
                "9999999 minutes before",
                "\uD83D\uDEA4 before",
                "1 day before the cut-off, by text",
                "{{2}} hours before"
            })
    void what_is_no_time_before_the_start_is_not_understood(String typed) {
        assertThat(refused(PlanLine.DEFAULT, typed)).isEqualTo(Problem.NOT_UNDERSTOOD);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "when the door opens | DOOR_OPENS 0 MINUTES",
                "Door opens | DOOR_OPENS 0 MINUTES",
                "at the door | DOOR_OPENS 0 MINUTES",
                "5 min after the start | NOT_IN 5 MINUTES",
                "ten minutes after the start, to those who are not in | NOT_IN 10 MINUTES",
                "5 minutes after start, if missing | NOT_IN 5 MINUTES",
                "1 day after | ATTENDED 1 DAYS; PART 1 DAYS; ABSENT 1 DAYS",
                "a day after the end, to everybody | ATTENDED 1 DAYS; PART 1 DAYS; ABSENT 1 DAYS",
                "2h after, to those who attended | ATTENDED 2 HOURS",
                "2 hours after the session to those who were there in part | PART 2 HOURS",
                "a week after, to the absent | ABSENT 1 WEEKS",
                "1 day after for those who were not there | ABSENT 1 DAYS",
                "1 day after, to no-shows | ABSENT 1 DAYS"
            })
    void what_goes_with_the_door_or_later_says_to_whom(String typed, String lines) {
        Added.Lines added = (Added.Lines) PlanText.add(PlanLine.DEFAULT, typed);
        assertThat(added.lines().stream()
                        .map(line -> line.anchor() + " " + line.offset().amount() + " "
                                + line.offset().unit()))
                .containsExactly(lines.split("; "));
        assertThat(PlanText.add(added.plan(), typed)).isEqualTo(new Added.Refused(Problem.SAID_TWICE));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "none",
            value = {
                "2 hours before, text, to everybody registered | BEFORE_START TEXT ",
                "2 hours before by text | BEFORE_START TEXT ",
                "1 day before, by e-mail and text | BEFORE_START BOTH ",
                "1 day before, both | BEFORE_START BOTH ",
                "1 day before to first-timers | BEFORE_START EMAIL first",
                "1 day before, to those who are there for the first time, as a text | BEFORE_START TEXT first",
                "1 week before, to those who have been before | BEFORE_START EMAIL again",
                "1 day before, to those with vessel = Own boat | BEFORE_START EMAIL vessel=Own boat",
                "1 day before, to those who answered vessel: Own boat | BEFORE_START EMAIL vessel=Own boat",
                "2 hours after, to those absent, text | ABSENT TEXT ",
                "1 hour after, to those who attended, to first-timers | ATTENDED EMAIL first",
                "at once, text | REGISTERED TEXT ",
                "When called up, by text | CALLED_UP TEXT ",
                "called up, both | CALLED_UP TEXT ",
                "when it is called off, text | CALLED_OFF TEXT ",
                "when moved, text | CHANGED TEXT ",
                "2 days before the cut-off | SILENT EMAIL ",
                "2 days before the cut-off, to those who have not answered | SILENT EMAIL ",
                "12 hours before the payment runs out | UNPAID EMAIL ",
                "1 day before, to those who still wait | STILL_WAITING EMAIL ",
                "1 day before, if waiting | STILL_WAITING EMAIL ",
                "1 day before, to the waitlist | STILL_WAITING EMAIL ",
                "1 day before, to those on the waitlist | STILL_WAITING EMAIL ",
                "3 days before, if short of its minimum | SHORT EMAIL "
            })
    void by_what_and_to_whom_is_said_after_commas(String typed, String line) {
        Added.Lines added = (Added.Lines) PlanText.add(PlanLine.DEFAULT, typed);
        assertThat(added.lines())
                .extracting(one -> one.anchor() + " " + one.channels() + " "
                        + one.audience().code())
                .containsExactly(line.strip().split(" ").length < 3 ? line.strip() + " " : line);
        assertThat(PlanText.add(added.plan(), typed)).isEqualTo(new Added.Refused(Problem.SAID_TWICE));
    }

    @ParameterizedTest
    @ValueSource(strings = {"at once", "when called up, by e-mail", "moved"})
    void the_email_of_an_answer_goes_anyway(String typed) {
        assertThat(refused(PlanLine.DEFAULT.subList(1, 2), typed)).isEqualTo(Problem.GOES_ANYWAY);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "first", "again", "vessel=Own boat", "a=b=c"})
    void an_audience_is_read_as_it_is_kept(String code) {
        assertThat(Audience.of(code).orElseThrow().code()).isEqualTo(code);
    }

    @ParameterizedTest
    @ValueSource(strings = {"last", "=", "vessel=", "=own"})
    void what_no_audience_is_kept_as_is_none(String code) {
        assertThat(Audience.of(code)).isEmpty();
    }

    @Test
    void an_audience_holds_whom_it_names() {
        assertThat(Audience.FIRST_TIMERS.holds(true, Map.of())).isTrue();
        assertThat(Audience.RETURNING.holds(true, Map.of())).isFalse();
        Audience own = Audience.answered("vessel", "own boat");
        assertThat(own.holds(true, Map.of("vessel", "Own boat"))).isTrue();
        assertThat(own.holds(true, Map.of("vessel", "A hired one, Own Boat"))).isTrue();
        assertThat(own.holds(true, Map.of("vessel", "No own boat"))).isFalse();
        assertThat(own.holds(true, Map.of())).isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "2 hours before, by pigeon",
                "2 hours before, to those",
                "1 day after, to the crew",
                "5 min after the start, to those who attended",
                "1 day after, to {{name}}"
            })
    void whoever_is_not_known_is_asked_for(String typed) {
        assertThat(refused(PlanLine.DEFAULT, typed)).isEqualTo(Problem.WHO_NOT_UNDERSTOOD);
    }

    @Test
    void what_is_there_already_is_not_added_with_the_others() {
        List<PlanLine> plan = List.of(new PlanLine(Anchor.ABSENT, Offset.days(1)));
        assertThat(((Added.Lines) PlanText.add(plan, "1 day after")).lines())
                .extracting(PlanLine::anchor)
                .containsExactly(Anchor.ATTENDED, Anchor.PART);
        assertThat(refused(plan, "13 hours after the start")).isEqualTo(Problem.OUT_OF_RANGE);
        assertThat(refused(plan, "0 minutes after")).isEqualTo(Problem.OUT_OF_RANGE);
        assertThat(refused(plan, "54 weeks after")).isEqualTo(Problem.OUT_OF_RANGE);
    }

    @Test
    void a_plan_says_nothing_twice_and_nothing_years_ahead() {
        assertThat(refused(PlanLine.DEFAULT, "1 day before")).isEqualTo(Problem.SAID_TWICE);
        assertThat(PlanText.add(PlanLine.DEFAULT, "24 hours before"))
                .as("elapsed, where the clocks may change in between")
                .isInstanceOf(Added.Lines.class);
        assertThat(refused(PlanLine.DEFAULT, "0 minutes before")).isEqualTo(Problem.OUT_OF_RANGE);
        assertThat(refused(PlanLine.DEFAULT, "53 weeks before")).isEqualTo(Problem.OUT_OF_RANGE);
        assertThat(refused(PlanLine.DEFAULT, "999999 weeks before")).isEqualTo(Problem.OUT_OF_RANGE);
        assertThat(refused(PlanLine.DEFAULT, "x".repeat(1_000_000))).isEqualTo(Problem.NOT_UNDERSTOOD);
        List<PlanLine> full = new ArrayList<>();
        for (int hours = 1; hours <= PlanText.MOST; hours++) {
            full.add(PlanLine.before(Offset.hours(hours)));
        }
        assertThat(refused(full, "1 week before")).isEqualTo(Problem.TOO_MANY);
    }

    @Test
    void a_new_reminder_stands_in_its_place() {
        Added.Lines added = (Added.Lines) PlanText.add(PlanLine.DEFAULT, "2 hours before");
        assertThat(added.plan())
                .containsExactly(
                        PlanLine.atOnce(),
                        PlanLine.before(Offset.days(1)),
                        PlanLine.before(Offset.hours(2)),
                        PlanLine.before(Offset.minutes(15)));
    }
}
