package jollyroster.core.seats;

import java.util.Locale;

/**
 * What people read about the seats that are left.
 *
 * @param few where only a few are told: the largest number that is; at least 1
 */
public record SeatsShown(When when, int few) {

    /** When the number is told. */
    public enum When {
        ALWAYS,
        /** Once there are few. */
        FEW,
        NEVER
    }

    public static final SeatsShown ALWAYS = new SeatsShown(When.ALWAYS, 5);

    /** @throws IllegalArgumentException if {@code few} is less than 1 */
    public SeatsShown {
        if (few < 1) {
            throw new IllegalArgumentException("Few is one or more: " + few);
        }
    }

    /** Whether the number of seats, taken or left, may be told at all while so many are left. */
    public boolean tells(int left) {
        return when == When.ALWAYS || when == When.FEW && left <= few;
    }

    /** As people read it: {@code 3 left}, {@code few left}, {@code seats left}. @param left at least 1 */
    public String words(int left) {
        return switch (when) {
            case ALWAYS -> String.format(Locale.ENGLISH, "%,d left", left);
            case FEW -> left <= few ? "few left" : "seats left";
            case NEVER -> "seats left";
        };
    }
}
