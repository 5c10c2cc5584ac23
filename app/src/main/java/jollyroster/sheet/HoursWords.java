package jollyroster.sheet;

import java.util.List;
import jollyroster.core.openhours.HostChoice;
import jollyroster.core.openhours.OpenHoursText;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;

/** Open hours as they read when their section is closed. */
final class HoursWords {

    private static final int SHOWN = 4;

    private HoursWords() {}

    static Sentence of(Offering o, OwnTime time) {
        if (time.hours().isEmpty()) {
            return Sentence.of("No hours yet; nobody can pick a time.");
        }
        return hours(time)
                .and(range(time))
                .and(starts(o, time))
                .and(limits(time))
                .and(given(time.choice()));
    }

    private static Sentence hours(OwnTime time) {
        List<String> lines = OpenHoursText.write(time.hours()).lines().toList();
        Sentence some = Sentence.strong(String.join("; ", lines.subList(0, Math.min(SHOWN, lines.size()))));
        int more = lines.size() - SHOWN;
        return (more > 0 ? some.and(" and " + Counted.of(more, "more line")) : some).and(". ");
    }

    private static String range(OwnTime time) {
        String from = time.hours().first() == null
                ? ""
                : "From " + Times.dayAndYear(time.hours().first());
        String until = time.hours().last() == null
                ? ""
                : "until " + Times.dayAndYear(time.hours().last());
        return from.isEmpty() && until.isEmpty()
                ? ""
                : from.isEmpty() ? "Not after " + until.substring(6) + ". " : (from + " " + until).strip() + ". ";
    }

    private static String starts(Offering o, OwnTime time) {
        String length = "A time is " + Counted.length(o.minutes()) + " long";
        return time.gridMinutes().isPresent()
                ? length + ", with a start every "
                        + Counted.length(time.gridMinutes().getAsInt()) + ". "
                : length + ", one after the other. ";
    }

    private static String limits(OwnTime time) {
        String daily = time.daily().isPresent() ? Counted.of(time.daily().getAsInt(), "time") + " a day" : "";
        String weekly = time.weekly().isPresent() ? time.weekly().getAsInt() + " a week" : "";
        String both = daily.isEmpty() || weekly.isEmpty() ? daily + weekly : daily + " and " + weekly;
        return both.isEmpty() ? "" : "At most " + both + " for each host. ";
    }

    private static String given(HostChoice choice) {
        return switch (choice) {
            case WHOEVER_IS_FREE -> "Whoever is free leads it.";
            case ATTENDEES_CHOICE -> "People choose who leads it.";
            case ALL_TOGETHER -> "All hosts lead it together.";
        };
    }
}
