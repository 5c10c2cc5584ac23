package jollyroster.sheet;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import jollyroster.core.dates.Meant;
import jollyroster.core.dates.TypedHours;
import jollyroster.core.openhours.HostChoice;
import jollyroster.core.openhours.OpenHoursText;
import jollyroster.programme.OwnTime;
import jollyroster.programme.Section;
import org.jspecify.annotations.Nullable;

/**
 * When people may pick a time, and how it is given.
 *
 * @param on the day on which the form was filled in; a date without a year is the first such date on or after it
 * @param first no day before is open; empty for no limit
 * @param last no day after is open; empty for no limit
 * @param minutes how long a time is
 * @param grid minutes from one start to the next; empty for one time after the other
 * @param each how many times to come one person may hold
 * @param calendars all that were shown to choose from
 * @param counting those of them that count
 * @param stopsUnread whether no times are offered while one of them cannot be read
 */
record HoursForm(
        String on,
        String minutes,
        String hours,
        String first,
        String last,
        String grid,
        String daily,
        String weekly,
        String choice,
        @Nullable Boolean takenShown,
        String each,
        @Nullable List<Long> calendars,
        @Nullable List<Long> counting,
        @Nullable Boolean stopsUnread)
        implements PartForm {

    private static final LocalDate LONG_AGO = LocalDate.of(2000, 1, 1);
    private static final int DAY_BEGINS = 8;
    static final int LONGEST = 40_000;

    HoursForm {
        on = Typed.orEmpty(on);
        hours = Typed.orEmpty(hours);
        first = Typed.orEmpty(first);
        last = Typed.orEmpty(last);
        grid = Typed.orEmpty(grid);
        daily = Typed.orEmpty(daily);
        weekly = Typed.orEmpty(weekly);
        choice = Typed.orEmpty(choice);
        takenShown = Boolean.TRUE.equals(takenShown);
        stopsUnread = Boolean.TRUE.equals(stopsUnread);
        minutes = Typed.number(minutes, "30");
        each = Typed.number(each, "1");
        calendars = calendars == null ? List.of() : List.copyOf(calendars);
        counting = counting == null ? List.of() : List.copyOf(counting);
    }

    /** Whether a calendar counts: all do at first. */
    public boolean counts(long calendar) {
        return counting.contains(calendar) || !calendars.contains(calendar);
    }

    static HoursForm of(OwnTime time, int minutes, LocalDate today) {
        LocalDate first = time.hours().first();
        LocalDate last = time.hours().last();
        return new HoursForm(
                today.toString(),
                String.valueOf(minutes),
                OpenHoursText.write(time.hours()),
                first == null ? "" : first.toString(),
                last == null ? "" : last.toString(),
                text(time.gridMinutes()),
                text(time.daily()),
                text(time.weekly()),
                time.choice().name(),
                time.takenShown(),
                String.valueOf(time.each()),
                List.copyOf(time.ignored()),
                List.of(),
                time.stopsUnread());
    }

    private static String text(OptionalInt number) {
        return number.isPresent() ? String.valueOf(number.getAsInt()) : "";
    }

    private OpenHoursText.Read read() {
        return OpenHoursText.read(hours, Meant.day(on).orElse(LONG_AGO), DAY_BEGINS);
    }

    @Override
    public Map<String, String> problems() {
        Checks checks = new Checks()
                .atMost(LONGEST, "hours", "Open hours", hours)
                .that(first.isEmpty() || Meant.day(first).isPresent(), "first", "First day: a date like 2027-03-29.")
                .that(last.isEmpty() || Meant.day(last).isPresent(), "last", "Last day: a date like 2027-06-30.");
        if (!checks.problems().containsKey("hours")) {
            problems(read().parts()).forEach(problem -> checks.that(false, "hours", problem));
        }
        boolean ordered = Meant.day(first)
                .flatMap(from -> Meant.day(last).map(until -> !until.isBefore(from)))
                .orElse(true);
        checks.that(ordered, "last", "Last day: it comes before the first.")
                .oneOf(HostChoice.values(), "choice", "Who leads a time", choice)
                .number("minutes", "Duration in minutes", minutes, 5, 1440)
                .number("each", "Times to come for one person", each, 1, 100);
        limit(checks, "grid", "A start every so many minutes", grid, 5, 1440);
        limit(checks, "daily", "Most times a day", daily, 1, 200);
        limit(checks, "weekly", "Most times a week", weekly, 1, 1000);
        return checks.problems();
    }

    /** What is wrong with a text of hours, a sentence for each part that cannot be read. */
    static List<String> problems(List<TypedHours.Part> parts) {
        return parts.stream()
                .filter(part -> part.error() != null)
                .map(HoursForm::problem)
                .toList();
    }

    private static void limit(Checks checks, String field, String name, String typed, int least, int most) {
        if (!typed.isEmpty()) {
            checks.number(field, name, typed, least, most);
        }
    }

    private static String problem(TypedHours.Part part) {
        String problem = TypedDatesView.problem(part.error());
        return "Open hours, line " + part.line() + ": " + problem + (problem.endsWith("?") ? "" : ".");
    }

    @Override
    public Section section() {
        return new Section.Hours(
                new OwnTime(
                        read().hours().between(dayOrNull(first), dayOrNull(last)),
                        number(grid),
                        number(daily),
                        number(weekly),
                        HostChoice.valueOf(choice),
                        Boolean.TRUE.equals(takenShown),
                        Integer.parseInt(each),
                        calendars.stream().filter(id -> !counts(id)).collect(Collectors.toSet()),
                        Boolean.TRUE.equals(stopsUnread)),
                Integer.parseInt(minutes));
    }

    private static @Nullable LocalDate dayOrNull(String text) {
        return Meant.day(text).orElse(null);
    }

    private static OptionalInt number(String text) {
        return text.isEmpty() ? OptionalInt.empty() : OptionalInt.of(Integer.parseInt(text));
    }
}
