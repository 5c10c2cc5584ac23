package jollyroster.schedule;

import java.time.Clock;
import java.util.Optional;
import jollyroster.logbook.LogbookEntry;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.programme.PlanCommands;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.SessionPlan;
import jollyroster.programme.VenueCommands;
import jollyroster.seating.NoticeCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Takes changes back while the news of them has not left. Organisers only. */
@Component
public class UndoCommands {

    private final SessionCommands sessions;
    private final PlanCommands planned;
    private final VenueCommands venues;
    private final NoticeCommands notices;
    private final OutboxCommands outbox;
    private final ChangeCommands changes;
    private final Clock clock;

    UndoCommands(
            SessionCommands sessions,
            PlanCommands planned,
            VenueCommands venues,
            NoticeCommands notices,
            OutboxCommands outbox,
            ChangeCommands changes,
            Clock clock) {
        this.sessions = sessions;
        this.planned = planned;
        this.venues = venues;
        this.notices = notices;
        this.outbox = outbox;
        this.changes = changes;
        this.clock = clock;
    }

    /** Puts everything back as it was before the change and withdraws its news: all of it or nothing. */
    @Transactional
    public Outcome undo(long id, Actor actor) {
        actor.requireOrganiser();
        Optional<ChangeCommands.Kept> kept = changes.undoable(id);
        if (kept.isEmpty()) {
            return refused(Outcome.Reason.TOO_LATE);
        }
        if (changes.isSuperseded(kept.get())) {
            return refused(Outcome.Reason.CHANGED_SINCE);
        }
        Optional<Outcome> obstacle = kept.get().before().sessions().stream()
                .flatMap(dated -> obstacle(dated).stream())
                .findFirst();
        return obstacle.orElseGet(() -> undo(kept.get(), actor));
    }

    private Optional<Outcome> obstacle(Undoable.Dated dated) {
        Optional<Session> session = sessions.session(dated.session());
        if (session.isEmpty()) {
            return Optional.of(refused(Outcome.Reason.UNKNOWN));
        }
        SessionPlan before = dated.before();
        return before == null ? obstacleToRemoving(session.get()) : obstacleToSeating(session.get(), before);
    }

    private Optional<Outcome> obstacleToRemoving(Session added) {
        return notices.standingOn(added) > 0
                ? Optional.of(refused(Outcome.Reason.SOMEBODY_IS_ON_IT))
                : Optional.empty();
    }

    private Optional<Outcome> obstacleToSeating(Session session, SessionPlan before) {
        int taken = notices.takenOn(session);
        return before.seats() < session.seats() && before.seats() < taken
                ? Optional.of(new Outcome.Refused(Outcome.Reason.TOO_FEW_SEATS, String.valueOf(taken)))
                : Optional.empty();
    }

    private Outcome undo(ChangeCommands.Kept kept, Actor actor) {
        int untold = outbox.withdrawNews(kept.id(), "the change was undone", clock.instant());
        kept.before().sessions().forEach(dated -> putBack(dated, actor));
        Undoable.Place venue = kept.before().venue();
        if (venue != null && !venues.change(venue.venue(), venue.version(), venue.before(), actor)) {
            throw new IllegalStateException("The venue was changed since, though no later change stands");
        }
        changes.undone(kept.id());
        return new Outcome.Done(kept.id(), kept.before().sessions().size(), untold, kept.until());
    }

    private void putBack(Undoable.Dated dated, Actor actor) {
        Session session = sessions.session(dated.session()).orElseThrow();
        SessionPlan before = dated.before();
        if (before == null) {
            sessions.removeDate(session.offering().id(), dated.session(), actor);
            return;
        }
        planned.apply(dated.session(), before, actor);
        Session after = sessions.session(dated.session()).orElseThrow();
        notices.log(after, LogbookEntry.UNDONE, Facts.none(), actor);
        notices.asBefore(after);
    }

    private static Outcome refused(Outcome.Reason reason) {
        return new Outcome.Refused(reason, "");
    }
}
