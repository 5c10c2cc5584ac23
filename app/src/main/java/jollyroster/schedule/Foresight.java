package jollyroster.schedule;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import jollyroster.chart.ShiftDrawing;
import jollyroster.core.dates.Interval;
import jollyroster.core.openhours.Claim;
import jollyroster.core.openhours.Conflict;
import jollyroster.core.readiness.Readiness.Clash;
import jollyroster.platform.Actor;
import jollyroster.platform.Times;
import jollyroster.programme.Clashes;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.SessionPlan;
import jollyroster.programme.Venue;
import jollyroster.seating.NoticeCommands;
import jollyroster.team.TeamQueries;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Shows the result of a change before it is made: what moves where, what would collide, who would be told. */
@Component
class Foresight {

    private final ProgrammeQueries programme;
    private final PlannedChange planned;
    private final NoticeCommands notices;
    private final Clashes clashes;
    private final HostQueries hosts;
    private final TeamQueries team;
    private final Clock clock;

    Foresight(
            ProgrammeQueries programme,
            PlannedChange planned,
            NoticeCommands notices,
            Clashes clashes,
            HostQueries hosts,
            TeamQueries team,
            Clock clock) {
        this.programme = programme;
        this.planned = planned;
        this.notices = notices;
        this.clashes = clashes;
        this.hosts = hosts;
        this.team = team;
        this.clock = clock;
    }

    /** Empty when nothing would change, or something is in the way of it. */
    @Transactional(readOnly = true)
    public Optional<ForeseenView> of(Session session, Scope scope, SessionPlan wanted, Actor actor) {
        actor.requireOrganiser();
        Map<Session, SessionPlan> plans = planned.plans(session, scope, wanted);
        return plans.isEmpty() || planned.obstacle(plans).isPresent()
                ? Optional.empty()
                : Optional.of(view(session, plans));
    }

    private ForeseenView view(Session session, Map<Session, SessionPlan> plans) {
        Map<Long, Session> after = after(plans);
        Map<Long, List<String>> trouble = trouble(session, plans, after);
        Set<Long> told = new HashSet<>();
        List<ForeseenView.Row> rows = new ArrayList<>();
        int people = 0;
        for (Map.Entry<Session, SessionPlan> e : plans.entrySet()) {
            boolean again = told.contains(e.getKey().book());
            int on = isNews(e.getKey(), e.getValue()) && told.add(e.getKey().book())
                    ? notices.standingOn(e.getKey())
                    : 0;
            people += on;
            rows.add(row(
                    e.getKey(),
                    after.get(e.getKey().id()),
                    again ? "the same people, once" : counted(on),
                    trouble.getOrDefault(e.getKey().id(), List.of())));
        }
        String summary = (rows.size() == 1 ? "One session changes; " : rows.size() + " sessions change; ")
                + counted(people)
                + (people > 1 ? " are told." : " is told.");
        return new ForeseenView(summary, drawing(plans, trouble), trouble.size(), rows);
    }

    private static String counted(int people) {
        return people == 0 ? "nobody" : people == 1 ? "one person" : people + " people";
    }

    private static boolean isNews(Session s, SessionPlan plan) {
        boolean moves = !plan.start().equals(s.start()) || !plan.end().equals(s.end());
        return s.offering().status() != OfferingStatus.DRAFT
                && (moves
                        || plan.cancelled() != s.cancelled()
                        || !ownVenue(s).equals(Optional.ofNullable(plan.venue())));
    }

    private static Optional<Long> ownVenue(Session s) {
        return s.own().venue().map(Venue::id);
    }

    private ForeseenView.Row row(Session s, Session after, String told, List<String> trouble) {
        boolean elsewhere = !s.place().equals(after.place());
        return new ForeseenView.Row(
                s.id(),
                when(s) + (elsewhere && !s.place().isEmpty() ? ", " + s.place() : ""),
                when(after) + (elsewhere && !after.place().isEmpty() ? ", " + after.place() : ""),
                told,
                trouble);
    }

    private String when(Session s) {
        LocalDate today = clock.instant().atZone(s.zone()).toLocalDate();
        return Times.range(s.start(), s.end(), s.zone(), today);
    }

    private Map<Long, Session> after(Map<Session, SessionPlan> plans) {
        Map<Long, Venue> venues =
                programme.allVenues().stream().collect(Collectors.toMap(Venue::id, Function.identity()));
        return plans.entrySet().stream()
                .collect(Collectors.toMap(
                        e -> e.getKey().id(),
                        e -> e.getKey()
                                .as(
                                        e.getValue(),
                                        Optional.ofNullable(e.getValue().venue())
                                                .map(venues::get))));
    }

    /** What each session would collide with that it does not collide with now. */
    private Map<Long, List<String>> trouble(
            Session session, Map<Session, SessionPlan> plans, Map<Long, Session> after) {
        Map<Long, List<String>> trouble = new HashMap<>();
        Instant now = clock.instant();
        Set<String> before =
                clashes.of(plans.keySet(), now).stream().map(Foresight::key).collect(Collectors.toSet());
        List<Clash> fresh = clashes.ifHeld(after.values(), hosts(plans), now).stream()
                .filter(clash -> !before.contains(key(clash)))
                .toList();
        Map<Long, String> titles =
                programme
                        .sessions(fresh.stream()
                                .map(clash -> other(clash).id())
                                .distinct()
                                .toList())
                        .stream()
                        .collect(Collectors.toMap(Session::id, s -> s.offering().title()));
        fresh.forEach(clash -> trouble.computeIfAbsent(clash.session(), id -> new ArrayList<>())
                .add(words(clash, titles)));
        piledUp(session, after, trouble);
        return trouble;
    }

    private static String key(Clash clash) {
        Conflict c = clash.conflict();
        return clash.session() + " " + c.owner() + " " + c.first().kind()
                + c.first().id() + " " + c.second().kind() + c.second().id();
    }

    /** The side of a conflict that is not the session that is asked about. */
    private static Claim other(Clash clash) {
        Conflict c = clash.conflict();
        boolean first = c.first().kind() == Claim.Kind.SESSION && c.first().id() == clash.session();
        return first ? c.second() : c.first();
    }

    private static String words(Clash clash, Map<Long, String> titles) {
        Claim other = other(clash);
        String what =
                other.kind() == Claim.Kind.BUSY ? "busy elsewhere" : titles.getOrDefault(other.id(), "another session");
        return clash.name() + " is double-booked for " + clash.conflict().minutes() + " min: " + what;
    }

    /** Dates of the offering itself that would be held at one time, whoever leads them. */
    private void piledUp(Session session, Map<Long, Session> after, Map<Long, List<String>> trouble) {
        List<Session> all = programme.sessionsOf(session.offering().id()).stream()
                .map(s -> after.getOrDefault(s.id(), s))
                .filter(s -> !s.cancelled() && s.end().isAfter(clock.instant()))
                .toList();
        for (Session s : after.values()) {
            all.stream()
                    .filter(other -> other.id() != s.id() && other.span().overlaps(s.span()))
                    .findFirst()
                    .ifPresent(other -> trouble.computeIfAbsent(s.id(), id -> new ArrayList<>())
                            .add("at the same time as " + when(other) + " of the same offering"));
        }
    }

    private Map<Long, List<Host>> hosts(Map<Session, SessionPlan> plans) {
        Map<Long, List<Host>> of = new HashMap<>(hosts.of(plans.keySet()));
        plans.forEach((s, plan) -> {
            if (plan.ownHosts()) {
                of.put(
                        s.id(),
                        team.hosts().stream()
                                .filter(m -> plan.hosts().contains(m.id()))
                                .map(m -> new Host(m.id(), m.name()))
                                .toList());
            } else if (s.own().hosts()) {
                of.put(s.id(), hosts.ofOffering(s.offering().id()));
            }
        });
        return of;
    }

    private static String drawing(Map<Session, SessionPlan> plans, Map<Long, List<String>> trouble) {
        List<ShiftDrawing.Entry> entries = plans.entrySet().stream()
                .map(e -> new ShiftDrawing.Entry(
                        e.getKey().span(),
                        new Interval(e.getValue().start(), e.getValue().end()),
                        trouble.containsKey(e.getKey().id())))
                .toList();
        return ShiftDrawing.markup(entries, plans.keySet().iterator().next().zone());
    }
}
