package jollyroster.platform;

/** Why a message was not taken by the service that carries it. */
public class NotDelivered extends Exception {
    private static final long serialVersionUID = 1L;
    private final Kind kind;

    /** How far the trouble goes. */
    public enum Kind {
        /** Trying this message again is pointless. */
        LASTING,
        /** This message may go later. */
        FOR_NOW,
        /** No message goes at the moment. */
        OUTAGE
    }

    /** @param why in words for the organiser; never holds a token */
    public NotDelivered(String why, Kind kind) {
        super(why);
        this.kind = kind;
    }

    public Kind kind() {
        return kind;
    }
}
