package jollyroster.rooms;

import static jollyroster.platform.tables.Tables.STANDING_ROOM;
import static jollyroster.platform.tables.Tables.STANDING_ROOM_HOST;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.core.door.Invited;
import jollyroster.core.door.RoomTerms;
import jollyroster.platform.Actor;
import jollyroster.platform.Role;
import jollyroster.platform.Slugs;
import jollyroster.platform.Writes;
import jollyroster.rooms.StandingRoom.Afterwards;
import jollyroster.rooms.StandingRoom.Part;
import jollyroster.rooms.StandingRoom.Words;
import org.jooq.Field;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Makes standing rooms, and changes what holds in them. */
@Component
public class RoomCommands {

    private final RoomKeepers keepers;
    private final Writes writes;

    RoomCommands(RoomKeepers keepers, Writes writes) {
        this.keepers = keepers;
        this.writes = writes;
    }

    /** What is set for a room. @param hosts whom it is shared with, by account; it need not be said where it is everybody's */
    public record Settings(
            Words words,
            RoomTerms terms,
            Invited invited,
            int capacity,
            Set<Part> shown,
            Afterwards afterwards,
            boolean everybodys,
            Collection<Long> hosts) {

        Settings with(RoomTerms other) {
            return new Settings(words, other, invited, capacity, shown, afterwards, everybodys, hosts);
        }
    }

    /** An organiser or a host makes a room of their own; pressed twice it is one room. @return its number */
    @Transactional
    public long create(Settings settings, Actor actor) {
        if (!(actor instanceof Actor.Team member) || member.role() == Role.HELPER) {
            throw new AccessDeniedException("Only organisers and hosts make rooms");
        }
        Optional<Long> made = writes.sql()
                .selectFrom(STANDING_ROOM)
                .where(STANDING_ROOM.NAME.eq(settings.words().name()))
                .and(STANDING_ROOM.ACCOUNT_ID.eq(member.id()))
                .and(STANDING_ROOM.IS_RETIRED.isFalse())
                .limit(1)
                .fetchOptional(STANDING_ROOM.ID);
        return made.orElseGet(() -> insert(settings, member));
    }

    private long insert(Settings settings, Actor.Team member) {
        List<String> taken = writes.sql().selectFrom(STANDING_ROOM).fetch(STANDING_ROOM.SLUG);
        Long id = writes.sql()
                .insertInto(STANDING_ROOM)
                .set(columns(settings))
                .set(STANDING_ROOM.SLUG, Slugs.free(Slugs.of(settings.words().name(), "room"), taken))
                .set(STANDING_ROOM.ACCOUNT_ID, member.id())
                .returningResult(STANDING_ROOM.ID)
                .fetchOne(STANDING_ROOM.ID);
        share(id, settings);
        return id;
    }

    /** Its address stays. */
    @Transactional
    public void change(long room, Settings settings, Actor actor) {
        keepers.own(room, actor);
        writes.sql()
                .update(STANDING_ROOM)
                .set(columns(settings))
                .where(STANDING_ROOM.ID.eq(room))
                .execute();
        writes.sql()
                .deleteFrom(STANDING_ROOM_HOST)
                .where(STANDING_ROOM_HOST.ROOM_ID.eq(room))
                .execute();
        share(room, settings);
    }

    /** A room that is retired says so to whoever comes; its past stays. */
    @Transactional
    public void retire(long room, boolean retired, Actor actor) {
        keepers.own(room, actor);
        writes.sql()
                .update(STANDING_ROOM)
                .set(STANDING_ROOM.IS_RETIRED, retired)
                .where(STANDING_ROOM.ID.eq(room))
                .execute();
    }

    private static Map<Field<?>, Object> columns(Settings s) {
        return Map.ofEntries(
                Map.entry(STANDING_ROOM.NAME, s.words().name()),
                Map.entry(STANDING_ROOM.DESCRIPTION, s.words().description()),
                Map.entry(STANDING_ROOM.MATERIALS, s.words().materials()),
                Map.entry(STANDING_ROOM.AGENDA, s.terms().agenda()),
                Map.entry(STANDING_ROOM.DOOR, s.terms().door().name()),
                Map.entry(STANDING_ROOM.IS_EMAIL_ASKED, s.terms().asksEmail()),
                Map.entry(
                        STANDING_ROOM.WHO_MAY_COME, String.join(" ", s.invited().entries())),
                Map.entry(STANDING_ROOM.CAPACITY, s.capacity()),
                Map.entry(
                        STANDING_ROOM.SHOWN,
                        s.shown().stream().map(Part::name).sorted().collect(Collectors.joining(" "))),
                Map.entry(STANDING_ROOM.AFTERWARDS, s.afterwards().name()),
                Map.entry(STANDING_ROOM.IS_EVERYBODYS, s.everybodys()));
    }

    private void share(long room, Settings settings) {
        settings.hosts().stream()
                .distinct()
                .forEach(account -> writes.sql()
                        .insertInto(STANDING_ROOM_HOST)
                        .set(STANDING_ROOM_HOST.ROOM_ID, room)
                        .set(STANDING_ROOM_HOST.ACCOUNT_ID, account)
                        .execute());
    }
}
