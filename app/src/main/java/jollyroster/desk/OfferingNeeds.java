package jollyroster.desk;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import jollyroster.core.readiness.Finding;
import jollyroster.desk.Needs.Need;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.ReadinessCheck;
import jollyroster.programme.Session;
import jollyroster.schedule.ClockChangeQueries;
import jollyroster.sheet.ReadinessView;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Offerings that are not as they should be, and sessions whose clocks change otherwise than was known. */
@Component
@Order(4)
class OfferingNeeds implements NeedSource {

    private static final Set<Finding.Kind> SAID_ELSEWHERE = Set.of(
            Finding.Kind.HOST_DOUBLE_BOOKED,
            Finding.Kind.VENUE_DOUBLE_BOOKED,
            Finding.Kind.LINK_FAILED,
            Finding.Kind.NO_PROVIDER);
    private static final Duration CLOCKS_NEWS = Duration.ofDays(14);
    private final ClockChangeQueries clockChanges;
    private final ProgrammeQueries programme;
    private final ReadinessCheck readiness;

    OfferingNeeds(ClockChangeQueries clockChanges, ProgrammeQueries programme, ReadinessCheck readiness) {
        this.clockChanges = clockChanges;
        this.programme = programme;
        this.readiness = readiness;
    }

    @Override
    public List<Need> at(Instant now) {
        List<Need> needs = new ArrayList<>();
        clocks(now, needs);
        findings(now, needs);
        return needs;
    }

    /** Sessions that keep their time on the wall while the clocks of their zone change otherwise than was known. */
    private void clocks(Instant now, List<Need> needs) {
        List<ClockChangeQueries.Changed> changed = clockChanges.since(now.minus(CLOCKS_NEWS));
        if (changed.isEmpty()) {
            return;
        }
        int people =
                changed.stream().mapToInt(ClockChangeQueries.Changed::people).sum();
        needs.add(new Need(
                1,
                "clocks",
                changed.size() == 1 ? "One session" : changed.size() + " sessions",
                "The clocks of their zone change otherwise than was known. They keep their time on the wall; "
                        + (people == 1 ? "one person elsewhere may see" : people + " people elsewhere may see")
                        + " another hour, and their messages are planned anew.",
                "Look at the first",
                "/desk/sessions/" + changed.get(0).session()));
    }

    private void findings(Instant now, List<Need> needs) {
        List<Offering> open = programme.offerings().stream()
                .filter(o -> o.status() != OfferingStatus.CLOSED)
                .toList();
        Map<Long, List<Session>> dates =
                programme.sessionsOf(open.stream().map(Offering::id).toList());
        Map<Long, List<Finding>> findings = readiness.of(open, dates, now);
        for (Offering o : open) {
            findings.get(o.id()).stream()
                    .filter(f -> f.kind().severity() != Finding.Severity.REMARK)
                    .filter(f -> !SAID_ELSEWHERE.contains(f.kind()))
                    .findFirst()
                    .ifPresent(f -> needs.add(need(o, f)));
        }
    }

    private static Need need(Offering o, Finding f) {
        boolean draft = o.status() == OfferingStatus.DRAFT;
        return new Need(
                draft ? 3 : 2,
                draft ? "draft" : "published",
                o.title(),
                ReadinessView.lead(f, o.zone()),
                "Open the offering",
                "/desk/offerings/" + o.id());
    }
}
