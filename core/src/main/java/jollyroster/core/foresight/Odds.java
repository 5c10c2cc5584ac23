package jollyroster.core.foresight;

import java.util.List;
import java.util.OptionalDouble;

/**
 * The odds of somebody on a waitlist to be given seats before the session starts, from how many gave theirs back at other
 * sessions of the offering after the same point in time.
 */
public final class Odds {

    /** Below so many registrations that could have been given back, nothing is said. */
    public static final int LEAST_KNOWN = 20;

    private Odds() {}

    /**
     * P(at least {@code needed} seats come free), given that each seat is given back independently with a probability only
     * known from the past (beta-binomial, Jeffreys prior).
     *
     * @param taken seats taken now
     * @param free seats free already
     * @param needed seats that must be free in all: those of everybody before in the line, and one's own
     * @param givenBack seats of earlier sessions that were given back between this long before the start and the start
     * @param stood seats of earlier sessions that were taken this long before the start
     * @return empty when too little is known
     */
    public static OptionalDouble of(int taken, int free, int needed, int givenBack, int stood) {
        return stood < LEAST_KNOWN
                ? OptionalDouble.empty()
                : OptionalDouble.of(
                        BetaBinomial.jeffreys(taken, givenBack, stood).atLeast(needed - free));
    }

    /**
     * The same from how it went at earlier sessions.
     *
     * @param before the courses of earlier sessions of the offering
     * @param hours to the start of this one
     */
    public static OptionalDouble of(int taken, int free, int needed, List<Course> before, int hours) {
        int stood = before.stream().mapToInt(course -> course.at(hours)).sum();
        int givenBack = before.stream()
                .mapToInt(course -> course.givenBackWithin(hours))
                .sum();
        return of(taken, free, needed, Math.min(givenBack, stood), stood);
    }

    /** As people say it: {@code about 7 in 10}. */
    public static String inWords(double probability) {
        int tenths = (int) Math.round(probability * 10);
        if (probability < 0.02) {
            return "very small";
        }
        if (tenths == 0) {
            return "less than 1 in 10";
        }
        return tenths == 10 ? "better than 9 in 10" : "about " + tenths + " in 10";
    }
}
