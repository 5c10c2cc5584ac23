package jollyroster.outbox;

import jollyroster.core.messages.MessagePlan;

/** Why a message did not go, in words. */
final class Reasons {

    private Reasons() {}

    static String of(MessagePlan.Reason reason) {
        return switch (reason) {
            case TIME_HAD_PASSED -> "its time had passed when the seat was given";
            case FOLDED_INTO_CONFIRMATION -> "folded into the confirmation: its time had passed";
            case TOO_CLOSE_TO_ANOTHER -> "less than an hour from a more urgent message";
            case NO_TEXTS -> "no number that agreed to texts";
        };
    }
}
