package jollyroster.core.messages;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Looks at the words of a message before they are kept: tags in the manner of Mustache, of which only those are allowed that
 * fill in a name or show a part under a condition.
 */
public final class TemplateText {

    /** The longest words of a message, in characters. */
    public static final int LONGEST = 20_000;

    private static final int DEEPEST = 8;
    private static final int MOST_PROBLEMS = 10;
    private static final int CLOSE_ENOUGH = 3;
    private static final String OPENS = "{{";
    private static final String CLOSES = "}}";
    private static final String LINK = "link";

    private TemplateText() {}

    /** What is wrong with words. */
    public enum Fault {
        TOO_LONG,
        /** Two braces open and none close. */
        TAG_NOT_CLOSED,
        /** A condition is opened and not closed. */
        PART_NOT_CLOSED,
        /** Something is closed that is not open, or not the innermost. */
        PART_NOT_OPEN,
        TOO_DEEP,
        UNKNOWN_NAME,
        /** Something other than a link is to be written as it is, though it may be what a stranger typed. */
        NOT_A_LINK,
        /** Tags that fetch other texts or change the braces. */
        NOT_ALLOWED
    }

    /**
     * A fault and where it is.
     *
     * @param line from 1
     * @param column from 1
     * @param name that it is about; may be empty
     * @param meant a name that is known and nearly the same; empty for none
     */
    public record Problem(Fault fault, int line, int column, String name, Optional<String> meant) {}

    private record Open(String name, int at) {}

    /** What is wrong with these words, in their order. @param known the names that may be used */
    public static List<Problem> problems(String words, Set<String> known) {
        if (words.length() > LONGEST) {
            return List.of(new Problem(Fault.TOO_LONG, 1, 1, "", Optional.empty()));
        }
        Reading reading = new Reading(words, known);
        reading.read();
        return List.copyOf(reading.problems);
    }

    /** The names that words ask for, each once, those of conditions included. */
    public static Set<String> names(String words) {
        Reading reading = new Reading(words, Set.of());
        reading.read();
        return Set.copyOf(reading.names);
    }

    private static final class Reading {
        private final String words;
        private final Set<String> known;
        private final List<Problem> problems = new ArrayList<>();
        private final Collection<String> names = new LinkedHashSet<>();
        private final Deque<Open> open = new ArrayDeque<>();

        Reading(String words, Set<String> known) {
            this.words = words;
            this.known = known;
        }

        void read() {
            int at = words.indexOf(OPENS);
            while (at >= 0 && problems.size() < MOST_PROBLEMS) {
                boolean whole = words.startsWith("{{{", at);
                String closes = whole ? "}}}" : CLOSES;
                int from = at + (whole ? OPENS.length() + 1 : OPENS.length());
                int end = words.indexOf(closes, from);
                if (end < 0 || words.substring(from, end).contains(OPENS)) {
                    say(Fault.TAG_NOT_CLOSED, at, "");
                    at = words.indexOf(OPENS, from);
                } else {
                    tag(words.substring(from, end).strip(), at, whole);
                    at = words.indexOf(OPENS, end + closes.length());
                }
            }
            open.forEach(part -> say(Fault.PART_NOT_CLOSED, part.at(), part.name()));
        }

        private void tag(String said, int at, boolean whole) {
            char sign = said.isEmpty() ? ' ' : said.charAt(0);
            String name = "#^/&".indexOf(sign) >= 0 ? said.substring(1).strip() : said;
            if ((whole || sign == '&') && !name.endsWith(LINK) && known.contains(name)) {
                say(Fault.NOT_A_LINK, at, name);
            }
            switch (sign) {
                case '!' -> {}
                case '>', '=' -> say(Fault.NOT_ALLOWED, at, said);
                case '/' -> close(name, at);
                case '#', '^' -> {
                    check(name, at);
                    open.push(new Open(name, at));
                    if (open.size() == DEEPEST + 1) {
                        say(Fault.TOO_DEEP, at, name);
                    }
                }
                default -> check(name, at);
            }
        }

        private void close(String name, int at) {
            if (open.isEmpty() || !open.peek().name().equals(name)) {
                say(Fault.PART_NOT_OPEN, at, name);
            } else {
                open.pop();
            }
        }

        private void check(String name, int at) {
            boolean item = name.equals(".") && !open.isEmpty();
            if (item) {
                return;
            }
            names.add(name);
            if (!known.contains(name)) {
                say(Fault.UNKNOWN_NAME, at, name);
            }
        }

        private void say(Fault fault, int at, String name) {
            int line = 1
                    + (int) words.substring(0, at)
                            .chars()
                            .filter(c -> c == '\n')
                            .count();
            int column = at - words.lastIndexOf('\n', Math.max(0, at - 1));
            Optional<String> meant = fault == Fault.UNKNOWN_NAME ? nearest(name, known) : Optional.empty();
            problems.add(new Problem(fault, line, at == 0 ? 1 : Math.max(1, column), name, meant));
        }
    }

    /** A known name that is nearly this one; empty when none is. */
    static Optional<String> nearest(String name, Collection<String> known) {
        Predicate<String> near = some -> distance(name, some) <= CLOSE_ENOUGH;
        return known.stream()
                .filter(some -> Math.abs(some.length() - name.length()) <= CLOSE_ENOUGH)
                .filter(near)
                .min(Comparator.comparingInt((String some) -> distance(name, some))
                        .thenComparing(some -> some));
    }

    /** How many letters have to be changed, added or taken away to come from one to the other (Levenshtein). */
    private static int distance(String one, String other) {
        int[] row = new int[other.length() + 1];
        for (int j = 0; j <= other.length(); j++) {
            row[j] = j;
        }
        for (int i = 1; i <= one.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= other.length(); j++) {
                int same = diagonal + (one.charAt(i - 1) == other.charAt(j - 1) ? 0 : 1);
                diagonal = row[j];
                row[j] = Math.min(same, Math.min(row[j], row[j - 1]) + 1);
            }
        }
        return row[other.length()];
    }
}
