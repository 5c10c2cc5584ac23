package jollyroster.schedule;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import jollyroster.programme.SessionPlan;

/** What a change does, in words, for the logbook and beside its undo. */
final class ChangeWords {

    private ChangeWords() {}

    static String of(Map<Session, SessionPlan> plans, List<Undoable.Dated> before) {
        Map.Entry<Session, SessionPlan> first = plans.entrySet().iterator().next();
        SessionPlan was = Objects.requireNonNull(before.get(0).before());
        String what = of(first.getKey(), was, first.getValue());
        return plans.size() == 1 ? what : what + " And " + (plans.size() - 1) + " more in the same way.";
    }

    static String of(Session session, SessionPlan before, SessionPlan after) {
        List<String> words = new ArrayList<>();
        if (after.cancelled() != before.cancelled()) {
            words.add(after.cancelled() ? "called off" : "held after all");
        }
        if (!after.start().equals(before.start()) || !after.end().equals(before.end())) {
            words.add("moved to " + Times.dayAndTime(after.start(), session.zone()) + ", "
                    + Times.length(after.length()));
        }
        if (after.seats() != before.seats()) {
            words.add(before.seats() + " → " + after.seats() + " seats");
        }
        if (after.keptBack() != before.keptBack()) {
            words.add(before.keptBack() + " → " + after.keptBack() + " kept back");
        }
        if (!Objects.equals(after.minimum(), before.minimum())) {
            words.add("another minimum");
        }
        if (!Objects.equals(after.venue(), before.venue())) {
            words.add("another venue");
        }
        if (after.ownHosts() != before.ownHosts() || !after.hosts().equals(before.hosts())) {
            words.add("other hosts");
        }
        if (!Objects.equals(after.doorMinutes(), before.doorMinutes())
                || !Objects.equals(after.overrunMinutes(), before.overrunMinutes())) {
            words.add("other door times");
        }
        if (!after.note().equals(before.note())) {
            words.add("another note");
        }
        return Times.dayAndTime(before.start(), session.zone()) + ": "
                + (words.isEmpty() ? "nothing else" : String.join(", ", words)) + ".";
    }
}
