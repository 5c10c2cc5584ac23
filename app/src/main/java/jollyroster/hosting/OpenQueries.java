package jollyroster.hosting;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import jollyroster.chart.HostLanes;
import jollyroster.core.openhours.OpenHours;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.ProgrammeQueries;
import org.springframework.stereotype.Component;

/** Reads when hosts have open hours, in which people pick times. */
@Component
class OpenQueries {

    private final ProgrammeQueries programme;
    private final OwnTimeQueries ownTime;
    private final HostQueries hosts;

    OpenQueries(ProgrammeQueries programme, OwnTimeQueries ownTime, HostQueries hosts) {
        this.programme = programme;
        this.ownTime = ownTime;
        this.hosts = hosts;
    }

    /** By host, of all that is published. @param until the day after the last */
    Map<Long, List<HostLanes.Open>> between(LocalDate from, LocalDate until) {
        Map<Long, List<HostLanes.Open>> open = new HashMap<>();
        for (Offering o : programme.offerings()) {
            if (o.style() == SignUpStyle.OWN_TIME && o.status() == OfferingStatus.PUBLISHED) {
                List<HostLanes.Open> its = stretches(o, from, until);
                for (Host host : hosts.ofOffering(o.id())) {
                    open.computeIfAbsent(host.id(), id -> new ArrayList<>()).addAll(its);
                }
            }
        }
        return open;
    }

    private List<HostLanes.Open> stretches(Offering o, LocalDate from, LocalDate until) {
        OpenHours hours = ownTime.of(o.id()).hours();
        return from.datesUntil(until)
                .flatMap(day -> hours.on(day).stretches().stream()
                        .flatMap(stretch -> stretch.on(day, o.zone()).stream()
                                .map(span -> new HostLanes.Open(o.id(), o.title(), day, stretch, span))))
                .toList();
    }
}
