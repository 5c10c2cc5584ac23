package jollyroster.schedule;

import java.time.Instant;

/** What came of a change. */
public sealed interface Outcome {

    /**
     * The change is made.
     *
     * @param change its number, for undoing
     * @param sessions how many sessions were changed
     * @param people how many people will be told
     * @param until until when it can be undone; the news leaves then
     */
    record Done(long change, int sessions, int people, Instant until) implements Outcome {}

    /** Nothing was changed. @param detail a number or date the reason needs; empty when it needs none */
    record Refused(Reason because, String detail) implements Outcome {}

    /** Why nothing was changed. */
    enum Reason {
        UNKNOWN,
        /** Nothing differs from how it was. */
        NOTHING_CHANGED,
        /** The session would start in the past, or has already ended. */
        IN_THE_PAST,
        /** More seats are taken than would be left; the detail is how many are taken. */
        TOO_FEW_SEATS,
        /** It can no longer be undone. */
        TOO_LATE,
        /** A later change concerns the same sessions; it must be undone first. */
        CHANGED_SINCE,
        /** Somebody registered meanwhile for what would be taken away. */
        SOMEBODY_IS_ON_IT,
        /** The name is taken, or somebody else changed it since it was read. */
        OVERTAKEN
    }
}
