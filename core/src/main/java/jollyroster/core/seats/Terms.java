package jollyroster.core.seats;

/** On what terms somebody has seats that they ask for. */
public enum Terms {
    /** At once and for good. */
    AT_ONCE,
    /** Held until the address is confirmed. */
    CONFIRM,
    /** Held until they are paid for. */
    PAY;

    /** The state of a party that has just been given seats. */
    RegistrationState seated() {
        return this == AT_ONCE ? RegistrationState.REGISTERED : RegistrationState.UNCONFIRMED;
    }
}
