package jollyroster.door;

import static jollyroster.platform.tables.Tables.SECOND_ROOM;
import static jollyroster.platform.tables.Tables.SECOND_ROOM_PERSON;

import java.util.Optional;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.door.SecondRoom;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Writes;
import jollyroster.programme.Session;
import org.jooq.Condition;
import org.jooq.TableField;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Sends people into the second room of a session when the first is full, and back to where they were. */
@Component
class SecondRoomCommands {

    private final SecondRoomQueries queries;
    private final InsideQueries insiders;
    private final PersonalLinks links;
    private final Writes writes;

    SecondRoomCommands(SecondRoomQueries queries, InsideQueries insiders, PersonalLinks links, Writes writes) {
        this.queries = queries;
        this.insiders = insiders;
        this.links = links;
        this.writes = writes;
    }

    /** Whose pass it is. */
    private record Whose(TableField<?, Long> column, long id) {

        private Condition at(long session) {
            return SECOND_ROOM_PERSON.SESSION_ID.eq(session).and(column.eq(id));
        }
    }

    private Optional<Whose> whose(String pass) {
        return links.read(Purpose.MEETING_PASS, pass)
                .map(link -> new Whose(SECOND_ROOM_PERSON.REGISTRATION_ID, link.id()))
                .or(() -> links.read(Purpose.ARRIVAL, pass)
                        .map(link -> new Whose(SECOND_ROOM_PERSON.ARRIVAL_ID, link.id())));
    }

    /** Whether whoever comes with that pass goes into the second room; noted, so that they come back there. */
    @Transactional
    public boolean choose(Session session, int limit, String pass, Actor actor) {
        actor.requireTeam();
        int second = queries.inside(session.id());
        int first = insiders.number(session) - second;
        return whose(pass)
                .filter(who -> {
                    boolean was = writes.sql().fetchExists(SECOND_ROOM_PERSON, who.at(session.id()));
                    boolean goes = SecondRoom.goes(limit, first, was, second);
                    if (goes && !was) {
                        writes.sql()
                                .insertInto(SECOND_ROOM_PERSON)
                                .set(SECOND_ROOM_PERSON.SESSION_ID, session.id())
                                .set(who.column(), who.id())
                                .execute();
                    } else if (was && !goes) {
                        writes.sql()
                                .deleteFrom(SECOND_ROOM_PERSON)
                                .where(who.at(session.id()))
                                .execute();
                    }
                    return goes;
                })
                .isPresent();
    }

    /** The service has made the room. @return the one that holds, which may be an earlier one */
    @Transactional
    public String made(long session, String place, Actor actor) {
        actor.requireTeam();
        writes.sql()
                .insertInto(SECOND_ROOM)
                .set(SECOND_ROOM.SESSION_ID, session)
                .set(SECOND_ROOM.MEETING_PLACE, place)
                .onDuplicateKeyIgnore()
                .execute();
        return writes.sql()
                .selectFrom(SECOND_ROOM)
                .where(SECOND_ROOM.SESSION_ID.eq(session))
                .fetchOne(SECOND_ROOM.MEETING_PLACE);
    }
}
