package jollyroster.hosting;

import java.time.Duration;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import jollyroster.core.dates.Interval;
import jollyroster.core.openhours.Claim;
import jollyroster.core.openhours.Claim.Owner;
import jollyroster.core.openhours.Conflict;
import jollyroster.platform.Role;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import jollyroster.team.TeamQueries;
import jollyroster.team.TeamQueries.Mate;
import org.springframework.stereotype.Component;

/** Puts conflicts into words and finds a way out of each: somebody who is free, or another start. */
@Component
class WaysOut {

    private static final Duration WIDEST = Duration.ofDays(2);
    private static final int DAY_BEGINS = 7;
    private static final int DAY_ENDS = 22;
    private final TeamQueries team;
    private final ConflictFinder finder;

    WaysOut(TeamQueries team, ConflictFinder finder) {
        this.team = team;
        this.finder = finder;
    }

    /**
     * A conflict as the page lists it.
     *
     * @param session the side that is easier to move
     * @param start where it would be free of the other, on the wall clock; empty when it would still collide there
     * @param free who could lead it instead
     */
    record View(
            String owner,
            long ownerId,
            String when,
            long minutes,
            String first,
            String second,
            long session,
            String title,
            String start,
            String startWords,
            List<Free> free) {}

    record Free(long host, String name) {}

    List<View> of(List<ConflictFinder.Named> conflicts, Interval window, ZoneId zone) {
        List<Mate> hosts =
                team.hosts().stream().filter(m -> m.role() == Role.HOST).toList();
        return conflicts.stream().map(named -> view(named, hosts, window, zone)).toList();
    }

    private View view(ConflictFinder.Named named, List<Mate> hosts, Interval window, ZoneId zone) {
        Conflict c = named.conflict();
        Session movable = named.sessions().stream()
                .filter(s -> s.id() == c.movable().id())
                .findFirst()
                .orElseThrow();
        Optional<Interval> elsewhere = elsewhere(c, movable);
        boolean host = c.owner().sort() == Owner.Sort.HOST;
        return new View(
                named.owner(),
                c.owner().id(),
                Times.dayAndTime(c.overlap().start(), zone) + "–"
                        + Times.time(c.overlap().end().atZone(zone)),
                c.minutes(),
                side(c.first(), named, zone),
                side(c.second(), named, zone),
                movable.id(),
                movable.offering().title(),
                elsewhere
                        .map(i -> i.start()
                                .atZone(movable.zone())
                                .toLocalDateTime()
                                .toString())
                        .orElse(""),
                elsewhere.map(i -> Times.dayAndTime(i.start(), zone)).orElse(""),
                host ? free(movable, hosts, c.owner().id(), window) : List.of());
    }

    private static String side(Claim claim, ConflictFinder.Named named, ZoneId zone) {
        if (claim.kind() == Claim.Kind.BUSY) {
            return "something else in their own calendar";
        }
        String title = named.sessions().stream()
                .filter(s -> s.id() == claim.id())
                .findFirst()
                .map(s -> s.offering().title())
                .orElse("");
        String hours = Times.hours(
                claim.span().start().atZone(zone), claim.span().end().atZone(zone));
        boolean padded = !claim.padded().equals(claim.span());
        return title + " " + hours
                + (padded
                        ? " (with " + claim.before().toMinutes() + " min before, "
                                + claim.after().toMinutes() + " after)"
                        : "");
    }

    /** The way out that the conflict names, rounded to five minutes, if the session is free of everything there. */
    private Optional<Interval> elsewhere(Conflict c, Session movable) {
        long minutes = c.wayOut().toMinutes();
        long rounded = minutes >= 0 ? (minutes + 4) / 5 * 5 : (minutes - 4) / 5 * 5;
        Interval to = new Interval(
                movable.start().plus(Duration.ofMinutes(rounded)), movable.end().plus(Duration.ofMinutes(rounded)));
        Interval around = new Interval(to.start().minus(WIDEST), to.end().plus(WIDEST));
        boolean good = isDecent(to, movable.zone()) || !isDecent(movable.span(), movable.zone());
        return good && finder.withMoved(movable, to, around).isEmpty() ? Optional.of(to) : Optional.empty();
    }

    /** Whether it is held between seven in the morning and ten at night; nobody moves a session into the night. */
    private static boolean isDecent(Interval held, ZoneId zone) {
        ZonedDateTime start = held.start().atZone(zone);
        ZonedDateTime end = held.end().atZone(zone);
        return start.getHour() >= DAY_BEGINS
                && !end.isAfter(start.toLocalDate().atTime(DAY_ENDS, 0).atZone(zone));
    }

    private List<Free> free(Session session, List<Mate> hosts, long instead, Interval window) {
        List<Long> taken = finder.takenDuring(session.claim(Owner.host(0)).padded(), session.id(), window);
        return hosts.stream()
                .filter(m -> m.id() != instead && !taken.contains(m.id()))
                .map(m -> new Free(m.id(), m.name()))
                .limit(3)
                .toList();
    }
}
