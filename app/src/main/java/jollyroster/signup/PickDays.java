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
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import jollyroster.chart.Tide;
import jollyroster.owntime.TimesQueries;
import jollyroster.platform.Times;

/** Up to a week of days with their times, on the clock of whoever looks. */
final class PickDays {

    static final int WEEK = 7;
    private static final int NOON = 12;
    private static final int EVENING = 18;
    private static final int DAY_ENDS = 24;
    private static final DateTimeFormatter SENT = DateTimeFormatter.ISO_OFFSET_DATE_TIME;
    private final ZoneId home;
    private final Predicate<LocalDate> closed;
    private final ZoneId visitor;
    private final List<LocalDate> days;
    private final Optional<Cell> picked;
    private final Map<LocalDate, List<Cell>> cells;

    /**
     * A time as it is shown.
     *
     * @param sent what a form sends for it; empty for a time that is taken
     * @param note what else is to be said of it; empty for nothing
     */
    record Cell(Instant at, String sent, String note) {

        boolean taken() {
            return sent.isEmpty();
        }
    }

    /**
     * @param home the zone of the offering
     * @param closed whether there are no hours on a day
     * @param times what is free and what is taken, in any order
     * @param visitor the zone of whoever looks
     * @param days to show, at least one
     * @param picked the time that was picked
     */
    PickDays(
            ZoneId home,
            Predicate<LocalDate> closed,
            Stream<Cell> times,
            ZoneId visitor,
            List<LocalDate> days,
            Optional<Cell> picked) {
        this.home = home;
        this.closed = closed;
        this.visitor = visitor;
        this.days = days;
        this.picked = picked;
        this.cells = times.filter(cell -> isShown(dayOf(cell.at())))
                .sorted(Comparator.comparing(Cell::at))
                .collect(Collectors.groupingBy(cell -> dayOf(cell.at())));
    }

    /** Times of open hours, where the offering shows them with what is taken. */
    static Stream<Cell> cells(TimesQueries.Table table) {
        return Stream.concat(
                table.open().stream().map(t -> new Cell(t.start().toInstant(), sent(t.start()), "")),
                table.taken().stream().map(at -> new Cell(at, "", "")));
    }

    private boolean isShown(LocalDate day) {
        return days.contains(day);
    }

    static String sent(ZonedDateTime start) {
        return SENT.format(start);
    }

    LocalDate dayOf(Instant at) {
        return at.atZone(visitor).toLocalDate();
    }

    /** Seven days that follow one another. */
    static List<LocalDate> week(LocalDate from) {
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
        return closed.test(day) && on(day).isEmpty() ? "closed" : "none left";
    }

    /** @param wanted the day to show where there is room for one @param address of the page with another day shown */
    List<PickView.Day> view(Optional<LocalDate> wanted, Function<LocalDate, String> address) {
        LocalDate open = wanted.or(() -> picked.map(cell -> dayOf(cell.at())))
                .filter(this::isShown)
                .or(() -> days.stream().filter(day -> free(day) > 0).findFirst())
                .orElse(days.get(0));
        int most = days.stream().mapToInt(this::free).max().orElse(0);
        return days.stream()
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
                .filter(cell -> isWithin(cell.at().atZone(visitor).getHour(), fromHour, untilHour))
                .map(this::time)
                .toList();
    }

    private static boolean isWithin(int hour, int fromHour, int untilHour) {
        return hour >= fromHour && hour < untilHour;
    }

    private PickView.Time time(Cell cell) {
        boolean otherDay = !dayOf(cell.at()).equals(cell.at().atZone(home).toLocalDate());
        return new PickView.Time(
                Times.time(cell.at().atZone(visitor)),
                otherDay ? Times.dayAndTime(cell.at(), home) : cell.note(),
                cell.sent(),
                !cell.taken()
                        && picked.filter(some -> some.sent().equals(cell.sent()))
                                .isPresent());
    }

    String tide() {
        return new Tide(days.stream()
                        .map(day -> new Tide.Day(free(day), level(day)))
                        .toList())
                .markup(days.stream()
                        .map(day -> Times.weekdayAndDate(day) + ": " + level(day))
                        .collect(Collectors.joining(", ")));
    }
}
