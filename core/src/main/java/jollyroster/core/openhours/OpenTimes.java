package jollyroster.core.openhours;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;

/**
 * The times of one host that may be picked: hours with their exceptions, less what the host is taken up by with what is kept
 * free around it, cut by cut-off, how far ahead, and limits, on the grid of starts. Every start of the grid that may not be
 * picked has its reason. The time must end within the hours; what is kept free may stick out.
 *
 * <p>Hours are wall-clock, lengths are elapsed. On Sun 14 Mar 2027 the hours 01:00–04:00 in Halifax have starts at 01:00,
 * 01:30, 03:00 and 03:30, every 30 minutes; on Sun 7 Nov 2027 the hours 00:00–03:00 have eight.
 */
public final class OpenTimes {

    private final OpenHours hours;
    private final ZoneId zone;
    private final TimeRules rules;
    private final Instant now;
    private final Claims claims;
    private final Claims padded;
    private final Map<Instant, Integer> shared;
    private final Map<LocalDate, Integer> byDay = new HashMap<>();
    private final Map<LocalDate, Integer> byWeek = new HashMap<>();

    /**
     * What is known of a host.
     *
     * @param claims sessions, busy blocks and times held, in any order
     * @param given starts of times the host gives already, which count towards the limits
     * @param shared starts of times that are taken but have seats left, with their number
     */
    public record Host(Collection<Claim> claims, Collection<Instant> given, Map<Instant, Integer> shared) {

        public static final Host FREE = new Host(List.of(), List.of(), Map.of());

        public static Host takenUpBy(Collection<Claim> claims) {
            return new Host(claims, List.of(), Map.of());
        }
    }

    /**
     * A start of the grid.
     *
     * @param why empty when it may be picked
     * @param free seats left of a time that others have picked too; 0 for a time nobody has
     */
    public record Start(ZonedDateTime at, Optional<Unoffered> why, int free) {

        public boolean isOffered() {
            return why.isEmpty();
        }
    }

    /** @param zone of the hours, and of days and weeks that are counted */
    public OpenTimes(OpenHours hours, ZoneId zone, TimeRules rules, Host host, Instant now) {
        this.hours = hours;
        this.zone = zone;
        this.rules = rules;
        this.now = now;
        this.claims = new Claims(host.claims(), Claim::span);
        this.padded = new Claims(host.claims(), Claim::padded);
        this.shared = Map.copyOf(host.shared());
        for (Instant given : host.given()) {
            LocalDate day = given.atZone(zone).toLocalDate();
            byDay.merge(day, 1, Integer::sum);
            byWeek.merge(TimeRules.week(day), 1, Integer::sum);
        }
    }

    /** All starts of the grid from a day to another, in order. @param until the day after the last */
    public List<Start> between(LocalDate from, LocalDate until) {
        List<Start> starts = new ArrayList<>();
        for (LocalDate day = from; day.isBefore(until); day = day.plusDays(1)) {
            hours.on(day).on(day, zone).forEach(open -> starts.addAll(within(open)));
        }
        return starts;
    }

    private List<Start> within(Interval open) {
        return Stream.iterate(open.start(), at -> at.plus(rules.grid()))
                .limit(rules.starts(open))
                .map(this::start)
                .toList();
    }

    private Start start(Instant at) {
        Optional<Unoffered> why = why(at);
        return new Start(at.atZone(zone), why, why.isEmpty() ? shared.getOrDefault(at, 0) : 0);
    }

    /** Why a start of the grid may not be picked; empty when it may. */
    private Optional<Unoffered> why(Instant at) {
        ZonedDateTime start = at.atZone(zone);
        LocalDate day = start.toLocalDate();
        LocalDate last = rules.lastDay(now, zone);
        if (day.isAfter(last)) {
            return Optional.of(new Unoffered.TooFarAhead(last));
        }
        if (!now.isBefore(rules.closes(start))) {
            return Optional.of(new Unoffered.CutOff(rules.closes(start)));
        }
        return shared.containsKey(at) ? Optional.empty() : taken(at).or(() -> limit(day));
    }

    private Optional<Unoffered> taken(Instant at) {
        Optional<Claim> within = claims.in(new Interval(at, at.plus(rules.length())));
        return within.isPresent()
                ? within.map(Unoffered.Taken::new)
                : padded.in(rules.padded(at)).map(Unoffered.Buffer::new);
    }

    private Optional<Unoffered> limit(LocalDate day) {
        int today = byDay.getOrDefault(day, 0);
        if (today >= rules.daily().orElse(Integer.MAX_VALUE)) {
            return Optional.of(new Unoffered.DailyLimit(today));
        }
        int week = byWeek.getOrDefault(TimeRules.week(day), 0);
        return week >= rules.weekly().orElse(Integer.MAX_VALUE)
                ? Optional.of(new Unoffered.WeeklyLimit(week))
                : Optional.empty();
    }

    /** Why any time may not be picked, whether a start of the grid or not; empty when it may. */
    public Optional<Unoffered> whyNot(Instant at) {
        LocalDate day = at.atZone(zone).toLocalDate();
        return hours.on(day).on(day, zone).stream()
                .filter(open -> open.contains(at))
                .findFirst()
                .map(open -> within(open, at))
                .orElseGet(() -> Optional.of(new Unoffered.Closed(hours.source(day))));
    }

    private Optional<Unoffered> within(Interval open, Instant at) {
        long beyond = new Interval(open.start(), at).length().toSeconds()
                % rules.grid().toSeconds();
        if (beyond != 0) {
            return Optional.of(new Unoffered.OffGrid(at.minusSeconds(beyond)));
        }
        return at.plus(rules.length()).isAfter(open.end()) ? Optional.of(new Unoffered.TooLong(open.end())) : why(at);
    }

    /** The times nearest to a wanted one, the nearest first and the earlier of two as near. @param start of a time */
    public static <T> List<T> nearest(Collection<T> times, Function<T, Instant> start, Instant wanted, int most) {
        return times.stream()
                .sorted(Comparator.comparing((T time) ->
                                Duration.between(wanted, start.apply(time)).abs())
                        .thenComparing(start))
                .limit(most)
                .toList();
    }
}
