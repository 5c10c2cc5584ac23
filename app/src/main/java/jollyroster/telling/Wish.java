package jollyroster.telling;

import java.util.OptionalInt;

/**
 * What a member of the team is told of.
 *
 * @param offering of which; 0 for all that have no wish of their own
 * @param each registration and cancellation as it happens
 * @param dailyHour at which all of a day is told, on the clock at home; empty for not
 * @param full when the last seat of a session goes
 * @param missed when a session is short of its minimum on the day it is decided
 * @param text whether by text, where they have given a number; else by e-mail
 */
public record Wish(
        long account, long offering, boolean each, OptionalInt dailyHour, boolean full, boolean missed, boolean text) {

    public static final long ALL = 0;

    /** Told of nothing. */
    static Wish none(long account, long offering) {
        return new Wish(account, offering, false, OptionalInt.empty(), false, false, false);
    }

    boolean isNothing() {
        return !each && dailyHour.isEmpty() && !full && !missed;
    }
}
