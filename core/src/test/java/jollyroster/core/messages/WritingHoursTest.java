package jollyroster.core.messages;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.DayOfWeek;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WritingHoursTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final SendHours OFFICE =
            new SendHours(EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY), LocalTime.of(8, 0), LocalTime.of(17, 0));
    private static final WritingHours BOTH = new WritingHours(Optional.of(QuietHours.DEFAULT), Optional.of(OFFICE));

    private static ZonedDateTime at(String time) {
        return LocalDateTime.parse(time).atZone(HALIFAX);
    }

    @ParameterizedTest
    @CsvSource({
        "2027-03-14T10:00, 2027-03-12T17:00, 2027-03-15T08:00",
        "2027-03-13T23:00, 2027-03-12T17:00, 2027-03-15T08:00",
        "2027-03-15T12:00, 2027-03-15T12:00, 2027-03-15T12:00",
        "2027-03-15T17:00, 2027-03-15T17:00, 2027-03-15T17:00",
        "2027-03-15T17:01, 2027-03-15T17:00, 2027-03-16T08:00",
        "2027-03-15T07:59, 2027-03-12T17:00, 2027-03-15T08:00"
    })
    void outside_send_hours_a_message_moves_to_the_last_before_or_the_first_after(
            String time, String before, String after) {
        assertThat(BOTH.atOrBefore(at(time))).isEqualTo(at(before));
        assertThat(BOTH.atOrAfter(at(time))).isEqualTo(at(after));
    }

    @Test
    void quiet_hours_and_send_hours_both_hold() {
        SendHours late = new SendHours(Set.of(DayOfWeek.MONDAY), LocalTime.of(6, 0), LocalTime.of(23, 0));
        WritingHours hours = new WritingHours(Optional.of(QuietHours.DEFAULT), Optional.of(late));
        assertThat(hours.atOrBefore(at("2027-03-15T22:30"))).isEqualTo(at("2027-03-15T21:00"));
        assertThat(hours.atOrAfter(at("2027-03-15T22:30"))).isEqualTo(at("2027-03-22T08:00"));
        assertThat(hours.atOrAfter(at("2027-03-15T06:30"))).isEqualTo(at("2027-03-15T08:00"));
    }

    @Test
    void hours_that_leave_no_time_are_known() {
        assertThat(BOTH.leavesTime()).isTrue();
        WritingHours none = new WritingHours(
                Optional.of(new QuietHours(LocalTime.of(7, 0), LocalTime.of(18, 0))), Optional.of(OFFICE));
        assertThat(none.leavesTime()).isFalse();
        assertThat(none.atOrBefore(at("2027-03-15T12:00")))
                .as("it ends all the same")
                .isNotNull();
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new SendHours(Set.of(), LocalTime.of(8, 0), LocalTime.of(9, 0)));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new SendHours(Set.of(DayOfWeek.MONDAY), LocalTime.of(9, 0), LocalTime.of(9, 0)));
    }

    @Property
    void a_message_never_moves_the_wrong_way_and_lands_where_it_may(@ForAll @IntRange(max = 60 * 24 * 30) int minutes) {
        ZonedDateTime time = at("2027-03-01T00:00").plusMinutes(minutes);
        ZonedDateTime before = BOTH.atOrBefore(time);
        ZonedDateTime after = BOTH.atOrAfter(time);
        assertThat(before).isBeforeOrEqualTo(time);
        assertThat(after).isAfterOrEqualTo(time);
        for (ZonedDateTime settled : List.of(before, after)) {
            assertThat(OFFICE.contains(settled)).isTrue();
        }
    }

    @Test
    void texts_have_send_hours_of_their_own() {
        WritingHours hours = new WritingHours(Optional.of(QuietHours.DEFAULT), Optional.empty(), Optional.of(OFFICE));
        ZonedDateTime saturday = ZonedDateTime.parse("2027-03-13T23:00:00-04:00[America/Halifax]");
        assertThat(hours.answeredByText(saturday))
                .isEqualTo(ZonedDateTime.parse("2027-03-15T08:00:00-03:00[America/Halifax]"));
        assertThat(WritingHours.DEFAULT.answeredByText(saturday))
                .as("an answer minds no quiet hours")
                .isEqualTo(saturday);
        ZonedDateTime sunday = ZonedDateTime.parse("2027-03-14T10:00:00-03:00[America/Halifax]");
        assertThat(hours.by(Channel.TEXT).atOrBefore(sunday))
                .isEqualTo(ZonedDateTime.parse("2027-03-12T17:00:00-04:00[America/Halifax]"));
        assertThat(hours.by(Channel.EMAIL).atOrBefore(sunday)).isEqualTo(sunday);
    }

    @Test
    void send_hours_may_be_meant_on_the_clock_at_home() {
        SendHours home = new SendHours(
                EnumSet.allOf(DayOfWeek.class),
                LocalTime.of(8, 0),
                LocalTime.of(17, 0),
                Optional.of(ZoneId.of("America/Halifax")));
        ZonedDateTime singapore = ZonedDateTime.parse("2027-03-16T12:00:00+08:00[Asia/Singapore]");
        assertThat(home.atOrAfter(singapore))
                .as("08:00 in Halifax")
                .isEqualTo(ZonedDateTime.parse("2027-03-16T19:00:00+08:00[Asia/Singapore]"));
        assertThat(home.atOrBefore(singapore))
                .as("17:00 the day before in Halifax")
                .isEqualTo(ZonedDateTime.parse("2027-03-16T04:00:00+08:00[Asia/Singapore]"));
    }
}
