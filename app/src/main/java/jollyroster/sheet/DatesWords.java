package jollyroster.sheet;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;

/** The dates of a sheet as they read when the section is closed: what comes next, not all that ever was. */
final class DatesWords {

    private static final int NAMED = 4;

    private DatesWords() {}

    /** @param sessions in order of time */
    static Sentence of(Offering o, List<Session> sessions, Map<Long, SeatCount> counts, Instant now) {
        List<Session> coming = coming(sessions, now);
        int past = (int) sessions.stream().filter(s -> !s.end().isAfter(now)).count();
        Sentence dates = coming.isEmpty() ? Sentence.of("No date to come. ") : named(coming, counts, now);
        return dates.and(passed(past))
                .and("A date is " + Counted.length(o.minutes()) + " long unless you say otherwise. ")
                .and(style(o.style()));
    }

    static List<Session> coming(List<Session> sessions, Instant now) {
        return sessions.stream()
                .filter(s -> s.end().isAfter(now) && !s.cancelled())
                .toList();
    }

    private static Sentence named(List<Session> coming, Map<Long, SeatCount> counts, Instant now) {
        List<Sentence> items = new ArrayList<>();
        coming.stream().limit(NAMED).forEach(s -> items.add(date(s, counts.get(s.id()), now)));
        int more = coming.size() - items.size();
        if (more > 0) {
            Session last = coming.get(coming.size() - 1);
            items.add(Sentence.of(more + " more until ").andStrong(Times.day(last.zonedStart())));
        }
        return Sentence.list(items).and(". ");
    }

    private static Sentence date(Session s, SeatCount count, Instant now) {
        String when =
                Times.range(s.start(), s.end(), s.zone(), now.atZone(s.zone()).toLocalDate());
        String waiting = count.waitingPeople() > 0 ? ", " + count.waitingPeople() + " waiting" : "";
        if (s.seats() == 0) {
            return Sentence.strong(when);
        }
        return Sentence.strong(when).and(" (%,d of %,d%s)".formatted(count.taken(), s.seats(), waiting));
    }

    private static String passed(int past) {
        return past == 0 ? "" : past == 1 ? "One has passed. " : past + " have passed. ";
    }

    private static String style(SignUpStyle style) {
        return switch (style) {
            case ANY_DATE -> "Each date stands for itself; people may come to several.";
            case ONE_DATE -> "Everybody comes to exactly one of them, and may change it.";
            case WHOLE_SERIES -> "One registration, and one seat, is for all of them.";
            case OWN_TIME -> "";
        };
    }
}
