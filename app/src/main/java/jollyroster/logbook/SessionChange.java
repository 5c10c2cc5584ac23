package jollyroster.logbook;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import jollyroster.platform.Facts;
import jollyroster.platform.Times;

/** A change to a session as facts, and what they say. */
public final class SessionChange {

    /** When it was to start. */
    private static final String FROM = "from";

    /** When it starts now. */
    public static final String TO = "to";

    public static final String MINUTES = "minutes";

    /** Whether it was called off; false when it is held after all. */
    public static final String OFF = "off";

    public static final String SEATS = "seats";
    public static final String KEPT_BACK = "kept_back";

    /** After the name of a number: what it was. */
    public static final String WAS = "_was";

    public static final String MINIMUM = "minimum";
    public static final String VENUE = "venue";
    public static final String HOSTS = "hosts";
    public static final String DOOR = "door";
    public static final String NOTE = "note";

    /** Whether the session was added. */
    private static final String ADDED = "added";

    /** How many other sessions are changed in the same way. */
    public static final String MORE = "more";

    private SessionChange() {}

    /** The beginning of a change to the session that was to start then. */
    public static Facts of(Instant start, ZoneId zone) {
        return Facts.of(FROM, start).and("zone", zone);
    }

    /** A session that is new. */
    public static Facts added(Instant start, ZoneId zone) {
        return of(start, zone).and(ADDED, true);
    }

    /** In words: {@code Tue 16 Mar 19:00: moved to Wed 17 Mar 19:00, 2 h, 8 → 12 seats.} */
    public static String words(Facts f) {
        ZoneId zone = Times.zone(f.text("zone")).orElse(ZoneId.of("UTC"));
        String when = f.time(FROM).map(at -> Times.dayAndTime(at, zone)).orElse("");
        if (f.is(ADDED)) {
            return "Added " + when + ".";
        }
        List<String> words = differences(f, zone);
        String more = f.number(MORE) > 0 ? " And " + f.number(MORE) + " more in the same way." : "";
        return when + ": " + (words.isEmpty() ? "nothing else" : String.join(", ", words)) + "." + more;
    }

    private static List<String> differences(Facts f, ZoneId zone) {
        List<String> words = new ArrayList<>();
        if (!f.text(OFF).isEmpty()) {
            words.add(f.is(OFF) ? "cancelled" : "held after all");
        }
        f.time(TO)
                .ifPresent(to -> words.add("moved to " + Times.dayAndTime(to, zone) + ", "
                        + Times.length(Duration.ofMinutes(f.number(MINUTES)))));
        number(f, SEATS, "seats", words);
        number(f, KEPT_BACK, "kept back", words);
        flag(f, MINIMUM, "another minimum", words);
        flag(f, VENUE, "another venue", words);
        flag(f, HOSTS, "other hosts", words);
        flag(f, DOOR, "other door times", words);
        flag(f, NOTE, "another note", words);
        return words;
    }

    private static void number(Facts f, String name, String of, List<String> words) {
        if (!f.text(name).isEmpty()) {
            words.add(f.number(name + WAS) + " → " + f.number(name) + " " + of);
        }
    }

    private static void flag(Facts f, String name, String says, List<String> words) {
        if (f.is(name)) {
            words.add(says);
        }
    }
}
