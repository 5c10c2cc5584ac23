package jollyroster.schedule;

import java.time.Clock;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import jollyroster.core.messages.Anchor;
import jollyroster.platform.Actor;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.PlanCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.seating.NoticeCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Changes a venue once for everything that uses it. Organisers only. */
@Component
public class VenueChangeCommands {

    private final VenueCommands venues;
    private final ProgrammeQueries queries;
    private final SessionCommands sessions;
    private final PlanCommands planned;
    private final NoticeCommands notices;
    private final ChangeCommands changes;
    private final Clock clock;

    VenueChangeCommands(
            VenueCommands venues,
            ProgrammeQueries queries,
            SessionCommands sessions,
            PlanCommands planned,
            NoticeCommands notices,
            ChangeCommands changes,
            Clock clock) {
        this.venues = venues;
        this.queries = queries;
        this.sessions = sessions;
        this.planned = planned;
        this.notices = notices;
        this.changes = changes;
        this.clock = clock;
    }

    /**
     * Changes a venue. Every session to come and every unsent message follows; if it leads people elsewhere, they are told
     * when it can no longer be undone.
     *
     * @param form without problems
     */
    @Transactional
    public Outcome change(long id, int version, VenueCommands.Form form, Actor actor) {
        actor.requireOrganiser();
        Optional<Venue> before = queries.venue(id);
        if (before.isEmpty()) {
            return new Outcome.Refused(Outcome.Reason.UNKNOWN, "");
        }
        if (!venues.change(id, version, form, actor)) {
            return new Outcome.Refused(Outcome.Reason.OVERTAKEN, "");
        }
        Instant now = clock.instant();
        List<Session> coming = sessions.comingAt(id, now);
        planned.touch(coming.stream().map(Session::id).toList(), actor);
        if (!form.leadsElsewhere(before.get()) || coming.isEmpty()) {
            return new Outcome.Done(0, coming.size(), 0, now);
        }
        Undoable undoable =
                new Undoable(List.of(), new Undoable.Place(id, version + 1, VenueCommands.Form.of(before.get())));
        long change = changes.keep(
                coming.get(0).offering().id(),
                "Changed the venue " + before.get().name() + ".",
                undoable,
                actor);
        Set<Long> told = new HashSet<>();
        int people = coming.stream()
                .filter(s -> s.offering().status() != OfferingStatus.DRAFT && told.add(s.book()))
                .mapToInt(s -> notices.tell(
                        s, sessions.session(s.id()).orElseThrow(), Anchor.CHANGED, change, changes.until(), ""))
                .sum();
        return new Outcome.Done(change, coming.size(), people, changes.until());
    }
}
