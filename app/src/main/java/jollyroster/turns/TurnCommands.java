package jollyroster.turns;

import static jollyroster.platform.tables.Tables.TURN;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.attendance.AttendanceCommands;
import jollyroster.door.Attenders.Attender;
import jollyroster.door.DoorKeepers;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import jollyroster.turns.Turn.State;
import org.jooq.Condition;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Asks for turns, calls and ends them. */
@Component
public class TurnCommands {

    /** More than a session has time for. */
    static final int MOST_WAITING = 100;

    private final DoorKeepers keepers;
    private final AttendanceCommands attendance;
    private final Writes writes;
    private final Clock clock;

    TurnCommands(DoorKeepers keepers, AttendanceCommands attendance, Writes writes, Clock clock) {
        this.keepers = keepers;
        this.attendance = attendance;
        this.writes = writes;
        this.clock = clock;
    }

    /** Somebody joins the line; whoever is in it already stays where they are. @return whether they are in it */
    @Transactional
    public boolean ask(Attender who, Actor actor) {
        long session = who.session().id();
        if (open(who).isPresent()) {
            return true;
        }
        if (writes.sql().fetchCount(TURN, TURN.SESSION_ID.eq(session), waiting()) >= MOST_WAITING) {
            return false;
        }
        writes.sql()
                .insertInto(TURN)
                .set(TURN.SESSION_ID, session)
                .set(TURN.REGISTRATION_ID, who.registration() == 0 ? null : (Long) who.registration())
                .set(TURN.ARRIVAL_ID, who.arrival() == 0 ? null : (Long) who.arrival())
                .set(TURN.NAME, who.name())
                .set(TURN.STATE, State.WAITING.name())
                .set(TURN.ASKED_AT, clock.instant())
                .execute();
        return true;
    }

    /** Somebody in line steps out for a moment. */
    @Transactional
    public void stepOut(Attender who, Actor actor) {
        open(who)
                .filter(t -> t.state() == State.WAITING && t.out().isEmpty())
                .ifPresent(t -> writes.sql()
                        .update(TURN)
                        .set(TURN.OUT_AT, clock.instant())
                        .where(TURN.ID.eq(t.id()))
                        .execute());
    }

    /** Somebody is back: to their place where it was kept, else behind the others. */
    @Transactional
    public void comeBack(Attender who, Actor actor) {
        Instant now = clock.instant();
        open(who)
                .filter(t -> t.out().isPresent())
                .ifPresent(t -> writes.sql()
                        .update(TURN)
                        .setNull(TURN.OUT_AT)
                        .set(TURN.ASKED_AT, t.isAway(now) ? now : t.asked())
                        .where(TURN.ID.eq(t.id()))
                        .execute());
    }

    /** Somebody leaves the line. */
    @Transactional
    public void giveUp(Attender who, Actor actor) {
        open(who)
                .filter(t -> t.state() == State.WAITING)
                .ifPresent(t -> writes.sql()
                        .update(TURN)
                        .set(TURN.STATE, State.GONE.name())
                        .set(TURN.ENDED_AT, clock.instant())
                        .where(TURN.ID.eq(t.id()))
                        .execute());
    }

    /** What came of a call. */
    public enum Called {
        DONE,
        /** Nobody is in line, or this one is not any more. */
        NOBODY,
        /** Somebody else is with the host still. */
        BUSY
    }

    /** Calls the first in line who has not stepped out. */
    @Transactional
    public Called callNext(long session, Actor actor) {
        keepers.session(session, actor, clock.instant());
        Optional<Turn> next =
                waiting(session).stream().filter(t -> t.out().isEmpty()).findFirst();
        return next.map(t -> call(session, t, actor)).orElse(Called.NOBODY);
    }

    /** Calls somebody out of turn. */
    @Transactional
    public Called call(long session, long turn, Actor actor) {
        keepers.session(session, actor, clock.instant());
        return waiting(session).stream()
                .filter(t -> t.id() == turn)
                .findFirst()
                .map(t -> call(session, t, actor))
                .orElse(Called.NOBODY);
    }

    /** Each host has one turn at a time. */
    private Called call(long session, Turn turn, Actor actor) {
        boolean busy = writes.sql()
                .fetchExists(
                        TURN,
                        TURN.SESSION_ID.eq(session),
                        TURN.STATE.eq(State.CALLED.name()),
                        TURN.HOST.eq(actor.name()));
        if (busy) {
            return Called.BUSY;
        }
        writes.sql()
                .update(TURN)
                .set(TURN.STATE, State.CALLED.name())
                .set(TURN.BEGAN_AT, clock.instant())
                .setNull(TURN.OUT_AT)
                .set(TURN.HOST, actor.name())
                .where(TURN.ID.eq(turn.id()))
                .execute();
        return Called.DONE;
    }

    /** Ends a turn; what it took counts as attendance of whoever is registered. @return whether it was under way */
    @Transactional
    public boolean end(long session, long turn, Actor actor) {
        Instant now = clock.instant();
        keepers.session(session, actor, now);
        Optional<Turn> called =
                find(TURN.ID.eq(turn).and(TURN.SESSION_ID.eq(session))).filter(t -> t.state() == State.CALLED);
        called.ifPresent(t -> {
            writes.sql()
                    .update(TURN)
                    .set(TURN.STATE, State.DONE.name())
                    .set(TURN.ENDED_AT, now)
                    .where(TURN.ID.eq(turn))
                    .execute();
            if (t.registration() != 0) {
                attendance.joined(
                        "turn-" + turn, t.registration(), session, t.began().orElse(now), actor);
                attendance.left("turn-" + turn, t.registration(), session, now, actor);
            }
        });
        return called.isPresent();
    }

    /** Keeps what the host wants to remember of a turn. */
    @Transactional
    public void note(long session, long turn, String note, Actor actor) {
        keepers.session(session, actor, clock.instant());
        writes.sql()
                .update(TURN)
                .set(TURN.NOTE, note)
                .where(TURN.ID.eq(turn))
                .and(TURN.SESSION_ID.eq(session))
                .execute();
    }

    /** The service has made the private room of a turn. @return the room that holds, which may be an earlier one */
    @Transactional
    public String roomMade(long turn, String room, Actor actor) {
        writes.sql()
                .update(TURN)
                .set(TURN.ROOM, room)
                .where(TURN.ID.eq(turn))
                .and(TURN.ROOM.eq(""))
                .execute();
        return find(TURN.ID.eq(turn)).map(Turn::room).orElse("");
    }

    private static Condition waiting() {
        return TURN.STATE.eq(State.WAITING.name());
    }

    private List<Turn> waiting(long session) {
        return writes.sql()
                .selectFrom(TURN)
                .where(TURN.SESSION_ID.eq(session))
                .and(waiting())
                .orderBy(TURN.ASKED_AT, TURN.ID)
                .fetch(Turn::of);
    }

    private Optional<Turn> open(Attender who) {
        Condition theirs = who.registration() != 0
                ? TURN.REGISTRATION_ID.eq(who.registration())
                : TURN.ARRIVAL_ID.eq(who.arrival());
        return find(TURN.SESSION_ID
                .eq(who.session().id())
                .and(theirs)
                .and(TURN.STATE.in(State.WAITING.name(), State.CALLED.name())));
    }

    private Optional<Turn> find(Condition which) {
        return writes.sql().selectFrom(TURN).where(which).fetchOptional(Turn::of);
    }
}
