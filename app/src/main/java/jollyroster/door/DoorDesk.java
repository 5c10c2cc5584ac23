package jollyroster.door;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.attendance.AttendanceQueries.Attended;
import jollyroster.chart.RoomDrawing;
import jollyroster.core.door.Knock;
import jollyroster.core.door.NameMatch;
import jollyroster.door.ArrivalQueries.Arrival;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** What stands on the page of a door. */
@Component
class DoorDesk {

    private static final int LAST = 12;
    private final ArrivalQueries arrivals;
    private final Insiders insiders;
    private final RegistrationQueries roster;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final OrganisationQueries organisation;
    private final Clock clock;

    DoorDesk(
            ArrivalQueries arrivals,
            Insiders insiders,
            RegistrationQueries roster,
            ProgrammeQueries programme,
            HostQueries hosts,
            OrganisationQueries organisation,
            Clock clock) {
        this.arrivals = arrivals;
        this.insiders = insiders;
        this.roster = roster;
        this.programme = programme;
        this.hosts = hosts;
        this.organisation = organisation;
        this.clock = clock;
    }

    /** A door. @param room how many fit; empty for any number */
    record View(
            String title,
            String about,
            String phase,
            int inside,
            int waiting,
            int missing,
            int expected,
            String room,
            String drawing,
            List<Row> rows,
            List<Gone> last,
            boolean anyRegistered) {}

    /** Somebody who waits. @param match whose registration it probably is; 0 for nobody's @param asked whether they were asked to wait */
    record Row(
            long id,
            String since,
            String name,
            String what,
            String probably,
            String strong,
            long match,
            boolean asked,
            String word) {}

    /** Somebody who came in or was sent away. */
    record Gone(long id, String when, String name, String how, boolean inside, boolean barred) {}

    View view(Session session) {
        Instant now = clock.instant();
        List<Arrival> all = arrivals.of(session.id());
        List<Arrival> waiting =
                all.stream().filter(a -> a.state().isAtTheDoor()).toList();
        int inside = insiders.number(session);
        int expected = roster.of(List.of(session.book()))
                .getOrDefault(session.book(), SeatCounts.SeatCount.NONE)
                .taken();
        int missing = missing(session, all, expected);
        OptionalInt room = Insiders.limit(session);
        return new View(
                session.offering().title(),
                about(session),
                phase(session, now),
                inside,
                waiting.size(),
                missing,
                expected,
                room.isPresent() ? String.valueOf(room.getAsInt()) : "",
                RoomDrawing.of(inside, waiting.size(), missing),
                rows(session, waiting, now),
                last(all),
                waiting.stream().anyMatch(a -> a.registration() != 0));
    }

    /** Those who are expected and have not come yet. */
    private int missing(Session session, List<Arrival> all, int expected) {
        Map<Long, Attended> came = insiders.registered(session);
        long joined = all.stream()
                .filter(a -> a.state() == Knock.INSIDE && a.registration() != 0 && !came.containsKey(a.registration()))
                .count();
        return (int) Math.max(0, expected - came.size() - joined);
    }

    private String about(Session session) {
        return Stream.of(
                        Times.hours(session.zonedStart(), session.end().atZone(session.zone())) + " "
                                + Times.city(session.zone()),
                        session.venue().map(v -> v.name()).orElse(""),
                        with(session))
                .filter(text -> !text.isBlank())
                .collect(Collectors.joining(" · "));
    }

    private String with(Session session) {
        String names = HostQueries.names(hosts.of(session), session.offering().hostName());
        return names.isEmpty() ? "" : "with " + names;
    }

    private static String phase(Session session, Instant now) {
        if (session.cancelled()) {
            return "cancelled";
        }
        return switch (session.doorHours().at(now)) {
            case BEFORE ->
                "the door opens in "
                        + Times.length(Duration.between(now, session.doorHours().opens()));
            case AFTER -> "the door is closed";
            case OPEN ->
                now.isBefore(session.start())
                        ? "starts in " + Times.length(Duration.between(now, session.start()))
                        : "began " + Times.length(Duration.between(session.start(), now)) + " ago";
        };
    }

    /** {@code 15 s}, {@code 1 min 50}. */
    static String waited(Duration time) {
        long seconds = Math.max(0, time.toSeconds());
        if (seconds < 60) {
            return seconds + " s";
        }
        return seconds < 3600
                ? "%d min %02d".formatted(seconds / 60, seconds % 60)
                : seconds / 3600 + " h " + seconds % 3600 / 60 + " min";
    }

    private List<Row> rows(Session session, List<Arrival> waiting, Instant now) {
        if (waiting.isEmpty()) {
            return List.of();
        }
        Map<Long, Registration> here = roster.roster(session.book()).stream()
                .filter(r -> r.state().mayJoin())
                .collect(Collectors.toMap(Registration::id, Function.identity()));
        List<NameMatch.Known> known = here.values().stream()
                .map(r -> new NameMatch.Known(r.id(), r.name(), r.email()))
                .toList();
        return waiting.stream().map(a -> row(session, a, here, known, now)).toList();
    }

    private Row row(
            Session session, Arrival a, Map<Long, Registration> here, List<NameMatch.Known> known, Instant now) {
        Optional<Registration> match = NameMatch.of(a.name(), a.email(), known).map(found -> here.get(found.id()));
        boolean joined = a.registration() != 0;
        return new Row(
                a.id(),
                waited(Duration.between(a.at(), now)),
                a.name(),
                a.email().isEmpty() ? a.says() : a.says().isEmpty() ? a.email() : a.email() + " · " + a.says(),
                joined ? "registered as " : match.isPresent() ? "probably " : elsewhere(session, a),
                joined
                        ? Optional.ofNullable(here.get(a.registration()))
                                .map(Registration::name)
                                .orElse("")
                        : match.map(Registration::name).orElse(""),
                joined ? 0 : match.map(Registration::id).orElse(0L),
                a.state() == Knock.ASKED_TO_WAIT,
                a.word());
    }

    /** Whether somebody of that name comes to another date of it. */
    private String elsewhere(Session session, Arrival a) {
        List<Session> others = programme.sessionsOf(session.offering().id()).stream()
                .filter(s -> s.id() != session.id() && s.lead() == null && !s.cancelled())
                .sorted(Comparator.comparing(
                        s -> Duration.between(session.start(), s.start()).abs()))
                .limit(10)
                .toList();
        Map<Long, List<Registration>> rosters =
                roster.rosters(others.stream().map(Session::book).toList());
        for (Session other : others) {
            List<NameMatch.Known> known = rosters.getOrDefault(other.book(), List.of()).stream()
                    .filter(r -> r.state().mayJoin())
                    .map(r -> new NameMatch.Known(r.id(), r.name(), r.email()))
                    .toList();
            if (NameMatch.of(a.name(), a.email(), known).isPresent()) {
                return "registered for " + Times.day(other.zonedStart()) + ", not for today";
            }
        }
        return "no registration with this name";
    }

    private List<Gone> last(List<Arrival> all) {
        ZoneId home = organisation.organisation().zone();
        return all.stream()
                .filter(a -> !a.state().isAtTheDoor())
                .sorted(Comparator.comparing((Arrival a) -> a.settled().orElse(a.at()))
                        .reversed())
                .limit(LAST)
                .map(a -> new Gone(
                        a.id(),
                        Times.time(a.settled().orElse(a.at()).atZone(home)),
                        a.name(),
                        how(a),
                        a.state() == Knock.INSIDE,
                        a.state() == Knock.BARRED))
                .toList();
    }

    private static String how(Arrival a) {
        String what = switch (a.state()) {
            case INSIDE -> "let in";
            case BARRED -> "barred";
            default -> "turned away";
        };
        return a.by().isEmpty() ? what : what + " by " + a.by();
    }
}
