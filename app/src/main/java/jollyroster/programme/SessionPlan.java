package jollyroster.programme;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * All that can be changed about a session, so that a change can be made and taken back as a whole.
 *
 * @param venue the session's own; {@code null} to follow the offering, as for all numbers that may be {@code null}
 * @param hosts only meant when {@code ownHosts}
 */
public record SessionPlan(
        Instant start,
        Instant end,
        int seats,
        int keptBack,
        boolean cancelled,
        @Nullable Long venue,
        @Nullable Integer doorMinutes,
        @Nullable Integer overrunMinutes,
        @Nullable Integer minimum,
        boolean ownHosts,
        List<Long> hosts,
        String note) {

    public SessionPlan {
        hosts = List.copyOf(hosts);
    }

    public Duration length() {
        return Duration.between(start, end);
    }

    public SessionPlan at(Instant newStart, Instant newEnd) {
        return new SessionPlan(
                newStart,
                newEnd,
                seats,
                keptBack,
                cancelled,
                venue,
                doorMinutes,
                overrunMinutes,
                minimum,
                ownHosts,
                hosts,
                note);
    }

    public SessionPlan calledOff(boolean off) {
        return new SessionPlan(
                start, end, seats, keptBack, off, venue, doorMinutes, overrunMinutes, minimum, ownHosts, hosts, note);
    }

    public SessionPlan seating(int newSeats, int newKeptBack, @Nullable Integer newMinimum) {
        return new SessionPlan(
                start,
                end,
                newSeats,
                newKeptBack,
                cancelled,
                venue,
                doorMinutes,
                overrunMinutes,
                newMinimum,
                ownHosts,
                hosts,
                note);
    }

    public SessionPlan meeting(@Nullable Long newVenue) {
        return new SessionPlan(
                start,
                end,
                seats,
                keptBack,
                cancelled,
                newVenue,
                doorMinutes,
                overrunMinutes,
                minimum,
                ownHosts,
                hosts,
                note);
    }

    public SessionPlan ledBy(boolean own, List<Long> newHosts) {
        return new SessionPlan(
                start,
                end,
                seats,
                keptBack,
                cancelled,
                venue,
                doorMinutes,
                overrunMinutes,
                minimum,
                own,
                newHosts,
                note);
    }

    public SessionPlan openFor(@Nullable Integer door, @Nullable Integer overrun, String remark) {
        return new SessionPlan(
                start, end, seats, keptBack, cancelled, venue, door, overrun, minimum, ownHosts, hosts, remark);
    }

    /** Whether people who are on the session must be told of the difference. */
    public boolean concernsPeople(SessionPlan before) {
        return !start.equals(before.start)
                || !end.equals(before.end)
                || cancelled != before.cancelled
                || !java.util.Objects.equals(venue, before.venue);
    }
}
