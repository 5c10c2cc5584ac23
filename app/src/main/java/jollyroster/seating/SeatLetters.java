package jollyroster.seating;

import java.util.Optional;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;
import jollyroster.core.seats.Standing;
import jollyroster.platform.tables.tables.records.RegistrationRecord;

/** Which letter follows from what happened to a registration. */
final class SeatLetters {

    private SeatLetters() {}

    /** Empty when nothing is written. */
    static Optional<Anchor> anchor(Happening h, Standing before, RegistrationState after, RegistrationRecord row) {
        if (after == RegistrationState.UNCONFIRMED) {
            boolean again = h.event() == SeatEvent.MOVE || row.getParty() < before.party();
            return again ? Optional.empty() : Optional.of(held(h));
        }
        return switch (h.event()) {
            case REGISTER, ANSWER_YES, ANSWER_MAYBE, ANSWER_NO -> answered(h, before, after);
            case CONFIRM, PAY -> Optional.of(Anchor.REGISTERED);
            case ACCEPT, RESTORE, OVERRIDE, SEAT -> Optional.of(Anchor.SEATED);
            case MOVE, SWAP -> Optional.of(Anchor.CHANGED);
            case CANCEL -> Optional.of(Anchor.CANCELLED);
            case RUN_OUT -> Optional.of(after == RegistrationState.REGISTERED ? Anchor.SEATED : Anchor.RAN_OUT);
            case CALL_UP -> Optional.of(Anchor.CALLED_UP);
            case STAND_BACK -> Optional.of(Anchor.OUTRUN);
            case DECLINE -> Optional.empty();
            case RESIZE ->
                before.state().filter(s -> s == after).isPresent() ? Optional.empty() : Optional.of(Anchor.REGISTERED);
        };
    }

    private static Anchor held(Happening h) {
        return h.book().offering().signUp().isPaid() ? Anchor.PAY : Anchor.CONFIRM;
    }

    private static Optional<Anchor> answered(Happening h, Standing before, RegistrationState after) {
        return switch (after) {
            case REGISTERED ->
                Optional.of(
                        before.state()
                                        .filter(s -> s == RegistrationState.CALLED_UP)
                                        .isPresent()
                                ? Anchor.SEATED
                                : Anchor.REGISTERED);
            case WAITLISTED -> Optional.of(Anchor.WAITLISTED);
            case MAYBE, DECLINED -> Optional.of(Anchor.REPLIED);
            case UNCONFIRMED -> Optional.of(held(h));
            case CALLED_UP, CANCELLED -> Optional.empty();
        };
    }
}
