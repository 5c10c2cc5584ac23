package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import jollyroster.platform.Reads;
import jollyroster.platform.tables.tables.records.MessageRecord;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Reads the messages in the worker's hands. */
@Component
class ClaimQueries {

    private static final Logger LOG = LoggerFactory.getLogger(ClaimQueries.class);
    private final Reads reads;

    ClaimQueries(Reads reads) {
        this.reads = reads;
    }

    /** The longest due first, without those that make no sense, as they were written by another version. */
    List<Claim> of(Collection<Long> messages) {
        return messages.isEmpty()
                ? List.of()
                : reads.sql().selectFrom(MESSAGE).where(MESSAGE.ID.in(messages)).fetch().stream()
                        .flatMap(ClaimQueries::claim)
                        .sorted(Comparator.comparing(Claim::due).thenComparing(Claim::id))
                        .toList();
    }

    private static Stream<Claim> claim(MessageRecord row) {
        try {
            return Stream.of(Claim.of(row));
        } catch (RuntimeException bad) {
            LOG.error("Message {} cannot be read: {}", row.getId(), bad.toString());
            return Stream.empty();
        }
    }
}
