package jollyroster.platform;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import jollyroster.core.dates.Offset;

/** Dates and times as people write them: {@code Tue 16 Mar, 19:00–20:30}. */
public final class Times {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter SHORT_DAY = DateTimeFormatter.ofPattern("EEE d", Locale.ENGLISH);
    private static final DateTimeFormatter DAY_AND_YEAR = DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter LONG_DAY = DateTimeFormatter.ofPattern("EEEE d MMMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);

    private static final Set<String> ZONES = ZoneId.getAvailableZoneIds().stream()
            .filter(id -> !id.startsWith("SystemV/"))
            .collect(Collectors.toUnmodifiableSet());

    /** Those that were asked for before; there are not more than there are zones. */
    private static final Map<String, ZoneId> KNOWN = new ConcurrentHashMap<>();

    private static final Pattern OF_A_CITY =
            Pattern.compile("(Africa|America|Antarctica|Arctic|Asia|Atlantic|Australia|Europe|Indian|Pacific)/.+|UTC");

    /** The zones to choose from, in order: those named after a city, and UTC. Others that are known are taken too. */
    public static final List<String> ZONES_OFFERED =
            ZONES.stream().filter(OF_A_CITY.asMatchPredicate()).sorted().toList();

    private Times() {}

    public static String day(ZonedDateTime time) {
        return DAY.format(time);
    }

    /** {@code Tue 16}. */
    public static String weekdayAndDate(LocalDate date) {
        return SHORT_DAY.format(date);
    }

    /** {@code Tue 16 Mar}. */
    public static String dayAndMonth(LocalDate date) {
        return DAY.format(date);
    }

    /** {@code Tue 16 Mar 2027}, as it is also typed. */
    public static String dayAndYear(LocalDate date) {
        return DAY_AND_YEAR.format(date);
    }

    public static String longDay(ZonedDateTime time) {
        return LONG_DAY.format(time);
    }

    public static String time(ZonedDateTime time) {
        return TIME.format(time);
    }

    /** {@code Tue 16 Mar 19:00}. */
    public static String dayAndTime(Instant instant, ZoneId zone) {
        ZonedDateTime time = instant.atZone(zone);
        return day(time) + " " + time(time);
    }

    /** {@code 19:00–20:30}; with the day of the end when it is another one and not just the small hours of the next. */
    public static String hours(ZonedDateTime start, ZonedDateTime end) {
        boolean sameNight = Duration.between(start, end).compareTo(Duration.ofHours(12)) < 0;
        String until = sameNight ? time(end) : day(end) + " " + time(end);
        return time(start) + "–" + until;
    }

    /** {@code Tue 16 Mar, 19:00–20:30}; with the year when it is not that of {@code today}. */
    public static String range(Instant start, Instant end, ZoneId zone, LocalDate today) {
        ZonedDateTime from = start.atZone(zone);
        DateTimeFormatter day = from.getYear() == today.getYear() ? DAY : DAY_AND_YEAR;
        return day.format(from) + ", " + hours(from, end.atZone(zone));
    }

    /** A time in words of another language: the day in full, the hours on both clocks. */
    public static String spoken(Instant start, Instant end, ZoneId zone, ZoneId other, Locale language) {
        ZonedDateTime from = start.atZone(zone);
        DateTimeFormatter day =
                DateTimeFormatter.ofLocalizedDate(FormatStyle.FULL).localizedBy(language);
        String first = day.format(from) + ", " + time(from) + "–" + time(end.atZone(zone)) + " (" + city(zone);
        ZonedDateTime there = start.atZone(other);
        return there.getOffset().equals(from.getOffset())
                ? first + ")"
                : first + "; " + time(there) + "–" + time(end.atZone(other)) + " " + city(other) + ")";
    }

    /** The same in brief, without the end. */
    public static String spokenShort(Instant start, ZoneId zone, Locale language) {
        ZonedDateTime from = start.atZone(zone);
        DateTimeFormatter day = DateTimeFormatter.ofPattern("EEE d MMM", language);
        return day.format(from) + " " + time(from) + " " + city(zone);
    }

    /** The city of a zone: {@code America/Port_of_Spain} is Port of Spain. */
    public static String city(ZoneId zone) {
        String id = zone.getId();
        return id.substring(id.lastIndexOf('/') + 1).replace('_', ' ');
    }

    /** A length in words: {@code 2 h}, {@code 1 h 30 min}, {@code 3 days}. */
    public static String length(Duration length) {
        long minutes = length.toMinutes();
        if (minutes >= 48 * 60) {
            return minutes / (24 * 60) + " days";
        }
        if (minutes < 60) {
            return minutes + " min";
        }
        return minutes % 60 == 0 ? minutes / 60 + " h" : minutes / 60 + " h " + minutes % 60 + " min";
    }

    /** The same for an offset, whose days are those of the calendar: {@code 12 h}, {@code 1 day}, {@code 2 weeks}. */
    public static String length(Offset offset) {
        return switch (offset.unit()) {
            case MINUTES, HOURS -> length(offset.usually());
            case DAYS, WEEKS -> said(offset);
        };
    }

    /** An offset as it was said: {@code 15 minutes}, {@code 1 hour}, {@code 2 days}. */
    public static String said(Offset offset) {
        String unit = offset.unit().name().toLowerCase(Locale.ROOT);
        return offset.amount() + " " + (offset.amount() == 1 ? unit.substring(0, unit.length() - 1) : unit);
    }

    /**
     * How far ahead a time is: {@code in 2 h}, and from two days on by the calendar there, as people count days: from
     * Wednesday evening to Monday morning it is {@code in 5 days}.
     */
    public static String ahead(Instant now, Instant at, ZoneId zone) {
        Duration left = Duration.between(now, at);
        if (left.compareTo(Duration.ofDays(2)) < 0) {
            return "in " + length(left);
        }
        LocalDate today = now.atZone(zone).toLocalDate();
        return "in " + ChronoUnit.DAYS.between(today, at.atZone(zone).toLocalDate()) + " days";
    }

    /** The zone with this identifier, if the IANA database knows it; fixed offsets and other spellings are refused. */
    public static Optional<ZoneId> zone(String id) {
        ZoneId known = KNOWN.get(id);
        if (known != null) {
            return Optional.of(known);
        }
        return ZONES.contains(id) ? Optional.of(KNOWN.computeIfAbsent(id, ZoneId::of)) : Optional.empty();
    }

    /** When it was a time of the day last, by the clock in a zone. */
    public static Instant latest(LocalTime time, ZoneId zone, Instant now) {
        ZonedDateTime today = now.atZone(zone).with(time);
        return (today.toInstant().isAfter(now) ? today.minusDays(1) : today).toInstant();
    }
}
