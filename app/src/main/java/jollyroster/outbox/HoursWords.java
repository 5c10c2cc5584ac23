package jollyroster.outbox;

import java.time.DayOfWeek;
import java.time.format.TextStyle;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.core.messages.SendHours;
import jollyroster.core.messages.WritingHours;

/** Says when people may be written to. */
public final class HoursWords {

    private static final int A_RUN = 3;

    private HoursWords() {}

    /** {@code not between 21:00 and 08:00, only Mon–Fri 08:00–17:00}. */
    public static String of(WritingHours hours) {
        String quiet = hours.quiet()
                .map(q -> "not between " + q.from() + " and " + q.to())
                .orElse("at night too");
        boolean home = hours.send().or(hours::texts).flatMap(SendHours::home).isPresent();
        return quiet
                + hours.send().map(send -> ", only " + of(send)).orElse("")
                + hours.texts().map(send -> ", texts only " + of(send)).orElse("")
                + (home ? " by our clock" : "");
    }

    private static String of(SendHours send) {
        boolean all = send.days().size() == DayOfWeek.values().length;
        return (all ? "" : days(send.days()) + " ") + send.from() + "–" + send.to();
    }

    private static String days(Set<DayOfWeek> days) {
        List<DayOfWeek> sorted = days.stream().sorted().toList();
        DayOfWeek first = sorted.get(0);
        DayOfWeek last = sorted.get(sorted.size() - 1);
        boolean run = sorted.size() >= A_RUN && last.getValue() - first.getValue() == sorted.size() - 1;
        return run
                ? name(first) + "–" + name(last)
                : sorted.stream().map(HoursWords::name).collect(Collectors.joining(", "));
    }

    private static String name(DayOfWeek day) {
        return day.getDisplayName(TextStyle.SHORT, Locale.ENGLISH);
    }
}
