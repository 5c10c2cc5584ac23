package jollyroster.desk;

import static java.time.temporal.ChronoUnit.MINUTES;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import jollyroster.desk.Needs.Need;
import jollyroster.platform.OutsideService;
import jollyroster.platform.ServiceCuts;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeQueries;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Services outside of the program that do not answer, or are cut off while sessions need them. */
@Component
@Order(3)
class ServiceNeeds implements NeedSource {

    private final List<OutsideService> services;
    private final ServiceCuts cuts;
    private final ProgrammeQueries programme;

    ServiceNeeds(List<OutsideService> services, ServiceCuts cuts, ProgrammeQueries programme) {
        this.services = services;
        this.cuts = cuts;
        this.programme = programme;
    }

    @Override
    public List<Need> at(Instant now) {
        List<Need> needs = new ArrayList<>();
        cut(now, needs);
        outages(now, needs);
        return needs;
    }

    private void cut(Instant now, List<Need> needs) {
        cuts.of(ServiceCuts.MEETINGS).ifPresent(cut -> {
            int sessions = programme.wantingTheService(now).size();
            if (sessions > 0) {
                needs.add(new Need(
                        0,
                        since(cut.at(), now),
                        "Online meetings",
                        "The meeting service is cut off; "
                                + (sessions == 1 ? "one session needs it." : sessions + " sessions need it."),
                        "See connections",
                        "/desk/setup/connections"));
            }
        });
    }

    private void outages(Instant now, List<Need> needs) {
        services.forEach(service -> service.outSince()
                .ifPresent(since -> needs.add(new Need(
                        0,
                        since(since, now),
                        "No answer",
                        "The " + service.name() + " does not answer. What waits for it goes by itself once it does.",
                        "See what waits",
                        "/desk/outbox"))));
    }

    private static String since(Instant begun, Instant now) {
        Duration lasting = Duration.between(begun, now).truncatedTo(MINUTES);
        return lasting.toMinutes() < 1 ? "now" : "for " + Times.length(lasting);
    }
}
