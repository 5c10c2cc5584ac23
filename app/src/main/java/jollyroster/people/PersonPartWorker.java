package jollyroster.people;

import jollyroster.platform.Actor;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Takes whoever is new into the index of parts of names, behind the write that made them. */
@Component
public class PersonPartWorker {

    private static final Actor ACTOR = new Actor.Program("search");
    private final PersonPartQueries parts;
    private final PersonPartCommands commands;

    PersonPartWorker(PersonPartQueries parts, PersonPartCommands commands) {
        this.parts = parts;
        this.commands = commands;
    }

    /** Takes in everybody who is new. */
    @Scheduled(fixedDelay = 5000)
    public void takeInAll() {
        while (parts.isBehind()) {
            commands.takeIn(ACTOR);
        }
    }
}
