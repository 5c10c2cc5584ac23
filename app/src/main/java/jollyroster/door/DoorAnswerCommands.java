package jollyroster.door;

import static jollyroster.platform.tables.Tables.DOOR_QUESTION;

import java.time.Clock;
import java.util.Collection;
import java.util.List;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Chooses which answers are shown at the doors of an offering. */
@Component
public class DoorAnswerCommands {

    private final DoorKeepers keepers;
    private final ProgrammeQueries programme;
    private final Writes writes;
    private final Clock clock;

    DoorAnswerCommands(DoorKeepers keepers, ProgrammeQueries programme, Writes writes, Clock clock) {
        this.keepers = keepers;
        this.programme = programme;
        this.writes = writes;
        this.clock = clock;
    }

    /** @param wanted questions of its offering; others are left out */
    @Transactional
    public void choose(long session, Collection<Long> wanted, Actor actor) {
        Session at = keepers.session(session, actor, clock.instant());
        if (!keepers.leads(at, actor)) {
            throw new AccessDeniedException("Only who leads chooses what is shown");
        }
        List<Long> all = programme.questions(at.offering().id()).stream()
                .map(AskedQuestion::id)
                .toList();
        writes.sql()
                .deleteFrom(DOOR_QUESTION)
                .where(DOOR_QUESTION.QUESTION_ID.in(all))
                .execute();
        all.stream()
                .filter(wanted::contains)
                .forEach(question -> writes.sql()
                        .insertInto(DOOR_QUESTION)
                        .set(DOOR_QUESTION.QUESTION_ID, question)
                        .execute());
    }
}
