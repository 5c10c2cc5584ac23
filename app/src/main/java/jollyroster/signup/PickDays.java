package jollyroster.signup;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import jollyroster.chart.Tide;
import jollyroster.core.openhours.OpenHours;
import jollyroster.owntime.OpenTime;
import jollyroster.owntime.TimesQueries;
import jollyroster.platform.Times;

/** A week of days with their times, on the clock of whoever looks. */
final class PickDays {

    static final int WEEK = 7;
    private static final int NOON = 12;
    private static final int EVENING = 18;
    private static final int DAY_ENDS = 24;
    private static final DateTimeFormatter SENT = DateTimeFormatter.ISO_OFFSET_DATE_TIME;
    private final ZoneId home;
    private final OpenHours hours;
    private final ZoneId visitor;
    private final LocalDate from;
    private final Optional<Instant> picked;
    private final Map<LocalDate, List<Cell>> cells;

    /** A time as it is shown. @param there on the clock of whoever looks */
    private record Cell(Instant at, ZonedDateTime there, boolean taken) {}

    /**
     * @param home the zone of the offering, whose hours these are
     * @param table what is free and what is taken
     * @param visitor the zone of whoever looks
     * @param picked the time that was picked
     */
    PickDays(
            ZoneId home,
            OpenHours hours,
            TimesQueries.Table table,
            ZoneId visitor,
            LocalDate from,
            Optional<Instant> picked) {
        this.home = home;
        this.hours = hours;
        this.visitor = visitor;
        this.from = from;
        this.picked = picked;
        this.cells = Stream.concat(
                        table.open().stream().map(t -> cell(t.start().toInstant(), false)),
                        table.taken().stream().map(at -> cell(at, true)))
                .filter(cell -> isShown(cell.there().toLocalDate()))
                .sorted(Comparator.comparing(Cell::at))
                .collect(Collectors.groupingBy(cell -> cell.there().toLocalDate()));
    }

    private Cell cell(Instant at, boolean taken) {
        return new Cell(at, at.atZone(visitor), taken);
    }

    private boolean isShown(LocalDate day) {
        return !day.isBefore(from) && day.isBefore(from.plusDays(WEEK));
    }

    static String sent(ZonedDateTime start) {
        return SENT.format(start);
    }

    LocalDate dayOf(OpenTime time) {
        return time.start().withZoneSameInstant(visitor).toLocalDate();
    }

    private List<LocalDate> week() {
        return IntStream.range(0, WEEK).mapToObj(from::plusDays).toList();
    }

    private List<Cell> on(LocalDate day) {
        return cells.getOrDefault(day, List.of());
    }

    private int free(LocalDate day) {
        return (int) on(day).stream().filter(cell -> !cell.taken()).count();
    }

    /** How much is free, in words. */
    private String level(LocalDate day) {
        int free = free(day);
        if (free > 0) {
            return free + " free";
        }
        return hours.on(day).isClosed() && on(day).isEmpty() ? "closed" : "none left";
    }

    /** @param wanted the day to show where there is room for one @param address of the page with another day shown */
    List<PickView.Day> view(Optional<LocalDate> wanted, Function<LocalDate, String> address) {
        LocalDate open = wanted.or(() -> picked.map(at -> at.atZone(visitor).toLocalDate()))
                .filter(this::isShown)
                .or(() -> week().stream().filter(day -> free(day) > 0).findFirst())
                .orElse(from);
        int most = week().stream().mapToInt(this::free).max().orElse(0);
        return week().stream()
                .map(day -> new PickView.Day(
                        Times.weekdayAndDate(day).substring(0, 3),
                        Times.dayAndMonth(day).substring(4),
                        level(day),
                        Tide.bar(free(day), most),
                        address.apply(day),
                        day.equals(open),
                        free(day) > 0,
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
        return on(day).stream()
                .filter(cell ->
                        cell.there().getHour() >= fromHour && cell.there().getHour() < untilHour)
                .map(this::time)
                .toList();
    }

    private PickView.Time time(Cell cell) {
        ZonedDateTime here = cell.at().atZone(home);
        boolean otherDay = !cell.there().toLocalDate().equals(here.toLocalDate());
        return new PickView.Time(
                Times.time(cell.there()),
                otherDay ? Times.dayAndTime(cell.at(), home) : "",
                cell.taken() ? "" : sent(here),
                picked.filter(cell.at()::equals).isPresent());
    }

    String tide() {
        return new Tide(week().stream()
                        .map(day -> new Tide.Day(free(day), level(day)))
                        .toList())
                .markup(week().stream()
                        .map(day -> Times.weekdayAndDate(day) + ": " + level(day))
                        .collect(Collectors.joining(", ")));
    }
}
