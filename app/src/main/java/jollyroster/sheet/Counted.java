package jollyroster.sheet;

import java.time.Duration;
import jollyroster.core.dates.Offset;
import jollyroster.platform.Times;

/** Numbers in words: no zeros, and one of a thing without its s. */
final class Counted {

    private Counted() {}

    /** {@code 1 seat}, {@code 8 seats}, {@code 1,200 seats}. @param one of the thing */
    static String of(int number, String one) {
        return "%,d %s".formatted(number, number == 1 ? one : one + "s");
    }

    /** {@code at the start}, {@code 30 min before the start}. */
    static String beforeStart(int minutes) {
        return minutes == 0 ? "at the start" : length(minutes) + " before the start";
    }

    /** {@code at the start}, {@code 12 h before the start}, {@code 2 days before the start}. */
    static String beforeStart(Offset offset) {
        return offset.amount() == 0 ? "at the start" : Times.length(offset) + " before the start";
    }

    /** {@code 90 min} is {@code 1 h 30 min}; whole days from two on. */
    static String length(int minutes) {
        return Times.length(Duration.ofMinutes(minutes));
    }
}
