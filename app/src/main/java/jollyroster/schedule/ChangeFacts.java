package jollyroster.schedule;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import jollyroster.logbook.SessionChange;
import jollyroster.platform.Facts;
import jollyroster.programme.Session;
import jollyroster.programme.SessionPlan;

/** What a change does to a session, for the logbook and beside its undo. */
final class ChangeFacts {

    private ChangeFacts() {}

    /** Of several sessions the first, and how many more are changed in the same way. */
    static Facts of(Map<Session, SessionPlan> plans, List<Undoable.Dated> before) {
        Map.Entry<Session, SessionPlan> first = plans.entrySet().iterator().next();
        SessionPlan was = Objects.requireNonNull(before.get(0).before());
        return of(first.getKey(), was, first.getValue()).and(SessionChange.MORE, plans.size() - 1);
    }

    /** Only what differs is among them. */
    static Facts of(Session session, SessionPlan before, SessionPlan after) {
        boolean moved = !after.start().equals(before.start()) || !after.end().equals(before.end());
        Facts facts = SessionChange.of(before.start(), session.zone())
                .and(SessionChange.TO, moved ? after.start() : null)
                .and(SessionChange.MINUTES, moved ? after.length().toMinutes() : null)
                .and(SessionChange.OFF, after.cancelled() != before.cancelled() ? after.cancelled() : null);
        return differs(
                        differs(facts, SessionChange.SEATS, before.seats(), after.seats()),
                        SessionChange.KEPT_BACK,
                        before.keptBack(),
                        after.keptBack())
                .and(SessionChange.MINIMUM, isOther(before.minimum(), after.minimum()))
                .and(SessionChange.VENUE, isOther(before.venue(), after.venue()))
                .and(
                        SessionChange.HOSTS,
                        isOther(before.hosts(), after.hosts()) || before.ownHosts() != after.ownHosts())
                .and(
                        SessionChange.DOOR,
                        isOther(before.doorMinutes(), after.doorMinutes())
                                || isOther(before.overrunMinutes(), after.overrunMinutes()))
                .and(SessionChange.NOTE, isOther(before.note(), after.note()));
    }

    private static Facts differs(Facts facts, String name, int before, int after) {
        return before == after
                ? facts
                : facts.and(name + SessionChange.WAS, before).and(name, after);
    }

    private static boolean isOther(Object before, Object after) {
        return !Objects.equals(before, after);
    }
}
