package jollyroster.core.messages;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import jollyroster.core.dates.Offset;

/**
 * What somebody typed to add to a plan: first when it goes, then, with commas between and in any order, by what and to whom.
 * {@link PlanText} says what may be typed.
 */
final class PlanPhrase {

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
    private static final Pattern BEFORE = Pattern.compile(SPAN + "(?: (?:before|ahead)(?: (?<what>.+))?)?");
    private static final Pattern AFTER = Pattern.compile(SPAN + " after(?: (?:the )?(?<what>start|end|session))?");
    private static final Pattern DOOR =
            Pattern.compile("(?:(?:when|as|once) )?(?:the )?doors? opens?|at the door|(?:the )?door is open");
    private static final Map<Anchor, Pattern> BEFORE_WHAT = Map.of(
            Anchor.BEFORE_START, Pattern.compile("(?:the )?(?:start|session)"),
            Anchor.SILENT, Pattern.compile("(?:the )?(?:cut-?off|registration closes|answers close)"),
            Anchor.UNPAID, Pattern.compile("(?:the |a )?payment(?: runs out| is due)?"));
    private static final Map<Anchor, Pattern> HAPPENS = Map.of(
            Anchor.REGISTERED, Pattern.compile("at once|(?:when |once )?registered|on registering|when they register"),
            Anchor.WAITLISTED, Pattern.compile("(?:when |once )?waitlisted|(?:when )?on the waitlist"),
            Anchor.CALLED_UP, Pattern.compile("(?:when |once )?called up|call-?up"),
            Anchor.SEATED, Pattern.compile("(?:when |once )?seated|when a seat (?:is given|frees up)|seat freed"),
            Anchor.CHANGED, Pattern.compile("(?:when |if )?(?:it is )?(?:changed|moved)|when it (?:changes|moves)"),
            Anchor.CALLED_OFF, Pattern.compile("(?:when |if )?(?:it is )?(?:called off|cancelled)"),
            Anchor.RESTORED, Pattern.compile("(?:when |if )?it takes place after all"));
    private static final Map<Anchor, Pattern> WHO = Map.of(
            Anchor.NOT_IN, Pattern.compile(".*\\b(?:not in|missing|not there(?: yet)?|not come)"),
            Anchor.ABSENT, Pattern.compile(".*\\b(?:absent|not there|did not come|didn’t come|missed it|no-shows?)"),
            Anchor.PART, Pattern.compile(".*\\b(?:in part|part|left early|part of it)"),
            Anchor.ATTENDED, Pattern.compile(".*\\b(?:attended|came|were there|was there|present)"),
            Anchor.SILENT, Pattern.compile(".*\\b(?:not answered|silent)(?: invitees?)?"),
            Anchor.UNPAID, Pattern.compile(".*\\b(?:not paid|unpaid)"),
            Anchor.STILL_WAITING,
                    Pattern.compile(
                            "(?:those )?(?:who )?(?:are )?(?:still )?(?:wait|waiting|waitlisted|on the waitlist)|(?:the )?waitlist"),
            Anchor.SHORT,
                    Pattern.compile("(?:still )?short(?: of (?:its|the) (?:minimum|least))?|(?:the )?organisers?"));
    private static final List<Anchor> BEFORE_THE_START = List.of(Anchor.STILL_WAITING, Anchor.SHORT);
    private static final List<Anchor> AFTER_THE_END = List.of(Anchor.ATTENDED, Anchor.PART, Anchor.ABSENT);
    private static final Pattern EVERYBODY = Pattern.compile("(?:everybody|everyone|all)(?: .*)?");
    private static final Pattern FIRST =
            Pattern.compile("(?:those )?(?:.*\\bfor the first time|first[- ]timers?|newcomers?|new)");
    private static final Pattern AGAIN =
            Pattern.compile("(?:those )?(?:who )?(?:returning|(?:have )?(?:been|were) (?:here |there )?before)");
    private static final Pattern ANSWERED =
            Pattern.compile("(?:those )?(?:who answered|with) (?<question>[^=:]{1,60}?) ?[=:] ?(?<answer>.{1,60})");
    private static final Pattern TEXT = Pattern.compile("(?:by |as |as a )?(?:text|texts|text message)s?");
    private static final Pattern EMAIL = Pattern.compile("(?:by |as |as an )?(?:e-?mail|mail)");
    private static final Pattern BOTH =
            Pattern.compile("(?:by )?(?:both|e-?mail and (?:by )?text|text and (?:by )?e-?mail)");
    private static final Pattern SEAM = Pattern.compile(
            ",? (?=(?:to|if) |for (?!the first))|,? (?=by (?:text|e-?mail|mail|both)\\b)|,? (?=as an? (?:text|e-?mail))|, ?");

    private final List<String> unread = new ArrayList<>();
    private Channels channels = Channels.EMAIL;
    private Audience audience = Audience.EVERYBODY;
    private Optional<Anchor> whom = Optional.empty();
    private boolean everybody;

    private PlanPhrase() {}

    /** What was read. @param unclear whether only to whom it goes was not understood */
    record Read(List<PlanLine> lines, boolean unclear) {}

    static Read read(String typed) {
        return new PlanPhrase().parts(typed.strip().replaceAll("\\s+", " "));
    }

    private Read parts(String typed) {
        String[] parts = SEAM.split(typed);
        Stream.of(parts).skip(1).forEach(this::part);
        String when = parts[0].toLowerCase(Locale.ROOT).replaceFirst("^half an hour", HALF_AN_HOUR + " minutes");
        List<PlanLine> lines = lines(when);
        boolean understood = !lines.isEmpty() && unread.isEmpty();
        return new Read(understood ? lines : List.of(), AFTER.matcher(when).matches() || !lines.isEmpty());
    }

    private void part(String part) {
        String said = part.toLowerCase(Locale.ROOT).strip();
        if (TEXT.matcher(said).matches()) {
            channels = Channels.TEXT;
        } else if (BOTH.matcher(said).matches()) {
            channels = Channels.BOTH;
        } else if (!EMAIL.matcher(said).matches()) {
            who(part.strip().replaceFirst("(?i)^(?:to|for|if) ", ""));
        }
    }

    /** To whom: what attendance says, or an audience. What was typed of an answer keeps its capitals. */
    private void who(String typed) {
        String said = typed.toLowerCase(Locale.ROOT);
        Matcher answered =
                Pattern.compile(ANSWERED.pattern(), Pattern.CASE_INSENSITIVE).matcher(typed);
        Optional<Anchor> known = Stream.of(
                        Anchor.NOT_IN,
                        Anchor.ABSENT,
                        Anchor.PART,
                        Anchor.SILENT,
                        Anchor.UNPAID,
                        Anchor.STILL_WAITING,
                        Anchor.SHORT,
                        Anchor.ATTENDED)
                .filter(anchor -> WHO.get(anchor).matcher(said).matches())
                .findFirst();
        if (answered.matches()) {
            audience = Audience.answered(
                    answered.group("question").strip(), answered.group("answer").strip());
        } else if (EVERYBODY.matcher(said).matches()) {
            everybody = true;
        } else if (FIRST.matcher(said).matches()) {
            audience = Audience.FIRST_TIMERS;
        } else if (AGAIN.matcher(said).matches()) {
            audience = Audience.RETURNING;
        } else if (known.isPresent()) {
            whom = known;
        } else {
            unread.add(said);
        }
    }

    private List<PlanLine> lines(String when) {
        if (DOOR.matcher(when).matches()) {
            return all(Anchor.DOOR_OPENS, Optional.of(Offset.none()));
        }
        Optional<Anchor> happens = HAPPENS.entrySet().stream()
                .filter(entry -> entry.getValue().matcher(when).matches())
                .map(Map.Entry::getKey)
                .findFirst();
        if (happens.isPresent()) {
            return all(happens.get(), Optional.of(Offset.none()));
        }
        Matcher after = AFTER.matcher(when);
        if (after.matches()) {
            return after(after);
        }
        Matcher before = BEFORE.matcher(when);
        return before.matches() ? before(before) : List.of();
    }

    private List<PlanLine> before(Matcher before) {
        String what = before.group("what") == null ? "start" : before.group("what");
        Optional<Anchor> anchor = BEFORE_WHAT.entrySet().stream()
                .filter(entry -> entry.getValue().matcher(what).matches())
                .map(Map.Entry::getKey)
                .findFirst();
        return anchor.map(a -> a == Anchor.BEFORE_START
                        ? whom.filter(BEFORE_THE_START::contains).orElse(a)
                        : a)
                .filter(a -> whom.isEmpty() || whom.get() == a)
                .map(a -> all(a, offset(before)))
                .orElse(List.of());
    }

    /** After the start to those who are missing, after the end to those of whom attendance says so. */
    private List<PlanLine> after(Matcher after) {
        boolean start = "start".equals(after.group("what"));
        if (start) {
            boolean missing = !everybody && whom.map(Anchor.NOT_IN::equals).orElse(true);
            return missing ? all(Anchor.NOT_IN, offset(after)) : List.of();
        }
        if (whom.isEmpty()) {
            return AFTER_THE_END.stream()
                    .flatMap(anchor -> all(anchor, offset(after)).stream())
                    .toList();
        }
        Anchor known = whom.get() == Anchor.NOT_IN ? Anchor.ABSENT : whom.get();
        return AFTER_THE_END.contains(known) ? all(known, offset(after)) : List.of();
    }

    private List<PlanLine> all(Anchor anchor, Optional<Offset> offset) {
        boolean suits = !Anchor.WATCHED.contains(anchor) || channels == Channels.EMAIL && audience.isEverybody();
        Channels by = anchor.isAnswer() && channels == Channels.BOTH ? Channels.TEXT : channels;
        return suits
                ? offset.map(some -> new PlanLine(anchor, some, by, audience)).stream()
                        .toList()
                : List.of();
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
