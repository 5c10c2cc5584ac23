package jollyroster.door;

import static jollyroster.platform.tables.Tables.DOOR_QUESTION;

import java.util.Collection;
import java.util.Set;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads which answers are shown at doors. */
@Component
class DoorAnswerQueries {

    private final Reads reads;

    DoorAnswerQueries(Reads reads) {
        this.reads = reads;
    }

    /** Those of these questions whose answers are shown. */
    Set<Long> chosen(Collection<Long> questions) {
        return reads.sql()
                .selectFrom(DOOR_QUESTION)
                .where(DOOR_QUESTION.QUESTION_ID.in(questions))
                .fetchSet(DOOR_QUESTION.QUESTION_ID);
    }
}
