package jollyroster.owntime;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import jollyroster.core.dates.Interval;
import jollyroster.platform.Reads;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTimeQueries;
import org.springframework.stereotype.Component;

/** Reads which times of an offering may be picked. */
@Component
public class TimesQueries {

    private final Reads reads;
    private final HostQueries hosts;
    private final OwnTimeQueries ownTime;

    TimesQueries(Reads reads, HostQueries hosts, OwnTimeQueries ownTime) {
        this.reads = reads;
        this.hosts = hosts;
        this.ownTime = ownTime;
    }

    /**
     * The times that may be picked from one day to another, in order; none where nobody leads the offering.
     *
     * @param from in the zone of the offering
     * @param until the day after the last
     * @param only the one host who is to lead it; empty for anybody
     */
    public List<OpenTime> between(Offering o, LocalDate from, LocalDate until, Optional<Long> only, Viewer viewer) {
        return times(o, from, until, only, viewer)
                .map(times -> times.between(from, until))
                .orElse(List.of());
    }

    /**
     * What people see to pick from.
     *
     * @param open the times that may be picked, in order
     * @param taken the times that are taken, where the offering shows them
     */
    public record Table(List<OpenTime> open, List<Instant> taken) {}

    /** The same with what is taken. */
    public Table table(Offering o, LocalDate from, LocalDate until, Optional<Long> only, Viewer viewer) {
        boolean shown = ownTime.of(o.id()).takenShown();
        return times(o, from, until, only, viewer)
                .map(times -> new Table(
                        times.between(from, until), shown ? List.copyOf(times.taken(from, until)) : List.of()))
                .orElse(new Table(List.of(), List.of()));
    }

    private Optional<HostTimes> times(Offering o, LocalDate from, LocalDate until, Optional<Long> only, Viewer viewer) {
        List<Host> leaders = hosts.ofOffering(o.id()).stream()
                .filter(host -> only.isEmpty() || only.get() == host.id())
                .toList();
        if (leaders.isEmpty()) {
            return Optional.empty();
        }
        Interval window = new Interval(
                from.atStartOfDay(o.zone()).toInstant(),
                until.atStartOfDay(o.zone()).toInstant());
        HostClaimQueries.Claims claims = new HostClaimQueries(reads.sql())
                .within(
                        week(window),
                        leaders.stream().map(Host::id).toList(),
                        viewer,
                        ownTime.of(o.id()).ignored());
        return Optional.of(new HostTimes(o, ownTime.of(o.id()), leaders, claims, viewer.now()));
    }

    /** With the rest of the weeks it begins and ends in, as limits count by the week. */
    static Interval week(Interval window) {
        return new Interval(
                window.start().minus(java.time.Duration.ofDays(7)), window.end().plus(java.time.Duration.ofDays(7)));
    }
}
