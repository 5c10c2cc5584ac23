package jollyroster.core.door;

import java.util.Optional;

/** How somebody stands who came to the door without being expected. */
public enum Knock {
    WAITING,
    /** Still at the door: the host has said that it takes a moment. */
    ASKED_TO_WAIT,
    INSIDE,
    /** May knock again. */
    TURNED_AWAY,
    /** May not knock again. */
    BARRED;

    /** What a host decides about somebody. */
    public enum Decision {
        ADMIT,
        ASK_TO_WAIT,
        TURN_AWAY,
        BAR
    }

    public boolean isAtTheDoor() {
        return this == WAITING || this == ASKED_TO_WAIT;
    }

    /**
     * How they stand after a decision; empty where it changes nothing. Whoever was turned away or barred by mistake can be admitted
     * all the same; whoever is inside can only be barred, so that they do not come back.
     */
    public Optional<Knock> after(Decision decision) {
        Knock then = switch (decision) {
            case ADMIT -> INSIDE;
            case ASK_TO_WAIT -> isAtTheDoor() ? ASKED_TO_WAIT : this;
            case TURN_AWAY -> isAtTheDoor() ? TURNED_AWAY : this;
            case BAR -> BARRED;
        };
        return then == this ? Optional.empty() : Optional.of(then);
    }

    /** Whether they may come to the door once more. */
    public boolean mayKnockAgain() {
        return this == TURNED_AWAY;
    }
}
