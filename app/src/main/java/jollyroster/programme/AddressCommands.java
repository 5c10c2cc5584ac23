package jollyroster.programme;

import static jollyroster.platform.tables.Tables.FORMER_SLUG;
import static jollyroster.platform.tables.Tables.OFFERING;

import java.util.HashSet;
import java.util.Set;
import jollyroster.platform.Slugs;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** The names of offerings in addresses, as part of a write that is under way. A name that once led somewhere still does. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class AddressCommands {

    private final Writes writes;

    AddressCommands(Writes writes) {
        this.writes = writes;
    }

    /** A name made from a title that nothing has and nothing had. */
    String freeFor(String title) {
        String slug = Slugs.of(title);
        Set<String> taken = new HashSet<>(writes.sql()
                .select(OFFERING.SLUG)
                .from(OFFERING)
                .where(OFFERING.SLUG.startsWith(slug))
                .fetch(OFFERING.SLUG));
        taken.addAll(writes.sql()
                .select(FORMER_SLUG.SLUG)
                .from(FORMER_SLUG)
                .where(FORMER_SLUG.SLUG.startsWith(slug))
                .fetch(FORMER_SLUG.SLUG));
        return Slugs.free(slug, taken);
    }

    /** Whether an offering may have this name: no other has it, or had it. */
    boolean isFree(String slug, long offering) {
        boolean another =
                writes.sql().fetchExists(OFFERING, OFFERING.SLUG.eq(slug).and(OFFERING.ID.ne(offering)));
        boolean formerly = writes.sql()
                .fetchExists(FORMER_SLUG, FORMER_SLUG.SLUG.eq(slug).and(FORMER_SLUG.OFFERING_ID.ne(offering)));
        return !another && !formerly;
    }

    /** Keeps what the old name leads to. */
    void renamed(long offering, String before, String after) {
        writes.sql().deleteFrom(FORMER_SLUG).where(FORMER_SLUG.SLUG.eq(after)).execute();
        writes.sql()
                .insertInto(FORMER_SLUG)
                .set(FORMER_SLUG.SLUG, before)
                .set(FORMER_SLUG.OFFERING_ID, offering)
                .execute();
    }
}
