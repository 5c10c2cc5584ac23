package jollyroster.core.messages;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Offset;
import jollyroster.core.door.DoorHours;
import jollyroster.core.messages.MessagePlan.Entry;
import jollyroster.core.messages.MessagePlan.Reason;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class MessagePlanTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final ZoneId SINGAPORE = ZoneId.of("Asia/Singapore");
    private static final ZonedDateTime EVENING = at("2027-03-16T19:00", HALIFAX);
    private static final Timing TIMING = new Timing(
            DoorHours.of(
                    new Interval(EVENING.toInstant(), EVENING.plusHours(2).toInstant()),
                    Duration.ofMinutes(15),
                    Duration.ofMinutes(15)),
            HALIFAX);

    @Test
    void a_reminder_in_the_quiet_hours_moves_to_where_they_begin() {
        SendTime time = SendTime.of(TIMING, PlanLine.before(Offset.days(1)), SINGAPORE, WritingHours.DEFAULT);
        assertThat(time.nominal()).isEqualTo(at("2027-03-16T06:00", SINGAPORE).toInstant());
        assertThat(time.at()).isEqualTo(at("2027-03-15T21:00", SINGAPORE).toInstant());
    }

    @Test
    void a_reminder_within_two_hours_of_the_start_minds_no_quiet_hours() {
        SendTime time = SendTime.of(TIMING, PlanLine.before(Offset.minutes(15)), SINGAPORE, WritingHours.DEFAULT);
        assertThat(time.at()).isEqualTo(EVENING.minusMinutes(15).toInstant());
    }

    @Test
    void what_goes_after_the_end_moves_later_to_where_the_quiet_hours_end() {
        PlanLine soon = new PlanLine(Anchor.ATTENDED, Offset.hours(1));
        assertThat(SendTime.of(TIMING, soon, HALIFAX, WritingHours.DEFAULT).at())
                .isEqualTo(at("2027-03-17T08:00", HALIFAX).toInstant());
        PlanLine day = new PlanLine(Anchor.ABSENT, Offset.days(1));
        assertThat(SendTime.of(TIMING, day, HALIFAX, WritingHours.DEFAULT).nominal())
                .isEqualTo(at("2027-03-17T21:00", HALIFAX).toInstant());
        assertThat(SendTime.of(TIMING, day, SINGAPORE, WritingHours.DEFAULT).at())
                .isEqualTo(at("2027-03-18T08:00", SINGAPORE).toInstant());
    }

    @Test
    void the_door_and_those_missing_mind_no_quiet_hours_and_crowd_as_reminders_do() {
        PlanLine door = new PlanLine(Anchor.DOOR_OPENS, Offset.none());
        PlanLine missing = new PlanLine(Anchor.NOT_IN, Offset.minutes(5));
        List<PlanLine> lines = List.of(PlanLine.before(Offset.minutes(30)), door, missing);
        assertThat(MessagePlan.schedule(
                        lines,
                        TIMING,
                        reader(SINGAPORE),
                        WritingHours.DEFAULT,
                        EVENING.minusDays(2).toInstant()))
                .containsExactly(
                        skip(Offset.minutes(30), EVENING.minusMinutes(30), Reason.TOO_CLOSE_TO_ANOTHER),
                        new Entry.Send(door, Channel.EMAIL, sharp(EVENING.minusMinutes(15))),
                        new Entry.Send(missing, Channel.EMAIL, sharp(EVENING.plusMinutes(5))));
        assertThat(MessagePlan.schedule(
                        List.of(door, missing),
                        TIMING,
                        reader(HALIFAX),
                        WritingHours.DEFAULT,
                        EVENING.minusMinutes(10).toInstant()))
                .containsExactly(
                        new Entry.Skip(
                                door,
                                Channel.EMAIL,
                                EVENING.minusMinutes(15).toInstant(),
                                Reason.FOLDED_INTO_CONFIRMATION),
                        new Entry.Send(missing, Channel.EMAIL, sharp(EVENING.plusMinutes(5))));
    }

    private static SendTime sharp(ZonedDateTime at) {
        return new SendTime(at.toInstant(), at.toInstant());
    }

    /** 168 hours before is exactly a week, less or more one hour across a clock change. */
    @Test
    void a_week_before_is_168_hours_less_one_across_the_spring_change() {
        Instant week = Offset.weeks(1).before(EVENING).toInstant();
        assertThat(Duration.between(week, EVENING.toInstant())).isEqualTo(Duration.ofHours(167));
    }

    @Test
    void someone_who_registers_early_gets_the_whole_plan() {
        assertThat(schedule(EVENING.minusDays(6)))
                .containsExactly(
                        send(Offset.days(1), EVENING.minusDays(1)), send(Offset.minutes(15), EVENING.minusMinutes(15)));
    }

    @Test
    void a_reminder_whose_time_has_passed_is_skipped() {
        assertThat(schedule(EVENING.minusHours(20)).get(0))
                .isEqualTo(skip(Offset.days(1), EVENING.minusDays(1), Reason.TIME_HAD_PASSED));
    }

    @Test
    void the_last_one_is_folded_into_the_confirmation() {
        assertThat(schedule(EVENING.minusMinutes(10)))
                .extracting(e -> ((Entry.Skip) e).because())
                .containsExactly(Reason.FOLDED_INTO_CONFIRMATION, Reason.FOLDED_INTO_CONFIRMATION);
    }

    @Test
    void a_reminder_that_crowds_the_confirmation_is_dropped() {
        assertThat(schedule(EVENING.minusMinutes(50)).get(1))
                .isEqualTo(skip(Offset.minutes(15), EVENING.minusMinutes(15), Reason.TOO_CLOSE_TO_ANOTHER));
    }

    @Test
    void of_two_reminders_too_close_the_nearer_to_the_start_goes() {
        List<PlanLine> lines = List.of(PlanLine.before(Offset.minutes(45)), PlanLine.before(Offset.minutes(15)));
        List<Entry> entries = MessagePlan.schedule(
                lines,
                TIMING,
                reader(HALIFAX),
                WritingHours.DEFAULT,
                EVENING.minusDays(2).toInstant());
        assertThat(entries)
                .containsExactly(
                        skip(Offset.minutes(45), EVENING.minusMinutes(45), Reason.TOO_CLOSE_TO_ANOTHER),
                        send(Offset.minutes(15), EVENING.minusMinutes(15)));
    }

    @Test
    void quiet_hours_may_or_may_not_span_midnight() {
        assertThat(QuietHours.DEFAULT.contains(LocalTime.of(21, 0))).isTrue();
        assertThat(QuietHours.DEFAULT.contains(LocalTime.of(8, 0))).isFalse();
        QuietHours siesta = new QuietHours(LocalTime.of(13, 0), LocalTime.of(15, 0));
        assertThat(siesta.contains(LocalTime.of(14, 0))).isTrue();
        assertThat(siesta.contains(LocalTime.of(15, 0))).isFalse();
    }

    @Property
    void a_before_message_is_never_later_than_nominal_and_never_in_quiet_hours(
            @ForAll @IntRange(min = 3, max = 400) int hours, @ForAll @IntRange(min = -11, max = 13) int offset) {
        ZoneId zone = ZoneId.of("Etc/GMT" + (offset <= 0 ? "+" + -offset : "-" + offset));
        SendTime time = SendTime.of(TIMING, PlanLine.before(Offset.hours(hours)), zone, WritingHours.DEFAULT);
        assertThat(time.at()).isBeforeOrEqualTo(time.nominal());
        LocalTime there = time.at().atZone(zone).toLocalTime();
        assertThat(there.equals(LocalTime.of(21, 0)) || !QuietHours.DEFAULT.contains(there))
                .isTrue();
    }

    private static List<Entry> schedule(ZonedDateTime registered) {
        return MessagePlan.schedule(
                PlanLine.DEFAULT, TIMING, reader(HALIFAX), WritingHours.DEFAULT, registered.toInstant());
    }

    private static MessagePlan.Reader reader(ZoneId zone) {
        return new MessagePlan.Reader(zone, false);
    }

    private static List<Entry> schedule(List<PlanLine> lines, boolean texted) {
        return MessagePlan.schedule(
                lines,
                TIMING,
                new MessagePlan.Reader(HALIFAX, texted),
                WritingHours.DEFAULT,
                EVENING.minusDays(6).toInstant());
    }

    private static boolean goes(Entry entry) {
        return entry instanceof Entry.Send;
    }

    @Test
    void the_email_and_the_text_of_one_line_go_together() {
        PlanLine both = PlanLine.before(Offset.days(1)).by(Channels.BOTH);
        assertThat(schedule(List.of(both), true))
                .hasSize(2)
                .allMatch(MessagePlanTest::goes)
                .extracting(Entry::channel)
                .containsExactly(Channel.EMAIL, Channel.TEXT);
        assertThat(schedule(List.of(both), false).get(1))
                .isEqualTo(
                        new Entry.Skip(both, Channel.TEXT, EVENING.minusDays(1).toInstant(), Reason.NO_TEXTS));
    }

    @Test
    void a_text_crowds_an_email_only_where_it_arrives() {
        List<PlanLine> lines = List.of(
                PlanLine.before(Offset.minutes(45)),
                PlanLine.before(Offset.minutes(15)).by(Channels.TEXT));
        assertThat(schedule(lines, true)).extracting(MessagePlanTest::goes).containsExactly(false, true);
        assertThat(schedule(lines, false)).extracting(MessagePlanTest::goes).containsExactly(true, false);
    }

    @Test
    void what_goes_to_some_only_crowds_nothing_and_is_crowded_by_nothing() {
        PlanLine some = PlanLine.before(Offset.minutes(45)).to(Audience.FIRST_TIMERS);
        assertThat(schedule(List.of(PlanLine.before(Offset.minutes(90)), some), false))
                .allMatch(MessagePlanTest::goes);
    }

    private static Entry send(Offset offset, ZonedDateTime at) {
        return new Entry.Send(PlanLine.before(offset), Channel.EMAIL, new SendTime(at.toInstant(), at.toInstant()));
    }

    private static Entry skip(Offset offset, ZonedDateTime nominal, Reason because) {
        return new Entry.Skip(PlanLine.before(offset), Channel.EMAIL, nominal.toInstant(), because);
    }

    private static ZonedDateTime at(String wallClock, ZoneId zone) {
        return ZonedDateTime.of(LocalDateTime.parse(wallClock), zone);
    }
}
