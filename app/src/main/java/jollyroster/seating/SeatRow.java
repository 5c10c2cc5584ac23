package jollyroster.seating;

import java.time.Instant;
import java.time.ZoneId;
import jollyroster.core.seats.CallUp;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;
import jollyroster.core.seats.Transition;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import org.jspecify.annotations.Nullable;

/**
 * The columns of a registration that follow from its state.
 *
 * @param passedOver how often others went before it in this line
 */
record SeatRow(
        RegistrationState state,
        int party,
        @Nullable Instant heldUntil,
        @Nullable Instant waitingSince,
        @Nullable Instant seatedAt,
        boolean racing,
        int passedOver,
        int settledFor,
        String endedBy,
        String why) {

    /** Of somebody who is put on the roster. */
    static SeatRow of(Transition.Becomes becomes, Happening h) {
        RegistrationState state = becomes.state();
        return new SeatRow(
                state,
                becomes.party(),
                state == RegistrationState.UNCONFIRMED ? holdUntil(h.book(), h.now()) : null,
                state == RegistrationState.WAITLISTED ? h.now() : null,
                holdsSeats(state) ? h.now() : null,
                false,
                0,
                state == RegistrationState.REGISTERED ? becomes.party() : 0,
                endedBy(state, h),
                "");
    }

    /** Of somebody who was on it before. */
    static SeatRow of(RegistrationRecord before, Transition.Becomes becomes, Happening h) {
        RegistrationState state = becomes.state();
        boolean stood = waits(RegistrationState.valueOf(before.getState())) && h.event() != SeatEvent.MOVE;
        return new SeatRow(
                state,
                becomes.party(),
                heldUntil(before, state, h),
                waits(state) ? stood ? before.getWaitingSince() : h.now() : null,
                seatedAt(before, state, h),
                state == RegistrationState.CALLED_UP && isRace(before, h),
                stood ? before.getPassedOver() : 0,
                settledFor(before, becomes, h),
                endedBy(state, h),
                h.why());
    }

    private static boolean holdsSeats(RegistrationState state) {
        return state == RegistrationState.UNCONFIRMED || state == RegistrationState.REGISTERED;
    }

    private static boolean waits(RegistrationState state) {
        return state == RegistrationState.WAITLISTED || state == RegistrationState.CALLED_UP;
    }

    private static boolean isRace(RegistrationRecord before, Happening h) {
        return h.event() == SeatEvent.CALL_UP ? h.book().wayToSeat(h.now()) == CallUp.Way.RACE : before.getIsRacing();
    }

    private static @Nullable Instant heldUntil(RegistrationRecord before, RegistrationState state, Happening h) {
        if (h.event() == SeatEvent.CALL_UP) {
            return h.book().replyBy(h.now(), ZoneId.of(before.getZone()));
        }
        return switch (state) {
            case CALLED_UP -> before.getHeldUntil();
            case UNCONFIRMED -> held(before, h);
            case REGISTERED, MAYBE, DECLINED, WAITLISTED, CANCELLED -> null;
        };
    }

    /** Whoever accepts a call-up keeps the time there was to answer it, unless others race for the same seats. */
    private static Instant held(RegistrationRecord before, Happening h) {
        Instant fresh = holdUntil(h.book(), h.now());
        Instant until = before.getHeldUntil();
        return switch (RegistrationState.valueOf(before.getState())) {
            case UNCONFIRMED -> earlier(until, h.book().registersFor());
            case CALLED_UP ->
                before.getIsRacing() || until.isBefore(fresh)
                        ? fresh
                        : earlier(until, h.book().registersFor());
            default -> fresh;
        };
    }

    /** Never into the session. */
    private static Instant holdUntil(Session book, Instant now) {
        return earlier(now.plus(Registering.HELD), book.registersFor());
    }

    private static Instant earlier(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }

    private static @Nullable Instant seatedAt(RegistrationRecord before, RegistrationState state, Happening h) {
        boolean moved = h.event() == SeatEvent.MOVE || h.event() == SeatEvent.SWAP;
        if (holdsSeats(state)) {
            return moved || before.getSeatedAt() == null ? h.now() : before.getSeatedAt();
        }
        return waits(state) ? null : before.getSeatedAt();
    }

    private static int settledFor(RegistrationRecord before, Transition.Becomes becomes, Happening h) {
        return switch (becomes.state()) {
            case REGISTERED -> Math.max(before.getSettledFor() + h.settled(), becomes.party());
            case UNCONFIRMED -> Math.min(before.getSettledFor() + h.settled(), becomes.party());
            case MAYBE, DECLINED, WAITLISTED, CALLED_UP, CANCELLED -> 0;
        };
    }

    private static String endedBy(RegistrationState state, Happening h) {
        boolean ended = state == RegistrationState.CANCELLED || state == RegistrationState.DECLINED;
        return ended ? h.actor().kind().name() : "";
    }
}
