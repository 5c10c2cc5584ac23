package jollyroster.schedule;

import org.jspecify.annotations.Nullable;

/** What came of a change, in words. */
public final class OutcomeWords {

    private OutcomeWords() {}

    public static String of(Outcome outcome) {
        return outcome instanceof Outcome.Done done ? done(done) : refused((Outcome.Refused) outcome);
    }

    private static String done(Outcome.Done done) {
        String sessions = done.sessions() == 1 ? "One session changed." : done.sessions() + " sessions changed.";
        if (done.people() == 0) {
            return sessions + " Nobody needs to be told.";
        }
        return sessions + (done.people() == 1 ? " One person is told" : " " + done.people() + " people are told")
                + " in a few minutes; until then it can be undone.";
    }

    private static String refused(Outcome.Refused refused) {
        return switch (refused.because()) {
            case UNKNOWN -> "Nothing was changed: there is no such session any more.";
            case NOTHING_CHANGED -> "Nothing differs from how it was.";
            case IN_THE_PAST -> "Nothing was changed: it would start in the past.";
            case TOO_FEW_SEATS ->
                "Nothing was changed: " + refused.detail()
                        + " seats are taken. Cancel some registrations or keep as many.";
            case TOO_LATE -> "It can no longer be undone; people have been told.";
            case CHANGED_SINCE -> "A later change concerns this offering. Undo that one first.";
            case SOMEBODY_IS_ON_IT -> "It cannot be undone: somebody has registered meanwhile.";
            case OVERTAKEN -> "Nothing was changed: somebody else changed it meanwhile, or the name is taken.";
        };
    }

    /** The change to undo, or {@code null} when there is nothing to undo. */
    public static @Nullable Long undo(Outcome outcome) {
        return outcome instanceof Outcome.Done done && done.change() > 0 ? done.change() : null;
    }
}
