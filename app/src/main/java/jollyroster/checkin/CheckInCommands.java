package jollyroster.checkin;

import static jollyroster.platform.tables.Tables.CHECK_IN;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import jollyroster.core.attendance.Ticks;
import jollyroster.door.DoorKeepers;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.Writes;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Takes ticks, also late ones of a device that had no network. */
@Component
public class CheckInCommands {

    /** More than a device gathers in a day. */
    static final int MOST = 2000;

    private final DoorKeepers keepers;
    private final RegistrationQueries roster;
    private final LogbookCommands logbook;
    private final Writes writes;
    private final Clock clock;

    CheckInCommands(
            DoorKeepers keepers, RegistrationQueries roster, LogbookCommands logbook, Writes writes, Clock clock) {
        this.keepers = keepers;
        this.roster = roster;
        this.logbook = logbook;
        this.writes = writes;
        this.clock = clock;
    }

    /**
     * A tick as a device sends it.
     *
     * @param key names it on every device
     * @param at when it was made; a clock that is ahead counts as now
     */
    public record Sent(String key, long registration, int place, boolean in, Instant at) {}

    /** What came of a tick. */
    public enum Outcome {
        TAKEN,
        /** It had arrived before. */
        KNOWN,
        /** Taken, though the registration was cancelled in the meantime. */
        CANCELLED,
        /** Not of this session, or no such place in the party. */
        REFUSED;

        String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** @return what came of each, in order */
    @Transactional
    public List<Outcome> take(long session, List<Sent> ticks, Actor actor) {
        Instant now = clock.instant();
        Session at = keepers.session(session, actor, now);
        Map<Long, Registration> parties =
                roster.registrations(ticks.stream().map(Sent::registration).collect(Collectors.toSet()));
        return ticks.stream()
                .map(tick -> take(at, tick, Optional.ofNullable(parties.get(tick.registration())), actor, now))
                .toList();
    }

    private Outcome take(Session at, Sent tick, Optional<Registration> party, Actor actor, Instant now) {
        Optional<Registration> found = party.filter(r -> r.session() == at.book());
        if (found.isEmpty() || tick.place() < 0 || tick.place() >= found.get().party()) {
            return Outcome.REFUSED;
        }
        int added = writes.sql()
                .insertInto(CHECK_IN)
                .set(CHECK_IN.TICK_KEY, tick.key())
                .set(CHECK_IN.SESSION_ID, at.id())
                .set(CHECK_IN.REGISTRATION_ID, tick.registration())
                .set(CHECK_IN.PLACE, tick.place())
                .set(CHECK_IN.IS_IN, tick.in())
                .set(CHECK_IN.MADE_AT, Ticks.made(tick.at(), at.start(), now))
                .set(CHECK_IN.TAKEN_AT, now)
                .set(CHECK_IN.MADE_BY, actor.name())
                .onConflictDoNothing()
                .execute();
        if (added == 0) {
            return Outcome.KNOWN;
        }
        Facts what = Facts.of("in", tick.in()).and("place", tick.place());
        logbook.write(at.id(), tick.registration(), actor, LogbookEntry.CHECKED_IN, what, now);
        return found.get().state().takesSeats() ? Outcome.TAKEN : Outcome.CANCELLED;
    }
}
