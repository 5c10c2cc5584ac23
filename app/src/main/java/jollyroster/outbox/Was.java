package jollyroster.outbox;

import java.time.Instant;
import jollyroster.platform.Facts;

/**
 * How a session was before it was changed, and what is said about it.
 *
 * @param place where it was, as letters say it
 * @param words the organiser's own; empty for none
 */
public record Was(Instant start, Instant end, String place, String words) {

    static final String START = "was";
    static final String END = "was_until";
    static final String PLACE = "was_place";
    static final String OTHER_DATE = "other_date";
    static final String WORDS = "words";

    /** What is told of somebody who has another date now. */
    public Facts told() {
        return told(Facts.none()).and(OTHER_DATE, true);
    }

    /** What is told of a change: how people still believe it is, and the latest words. */
    Facts told(Facts believed) {
        Facts before = believed.isEmpty() ? Facts.of(START, start).and(END, end).and(PLACE, place) : believed;
        return words.isEmpty() ? before : before.and(WORDS, words);
    }
}
