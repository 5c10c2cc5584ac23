package jollyroster.core.dates;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class DayRangeTest {

    private static final LocalDate MONDAY = LocalDate.of(2027, 3, 8);

    @Test
    void bothEndsAreWithin() {
        DayRange week = new DayRange(Optional.of(MONDAY), Optional.of(MONDAY.plusDays(6)));
        assertThat(week.holds(MONDAY)).isTrue();
        assertThat(week.holds(MONDAY.plusDays(6))).isTrue();
        assertThat(week.holds(MONDAY.minusDays(1))).isFalse();
        assertThat(week.holds(MONDAY.plusDays(7))).isFalse();
    }

    @Test
    void anEndThatIsNotSaidIsNoLimit() {
        assertThat(new DayRange(Optional.empty(), Optional.empty()).holds(MONDAY))
                .isTrue();
        assertThat(new DayRange(Optional.of(MONDAY), Optional.empty()).holds(LocalDate.MAX))
                .isTrue();
        assertThat(new DayRange(Optional.empty(), Optional.of(MONDAY)).holds(LocalDate.MIN))
                .isTrue();
    }

    @Test
    void theLastMayNotBeBeforeTheFirst() {
        assertThat(new DayRange(Optional.of(MONDAY), Optional.of(MONDAY)).isOrdered())
                .isTrue();
        assertThat(new DayRange(Optional.of(MONDAY), Optional.of(MONDAY.minusDays(1))).isOrdered())
                .isFalse();
        assertThat(new DayRange(Optional.empty(), Optional.of(MONDAY)).isOrdered())
                .isTrue();
    }
}
