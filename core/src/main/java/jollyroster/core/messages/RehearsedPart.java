package jollyroster.core.messages;

import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Offset;
import jollyroster.core.door.DoorHours;
import jollyroster.core.messages.Rehearsal.Moment;
import jollyroster.core.messages.Rehearsal.Part;
import jollyroster.core.messages.Rehearsal.Played;
import jollyroster.core.messages.Rehearsal.Player;
import jollyroster.core.messages.Rehearsal.Stage;
import jollyroster.core.messages.Rehearsal.Standing;
import jollyroster.core.messages.Rehearsal.State;
import jollyroster.core.seats.CallUp;

/** One of the cast while a rehearsal is played: where they stand, what has gone and what is planned. */
final class RehearsedPart {

    private static final Duration ACCEPTS_AFTER = Duration.ofHours(2);
    private static final Duration AN_HOUR = Duration.ofHours(1);
    private final int who;
    private final Player player;
    private final Stage stage;
    private final List<Played> done = new ArrayList<>();
    private final List<Moment> moments = new ArrayList<>();
    private List<Played> planned = new ArrayList<>();
    private State state;

    RehearsedPart(int who, Player player, Stage stage) {
        this.who = who;
        this.player = player;
        this.stage = stage;
        this.state = new State(Standing.NOT_YET, stage.timing(), Optional.empty(), false, false, 0);
    }

    Part play(List<Happening> happenings) {
        moments.add(new Moment(Instant.MIN, state));
        List<Happening> inOrder =
                happenings.stream().sorted(Comparator.comparing(Happening::at)).toList();
        inOrder.stream().filter(h -> h.at().isBefore(player.joins())).forEach(this::happens);
        if (!state.calledOff()) {
            joins();
            inOrder.stream().filter(h -> !h.at().isBefore(player.joins())).forEach(this::happens);
        }
        done.addAll(planned);
        return new Part(
                done.stream().sorted(Comparator.comparing(this::shownAt)).toList(), List.copyOf(moments));
    }

    /** What was past before they registered comes with the answer to that. */
    private Instant shownAt(Played m) {
        return m.at().isBefore(player.joins()) ? player.joins() : m.at();
    }

    private void joins() {
        Instant now = player.joins();
        become(player.seated() ? Standing.SEATED : Standing.WAITING, now);
        answer(player.seated() ? Anchor.REGISTERED : Anchor.WAITLISTED, now);
        plan(now, false);
    }

    private void happens(Happening h) {
        boolean mine = !h.kind().isPersonal() || h.who() == who;
        boolean here = state.standing() != Standing.GONE && !state.calledOff();
        if (!mine || !here) {
            return;
        }
        settle(h.at());
        switch (h.kind()) {
            case CANCELS -> cancels(h);
            case CALLED_UP, ANSWERS_LATE -> calledUp(h);
            case MOVES -> changes(h, timing(h.days(), Duration.ZERO), state.elsewhere(), true);
            case OTHER_PLACE -> changes(h, state.timing(), true, true);
            case CLOCKS -> changes(h, timing(0, AN_HOUR), state.elsewhere(), false);
            case CALLED_OFF -> calledOff(h);
        }
    }

    private void cancels(Happening h) {
        if (state.standing() != Standing.NOT_YET) {
            withdraw(h.kind(), List.of());
            become(Standing.GONE, h.at());
            answer(Anchor.CANCELLED, h.at());
        }
    }

    private void calledUp(Happening h) {
        if (state.standing() != Standing.WAITING) {
            return;
        }
        withdraw(h.kind(), List.of());
        DoorHours hours = state.timing().hours();
        Instant until = CallUp.replyBy(h.at(), hours.start(), hours.opens(), player.zone());
        become(Standing.OFFERED, h.at(), Optional.of(until));
        answer(Anchor.CALLED_UP, h.at());
        Instant accepts = h.at().plus(ACCEPTS_AFTER);
        if (h.kind() == Happening.Kind.ANSWERS_LATE || accepts.isAfter(until)) {
            become(Standing.GONE, until);
            answer(Anchor.RAN_OUT, until);
        } else {
            become(Standing.SEATED, accepts);
            answer(Anchor.SEATED, accepts);
            plan(accepts, false);
        }
    }

    /** The session is another from now on. @param told whether people are told */
    private void changes(Happening h, Timing timing, boolean elsewhere, boolean told) {
        State before = state;
        state = new State(
                before.standing(), timing, before.until(), elsewhere, false, before.sequence() + (told ? 1 : 0));
        moments.add(new Moment(h.at(), state));
        if (before.standing() == Standing.NOT_YET) {
            return;
        }
        List<Played> old = planned;
        planned = new ArrayList<>();
        if (told) {
            answer(Anchor.CHANGED, h.at());
        }
        plan(h.at(), true);
        List<Played> anew = planned;
        planned = old;
        withdraw(h.kind(), anew);
        planned = anew;
    }

    private void calledOff(Happening h) {
        boolean stood = state.standing() != Standing.NOT_YET;
        withdraw(h.kind(), List.of());
        state = new State(
                state.standing(), state.timing(), Optional.empty(), state.elsewhere(), true, state.sequence() + 1);
        moments.add(new Moment(h.at(), state));
        if (stood) {
            answer(Anchor.CALLED_OFF, h.at());
        }
    }

    private Timing timing(int days, Duration more) {
        ZonedDateTime start = state.timing().start();
        Duration by = Duration.between(start, start.plusDays(days)).plus(more);
        DoorHours hours = state.timing().hours();
        return new Timing(
                DoorHours.of(
                        new Interval(hours.start().plus(by), hours.end().plus(by)),
                        Duration.between(hours.opens(), hours.start()),
                        Duration.between(hours.end(), hours.closes())),
                state.timing().zone());
    }

    private void become(Standing standing, Instant at) {
        become(standing, at, Optional.empty());
    }

    private void become(Standing standing, Instant at, Optional<Instant> until) {
        state = new State(standing, state.timing(), until, state.elsewhere(), state.calledOff(), state.sequence());
        moments.add(new Moment(at, state));
    }

    /** The e-mail that answers what happened, and the text that the plan has beside it. */
    private void answer(Anchor anchor, Instant at) {
        PlanLine line = new PlanLine(anchor, Offset.none());
        done.add(new Played(line, Channel.EMAIL, at, at, Optional.empty(), Optional.empty(), state));
        stage.plan().stream()
                .filter(beside -> beside.anchor() == anchor && beside.channels().has(Channel.TEXT) && player.texted())
                .forEach(beside -> done.add(new Played(
                        beside,
                        Channel.TEXT,
                        stage.hours().answeredByText(at.atZone(player.zone())).toInstant(),
                        at,
                        Optional.empty(),
                        Optional.empty(),
                        state)));
    }

    /** Plans as the planner does. @param again whether what is past was decided before */
    private void plan(Instant now, boolean again) {
        if (state.standing() == Standing.WAITING) {
            planned.addAll(whileWaiting(now));
        }
        if (state.standing() != Standing.SEATED) {
            return;
        }
        MessagePlan.schedule(stage.plan(), state.timing(), player.reader(), stage.hours(), now).stream()
                .filter(entry -> concerns(entry.line().anchor()))
                .map(this::played)
                .filter(m -> !again || m.dropped().map(why -> !isOfThePast(why)).orElse(true))
                .forEach(planned::add);
    }

    private List<Played> whileWaiting(Instant now) {
        return stage.plan().stream()
                .filter(line -> line.anchor() == Anchor.STILL_WAITING)
                .map(line -> whileWaiting(line, SendTime.of(state.timing(), line, player.zone(), stage.hours())))
                .filter(m -> !m.at().isBefore(now.plus(MessagePlan.APART)))
                .toList();
    }

    private Played whileWaiting(PlanLine line, SendTime time) {
        return new Played(line, Channel.EMAIL, time.at(), time.nominal(), Optional.empty(), Optional.empty(), state);
    }

    private static boolean isOfThePast(MessagePlan.Reason why) {
        return why == MessagePlan.Reason.TIME_HAD_PASSED || why == MessagePlan.Reason.FOLDED_INTO_CONFIRMATION;
    }

    private boolean concerns(Anchor anchor) {
        if (anchor == Anchor.NOT_IN) {
            return stage.online() && player.was() == Verdict.ABSENT;
        }
        return anchor.verdict().map(player.was()::equals).orElse(true);
    }

    private Played played(MessagePlan.Entry entry) {
        if (entry instanceof MessagePlan.Entry.Send send) {
            return new Played(
                    send.line(),
                    send.channel(),
                    send.time().at(),
                    send.time().nominal(),
                    Optional.empty(),
                    Optional.empty(),
                    state);
        }
        MessagePlan.Entry.Skip skip = (MessagePlan.Entry.Skip) entry;
        return new Played(
                skip.line(),
                skip.channel(),
                skip.nominal(),
                skip.nominal(),
                Optional.of(skip.because()),
                Optional.empty(),
                state);
    }

    /** What is due by then has gone; what was never to go is decided too. */
    private void settle(Instant until) {
        List<Played> gone = planned.stream()
                .filter(m -> !m.goes() || !m.at().isAfter(until))
                .toList();
        done.addAll(gone);
        planned.removeAll(gone);
    }

    /** Takes out what has not gone, but for what is planned again just so. */
    private void withdraw(Happening.Kind why, List<Played> anew) {
        planned.stream()
                .filter(m -> anew.stream().noneMatch(m::isSame))
                .forEach(m -> done.add(new Played(
                        m.line(), m.channel(), m.at(), m.nominal(), m.dropped(), Optional.of(why), m.state())));
        planned = new ArrayList<>();
    }
}
