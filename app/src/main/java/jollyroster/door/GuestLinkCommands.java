package jollyroster.door;

import static jollyroster.platform.tables.Tables.GUEST_LINK;

import java.time.Clock;
import java.time.Instant;
import jollyroster.core.door.Invited;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Writes;
import jollyroster.programme.Session;
import org.jooq.Condition;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Makes and renews links for guests. */
@Component
class GuestLinkCommands {

    private final DoorKeepers keepers;
    private final LogbookCommands logbook;
    private final Writes writes;
    private final Clock clock;

    GuestLinkCommands(DoorKeepers keepers, LogbookCommands logbook, Writes writes, Clock clock) {
        this.keepers = keepers;
        this.logbook = logbook;
        this.writes = writes;
        this.clock = clock;
    }

    /** What holds for whoever has a link. @param agreement what they agree to; empty for nothing */
    public record Terms(boolean emailAsked, Invited invited, String agreement) {}

    /** Makes the link of a session, or of its offering; where there is one already the old one is dead at once. */
    @Transactional
    public void renew(long session, boolean ofOffering, Terms terms, Actor actor) {
        Instant now = clock.instant();
        Session at = keepers.session(session, actor, now);
        if (ofOffering) {
            actor.requireOrganiser();
        }
        Condition which = ofOffering
                ? GUEST_LINK.OFFERING_ID.eq(at.offering().id()).and(GUEST_LINK.SESSION_ID.isNull())
                : GUEST_LINK.SESSION_ID.eq(session);
        int renewed = writes.sql()
                .update(GUEST_LINK)
                .set(GUEST_LINK.GENERATION, GUEST_LINK.GENERATION.plus(1))
                .set(GUEST_LINK.IS_EMAIL_ASKED, terms.emailAsked())
                .set(GUEST_LINK.WHO_MAY, String.join("\n", terms.invited().entries()))
                .set(GUEST_LINK.AGREEMENT, terms.agreement())
                .set(GUEST_LINK.MADE_AT, now)
                .where(which)
                .execute();
        if (renewed == 0) {
            writes.sql()
                    .insertInto(GUEST_LINK)
                    .set(GUEST_LINK.OFFERING_ID, at.offering().id())
                    .set(GUEST_LINK.SESSION_ID, ofOffering ? null : (Long) session)
                    .set(GUEST_LINK.GENERATION, PersonalLinks.firstGeneration(now))
                    .set(GUEST_LINK.IS_EMAIL_ASKED, terms.emailAsked())
                    .set(GUEST_LINK.WHO_MAY, String.join("\n", terms.invited().entries()))
                    .set(GUEST_LINK.AGREEMENT, terms.agreement())
                    .set(GUEST_LINK.MADE_AT, now)
                    .execute();
        }
        Facts what = Facts.of("of", ofOffering ? "offering" : "session").and("renewed", renewed > 0);
        logbook.write(session, actor, LogbookEntry.GUEST_LINK, what, now);
    }
}
