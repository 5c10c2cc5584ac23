package jollyroster.core.messages;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.core.dates.Offset;
import org.jspecify.annotations.Nullable;

/**
 * When a reminder goes, as people say it: {@code 2 hours before}, {@code a week before the start}, {@code half an hour before},
 * {@code 1d}. Days and weeks are those of the calendar, hours and minutes are elapsed time, so that {@code 24 hours before} and
 * {@code 1 day before} are two things.
 */
public final class PlanText {

    /** The most reminders of a plan. */
    public static final int MOST = 12;

    /** No reminder is earlier before the start. */
    public static final Duration FARTHEST = Duration.ofDays(366);

    private static final int LONGEST = 80;
    private static final int HALF_AN_HOUR = 30;
    private static final Map<String, Integer> NUMBERS = Map.ofEntries(
            Map.entry("a", 1),
            Map.entry("an", 1),
            Map.entry("the", 1),
            Map.entry("one", 1),
            Map.entry("two", 2),
            Map.entry("three", 3),
            Map.entry("four", 4),
            Map.entry("five", 5),
            Map.entry("six", 6),
            Map.entry("seven", 7),
            Map.entry("ten", 10),
            Map.entry("twelve", 12));
    private static final Pattern BEFORE = Pattern.compile(
            "(?<number>\\d{1,6}|[a-z]+)[ -]?(?<unit>minutes?|mins?|m|hours?|hrs?|h|days?|d|weeks?|wks?|w)"
                    + "(?: (?:before|ahead)(?: (?:the )?(?:start|session))?)?");
    private static final Pattern HALF_HOUR =
            Pattern.compile("half an hour(?: (?:before|ahead)(?: (?:the )?(?:start|session))?)?");

    private PlanText() {}

    /** Why something cannot be added to a plan. */
    public enum Problem {
        NOT_UNDERSTOOD,
        /** More than a year before the start, or at the start itself. */
        OUT_OF_RANGE,
        SAID_TWICE,
        TOO_MANY
    }

    /** What came of adding to a plan. */
    public sealed interface Added {

        /** @param plan all lines, the new one in its place */
        record Line(PlanLine line, List<PlanLine> plan) implements Added {}

        record Refused(Problem problem) implements Added {}
    }

    /** Reads what was typed and adds it to a plan. */
    public static Added add(List<PlanLine> plan, String typed) {
        Offset offset = offset(typed);
        if (offset == null) {
            return new Added.Refused(Problem.NOT_UNDERSTOOD);
        }
        if (offset.amount() == 0 || offset.usually().compareTo(FARTHEST) > 0) {
            return new Added.Refused(Problem.OUT_OF_RANGE);
        }
        PlanLine line = PlanLine.before(offset);
        if (plan.contains(line)) {
            return new Added.Refused(Problem.SAID_TWICE);
        }
        if (plan.stream().filter(one -> one.anchor() == Anchor.BEFORE_START).count() >= MOST) {
            return new Added.Refused(Problem.TOO_MANY);
        }
        List<PlanLine> all = new ArrayList<>(plan);
        all.add(line);
        return new Added.Line(line, inOrder(all));
    }

    /** Answers first, then reminders, the earliest first. */
    public static List<PlanLine> inOrder(List<PlanLine> plan) {
        return plan.stream()
                .sorted(Comparator.comparing((PlanLine line) -> line.anchor() == Anchor.BEFORE_START)
                        .thenComparing(line -> line.offset().usually(), Comparator.reverseOrder()))
                .toList();
    }

    private static @Nullable Offset offset(String typed) {
        String said = typed.length() > LONGEST
                ? ""
                : typed.strip().toLowerCase(Locale.ROOT).replaceAll("\\s+", " ");
        if (HALF_HOUR.matcher(said).matches()) {
            return Offset.minutes(HALF_AN_HOUR);
        }
        Matcher read = BEFORE.matcher(said);
        if (!read.matches()) {
            return null;
        }
        String number = read.group("number");
        Integer amount = Character.isDigit(number.charAt(0)) ? Integer.valueOf(number) : NUMBERS.get(number);
        return amount == null ? null : new Offset(amount, unit(read.group("unit")));
    }

    private static Offset.Unit unit(String said) {
        return switch (said.charAt(0)) {
            case 'm' -> Offset.Unit.MINUTES;
            case 'h' -> Offset.Unit.HOURS;
            case 'd' -> Offset.Unit.DAYS;
            default -> Offset.Unit.WEEKS;
        };
    }
}
