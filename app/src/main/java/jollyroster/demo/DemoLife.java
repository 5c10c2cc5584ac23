package jollyroster.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import jollyroster.answers.Answer;
import jollyroster.attendance.AttendanceCommands;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.dates.Interval;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Actor;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.seating.Application;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.HoldCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import jollyroster.texting.Agreement;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** What the crew of the demo does between January and the demo's morning. */
@Component
@Profile("demo")
class DemoLife {

    private static final long SEED = 20270310;
    private static final int PEOPLE = 600;
    private static final List<String> HOLDS =
            List.of("None yet", "None yet", "VHF licence", "Coast certificate", "Crew certificate");
    private static final List<String> BOATS =
            List.of("", "", "Dabchick", "Harbour rowing club", "Second Wind", "Saltmarrow juniors", "Curlew");
    private static final List<String> SPLICES = List.of("An eye in three-strand", "A back splice", "An eye, badly");
    private static final List<String> ROPES =
            List.of("Three-strand", "Three-strand", "Braid", "None, thank you", "Three-strand");
    private static final List<String> WATERS = List.of("Inshore", "The bay", "Inshore\nThe bay", "Rivers and lakes");
    private static final List<String> WISHES = List.of(
            "",
            "Find my way home in fog",
            "Plan a passage to the islands with the tide",
            "",
            "Stop relying on the plotter",
            "Take a bearing that I believe");
    private final ChangeSeatCommands changes;
    private final RegistrationCommands roster;
    private final HoldCommands holds;
    private final AttendanceCommands attendance;
    private final RegistrationQueries queries;
    private final ProgrammeQueries programme;
    private final Map<String, Long> registrations = new LinkedHashMap<>();

    DemoLife(
            ChangeSeatCommands changes,
            RegistrationCommands roster,
            HoldCommands holds,
            RegistrationQueries queries,
            AttendanceCommands attendance,
            ProgrammeQueries programme) {
        this.changes = changes;
        this.roster = roster;
        this.holds = holds;
        this.queries = queries;
        this.attendance = attendance;
        this.programme = programme;
    }

    record Happening(Instant at, Runnable what) {}

    private record Visit(long session, int from, int people, boolean radio) {}

    List<Happening> happenings(List<Long> radio, List<Long> knots, List<Long> course, List<Long> drill) {
        Crew crew = new Crew(SEED);
        List<Crew.Member> people =
                IntStream.range(0, PEOPLE).mapToObj(i -> crew.next()).toList();
        List<Happening> happenings = new ArrayList<>();
        Stream.of(
                        new Visit(radio.get(0), 0, 96, true),
                        new Visit(radio.get(1), 60, 124, true),
                        new Visit(radio.get(2), 150, 180, true),
                        new Visit(radio.get(3), 300, 260, true),
                        new Visit(knots.get(0), 560, 6, false),
                        new Visit(knots.get(1), 566, 7, false),
                        new Visit(knots.get(2), 572, 11, false),
                        new Visit(knots.get(3), 590, 4, false))
                .forEach(visit -> visit(visit, people, crew, happenings));
        joining(course.get(0), 30, 21, people, crew, happenings);
        joining(drill.get(0), 50, 6, people, crew, happenings);
        joining(drill.get(1), 60, 2, people, crew, happenings);
        happenings.add(new Happening(Instant.parse("2027-03-10T12:55:00Z"), () -> lost(radio.get(3))));
        happenings.add(new Happening(Instant.parse("2027-03-10T13:05:00Z"), () -> leaveSeats(knots.get(2))));
        happenings.add(new Happening(Instant.parse("2027-03-10T13:10:00Z"), () -> leaveSeats(course.get(0))));
        return happenings;
    }

    private void visit(Visit visit, List<Crew.Member> people, Crew crew, List<Happening> happenings) {
        Interval span = programme.session(visit.session()).orElseThrow().span();
        for (int i = 0; i < visit.people(); i++) {
            Crew.Member one = people.get((visit.from() + i) % PEOPLE);
            Crew.Member member = visit.radio() ? one : one.nearby();
            int party = visit.radio() ? 1 : crew.party(3);
            Map<String, String> answers = visit.radio() ? radioAnswers(crew) : knotAnswers(crew, party);
            Instant latest = span.start().isBefore(DemoClock.START) ? span.start() : DemoClock.START;
            Instant at = latest.minus(Duration.ofMinutes(200 + crew.upTo(14 * 24 * 60)));
            happenings.add(new Happening(at, () -> register(visit.session(), member, party, answers)));
            if (crew.upTo(12) == 0) {
                happenings.add(new Happening(
                        latest.minus(Duration.ofMinutes(60 + crew.upTo(120))), () -> leave(visit, member)));
            }
            if (span.end().isBefore(DemoClock.START)) {
                attend(visit, member, span, crew, happenings);
            }
        }
    }

    /** People who registered in the last days for something that asks them nothing. */
    private void joining(
            long session, int from, int number, List<Crew.Member> people, Crew crew, List<Happening> happenings) {
        for (int i = 0; i < number; i++) {
            Crew.Member member = people.get((from + i * 3) % PEOPLE).nearby();
            Instant at = DemoClock.START.minus(Duration.ofMinutes(30 + crew.upTo(9 * 24 * 60)));
            Map<String, String> answers = courseAnswers(crew);
            happenings.add(new Happening(at, () -> register(session, member, 1, answers)));
        }
    }

    private static Map<String, String> radioAnswers(Crew crew) {
        return Map.of("what_do_you_hold", crew.oneOf(HOLDS), "your_boat_or_club", crew.oneOf(BOATS));
    }

    private static Map<String, String> knotAnswers(Crew crew, int party) {
        String left = crew.upTo(5) == 0 ? party == 1 ? "All of us" : "One of us" : "Neither of us";
        boolean spliced = crew.upTo(3) == 0;
        return Map.of(
                "left_handed",
                left,
                "have_you_spliced_before",
                spliced ? "yes" : "no",
                "what_was_it",
                spliced ? crew.oneOf(SPLICES) : "",
                "rope_to_take_home",
                crew.oneOf(ROPES),
                "how_old_is_the_youngest_of_you",
                String.valueOf(11 + crew.upTo(50)));
    }

    private static Map<String, String> courseAnswers(Crew crew) {
        String waters = crew.upTo(3) == 0 ? "Inshore\nOffshore" : crew.oneOf(WATERS);
        return Map.of(
                "which_waters_do_you_sail",
                waters,
                "what_would_you_like_to_be_able",
                crew.oneOf(WISHES),
                "i_can_come_to_at_least_five_of",
                "yes");
    }

    /** Somebody with seats gives them back, so that those who wait are called up. */
    private void leaveSeats(long session) {
        queries.roster(session).stream()
                .filter(r -> r.state() == RegistrationState.REGISTERED)
                .reduce((first, second) -> second)
                .ifPresent(r -> changes.cancel(r.id(), "called away", new Actor.Person(r.name(), r.id())));
    }

    /** Most who are called up answer after a few hours; some do not. */
    void answerCallUps(Instant now) {
        for (Registration called : queries.held()) {
            boolean answers = called.id() % 5 != 0;
            boolean seen = called.hold()
                    .until()
                    .orElseThrow()
                    .minus(Duration.ofHours(4))
                    .isBefore(now);
            if (answers && seen && called.state() == RegistrationState.CALLED_UP) {
                holds.accept(called.id(), new Actor.Person(called.name(), called.id()));
            }
        }
    }

    private void register(long session, Crew.Member member, int party, Map<String, String> answers) {
        Registering came = roster.register(
                new Application(
                        session,
                        member.name(),
                        member.email(),
                        member.phone(),
                        party,
                        ZoneId.of(member.zone()),
                        List.of(),
                        asked(session, answers),
                        "",
                        member.phone().isEmpty() || member.name().length() % 3 == 0 ? "" : Agreement.WORDS),
                Actor.visitor(member.name()));
        if (came instanceof Registering.Done done) {
            registrations.put(session + " " + member.email(), done.link().id());
        }
    }

    private List<Answer> asked(long session, Map<String, String> answers) {
        long offering = programme.session(session).orElseThrow().offering().id();
        return programme.questions(offering).stream()
                .filter(q -> !answers.getOrDefault(q.question().key(), "").isEmpty())
                .map(q -> answer(q, answers.get(q.question().key())))
                .toList();
    }

    private static Answer answer(AskedQuestion asked, String value) {
        return new Answer(
                asked.id(),
                0,
                asked.question().label(),
                value,
                asked.question().options().stream()
                        .filter(o -> o.most().isPresent() && value.equals(o.label()))
                        .toList());
    }

    /** Somebody whose mailbox does not exist, so that the outbox has a failure to show. */
    private void lost(long session) {
        register(
                session,
                new Crew.Member("Ambrose Netherby", "no-such-box@crew.example", "", "America/Halifax"),
                1,
                Map.of("what_do_you_hold", "None yet"));
    }

    private Optional<Long> registration(Visit visit, Crew.Member member) {
        return Optional.ofNullable(registrations.get(visit.session() + " " + member.email()));
    }

    private void leave(Visit visit, Crew.Member member) {
        registration(visit, member).ifPresent(id -> changes.cancel(id, "", new Actor.Person(member.name(), id)));
    }

    /** On the air people come and go; at the bench they are ticked off, but nobody has done so for the last date. */
    private void attend(Visit visit, Crew.Member member, Interval span, Crew crew, List<Happening> happenings) {
        int mood = crew.upTo(10);
        if (visit.radio()) {
            if (mood < 8) {
                connect(visit, member, span, mood, crew, happenings);
            }
        } else if (span.end().isBefore(Instant.parse("2027-03-01T00:00:00Z"))) {
            Verdict verdict = mood < 8 ? Verdict.ATTENDED : Verdict.ABSENT;
            happenings.add(new Happening(
                    span.end().plus(Duration.ofMinutes(20)),
                    () -> registration(visit, member)
                            .ifPresent(id ->
                                    attendance.mark(id, visit.session(), Optional.of(verdict), DemoActor.PROGRAM))));
        }
    }

    private void connect(
            Visit visit, Crew.Member member, Interval span, int mood, Crew crew, List<Happening> happenings) {
        Instant in = span.start().plus(Duration.ofMinutes(crew.upTo(14) - 8L));
        Instant out = mood == 7
                ? in.plus(Duration.ofMinutes(20 + crew.upTo(30)))
                : span.end().plusSeconds(60L * crew.upTo(6));
        if (mood < 2) {
            Instant dropped = in.plus(Duration.ofMinutes(25 + crew.upTo(20)));
            connection(visit, member, in, dropped, happenings);
            connection(visit, member, dropped.plusSeconds(180), out, happenings);
        } else {
            connection(visit, member, in, out, happenings);
        }
    }

    private void connection(Visit visit, Crew.Member member, Instant in, Instant out, List<Happening> happenings) {
        String name = "demo-" + visit.session() + "-" + member.email() + "-" + in.getEpochSecond();
        happenings.add(new Happening(
                in,
                () -> seated(visit, member)
                        .ifPresent(id -> attendance.joined(name, id, visit.session(), in, DemoActor.PROGRAM))));
        happenings.add(new Happening(
                out,
                () -> seated(visit, member)
                        .ifPresent(id -> attendance.left(name, id, visit.session(), out, DemoActor.PROGRAM))));
    }

    private Optional<Long> seated(Visit visit, Crew.Member member) {
        return registration(visit, member).filter(this::isSeated);
    }

    private boolean isSeated(long registration) {
        return queries.registration(registration)
                .filter(r -> r.state().takesSeats())
                .isPresent();
    }
}
