package jollyroster.core.messages;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

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
import jollyroster.core.messages.Rehearsal.Part;
import jollyroster.core.messages.Rehearsal.Played;
import jollyroster.core.messages.Rehearsal.Player;
import jollyroster.core.messages.Rehearsal.Stage;
import jollyroster.core.messages.Rehearsal.Standing;
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
        return part(player, PLAN, WritingHours.DEFAULT, online).messages();
    }

    private static Part part(
            Player player, List<PlanLine> plan, WritingHours hours, boolean online, Happening... happenings) {
        return Rehearsal.play(0, player, new Stage(plan, TIMING, hours, online), List.of(happenings));
    }

    private static Part part(Player player, Happening... happenings) {
        return part(player, PLAN, WritingHours.DEFAULT, true, happenings);
    }

    private static Happening happening(Happening.Kind kind, Duration before, int days) {
        return new Happening(kind, START.minus(before).toInstant(), 0, days);
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
    void whoever_still_waits_is_told_unless_they_are_called_up_before() {
        List<PlanLine> plan =
                List.of(new PlanLine(Anchor.STILL_WAITING, Offset.days(1)), PlanLine.before(Offset.hours(2)));
        Player waits = player(HALIFAX, Duration.ofDays(6), false, Verdict.ATTENDED);
        assertThat(part(waits, plan, WritingHours.DEFAULT, true).messages())
                .filteredOn(Played::goes)
                .extracting(m -> m.line().anchor(), Played::at)
                .containsExactly(
                        tuple(Anchor.WAITLISTED, waits.joins()),
                        tuple(Anchor.STILL_WAITING, START.minusDays(1).toInstant()));
        Happening up = happening(Happening.Kind.CALLED_UP, Duration.ofDays(3), 0);
        assertThat(going(part(waits, plan, WritingHours.DEFAULT, true, up).messages()))
                .containsExactly(Anchor.WAITLISTED, Anchor.CALLED_UP, Anchor.SEATED, Anchor.BEFORE_START);
        Happening moves = happening(Happening.Kind.MOVES, Duration.ofDays(3), 2);
        assertThat(part(waits, plan, WritingHours.DEFAULT, true, moves).messages())
                .filteredOn(Played::goes)
                .filteredOn(m -> m.line().anchor() == Anchor.STILL_WAITING)
                .extracting(Played::at)
                .containsExactly(START.plusDays(1).toInstant());
        Player sleeps = player(AUCKLAND, Duration.ofDays(6), false, Verdict.ATTENDED);
        List<PlanLine> early = List.of(new PlanLine(Anchor.STILL_WAITING, Offset.hours(6)));
        assertThat(part(sleeps, early, WritingHours.DEFAULT, true).messages())
                .filteredOn(m -> m.line().anchor() == Anchor.STILL_WAITING)
                .as("six hours before is 05:00 there; quiet hours begin at 21:00")
                .extracting(m -> m.at().atZone(AUCKLAND).toLocalTime().toString())
                .containsExactly("21:00");
        Player seated = player(HALIFAX, Duration.ofDays(6), true, Verdict.ATTENDED);
        assertThat(going(part(seated, plan, WritingHours.DEFAULT, true).messages()))
                .doesNotContain(Anchor.STILL_WAITING);
    }

    @Test
    void it_is_what_the_planner_plans() {
        Player late = player(HALIFAX, Duration.ofMinutes(150), true, Verdict.ATTENDED);
        assertThat(play(late, true).stream().filter(m -> !m.goes()))
                .extracting(m -> m.dropped().orElseThrow())
                .containsExactly(MessagePlan.Reason.TIME_HAD_PASSED, MessagePlan.Reason.TOO_CLOSE_TO_ANOTHER);
        assertThat(Rehearsal.findings(late, part(late)))
                .extracting(Rehearsal.Finding::oddity)
                .containsExactly(Oddity.NO_REMINDER);
    }

    @Test
    void what_wakes_somebody_and_what_comes_at_once_is_found() {
        Player far = player(AUCKLAND, Duration.ofDays(6), true, Verdict.ABSENT);
        Part messages = part(
                far,
                List.of(PlanLine.before(Offset.hours(6)), new PlanLine(Anchor.DOOR_OPENS, Offset.none())),
                new WritingHours(java.util.Optional.empty(), java.util.Optional.empty()),
                true);
        assertThat(Rehearsal.findings(far, messages))
                .as("six hours before is 05:00 there")
                .extracting(Rehearsal.Finding::oddity)
                .containsExactly(Oddity.AT_NIGHT);
        Player missing = player(HALIFAX, Duration.ofDays(6), true, Verdict.ABSENT);
        Part close = part(
                missing,
                List.of(new PlanLine(Anchor.DOOR_OPENS, Offset.none()), new PlanLine(Anchor.NOT_IN, Offset.minutes(5))),
                WritingHours.DEFAULT,
                true);
        assertThat(Rehearsal.findings(missing, close))
                .extracting(Rehearsal.Finding::oddity)
                .containsExactly(Oddity.WITHIN_THE_HOUR);
    }

    private static final Player SEATED = player(HALIFAX, Duration.ofDays(6), true, Verdict.ATTENDED);
    private static final Player WAITING = player(HALIFAX, Duration.ofDays(6), false, Verdict.ATTENDED);

    @Test
    void whoever_cancels_gets_no_more_of_it() {
        Part part = part(SEATED, happening(Happening.Kind.CANCELS, Duration.ofHours(12), 0));
        assertThat(going(part.messages())).containsExactly(Anchor.REGISTERED, Anchor.BEFORE_START, Anchor.CANCELLED);
        assertThat(part.messages().stream().filter(m -> m.withdrawn().isPresent()))
                .extracting(m -> m.line().anchor())
                .containsExactly(Anchor.BEFORE_START, Anchor.ATTENDED);
        assertThat(part.at(START.toInstant()).standing()).isEqualTo(Standing.GONE);
        assertThat(Rehearsal.findings(SEATED, part)).isEmpty();
    }

    @Test
    void whoever_is_called_up_is_planned_for_from_then_on() {
        Part part = part(WAITING, happening(Happening.Kind.CALLED_UP, Duration.ofDays(2), 0));
        assertThat(going(part.messages()))
                .containsExactly(
                        Anchor.WAITLISTED,
                        Anchor.CALLED_UP,
                        Anchor.SEATED,
                        Anchor.BEFORE_START,
                        Anchor.BEFORE_START,
                        Anchor.ATTENDED);
        Part late = part(WAITING, happening(Happening.Kind.ANSWERS_LATE, Duration.ofDays(3), 0));
        assertThat(going(late.messages())).containsExactly(Anchor.WAITLISTED, Anchor.CALLED_UP, Anchor.RAN_OUT);
        assertThat(part(SEATED, happening(Happening.Kind.CALLED_UP, Duration.ofDays(2), 0))
                        .messages())
                .as("who holds seats is not called up")
                .isEqualTo(part(SEATED).messages());
    }

    @Test
    void a_session_that_moves_takes_its_messages_along_and_people_are_told_once() {
        Part part = part(SEATED, happening(Happening.Kind.MOVES, Duration.ofHours(12), 1));
        assertThat(part.messages().stream().filter(Played::goes).map(Played::at))
                .containsExactly(
                        SEATED.joins(),
                        START.minusDays(1).toInstant(),
                        START.minusHours(12).toInstant(),
                        START.toInstant(),
                        START.plusHours(22).toInstant(),
                        START.plusDays(2).plusHours(13).toInstant());
        assertThat(part.at(START.toInstant()).timing().start()).isEqualTo(START.plusDays(1));
        assertThat(part.at(START.toInstant()).sequence()).isEqualTo(1);
    }

    @Test
    void what_is_planned_again_just_so_is_not_shown_as_withdrawn() {
        Part part = part(SEATED, happening(Happening.Kind.OTHER_PLACE, Duration.ofHours(12), 0));
        assertThat(part.messages()).noneMatch(m -> m.withdrawn().isPresent());
        assertThat(going(part.messages()))
                .containsExactly(
                        Anchor.REGISTERED, Anchor.BEFORE_START, Anchor.CHANGED, Anchor.BEFORE_START, Anchor.ATTENDED);
    }

    @Test
    void clocks_that_change_move_what_is_planned_and_nobody_is_told() {
        Part part = part(SEATED, happening(Happening.Kind.CLOCKS, Duration.ofDays(5), 0));
        assertThat(going(part.messages())).doesNotContain(Anchor.CHANGED);
        assertThat(part.messages().stream().filter(Played::goes).map(Played::at))
                .contains(START.minusHours(1).toInstant());
    }

    @Test
    void what_is_called_off_is_said_once_and_nobody_joins_afterwards() {
        Part part = part(
                SEATED,
                happening(Happening.Kind.CALLED_OFF, Duration.ofDays(2), 0),
                happening(Happening.Kind.MOVES, Duration.ofDays(1), 1));
        assertThat(going(part.messages())).containsExactly(Anchor.REGISTERED, Anchor.CALLED_OFF);
        Player later = player(HALIFAX, Duration.ofDays(1), true, Verdict.ATTENDED);
        assertThat(part(later, happening(Happening.Kind.CALLED_OFF, Duration.ofDays(2), 0))
                        .messages())
                .isEmpty();
    }

    @Test
    void texts_go_beside_answers_to_those_who_want_them() {
        Player texted = new Player("Wren", HALIFAX, START.minusDays(6).toInstant(), false, Verdict.ATTENDED, true);
        List<PlanLine> plan = List.of(new PlanLine(Anchor.CALLED_UP, Offset.none()).by(Channels.TEXT));
        Part part = part(
                texted, plan, WritingHours.DEFAULT, true, happening(Happening.Kind.CALLED_UP, Duration.ofDays(2), 0));
        assertThat(part.messages().stream().filter(m -> m.channel() == Channel.TEXT))
                .extracting(m -> m.line().anchor())
                .containsExactly(Anchor.CALLED_UP);
    }
}
