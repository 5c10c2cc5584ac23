package jollyroster.core.dates;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * What a typed line says beside days and times: {@code @ venue}, {@code with host and host}, {@code 8 seats}. A name ends
 * at a comma, at times or at the next such word; between double quotes it may hold anything, a quote written twice.
 */
final class TypedOptions {

    private static final int MOST_SEATS = 100_000;
    private static final int MOST_HOSTS = 10;
    private static final Pattern SEATS =
            DayWords.pattern("(?:with\\s+)?(?:(\\d{1,9})\\s+seats?|seats?\\s+(\\d{1,9}))(?![\\w:])");
    private static final Pattern VENUE = DayWords.pattern("@\\s*");
    private static final Pattern HOSTS = DayWords.pattern("with\\s+(?=[\"\\p{L}])");
    private static final Pattern QUOTED = Pattern.compile("\"((?:[^\"]|\"\")*)(\"?)");
    /** {@code 10-12}, {@code 7pm-8:30pm}: nobody is called so, but times are typed behind names. */
    private static final String TIMES = "\\s\\d{1,2}(?:[:.h]\\d{2})?\\s*(?:am|pm)?\\s*[-\u2013\u2014]\\s*\\d{1,2}"
            + "(?:[:.h]\\d{2})?\\s*(?:am|pm)?(?=$|[\\s,;@])";

    private static final String STOP =
            "(?=\\s*(?:$|[,;@\"]|\\s(?:with|from|until|till|except)\\s|\\s\\d{1,9}\\s+seats?\\b"
                    + "|\\sseats?\\s+\\d|\\s(?:x|×)\\s*\\d|" + TIMES + "))";
    private static final Pattern BARE = DayWords.pattern("(\\S.*?)" + STOP);
    private static final Pattern BARE_HOST = DayWords.pattern("(\\p{L}.*?)(?=\\s+and\\s|\\s*&|" + STOP.substring(3));
    private static final Pattern NEXT_HOST =
            DayWords.pattern("\\s*(?:,\\s*(?:and\\s+)?|\\s+and\\s+|&\\s*)(?=\"|\\p{L})");
    private static final Pattern WORD_OF_DAYS = DayWords.pattern("(?:every|each|weekly|daily|monthly|fortnightly|from|"
            + "until|till|except|on|x\\d|seats)\\b|" + DayWords.WEEKDAY + "|" + DayWords.MONTH + "\\s*\\d");

    private OptionalInt seats = OptionalInt.empty();
    private TypedLine.@Nullable Named venue;
    private final List<TypedLine.Named> hosts = new ArrayList<>();

    boolean read(Cursor cursor) {
        return seats(cursor) || venue(cursor) || hosts(cursor);
    }

    private boolean seats(Cursor cursor) {
        int at = cursor.at();
        Optional<Matcher> found = cursor.take(SEATS);
        found.ifPresent(m -> {
            long number = Long.parseLong(m.group(1) != null ? m.group(1) : m.group(2));
            if (number < 1 || number > MOST_SEATS) {
                throw cursor.unreadable(at, TypedLine.Problem.SEATS_OUT_OF_RANGE, String.valueOf(number));
            }
            once(cursor, at, seats.isEmpty());
            seats = OptionalInt.of((int) number);
        });
        return found.isPresent();
    }

    private boolean venue(Cursor cursor) {
        int at = cursor.at();
        if (cursor.take(VENUE).isEmpty()) {
            return false;
        }
        once(cursor, at, venue == null);
        venue = name(cursor, BARE);
        return true;
    }

    private boolean hosts(Cursor cursor) {
        int at = cursor.at();
        if (cursor.take(HOSTS).isEmpty()) {
            return false;
        }
        once(cursor, at, hosts.isEmpty());
        hosts.add(name(cursor, BARE_HOST));
        int before = cursor.at();
        while (cursor.take(NEXT_HOST).isPresent()) {
            if (cursor.looksAt(WORD_OF_DAYS)) {
                cursor.backTo(before);
                return true;
            }
            hosts.add(name(cursor, BARE_HOST));
            before = cursor.at();
        }
        if (hosts.size() > MOST_HOSTS) {
            throw cursor.unreadable(at, TypedLine.Problem.NOT_UNDERSTOOD, MOST_HOSTS + "+");
        }
        return true;
    }

    private static void once(Cursor cursor, int at, boolean first) {
        if (!first) {
            throw cursor.unreadable(at, TypedLine.Problem.SAID_TWICE, cursor.since(at));
        }
    }

    private static TypedLine.Named name(Cursor cursor, Pattern bare) {
        int at = cursor.at();
        Optional<Matcher> quoted = cursor.take(QUOTED);
        if (quoted.isPresent()) {
            if (quoted.get().group(2).isEmpty()) {
                throw cursor.unreadable(at, TypedLine.Problem.NAME_NOT_CLOSED, cursor.since(at));
            }
            return named(cursor, at, quoted.get().group(1).replace("\"\"", "\""));
        }
        return cursor.take(bare)
                .map(m -> named(cursor, at, m.group(1)))
                .orElseThrow(() -> cursor.unreadable(at, TypedLine.Problem.NOT_UNDERSTOOD, cursor.rest()));
    }

    private static TypedLine.Named named(Cursor cursor, int at, String name) {
        String clean = name.strip().replaceAll("\\s+", " ");
        if (clean.isEmpty()) {
            throw cursor.unreadable(at, TypedLine.Problem.NOT_UNDERSTOOD, cursor.rest());
        }
        return new TypedLine.Named(clean, at + 1);
    }

    TypedLine.Options options() {
        return new TypedLine.Options(seats, venue, hosts);
    }
}
