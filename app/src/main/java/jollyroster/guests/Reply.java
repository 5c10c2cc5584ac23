package jollyroster.guests;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;

/** What somebody answers to an invitation. */
public enum Reply {
    YES,
    MAYBE,
    NO;

    /** What it is to a registration. */
    SeatEvent event() {
        return switch (this) {
            case YES -> SeatEvent.ANSWER_YES;
            case MAYBE -> SeatEvent.ANSWER_MAYBE;
            case NO -> SeatEvent.ANSWER_NO;
        };
    }

    /** As forms send it: {@code yes}. */
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Optional<Reply> of(String code) {
        return Arrays.stream(values()).filter(r -> r.code().equals(code)).findFirst();
    }

    /** The reply a registration stands for; empty while nobody has answered. */
    public static Optional<Reply> of(RegistrationState state) {
        return switch (state) {
            case REGISTERED, WAITLISTED, CALLED_UP, UNCONFIRMED -> Optional.of(YES);
            case MAYBE -> Optional.of(MAYBE);
            case DECLINED, CANCELLED -> Optional.of(NO);
        };
    }
}
