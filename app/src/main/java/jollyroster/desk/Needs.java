package jollyroster.desk;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import jollyroster.attendance.AttendanceQueries;
import jollyroster.core.door.DoorHours;
import jollyroster.core.readiness.Readiness.Clash;
import jollyroster.core.seats.Outlook;
import jollyroster.door.Heads;
import jollyroster.platform.SignedIn;
import jollyroster.platform.Times;
import jollyroster.programme.Clashes;
import jollyroster.programme.HostQueries;
import jollyroster.programme.MeetingLink;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.seating.RegistrationQueries;
import jollyroster.sheet.OutlookWords;
import org.springframework.stereotype.Component;

/** Finds what needs a hand, in order of urgency. */
@Component
class Needs {

    private static final Duration SOON = Duration.ofDays(14);
    private static final Duration LATELY = Duration.ofDays(14);
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final Clashes clashes;
    private final RegistrationQueries roster;
    private final AttendanceQueries attendance;
    private final List<NeedSource> others;
    private final Heads heads;
    private final SignedIn signedIn;

    Needs(
            ProgrammeQueries programme,
            HostQueries hosts,
            Clashes clashes,
            RegistrationQueries roster,
            AttendanceQueries attendance,
            List<NeedSource> others,
            Heads heads,
            SignedIn signedIn) {
        this.programme = programme;
        this.hosts = hosts;
        this.clashes = clashes;
        this.roster = roster;
        this.attendance = attendance;
        this.others = List.copyOf(others);
        this.heads = heads;
        this.signedIn = signedIn;
    }

    /**
     * One thing that needs a hand.
     *
     * @param urgency 0 now, 1 today, 2 soon, 3 when there is time
     * @param when how pressing it is, in a word or two
     */
    record Need(int urgency, String when, String lead, String text, String action, String address) {

        /** The same for somebody who can look at the session and not decide about it. */
        Need toLookAt() {
            return new Need(urgency, when, lead, text, "Open the session", address);
        }
    }

    List<Need> at(Instant now) {
        List<Need> needs = new ArrayList<>();
        List<Session> soon = hosts.visible(programme.between(now, now.plus(SOON)), signedIn.actor(), now).stream()
                .filter(s -> !s.cancelled() && s.offering().status() != OfferingStatus.DRAFT)
                .toList();
        Map<Long, SeatCount> counts = roster.of(soon.stream().map(Session::id).toList());
        openDoors(soon, now, needs);
        List<Need> ahead = new ArrayList<>();
        soon.forEach(s -> soon(s, counts.get(s.id()), now, ahead));
        ahead.stream()
                .map(need -> signedIn.isOrganiser() ? need : need.toLookAt())
                .forEach(needs::add);
        unmarked(now, needs);
        if (signedIn.isOrganiser()) {
            others.forEach(source -> needs.addAll(source.at(now)));
            collisions(soon, now, needs);
        }
        needs.sort(Comparator.comparingInt(Need::urgency));
        return needs;
    }

    private void openDoors(List<Session> soon, Instant now, List<Need> needs) {
        for (Session s : soon) {
            if (s.doorHours().at(now) == DoorHours.Phase.OPEN) {
                int waiting = heads.waiting(s);
                int inside = heads.inside(s);
                needs.add(new Need(
                        0,
                        now.isBefore(s.start()) ? "door open" : "under way",
                        s.offering().title(),
                        (waiting == 0
                                        ? ""
                                        : waiting == 1
                                                ? "One person is waiting at the door. "
                                                : waiting + " people are waiting at the door. ")
                                + (inside == 1 ? "One person is inside." : inside + " people are inside."),
                        waiting == 0 ? "Look after it" : "Open the door",
                        "/desk/door/" + s.id()));
            }
        }
    }

    private static String address(Session s) {
        return "/desk/sessions/" + s.id();
    }

    private static String named(Session s) {
        return s.offering().title() + ", " + Times.dayAndTime(s.start(), s.zone());
    }

    private static String in(Session s, Instant now) {
        return Times.ahead(now, s.start(), s.zone());
    }

    private static void soon(Session s, SeatCount count, Instant now, List<Need> needs) {
        if (!now.isBefore(s.start())) {
            return;
        }
        if (s.link().state() == MeetingLink.State.FAILED) {
            needs.add(new Need(1, in(s, now), named(s), "It has no meeting link.", "Ask again", address(s)));
        }
        Outlook outlook = s.outlook(count.taken(), now);
        if (outlook == Outlook.DECIDE_TODAY || outlook == Outlook.OVERDUE) {
            String words = OutlookWords.of(s, count.taken(), now);
            needs.add(new Need(1, in(s, now), named(s), "Does it run? " + words + ".", "Decide", address(s)));
        }
        if (count.waitingPeople() > 0) {
            needs.add(new Need(
                    2,
                    in(s, now),
                    named(s),
                    count.waitingPeople() + " waiting, " + taken(count.taken(), s.seats()) + ".",
                    "More seats?",
                    address(s) + "#seats"));
        }
    }

    private static String taken(int taken, int seats) {
        return taken < seats
                ? taken + " of " + seats + " seats taken"
                : seats == 1 ? "the only seat taken" : "all " + seats + " seats taken";
    }

    /** Each conflict once, though it concerns two sessions. */
    private void collisions(List<Session> soon, Instant now, List<Need> needs) {
        Set<Object> said = new HashSet<>();
        for (Clash clash : clashes.of(soon, now)) {
            if (said.add(clash.conflict())) {
                Session s = soon.stream()
                        .filter(x -> x.id() == clash.session())
                        .findFirst()
                        .orElseThrow();
                needs.add(new Need(
                        1,
                        in(s, now),
                        clash.name() + " is needed in two places",
                        Times.dayAndTime(clash.conflict().overlap().start(), s.zone()) + ", "
                                + clash.conflict().minutes() + " min, at "
                                + s.offering().title() + ".",
                        "See the host schedule",
                        "/desk/lanes?at=" + s.zonedStart().toLocalDate()));
            }
        }
    }

    private void unmarked(Instant now, List<Need> needs) {
        List<Session> past = hosts.visible(programme.between(now.minus(LATELY), now), signedIn.actor(), now).stream()
                .filter(s -> !s.cancelled() && !s.end().isAfter(now))
                .toList();
        List<Long> ids = past.stream().map(Session::id).toList();
        Map<Long, SeatCount> counts = roster.of(ids);
        Set<Long> known = attendance.sessionsWithEvidence(ids);
        for (Session s : past) {
            if (counts.get(s.id()).taken() > 0 && !known.contains(s.id())) {
                needs.add(new Need(
                        3,
                        Times.day(s.start().atZone(s.zone())),
                        s.offering().title(),
                        "Nobody is marked as having been there.",
                        "Mark attendance",
                        address(s) + "#roster"));
            }
        }
    }
}
