package jollyroster.core.seats;

import java.util.List;
import java.util.Locale;

/** Where a registration stands. */
public enum RegistrationState {
    /** The seat is held until the e-mail is verified or the payment made. */
    UNCONFIRMED,
    REGISTERED,
    MAYBE,
    DECLINED,
    WAITLISTED,
    /** A freed seat is offered and held. */
    CALLED_UP,
    CANCELLED;

    /** The states in which a party takes seats. */
    public static final List<RegistrationState> TAKING_SEATS = List.of(UNCONFIRMED, REGISTERED, CALLED_UP);

    /** The states in which a person counts as being on the session. */
    public static final List<RegistrationState> ACTIVE = List.of(UNCONFIRMED, REGISTERED, MAYBE, WAITLISTED, CALLED_UP);

    /** As the store names them. */
    public static List<String> namesOf(List<RegistrationState> states) {
        return states.stream().map(Enum::name).toList();
    }

    public boolean takesSeats() {
        return TAKING_SEATS.contains(this);
    }

    /** Whether the way into the session may be shown, sent and opened. */
    public boolean mayJoin() {
        return this == REGISTERED;
    }

    /** As people read it: {@code called up}. */
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /** As style sheets and tests read it: {@code called-up}. */
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
