package jollyroster.plans;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.core.messages.QuietHours;
import jollyroster.core.messages.SendHours;
import jollyroster.core.messages.WritingHours;
import org.jspecify.annotations.Nullable;

/**
 * When people may be written to, as a form has it.
 *
 * @param day numbers from Monday, 1, on; none for every day
 * @param textFrom of texts alone; empty where they keep to the same hours as e-mails
 * @param clock {@code home} where send hours are meant on the clock at home
 */
public record HoursForm(
        @Nullable String quietFrom,
        @Nullable String quietTo,
        @Nullable List<Integer> day,
        @Nullable String sendFrom,
        @Nullable String sendTo,
        @Nullable List<Integer> textDay,
        @Nullable String textFrom,
        @Nullable String textTo,
        @Nullable String clock) {

    private static final int A_WEEK = 7;
    private static final String HOME = "home";

    static HoursForm of(WritingHours hours) {
        return new HoursForm(
                hours.quiet().map(q -> q.from().toString()).orElse(""),
                hours.quiet().map(q -> q.to().toString()).orElse(""),
                hours.send()
                        .map(s -> s.days().stream().map(DayOfWeek::getValue).toList())
                        .orElse(List.of()),
                hours.send().map(s -> s.from().toString()).orElse(""),
                hours.send().map(s -> s.to().toString()).orElse(""),
                hours.texts()
                        .map(s -> s.days().stream().map(DayOfWeek::getValue).toList())
                        .orElse(List.of()),
                hours.texts().map(s -> s.from().toString()).orElse(""),
                hours.texts().map(s -> s.to().toString()).orElse(""),
                hours.send().or(hours::texts).flatMap(SendHours::home).isPresent() ? HOME : "");
    }

    /** Why it cannot be kept, in words; empty when it can. */
    Optional<String> problem() {
        if (quietFrom == null && sendFrom == null) {
            return Optional.of("no hours were given.");
        }
        boolean half = isEmpty(quietFrom) != isEmpty(quietTo)
                || isEmpty(sendFrom) != isEmpty(sendTo)
                || isEmpty(textFrom) != isEmpty(textTo);
        if (half) {
            return Optional.of("give both ends, or neither.");
        }
        try {
            return read(ZoneOffset.UTC).leavesTime()
                    ? Optional.empty()
                    : Optional.of("no time would be left to write at.");
        } catch (DateTimeParseException unreadable) {
            return Optional.of("a time is written like 21:00.");
        } catch (IllegalArgumentException odd) {
            return Optional.of("the two ends are the same, or the first is after the last.");
        }
    }

    /** The hours; {@link #problem()} must be empty. */
    WritingHours read(ZoneId home) {
        Optional<QuietHours> quiet = isEmpty(quietFrom)
                ? Optional.empty()
                : Optional.of(new QuietHours(LocalTime.parse(clean(quietFrom)), LocalTime.parse(clean(quietTo))));
        Optional<ZoneId> zone = HOME.equals(clock) ? Optional.of(home) : Optional.empty();
        return new WritingHours(quiet, send(day, sendFrom, sendTo, zone), send(textDay, textFrom, textTo, zone));
    }

    private static Optional<SendHours> send(
            @Nullable List<Integer> on, @Nullable String from, @Nullable String to, Optional<ZoneId> zone) {
        Set<DayOfWeek> days = days(on);
        if (!isEmpty(from)) {
            return Optional.of(new SendHours(days, LocalTime.parse(clean(from)), LocalTime.parse(clean(to)), zone));
        }
        return days.size() == A_WEEK
                ? Optional.empty()
                : Optional.of(new SendHours(days, LocalTime.MIN, LocalTime.of(23, 59), zone));
    }

    private static Set<DayOfWeek> days(@Nullable List<Integer> on) {
        List<Integer> said = on == null ? List.of() : on;
        Set<DayOfWeek> days = said.stream()
                .filter(number -> number >= 1 && number <= A_WEEK)
                .map(DayOfWeek::of)
                .collect(Collectors.toSet());
        return days.isEmpty() ? Set.of(DayOfWeek.values()) : days;
    }

    private static boolean isEmpty(@Nullable String text) {
        return clean(text).isEmpty();
    }

    private static String clean(@Nullable String text) {
        return text == null ? "" : text.strip();
    }

    /** Whether a day is chosen, for the page. */
    public boolean has(int number) {
        return day != null && day.contains(number);
    }

    /** The same of texts. */
    public boolean hasText(int number) {
        return textDay != null && textDay.contains(number);
    }

    /** Whether send hours are meant on the clock at home. */
    public boolean atHome() {
        return HOME.equals(clock);
    }
}
