package jollyroster.door;

import static jollyroster.platform.tables.Tables.ARRIVAL;

import java.time.Instant;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalLong;
import jollyroster.attendance.GuestPasses;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Guests inside, as the meeting service reports them. */
@Component
class GuestVisitCommands implements GuestPasses {

    private final PersonalLinks links;
    private final Writes writes;

    GuestVisitCommands(PersonalLinks links, Writes writes) {
        this.links = links;
        this.writes = writes;
    }

    @Override
    @Transactional(readOnly = true)
    public OptionalLong registration(String pass) {
        Optional<Long> found = links.read(Purpose.ARRIVAL, pass)
                .flatMap(link -> writes.sql()
                        .selectFrom(ARRIVAL)
                        .where(ARRIVAL.ID.eq(link.id()))
                        .and(ARRIVAL.GENERATION.eq(link.generation()))
                        .fetchOptional(row -> Objects.requireNonNullElse(row.getRegistrationId(), 0L)));
        return found.map(OptionalLong::of).orElse(OptionalLong.empty());
    }

    /** A report that arrives twice counts once, also where they have left since. */
    @Override
    @Transactional
    public void joined(String pass, String visit, Actor actor) {
        actor.requireTeam();
        links.read(Purpose.ARRIVAL, pass)
                .ifPresent(link -> writes.sql()
                        .update(ARRIVAL)
                        .set(ARRIVAL.VISIT, visit)
                        .setNull(ARRIVAL.LEFT_AT)
                        .where(ARRIVAL.ID.eq(link.id()))
                        .and(ARRIVAL.GENERATION.eq(link.generation()))
                        .and(ARRIVAL.VISIT.isDistinctFrom(visit))
                        .execute());
    }

    @Override
    @Transactional
    public void left(String visit, Instant at, Actor actor) {
        actor.requireTeam();
        writes.sql()
                .update(ARRIVAL)
                .set(ARRIVAL.LEFT_AT, at)
                .where(ARRIVAL.VISIT.eq(visit))
                .and(ARRIVAL.LEFT_AT.isNull())
                .execute();
    }
}
