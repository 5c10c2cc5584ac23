package jollyroster.owntime;

import static java.time.temporal.ChronoUnit.MINUTES;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import jollyroster.core.dates.Interval;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import org.springframework.stereotype.Component;

/** Reads which times of an offering may be picked. */
@Component
public class TimesQueries {

    private static final int MOST_TABLES = 60;

    /** Busy blocks and calendars that do not count change with a row of a table that is named here. */
    private static final String[] CHANGING = {
        "session",
        "session_host",
        "registration",
        "seat_count",
        "offering",
        "offering_host",
        "account",
        "own_time",
        "busy_calendar",
        "time_hold",
        "venue"
    };

    private final Reads reads;
    private final HostQueries hosts;
    private final OwnTimeQueries ownTime;
    private final TimeHoldQueries holds;
    private final Remembered<Asked, Table> tables;

    /** @param live how many times are held, as a hold that ends changes no table */
    private record Asked(long offering, LocalDate from, LocalDate until, Set<Long> only, Instant minute, int live) {}

    TimesQueries(Reads reads, HostQueries hosts, OwnTimeQueries ownTime, TimeHoldQueries holds, TableChanges changes) {
        this.holds = holds;
        this.tables = new Remembered<>(changes, MOST_TABLES, CHANGING);
        this.reads = reads;
        this.hosts = hosts;
        this.ownTime = ownTime;
    }

    /**
     * The times that may be picked from one day to another, in order; none where nobody leads the offering.
     *
     * @param from in the zone of the offering
     * @param until the day after the last
     * @param only those who may lead it; empty for anybody
     */
    public List<OpenTime> between(Offering o, LocalDate from, LocalDate until, Set<Long> only, Viewer viewer) {
        return table(o, from, until, only, viewer).open();
    }

    /**
     * What people see to pick from.
     *
     * @param open the times that may be picked, in order
     * @param taken the times that are taken, where the offering shows them
     */
    public record Table(List<OpenTime> open, List<Instant> taken) {}

    /** The same with what is taken. What everybody sees is remembered until something changes, for a minute at most. */
    public Table table(Offering o, LocalDate from, LocalDate until, Set<Long> only, Viewer viewer) {
        if (viewer.leaving() != 0 || holds.own(o.id(), viewer).isPresent()) {
            return read(o, from, until, only, viewer);
        }
        Asked asked = new Asked(o.id(), from, until, only, viewer.now().truncatedTo(MINUTES), holds.live(viewer.now()));
        return tables.get(asked, key -> read(o, from, until, only, Viewer.anybody(viewer.now())));
    }

    private Table read(Offering o, LocalDate from, LocalDate until, Set<Long> only, Viewer viewer) {
        boolean shown = ownTime.of(o.id()).takenShown();
        return times(o, from, until, only, viewer)
                .map(times -> new Table(
                        times.between(from, until),
                        shown ? List.copyOf(times.table().taken(from, until)) : List.of()))
                .orElse(new Table(List.of(), List.of()));
    }

    private Optional<HostTimes> times(Offering o, LocalDate from, LocalDate until, Set<Long> only, Viewer viewer) {
        List<Host> leaders = hosts.ofOffering(o.id(), only);
        if (leaders.isEmpty()) {
            return Optional.empty();
        }
        OwnTime own = ownTime.of(o.id());
        Interval window = new Interval(
                from.atStartOfDay(o.zone()).toInstant(),
                until.atStartOfDay(o.zone()).toInstant());
        HostClaimQueries.Claims claims = new HostClaimQueries(reads.sql())
                .around(window, leaders.stream().map(Host::id).toList(), own.rules(o), own, viewer);
        return Optional.of(new HostTimes(o, own, leaders, claims, viewer.now()));
    }
}
