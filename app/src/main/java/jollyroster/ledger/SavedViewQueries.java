package jollyroster.ledger;

import static jollyroster.platform.tables.Tables.SAVED_VIEW;

import java.util.List;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads the views of the programme that members of the team have saved for themselves. */
@Component
class SavedViewQueries {

    private final Reads reads;

    SavedViewQueries(Reads reads) {
        this.reads = reads;
    }

    /** @param query what follows the question mark in the address */
    public record SavedView(long id, String name, String query) {}

    List<SavedView> of(long member) {
        return reads.sql()
                .selectFrom(SAVED_VIEW)
                .where(SAVED_VIEW.ACCOUNT_ID.eq(member))
                .orderBy(SAVED_VIEW.NAME)
                .fetch(r -> new SavedView(r.getId(), r.getName(), r.getQuery()));
    }
}
