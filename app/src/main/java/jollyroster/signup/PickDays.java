package jollyroster.signup;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import jollyroster.chart.Tide;
import jollyroster.core.openhours.OpenHours;
import jollyroster.owntime.OpenTime;
import jollyroster.owntime.TimesQueries;
import jollyroster.platform.Times;

/**
 * A week of days with their times, on the clock of whoever looks.
 *
 * @param home the zone of the offering, whose hours these are
 * @param table what is free and what is taken
 * @param visitor the zone of whoever looks
 * @param picked the time that was picked
 */
record PickDays(
        ZoneId home,
        OpenHours hours,
        TimesQueries.Table table,
        ZoneId visitor,
        LocalDate from,
        Optional<Instant> picked) {

    static final int WEEK = 7;
    private static final int NOON = 12;
    private static final int EVENING = 18;
    private static final int DAY_ENDS = 24;
    private static final DateTimeFormatter SENT = DateTimeFormatter.ISO_OFFSET_DATE_TIME;

    static String sent(ZonedDateTime start) {
        return SENT.format(start);
    }

    LocalDate dayOf(Instant at) {
        return at.atZone(visitor).toLocalDate();
    }

    LocalDate dayOf(OpenTime time) {
        return dayOf(time.start().toInstant());
    }

    private LocalDate day(int place) {
        return from.plusDays(place);
    }

    private List<OpenTime> free(LocalDate day) {
        return table.open().stream().filter(t -> dayOf(t).equals(day)).toList();
    }

    private boolean isAnyTaken(LocalDate day) {
        return table.taken().stream().anyMatch(at -> dayOf(at).equals(day));
    }

    /** How much is free, in words. */
    private String level(LocalDate day) {
        int free = free(day).size();
        if (free > 0) {
            return free + " free";
        }
        boolean closed = hours.on(day).stretches().isEmpty() && !isAnyTaken(day);
        return closed ? "closed" : "none left";
    }

    /** @param wanted the day to show where there is room for one @param address of the page with another day shown */
    List<PickView.Day> view(Optional<LocalDate> wanted, Function<LocalDate, String> address) {
        LocalDate open = wanted.or(() -> picked.map(this::dayOf))
                .filter(day -> !day.isBefore(from) && day.isBefore(from.plusDays(WEEK)))
                .or(() -> table.open().stream()
                        .map(this::dayOf)
                        .filter(day -> !day.isBefore(from))
                        .findFirst())
                .orElse(from);
        int most = IntStream.range(0, WEEK)
                .map(place -> free(day(place)).size())
                .max()
                .orElse(0);
        return IntStream.range(0, WEEK)
                .mapToObj(this::day)
                .map(day -> new PickView.Day(
                        Times.weekdayAndDate(day).substring(0, 3),
                        Times.dayAndMonth(day).substring(4),
                        level(day),
                        Tide.bar(free(day).size(), most),
                        address.apply(day),
                        day.equals(open),
                        !free(day).isEmpty(),
                        parts(day)))
                .toList();
    }

    private List<PickView.DayPart> parts(LocalDate day) {
        return List.of(
                new PickView.DayPart("morning", part(day, 0, NOON)),
                new PickView.DayPart("afternoon", part(day, NOON, EVENING)),
                new PickView.DayPart("evening", part(day, EVENING, DAY_ENDS)));
    }

    private List<PickView.Time> part(LocalDate day, int fromHour, int untilHour) {
        Predicate<Instant> within = at -> dayOf(at).equals(day)
                && at.atZone(visitor).getHour() >= fromHour
                && at.atZone(visitor).getHour() < untilHour;
        Stream<Instant> free = table.open().stream().map(t -> t.start().toInstant());
        return Stream.concat(free.filter(within).map(at -> new Cell(at, false)), taken(within))
                .sorted(Comparator.comparing(Cell::at))
                .map(this::time)
                .toList();
    }

    private record Cell(Instant at, boolean taken) {}

    private Stream<Cell> taken(Predicate<Instant> within) {
        return table.taken().stream().filter(within).map(at -> new Cell(at, true));
    }

    private PickView.Time time(Cell cell) {
        ZonedDateTime there = cell.at().atZone(visitor);
        ZonedDateTime here = cell.at().atZone(home);
        boolean otherDay = !there.toLocalDate().equals(here.toLocalDate());
        return new PickView.Time(
                Times.time(there),
                otherDay ? Times.dayAndTime(cell.at(), home) : "",
                cell.taken() ? "" : sent(here),
                picked.filter(cell.at()::equals).isPresent());
    }

    String tide() {
        List<LocalDate> days = IntStream.range(0, WEEK).mapToObj(this::day).toList();
        return new Tide(days.stream()
                        .map(day -> new Tide.Day(free(day).size(), level(day)))
                        .toList())
                .markup(days.stream()
                        .map(day -> Times.weekdayAndDate(day) + ": " + level(day))
                        .collect(Collectors.joining(", ")));
    }
}
