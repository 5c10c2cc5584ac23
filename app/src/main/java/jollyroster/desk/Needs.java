package jollyroster.desk;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import jollyroster.attendance.AttendanceQueries;
import jollyroster.core.readiness.Finding;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.ReadinessView;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.roster.RosterQueries;
import org.springframework.stereotype.Component;

/** Finds what needs a hand, in order of urgency. */
@Component
class Needs {

    private static final Duration SOON = Duration.ofDays(10);
    private static final Duration LATELY = Duration.ofDays(14);
    private final ProgrammeQueries programme;
    private final RosterQueries roster;
    private final OutboxQueries outbox;
    private final AttendanceQueries attendance;

    Needs(ProgrammeQueries programme, RosterQueries roster, OutboxQueries outbox, AttendanceQueries attendance) {
        this.programme = programme;
        this.roster = roster;
        this.outbox = outbox;
        this.attendance = attendance;
    }

    /**
     * One thing that needs a hand.
     *
     * @param urgency 0 now, 1 today, 2 soon, 3 when there is time
     * @param when how pressing it is, in a word or two
     */
    record Need(int urgency, String when, String lead, String text, String action, String address) {}

    List<Need> at(Instant now) {
        List<Need> needs = new ArrayList<>();
        List<Session> soon = programme.between(now, now.plus(SOON)).stream()
                .filter(s -> !s.cancelled() && s.offering().status() != OfferingStatus.DRAFT)
                .toList();
        openDoors(soon, now, needs);
        failedMessages(needs);
        fullWithWaitlist(soon, now, needs);
        findings(now, needs);
        unmarked(now, needs);
        needs.sort(Comparator.comparingInt(Need::urgency));
        return needs;
    }

    private void openDoors(List<Session> soon, Instant now, List<Need> needs) {
        for (Session s : soon) {
            if (s.doorHours().at(now) == jollyroster.core.door.DoorHours.Phase.OPEN) {
                long inside = attendance.ofSession(s.id(), s.span(), now).values().stream()
                        .filter(a -> a.inside())
                        .count();
                needs.add(new Need(
                        0,
                        now.isBefore(s.start()) ? "door open" : "under way",
                        s.offering().title(),
                        inside == 1 ? "One person is inside." : inside + " people are inside.",
                        "Look after it",
                        "/desk/sessions/" + s.id()));
            }
        }
    }

    private void failedMessages(List<Need> needs) {
        int failed = outbox.totals().getOrDefault(MessageState.FAILED, 0);
        if (failed > 0) {
            needs.add(new Need(
                    1,
                    "now",
                    failed == 1 ? "One message failed" : failed + " messages failed",
                    "Somebody may be without their link.",
                    "See why",
                    "/desk/outbox?show=failed"));
        }
    }

    private void fullWithWaitlist(List<Session> soon, Instant now, List<Need> needs) {
        Map<Long, SeatCount> counts = roster.of(soon.stream().map(Session::id).toList());
        for (Session s : soon) {
            SeatCount count = counts.get(s.id());
            if (count.waitingPeople() > 0 && now.isBefore(s.start())) {
                needs.add(new Need(
                        2,
                        "in " + Times.length(Duration.between(now, s.start())),
                        s.offering().title() + ", " + Times.dayAndTime(s.start(), s.zone()),
                        (count.waitingPeople() == 1 ? "One person waits" : count.waitingPeople() + " people wait")
                                + " for " + s.seats() + " seats.",
                        "More seats?",
                        "/desk/sessions/" + s.id() + "#seats"));
            }
        }
    }

    private void findings(Instant now, List<Need> needs) {
        Map<Long, List<Session>> sessions = programme.coming(now).stream()
                .collect(Collectors.groupingBy(s -> s.offering().id()));
        for (Offering o : programme.offerings()) {
            if (o.status() != OfferingStatus.CLOSED) {
                ReadinessView.findings(o, sessions.getOrDefault(o.id(), List.of()), now).stream()
                        .filter(f -> f.kind().severity() != Finding.Severity.REMARK)
                        .findFirst()
                        .ifPresent(f -> needs.add(need(o, f)));
            }
        }
    }

    private static Need need(Offering o, Finding f) {
        boolean draft = o.status() == OfferingStatus.DRAFT;
        return new Need(
                draft ? 3 : 2,
                draft ? "draft" : "published",
                o.title(),
                ReadinessView.lead(f, o.zone()),
                "Open the sheet",
                "/desk/offerings/" + o.id());
    }

    private void unmarked(Instant now, List<Need> needs) {
        List<Session> past = programme.between(now.minus(LATELY), now).stream()
                .filter(s -> !s.cancelled() && !s.end().isAfter(now))
                .toList();
        Map<Long, SeatCount> counts = roster.of(past.stream().map(Session::id).toList());
        for (Session s : past) {
            boolean nothingKnown = counts.get(s.id()).taken() > 0
                    && attendance.ofSession(s.id(), s.span(), now).isEmpty();
            if (nothingKnown) {
                needs.add(new Need(
                        3,
                        Times.day(s.start().atZone(s.zone())),
                        s.offering().title(),
                        "Nobody is marked as having been there.",
                        "Mark attendance",
                        "/desk/sessions/" + s.id() + "#roster"));
            }
        }
    }
}
