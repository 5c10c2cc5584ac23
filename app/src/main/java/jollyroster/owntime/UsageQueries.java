package jollyroster.owntime;

import static jollyroster.platform.tables.Tables.SESSION;
import static jollyroster.platform.tables.Tables.SESSION_HOST;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;
import jollyroster.core.openhours.Claim;
import jollyroster.core.openhours.HoursUsed;
import jollyroster.core.openhours.OpenHours;
import jollyroster.core.openhours.TimeRules;
import jollyroster.owntime.HostClaimQueries.Claims;
import jollyroster.owntime.HostClaimQueries.Led;
import jollyroster.platform.Reads;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTimeQueries;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Reads how the open hours of an offering were and are used, four weeks back and four ahead. */
@Component
class UsageQueries {

    static final int WEEKS_BACK = 4;
    private static final int WEEKS = 8;
    private final Reads reads;
    private final HostQueries hosts;
    private final OwnTimeQueries ownTime;

    UsageQueries(Reads reads, HostQueries hosts, OwnTimeQueries ownTime) {
        this.reads = reads;
        this.hosts = hosts;
        this.ownTime = ownTime;
    }

    /**
     * One host.
     *
     * @param asked times that people picked in these weeks, also those that were given back
     * @param weeks in order, the one that begins today or began before it after those that have passed
     */
    record Used(Host host, int asked, List<Week> weeks) {}

    record Week(LocalDate monday, HoursUsed used) {}

    List<Used> of(Offering o, Instant now) {
        List<Host> leaders = hosts.ofOffering(o.id());
        if (leaders.isEmpty()) {
            return List.of();
        }
        LocalDate first = TimeRules.week(now.atZone(o.zone()).toLocalDate()).minusWeeks(WEEKS_BACK);
        Interval all = new Interval(
                first.atStartOfDay(o.zone()).toInstant(),
                first.plusWeeks(WEEKS).atStartOfDay(o.zone()).toInstant());
        List<Long> ids = leaders.stream().map(Host::id).toList();
        Claims claims = new HostClaimQueries(reads.sql())
                .within(all, ids, Viewer.anybody(now), ownTime.of(o.id()).ignored());
        Map<Long, Integer> asked = asked(o, all);
        OpenHours hours = ownTime.of(o.id()).hours();
        return leaders.stream()
                .map(host -> new Used(host, asked.getOrDefault(host.id(), 0), weeks(o, hours, host, claims, first)))
                .toList();
    }

    private Map<Long, Integer> asked(Offering o, Interval all) {
        return reads.sql()
                .select(SESSION_HOST.ACCOUNT_ID, DSL.count())
                .from(SESSION)
                .join(SESSION_HOST)
                .on(SESSION_HOST.SESSION_ID.eq(SESSION.ID))
                .where(SESSION.OFFERING_ID.eq(o.id()))
                .and(SESSION.STARTS_AT.ge(all.start()))
                .and(SESSION.STARTS_AT.lt(all.end()))
                .groupBy(SESSION_HOST.ACCOUNT_ID)
                .fetchMap(r -> r.value1(), r -> r.value2());
    }

    private static List<Week> weeks(Offering o, OpenHours hours, Host host, Claims claims, LocalDate first) {
        List<Interval> given = claims.led().stream()
                .filter(led -> led.host() == host.id() && led.offering() == o.id())
                .map(Led::span)
                .toList();
        List<Interval> otherwise = Stream.concat(
                        claims.led().stream()
                                .filter(led -> led.host() == host.id() && led.offering() != o.id())
                                .map(Led::span),
                        claims.busy().stream()
                                .filter(busy -> busy.owner().id() == host.id())
                                .map(Claim::span))
                .toList();
        List<Week> weeks = new ArrayList<>();
        for (int i = 0; i < WEEKS; i++) {
            LocalDate monday = first.plusWeeks(i);
            List<Interval> open = monday.datesUntil(monday.plusWeeks(1))
                    .flatMap(day -> hours.on(day).on(day, o.zone()).stream())
                    .toList();
            weeks.add(new Week(monday, HoursUsed.of(open, given, otherwise)));
        }
        return weeks;
    }
}
