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
import org.jooq.Condition;
import org.jspecify.annotations.Nullable;
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

    /** What was true last holds, whenever it is reported. */
    @Override
    @Transactional
    public void joined(String pass, String visit, Instant at, Actor actor) {
        actor.requireTeam();
        report(pass, visit, null, at, ARRIVAL.REPORTED_AT.lt(at));
    }

    @Override
    @Transactional
    public void left(String pass, String visit, Instant at, Actor actor) {
        actor.requireTeam();
        report(pass, visit, at, at, ARRIVAL.REPORTED_AT.le(at).and(ARRIVAL.LEFT_AT.isNull()));
    }

    private void report(String pass, String visit, @Nullable Instant left, Instant at, Condition isNews) {
        links.read(Purpose.ARRIVAL, pass)
                .ifPresent(link -> writes.sql()
                        .update(ARRIVAL)
                        .set(ARRIVAL.VISIT, visit)
                        .set(ARRIVAL.LEFT_AT, left)
                        .set(ARRIVAL.REPORTED_AT, at)
                        .where(ARRIVAL.ID.eq(link.id()))
                        .and(ARRIVAL.GENERATION.eq(link.generation()))
                        .and(ARRIVAL.REPORTED_AT.isNull().or(isNews))
                        .execute());
    }
}
