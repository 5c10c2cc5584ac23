package jollyroster.guests;

import static jollyroster.platform.tables.Tables.INVITEE;

import java.time.Instant;
import jollyroster.people.Belongings;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Keeps guest lists in step with people whose address is put right. */
@Component
class InviteeCommands implements Belongings {

    private final Writes writes;

    InviteeCommands(Writes writes) {
        this.writes = writes;
    }

    /** Where the new address is on the list itself, both entries stay. */
    @Override
    public void correct(Correction correction, Actor actor, Instant now) {
        if (!correction.readdresses()
                || correction.emailBefore().isEmpty()
                || correction.email().isEmpty()) {
            return;
        }
        var other = INVITEE.as("other");
        writes.sql()
                .update(INVITEE)
                .set(INVITEE.EMAIL, correction.email())
                .set(INVITEE.GENERATION, INVITEE.GENERATION.plus(1))
                .where(INVITEE.EMAIL.eq(correction.emailBefore()))
                .and(DSL.notExists(DSL.selectOne()
                        .from(other)
                        .where(other.OFFERING_ID.eq(INVITEE.OFFERING_ID))
                        .and(other.EMAIL.eq(correction.email()))))
                .execute();
    }
}
