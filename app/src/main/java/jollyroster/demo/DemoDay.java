package jollyroster.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import jollyroster.attendance.AttendanceCommands;
import jollyroster.attendance.AttendanceQueries;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.demo.DemoLife.Happening;
import jollyroster.door.ArrivalCommands;
import jollyroster.door.Attenders;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Role;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.team.TeamQueries;
import jollyroster.turns.Turn;
import jollyroster.turns.TurnCommands;
import jollyroster.turns.TurnQueries;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Profile;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** The demo's day goes on: as its clock advances, people come to the door, wait, have their turns and leave. */
@Component
@Profile("demo")
class DemoDay {

    private static final long SEED = 20270313;
    private final DemoClock clock;
    private final DemoClockCommands memory;
    private final DemoGate gate;
    private final ProgrammeQueries programme;
    private final RegistrationQueries roster;
    private final AttendanceCommands attendance;
    private final AttendanceQueries came;
    private final ArrivalCommands arrivals;
    private final Attenders attenders;
    private final TurnCommands turnCommands;
    private final TurnQueries turns;
    private final PersonalLinks links;
    private final TeamQueries team;
    private final List<Happening> day = new ArrayList<>();
    private @Nullable Instant lived;

    DemoDay(
            DemoClock clock,
            DemoClockCommands memory,
            DemoGate gate,
            ProgrammeQueries programme,
            RegistrationQueries roster,
            AttendanceCommands attendance,
            AttendanceQueries came,
            ArrivalCommands arrivals,
            Attenders attenders,
            TurnCommands turnCommands,
            TurnQueries turns,
            PersonalLinks links,
            TeamQueries team) {
        this.clock = clock;
        this.memory = memory;
        this.gate = gate;
        this.programme = programme;
        this.roster = roster;
        this.attendance = attendance;
        this.came = came;
        this.arrivals = arrivals;
        this.attenders = attenders;
        this.turnCommands = turnCommands;
        this.turns = turns;
        this.links = links;
        this.team = team;
    }

    @Scheduled(fixedDelay = 1000)
    void tick() {
        if (gate.isOpen()) {
            goOn();
        }
    }

    /** Lives until now what has not been lived yet. */
    synchronized void goOn() {
        Instant now = clock.instant();
        if (lived == null) {
            lived = memory.livedUntil().orElse(DemoClock.START);
        }
        Instant until = lived;
        if (now.isAfter(DemoClock.START.plus(Duration.ofDays(1))) || !now.isAfter(until)) {
            return;
        }
        if (day.isEmpty()) {
            day.addAll(happenings());
        }
        List<Happening> due = day.stream()
                .filter(h -> h.at().isAfter(until) && !h.at().isAfter(now))
                .toList();
        if (!due.isEmpty()) {
            due.forEach(h -> clock.live(h.at(), h.what()));
            lived = due.get(due.size() - 1).at();
            memory.rememberLife(lived);
        }
    }

    private List<Happening> happenings() {
        Random random = new Random(SEED);
        Stream<Happening> webinar = today("Marine VHF radio procedure").stream().flatMap(s -> webinar(s, random));
        Stream<Happening> hour = today(DemoHour.TITLE).stream().flatMap(s -> hour(s, random));
        return Stream.concat(webinar, hour)
                .sorted(Comparator.comparing(Happening::at))
                .toList();
    }

    private Optional<Session> today(String title) {
        return programme.between(DemoClock.START, DemoClock.START.plus(Duration.ofHours(10))).stream()
                .filter(s -> s.offering().title().equals(title) && !s.cancelled())
                .findFirst();
    }

    private Stream<Happening> webinar(Session session, Random random) {
        Stream<Happening> registered =
                coming(session, random, session.doorHours().opens(), 18 * 60);
        Instant opens = session.doorHours().opens();
        Stream<Happening> knocks = Stream.of(
                new Happening(
                        opens.plusSeconds(90),
                        () -> knock(session, "Priscilla Oduya-Lund", "My colleague sent me the link.")),
                new Happening(opens.plusSeconds(200), () -> knockAlmostAs(session)),
                new Happening(opens.plusSeconds(270), () -> secondBrowser(session)));
        return Stream.concat(registered, knocks);
    }

    /** Four in five come within so many seconds, and stay until the end. */
    private Stream<Happening> coming(Session session, Random random, Instant from, int within) {
        return roster.roster(session.book()).stream()
                .filter(r -> r.state().mayJoin() && random.nextInt(5) > 0)
                .flatMap(r -> {
                    Instant in = from.plusSeconds(20 + random.nextInt(within));
                    Instant out = session.end().plusSeconds(random.nextInt(300) - 120L);
                    String visit = "demo-" + session.id() + "-" + r.id();
                    return Stream.of(
                            new Happening(
                                    in, () -> attendance.joined(visit, r.id(), session.id(), in, DemoActor.PROGRAM)),
                            new Happening(
                                    out, () -> attendance.left(visit, r.id(), session.id(), out, DemoActor.PROGRAM)));
                });
    }

    private void knock(Session session, String name, String says) {
        arrivals.knock(session.id(), ArrivalCommands.Who.guest(name, "", says), "", Actor.visitor(name));
    }

    /** Somebody who is registered has lost their link and writes their name in haste. */
    private void knockAlmostAs(Session session) {
        roster.roster(session.book()).stream()
                .filter(r -> r.state().mayJoin() && r.name().endsWith("Kestleborn"))
                .findFirst()
                .ifPresent(r -> knock(session, r.name().replace("Kestleborn", "Kestelborn"), ""));
    }

    /** A link that somebody is inside with is opened once more. */
    private void secondBrowser(Session session) {
        Map<Long, AttendanceQueries.Attended> inside = came.ofSession(session.id(), session.held(), clock.instant());
        roster.roster(session.book()).stream()
                .filter(r -> inside.containsKey(r.id()))
                .findFirst()
                .ifPresent(
                        r -> arrivals.knock(session.id(), ArrivalCommands.Who.second(r), "", Actor.visitor(r.name())));
    }

    /** The first three turns take 8, 12 and 13 minutes; the fourth has begun, and three wait. */
    private Stream<Happening> hour(Session session, Random random) {
        Instant start = session.start();
        List<Registration> people = roster.roster(session.book());
        Stream<Happening> asking = Stream.iterate(0, i -> i < people.size(), i -> i + 1)
                .map(i -> new Happening(start.plusSeconds(30 + 150L * i), () -> ask(people.get(i))));
        Stream<Happening> called = Stream.of(
                next(session, start.plus(Duration.ofMinutes(2))),
                end(session, start.plus(Duration.ofMinutes(10)), "Will send a photo of the chart."),
                next(session, start.plusSeconds(10 * 60 + 30)),
                end(session, start.plusSeconds(22 * 60 + 30), ""),
                next(session, start.plusSeconds(22 * 60 + 50)),
                end(session, start.plusSeconds(35 * 60 + 50), "Nervous of locks; recommend the river day."),
                next(session, start.plus(Duration.ofMinutes(36))));
        return Stream.of(coming(session, random, session.doorHours().opens(), 15 * 60), asking, called)
                .flatMap(all -> all);
    }

    private void ask(Registration r) {
        attenders
                .of(links.issue(Purpose.JOIN, new Link(r.id(), r.generation())))
                .ifPresent(who -> turnCommands.ask(who, Actor.visitor(r.name())));
    }

    private Happening next(Session session, Instant at) {
        return new Happening(at, () -> turnCommands.callNext(session.id(), barnaby()));
    }

    private Happening end(Session session, Instant at, String note) {
        return new Happening(
                at,
                () -> turns.of(session.id()).stream()
                        .filter(t -> t.state() == Turn.State.CALLED)
                        .findFirst()
                        .ifPresent(t -> {
                            turnCommands.note(session.id(), t.id(), note, barnaby());
                            turnCommands.end(session.id(), t.id(), barnaby());
                        }));
    }

    private Actor barnaby() {
        return team.members().stream()
                .filter(m -> m.name().equals(DemoOrganisation.BARNABY))
                .<Actor>map(m -> new Actor.Team(m.id(), m.name(), Role.HOST))
                .findFirst()
                .orElse(DemoActor.PROGRAM);
    }
}
