package jollyroster.door;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import jollyroster.core.door.DoorHours;
import jollyroster.core.door.DoorHours.Phase;
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

    static final Duration LONGER = Duration.ofMinutes(15);

    /** A door that stands open for days is somebody's mistake. */
    private static final Duration LONGEST_EARLY = Duration.ofHours(12);

    private static final Duration LATEST = Duration.ofHours(12);
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

    /** What may be done to a door. */
    enum Move {
        OPEN,
        END,
        LONGER,
        REOPEN
    }

    /** What may be done to the door of a session now; a session can be ended once it has begun, and opened again until it is long over. */
    static boolean may(Move move, Session session, Instant now) {
        DoorHours door = session.doorHours();
        Phase phase = door.at(now);
        return session.isOnline()
                && !session.cancelled()
                && switch (move) {
                    case OPEN ->
                        phase == Phase.BEFORE && !now.isBefore(door.start().minus(LONGEST_EARLY));
                    case END -> phase == Phase.OPEN && !now.isBefore(door.start());
                    case LONGER ->
                        phase == Phase.OPEN
                                && !now.isBefore(door.start())
                                && door.closes().isBefore(door.end().plus(LATEST));
                    case REOPEN ->
                        phase == Phase.AFTER
                                && session.own().door().closes().isPresent()
                                && now.isBefore(door.end().plus(LATEST));
                };
    }

    /** @return whether it was done; not where it changes nothing */
    @Transactional
    public boolean move(long session, Move move, Actor actor) {
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
                        before.opened(), Optional.of(at.doorHours().closes().plus(LONGER)));
            case REOPEN -> new HandHours(before.opened(), Optional.of(now.plus(LONGER)));
        };
        hours.move(session, then, actor);
        logbook.write(session, actor, LogbookEntry.DOOR_MOVED, Facts.of("what", words(move, then, at)), now);
        return true;
    }

    private static String words(Move move, HandHours then, Session at) {
        return switch (move) {
            case OPEN -> "opened";
            case END -> "ended";
            case LONGER, REOPEN ->
                "open until " + Times.time(then.closes().orElseThrow().atZone(at.zone()));
        };
    }
}
