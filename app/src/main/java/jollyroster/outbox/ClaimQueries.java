package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads the messages in the worker's hands. */
@Component
class ClaimQueries {

    private final Reads reads;

    ClaimQueries(Reads reads) {
        this.reads = reads;
    }

    /** The longest due first. */
    List<Claim> of(Collection<Long> messages) {
        return messages.isEmpty()
                ? List.of()
                : reads.sql().selectFrom(MESSAGE).where(MESSAGE.ID.in(messages)).fetch(Claim::of).stream()
                        .sorted(Comparator.comparing(Claim::due).thenComparing(Claim::id))
                        .toList();
    }
}
