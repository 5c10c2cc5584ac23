package jollyroster.core.messages;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.core.dates.Offset;

/**
 * When a message of a plan goes, and to whom, as people say it: {@code 2 hours before}, {@code half an hour before the start},
 * {@code when the door opens}, {@code 5 min after the start, to those missing}, {@code a day after, to those absent}. Days and
 * weeks are those of the calendar, hours and minutes are elapsed time, so that {@code 24 hours before} and {@code 1 day before}
 * are two things.
 */
public final class PlanText {

    /** The most messages of a plan beside its answers. */
    public static final int MOST = 12;

    /** No message is farther from the session. */
    public static final Duration FARTHEST = Duration.ofDays(366);

    /** Who is not in is written to while the session runs. */
    public static final Duration LATEST_MISSING = Duration.ofHours(12);

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
    private static final String SPAN =
            "(?<number>\\d{1,6}|[a-z]+)[ -]?(?<unit>minutes?|mins?|m|hours?|hrs?|h|days?|d|weeks?|wks?|w)";
    private static final Pattern BEFORE =
            Pattern.compile(SPAN + "(?: (?:before|ahead)(?: (?:the )?(?:start|session))?)?");
    private static final Pattern AFTER =
            Pattern.compile(SPAN + " after(?<what> (?:the )?(?:start|end|session))?(?:,? (?:to|for|if) (?<whom>.+))?");
    private static final Pattern DOOR =
            Pattern.compile("(?:(?:when|as|once) )?(?:the )?doors? opens?|at the door|(?:the )?door is open");
    private static final Pattern MISSING = Pattern.compile(".*\\b(?:not in|missing|not there(?: yet)?|not come)");
    private static final Pattern ABSENT =
            Pattern.compile(".*\\b(?:absent|not there|did not come|didn’t come|missed it|no-shows?)");
    private static final Pattern PART = Pattern.compile(".*\\b(?:in part|part|left early|part of it)");
    private static final Pattern ATTENDED = Pattern.compile(".*\\b(?:attended|came|were there|was there|present)");
    private static final Pattern EVERYBODY = Pattern.compile("(?:everybody|everyone|all)(?: .*)?");

    private PlanText() {}

    /** Why something cannot be added to a plan. */
    public enum Problem {
        NOT_UNDERSTOOD,
        /** It cannot be said who should get it. */
        WHO_NOT_UNDERSTOOD,
        /** More than a year before the start, or at the start itself. */
        OUT_OF_RANGE,
        SAID_TWICE,
        TOO_MANY
    }

    /** What came of adding to a plan. */
    public sealed interface Added {

        /** @param lines what was added @param plan all lines, the new ones in their places */
        record Lines(List<PlanLine> lines, List<PlanLine> plan) implements Added {}

        record Refused(Problem problem) implements Added {}
    }

    /** Reads what was typed and adds it to a plan. */
    public static Added add(List<PlanLine> plan, String typed) {
        String said = typed.length() > LONGEST
                ? ""
                : typed.strip()
                        .toLowerCase(Locale.ROOT)
                        .replaceAll("\\s+", " ")
                        .replaceFirst("^half an hour", HALF_AN_HOUR + " minutes");
        List<PlanLine> lines = read(said);
        if (lines.isEmpty()) {
            boolean whom = AFTER.matcher(said).matches();
            return new Added.Refused(whom ? Problem.WHO_NOT_UNDERSTOOD : Problem.NOT_UNDERSTOOD);
        }
        return add(plan, lines);
    }

    private static Added add(List<PlanLine> plan, List<PlanLine> lines) {
        if (lines.stream().anyMatch(PlanText::isOutOfRange)) {
            return new Added.Refused(Problem.OUT_OF_RANGE);
        }
        List<PlanLine> fresh =
                lines.stream().filter(line -> !plan.contains(line)).toList();
        if (fresh.isEmpty()) {
            return new Added.Refused(Problem.SAID_TWICE);
        }
        long timed = plan.stream().filter(one -> !one.anchor().isAnswer()).count();
        if (timed + fresh.size() > MOST) {
            return new Added.Refused(Problem.TOO_MANY);
        }
        List<PlanLine> all = new ArrayList<>(plan);
        all.addAll(fresh);
        return new Added.Lines(fresh, inOrder(all));
    }

    private static boolean isOutOfRange(PlanLine line) {
        boolean sharp = line.anchor() == Anchor.DOOR_OPENS;
        Duration most = line.anchor() == Anchor.NOT_IN ? LATEST_MISSING : FARTHEST;
        return !sharp && line.offset().amount() == 0 || line.offset().usually().compareTo(most) > 0;
    }

    /** Answers first, then by time: what goes before the start, the earliest first, then what goes after it. */
    public static List<PlanLine> inOrder(List<PlanLine> plan) {
        return plan.stream()
                .sorted(Comparator.comparing((PlanLine line) -> line.anchor())
                        .thenComparing(line -> line.anchor() == Anchor.BEFORE_START
                                ? line.offset().usually().negated()
                                : line.offset().usually()))
                .toList();
    }

    private static List<PlanLine> read(String said) {
        if (DOOR.matcher(said).matches()) {
            return List.of(new PlanLine(Anchor.DOOR_OPENS, Offset.none()));
        }
        Matcher before = BEFORE.matcher(said);
        if (before.matches()) {
            return offset(before).map(PlanLine::before).stream().toList();
        }
        Matcher after = AFTER.matcher(said);
        return after.matches()
                ? offset(after).stream()
                        .flatMap(offset -> anchors(after).stream().map(anchor -> new PlanLine(anchor, offset)))
                        .toList()
                : List.of();
    }

    /** To whom a message goes that is sent after something; nobody where that was not understood. */
    private static List<Anchor> anchors(Matcher after) {
        String whom = after.group("whom") == null ? "" : after.group("whom");
        boolean start = after.group("what") != null && after.group("what").endsWith("start");
        if (start) {
            return whom.isEmpty() || MISSING.matcher(whom).matches() ? List.of(Anchor.NOT_IN) : List.of();
        }
        if (whom.isEmpty() || EVERYBODY.matcher(whom).matches()) {
            return List.of(Anchor.ATTENDED, Anchor.PART, Anchor.ABSENT);
        }
        if (ABSENT.matcher(whom).matches()) {
            return List.of(Anchor.ABSENT);
        }
        if (PART.matcher(whom).matches()) {
            return List.of(Anchor.PART);
        }
        return ATTENDED.matcher(whom).matches() ? List.of(Anchor.ATTENDED) : List.of();
    }

    private static Optional<Offset> offset(Matcher read) {
        String number = read.group("number");
        Optional<Integer> amount = Character.isDigit(number.charAt(0))
                ? Optional.of(Integer.valueOf(number))
                : Optional.ofNullable(NUMBERS.get(number));
        return amount.map(n -> new Offset(n, unit(read.group("unit"))));
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
