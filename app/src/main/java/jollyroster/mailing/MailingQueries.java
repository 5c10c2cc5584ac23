package jollyroster.mailing;

import static jollyroster.platform.tables.Tables.MAILING;
import static jollyroster.platform.tables.Tables.MAILING_FILE;

import java.time.Instant;
import java.util.List;
import jollyroster.core.messages.Anchor;
import jollyroster.outbox.Enclosures;
import jollyroster.platform.Facts;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads letters to many, and the files that go with them. */
@Component
class MailingQueries implements Enclosures {

    private final Reads reads;

    MailingQueries(Reads reads) {
        this.reads = reads;
    }

    /** A letter to many. @param whom in words */
    record Mailing(long id, String subject, String whom, Instant due, Instant made, String by) {}

    /** The latest first. */
    List<Mailing> latest(int most) {
        return reads.sql()
                .selectFrom(MAILING)
                .orderBy(MAILING.ID.desc())
                .limit(most)
                .fetch(r -> new Mailing(
                        r.getId(), r.getSubject(), r.getWhom(), r.getDueAt(), r.getMadeAt(), r.getMadeBy()));
    }

    @Override
    public List<Enclosure> of(Anchor anchor, Facts given) {
        int mailing = given.number("mailing");
        return anchor != Anchor.WRITTEN || mailing == 0
                ? List.of()
                : reads.sql()
                        .selectFrom(MAILING_FILE)
                        .where(MAILING_FILE.MAILING_ID.eq((long) mailing))
                        .orderBy(MAILING_FILE.ID)
                        .fetch(r -> new Enclosure(r.getName(), r.getType(), r.getContent()));
    }
}
