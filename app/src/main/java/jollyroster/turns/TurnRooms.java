package jollyroster.turns;

import java.util.Optional;
import jollyroster.door.Entrances;
import jollyroster.door.MeetingProvider.Coming;
import jollyroster.platform.Actor;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** The private room of a turn, which is made when the first of the two goes in. */
@Component
public class TurnRooms {

    private static final Actor ACTOR = new Actor.Program("turns");
    private final Entrances entrances;
    private final TurnCommands commands;

    TurnRooms(Entrances entrances, TurnCommands commands) {
        this.entrances = entrances;
        this.commands = commands;
    }

    /** Where to send the browser of one of the two; empty while the service has no room to give. */
    public Optional<String> way(Session session, Turn turn, Coming who) {
        if (!Entrances.isReported(session)) {
            return entrances.way(session, who);
        }
        Optional<String> room = turn.room().isEmpty()
                ? entrances
                        .roomBeside(session, "turn-" + turn.id())
                        .map(made -> commands.roomMade(turn.id(), made, ACTOR))
                : Optional.of(turn.room());
        return room.flatMap(name -> entrances.way(session, name, who));
    }
}
