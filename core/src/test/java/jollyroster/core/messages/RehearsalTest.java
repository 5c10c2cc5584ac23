package jollyroster.core.messages;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Offset;
import jollyroster.core.door.DoorHours;
import jollyroster.core.messages.Rehearsal.Oddity;
import jollyroster.core.messages.Rehearsal.Played;
import jollyroster.core.messages.Rehearsal.Player;
import org.junit.jupiter.api.Test;

class RehearsalTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final ZoneId AUCKLAND = ZoneId.of("Pacific/Auckland");
    private static final ZonedDateTime START =
            LocalDateTime.parse("2027-03-16T19:00").atZone(HALIFAX);
    private static final Timing TIMING = new Timing(
            DoorHours.of(
                    new Interval(START.toInstant(), START.plusHours(2).toInstant()),
                    Duration.ofMinutes(15),
                    Duration.ofMinutes(15)),
            HALIFAX);
    private static final List<PlanLine> PLAN = List.of(
            PlanLine.before(Offset.days(1)),
            PlanLine.before(Offset.hours(2)),
            new PlanLine(Anchor.NOT_IN, Offset.minutes(5)),
            new PlanLine(Anchor.ATTENDED, Offset.days(1)),
            new PlanLine(Anchor.ABSENT, Offset.days(1)));

    private static Player player(ZoneId zone, Duration before, boolean seated, Verdict was) {
        return new Player("Wren", zone, START.minus(before).toInstant(), seated, was, false);
    }

    private static List<Played> play(Player player, boolean online) {
        return Rehearsal.play(player, PLAN, TIMING, WritingHours.DEFAULT, online);
    }

    private static List<Anchor> going(List<Played> messages) {
        return messages.stream()
                .filter(Played::goes)
                .map(m -> m.line().anchor())
                .toList();
    }

    @Test
    void each_gets_what_fits_and_in_order_of_time() {
        assertThat(going(play(player(HALIFAX, Duration.ofDays(6), true, Verdict.ATTENDED), true)))
                .containsExactly(Anchor.REGISTERED, Anchor.BEFORE_START, Anchor.BEFORE_START, Anchor.ATTENDED);
        assertThat(going(play(player(HALIFAX, Duration.ofDays(6), true, Verdict.ABSENT), true)))
                .containsExactly(
                        Anchor.REGISTERED, Anchor.BEFORE_START, Anchor.BEFORE_START, Anchor.NOT_IN, Anchor.ABSENT);
        assertThat(going(play(player(HALIFAX, Duration.ofDays(6), true, Verdict.ABSENT), false)))
                .as("in person nobody is missed")
                .doesNotContain(Anchor.NOT_IN);
        assertThat(going(play(player(HALIFAX, Duration.ofDays(6), false, Verdict.ABSENT), true)))
                .containsExactly(Anchor.WAITLISTED);
    }

    @Test
    void it_is_what_the_planner_plans() {
        Player late = player(HALIFAX, Duration.ofMinutes(150), true, Verdict.ATTENDED);
        assertThat(play(late, true).stream().filter(m -> !m.goes()))
                .extracting(m -> m.dropped().orElseThrow())
                .containsExactly(MessagePlan.Reason.TIME_HAD_PASSED, MessagePlan.Reason.TOO_CLOSE_TO_ANOTHER);
        assertThat(Rehearsal.findings(late, play(late, true)))
                .extracting(Rehearsal.Finding::oddity)
                .containsExactly(Oddity.NO_REMINDER);
    }

    @Test
    void what_wakes_somebody_and_what_comes_at_once_is_found() {
        Player far = player(AUCKLAND, Duration.ofDays(6), true, Verdict.ABSENT);
        List<Played> messages = Rehearsal.play(
                far,
                List.of(PlanLine.before(Offset.hours(6)), new PlanLine(Anchor.DOOR_OPENS, Offset.none())),
                TIMING,
                new WritingHours(java.util.Optional.empty(), java.util.Optional.empty()),
                true);
        assertThat(Rehearsal.findings(far, messages))
                .as("six hours before is 05:00 there")
                .extracting(Rehearsal.Finding::oddity)
                .containsExactly(Oddity.AT_NIGHT);
        Player missing = player(HALIFAX, Duration.ofDays(6), true, Verdict.ABSENT);
        List<Played> close = Rehearsal.play(
                missing,
                List.of(new PlanLine(Anchor.DOOR_OPENS, Offset.none()), new PlanLine(Anchor.NOT_IN, Offset.minutes(5))),
                TIMING,
                WritingHours.DEFAULT,
                true);
        assertThat(Rehearsal.findings(missing, close))
                .extracting(Rehearsal.Finding::oddity)
                .containsExactly(Oddity.WITHIN_THE_HOUR);
    }
}
