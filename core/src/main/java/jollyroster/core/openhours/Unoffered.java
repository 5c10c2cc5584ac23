package jollyroster.core.openhours;

import java.time.Instant;
import java.time.LocalDate;

/** Why a time cannot be picked, with what causes it. */
public sealed interface Unoffered {

    /** The day has no hours then. @param source what the hours of that day come from */
    record Closed(OpenHours.Source source) implements Unoffered {}

    /** Open, but no start of the grid. @param nearest the start before it */
    record OffGrid(Instant nearest) implements Unoffered {}

    /** Open at the start, but the time would last beyond the hours. @param closes when they end */
    record TooLong(Instant closes) implements Unoffered {}

    /** It could be picked until a moment that has passed. */
    record CutOff(Instant closed) implements Unoffered {}

    /** Not yet. @param last the last day that may be picked from today */
    record TooFarAhead(LocalDate last) implements Unoffered {}

    /** Something is there: a busy block, a session, or a time that somebody is just picking. */
    record Taken(Claim by) implements Unoffered {}

    /** What is there does not reach into the time itself, but into what is kept free before or after one of the two. */
    record Buffer(Claim by) implements Unoffered {}

    /** @param times how many the host gives that day already */
    record DailyLimit(int times) implements Unoffered {}

    /** @param times how many the host gives that week already */
    record WeeklyLimit(int times) implements Unoffered {}
}
