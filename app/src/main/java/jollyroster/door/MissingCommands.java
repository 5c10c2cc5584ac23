package jollyroster.door;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import jollyroster.core.door.DoorHours.Phase;
import jollyroster.core.messages.Anchor;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.outbox.OutboxCommands;
import jollyroster.outbox.Recipient;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Writes to those who are expected and not in yet: it has begun, and here is their link. */
@Component
class MissingCommands {

    private static final Duration AT_MOST_EVERY = Duration.ofMinutes(10);
    private final DoorKeepers keepers;
    private final InsideQueries inside;
    private final RegistrationQueries roster;
    private final OutboxCommands outbox;
    private final LogbookCommands logbook;
    private final Clock clock;

    MissingCommands(
            DoorKeepers keepers,
            InsideQueries inside,
            RegistrationQueries roster,
            OutboxCommands outbox,
            LogbookCommands logbook,
            Clock clock) {
        this.keepers = keepers;
        this.inside = inside;
        this.roster = roster;
        this.outbox = outbox;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** Once in ten minutes to each, however often it is pressed. @return to how many; 0 unless it has begun and the door is open */
    @Transactional
    public int write(long session, Actor actor) {
        Instant now = clock.instant();
        Session at = keepers.session(session, actor, now);
        boolean goesOn = at.isOnline()
                && !at.cancelled()
                && !now.isBefore(at.start())
                && at.doorHours().at(now) == Phase.OPEN;
        if (!goesOn) {
            return 0;
        }
        Set<Long> came = inside.cameAs(at);
        List<Registration> missing = roster.roster(at.book()).stream()
                .filter(r -> r.state().mayJoin() && r.remarks().reminded() && !came.contains(r.id()))
                .toList();
        String occasion = "missing-" + now.getEpochSecond() / AT_MOST_EVERY.toSeconds();
        missing.forEach(r -> outbox.answer(Anchor.NOT_IN, recipient(at, r), occasion, Facts.none(), now));
        if (!missing.isEmpty()) {
            Facts what = Facts.of("people", missing.size()).and("subject", "We have begun");
            logbook.write(session, actor, LogbookEntry.WROTE, what, now);
        }
        return missing.size();
    }

    private static Recipient recipient(Session at, Registration r) {
        return new Recipient(
                r.id(),
                at.id(),
                at.offering().id(),
                r.email(),
                r.zone(),
                at.offering().title(),
                at.timing(),
                at.sequence(),
                r.remarks().reminded());
    }
}
