package jollyroster.core.openhours;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;

class DayHoursTest {

    private static final Stretch MORNING = new Stretch(9 * 60, 11 * 60);
    private static final Stretch EVENING = new Stretch(19 * 60, 21 * 60);
    private static final DayHours DAY = DayHours.of(MORNING, EVENING);

    @Test
    void a_stretch_is_moved_or_left_out_and_the_others_stay() {
        assertThat(DAY.with(MORNING, Optional.of(new Stretch(10 * 60, 12 * 60))))
                .hasToString("Optional[10:00-12:00, 19:00-21:00]");
        assertThat(DAY.with(EVENING, Optional.empty())).contains(DayHours.of(MORNING));
        assertThat(DayHours.of(MORNING).with(MORNING, Optional.empty())).contains(DayHours.CLOSED);
    }

    @Test
    void what_comes_to_overlap_is_one_and_what_only_abuts_stays_two() {
        assertThat(DAY.with(MORNING, Optional.of(new Stretch(9 * 60, 20 * 60)))).hasToString("Optional[09:00-21:00]");
        assertThat(DAY.with(MORNING, Optional.of(new Stretch(9 * 60, 19 * 60))))
                .hasToString("Optional[09:00-19:00, 19:00-21:00]");
    }

    @Test
    void a_stretch_that_is_not_there_is_not_changed() {
        assertThat(DAY.with(new Stretch(9 * 60, 12 * 60), Optional.empty())).isEmpty();
    }
}
