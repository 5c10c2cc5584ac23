package jollyroster.door;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import jollyroster.core.door.DoorMove;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.Times;
import jollyroster.programme.HandHours;
import jollyroster.programme.HandHoursCommands;
import jollyroster.programme.Session;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Opens and closes doors by hand, and keeps them open longer. */
@Component
public class DoorHoursCommands {

    private final DoorKeepers keepers;
    private final HandHoursCommands hours;
    private final LogbookCommands logbook;
    private final Clock clock;

    DoorHoursCommands(DoorKeepers keepers, HandHoursCommands hours, LogbookCommands logbook, Clock clock) {
        this.keepers = keepers;
        this.hours = hours;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** Whether it may be done to the door of a session now; nobody comes to a door by its hours in person. */
    static boolean may(DoorMove move, Session session, Instant now) {
        boolean closedByHand = session.own().door().closes().isPresent();
        return session.isOnline() && !session.cancelled() && move.may(session.doorHours(), closedByHand, now);
    }

    /** @return whether it was done; not where it changes nothing */
    @Transactional
    public boolean move(long session, DoorMove move, Actor actor) {
        Instant now = clock.instant();
        Session at = keepers.session(session, actor, now);
        if (!keepers.leads(at, actor)) {
            throw new AccessDeniedException("Only who leads opens and ends");
        }
        if (!may(move, at, now)) {
            return false;
        }
        HandHours before = at.own().door();
        HandHours then = switch (move) {
            case OPEN -> new HandHours(Optional.of(now), before.closes());
            case END -> new HandHours(before.opened(), Optional.of(now));
            case LONGER ->
                new HandHours(
                        before.opened(), Optional.of(at.doorHours().closes().plus(DoorMove.LONGER_BY)));
            case REOPEN -> new HandHours(before.opened(), Optional.of(now.plus(DoorMove.LONGER_BY)));
        };
        hours.move(session, then, actor);
        logbook.write(session, actor, LogbookEntry.DOOR_MOVED, Facts.of("what", words(move, then, at)), now);
        return true;
    }

    private static String words(DoorMove move, HandHours then, Session at) {
        return switch (move) {
            case OPEN -> "opened";
            case END -> "ended";
            case LONGER, REOPEN ->
                "open until " + Times.time(then.closes().orElseThrow().atZone(at.zone()));
        };
    }
}
