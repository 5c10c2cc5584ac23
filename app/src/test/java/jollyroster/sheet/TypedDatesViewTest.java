package jollyroster.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import jollyroster.core.dates.TypedDates;
import org.junit.jupiter.api.Test;

class TypedDatesViewTest {

    private static final ZonedDateTime EVENING =
            ZonedDateTime.of(2027, 3, 10, 19, 50, 0, 0, ZoneId.of("America/Halifax"));

    private static String note(String typed) {
        TypedDates grammar = new TypedDates(EVENING.toLocalDate(), EVENING.getZone(), Duration.ofHours(1), 8);
        return TypedDatesView.of(typed, grammar.read(typed), false, EVENING)
                .lines()
                .get(0)
                .note();
    }

    @Test
    void a_time_that_has_passed_is_not_added_without_a_word() {
        assertThat(note("Mon-Fri 9-10 until 12 Mar")).contains("Wed 10 Mar, 09:00 has passed.");
        assertThat(note("10 Mar 9-10, 11-12")).contains("2 of them have passed.");
        assertThat(note("11 Mar 9-10")).doesNotContain("passed");
    }
}
