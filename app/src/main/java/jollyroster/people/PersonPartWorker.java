package jollyroster.people;

import jollyroster.platform.Actor;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Takes whoever is new into the index of parts of names, behind the write that made them. */
@Component
public class PersonPartWorker {

    private static final Logger LOG = LoggerFactory.getLogger(PersonPartWorker.class);
    private static final Actor ACTOR = new Actor.Program("search");
    private final PersonPartQueries parts;
    private final PersonPartCommands commands;
    private final boolean auto;

    PersonPartWorker(
            PersonPartQueries parts, PersonPartCommands commands, @Value("${jolly.jobs.auto:true}") boolean auto) {
        this.parts = parts;
        this.commands = commands;
        this.auto = auto;
    }

    @Scheduled(fixedDelay = 5000)
    void tick() {
        if (auto) {
            try {
                takeInAll();
            } catch (RuntimeException outage) {
                LOG.error("People wait to be found by parts of their names: {}", outage.toString());
            }
        }
    }

    /** Takes in everybody who is new. */
    public void takeInAll() {
        while (parts.isBehind()) {
            commands.takeIn(ACTOR);
        }
    }
}
