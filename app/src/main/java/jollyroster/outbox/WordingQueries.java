package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.WORDING;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.select;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.messages.Anchor;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.platform.tables.tables.records.WordingRecord;
import org.springframework.stereotype.Component;

/** Reads what messages say, where it is other than what ships. */
@Component
public class WordingQueries {

    /** The house, in the place of an offering. */
    public static final long HOUSE = 0;

    private static final int MOST_VERSIONS = 50;
    private final Reads reads;
    private final Remembered<Integer, Map<Of, Version>> current;

    WordingQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.current = new Remembered<>(changes, 1, "wording");
    }

    /** Which message, of the house or of one offering. */
    public record Of(Anchor anchor, long offering) {}

    /** Words as they were kept. @param back whether words were taken back with it */
    public record Version(long id, Of of, Wording words, boolean back, Instant at, String by) {}

    /** All words that are other than what ships, the latest of each. */
    public Map<Of, Version> current() {
        return current.get(0, any -> readCurrent());
    }

    private Map<Of, Version> readCurrent() {
        return reads
                .sql()
                .selectFrom(WORDING)
                .where(WORDING.ID.in(
                        select(max(WORDING.ID)).from(WORDING).groupBy(WORDING.OFFERING_ID, WORDING.ANCHOR)))
                .fetch(WordingQueries::version)
                .stream()
                .filter(version -> !version.back())
                .collect(Collectors.toMap(Version::of, version -> version));
    }

    /** The words of an offering for a message, else those of the house; empty where those that ship count. */
    public Optional<Version> counting(Of of) {
        return Stream.of(of, new Of(of.anchor(), HOUSE))
                .flatMap(one -> Optional.ofNullable(current().get(one)).stream())
                .findFirst();
    }

    /** The versions of these words, the latest first. */
    public List<Version> versions(Of of) {
        return reads.sql()
                .selectFrom(WORDING)
                .where(WORDING.OFFERING_ID.eq(of.offering()))
                .and(WORDING.ANCHOR.eq(of.anchor().name()))
                .orderBy(WORDING.ID.desc())
                .limit(MOST_VERSIONS)
                .fetch(WordingQueries::version);
    }

    public Optional<Version> version(long id) {
        return reads.sql().selectFrom(WORDING).where(WORDING.ID.eq(id)).fetchOptional(WordingQueries::version);
    }

    private static Version version(WordingRecord r) {
        return new Version(
                r.getId(),
                new Of(Anchor.valueOf(r.getAnchor()), r.getOfferingId()),
                new Wording(r.getSubject(), r.getPreheader(), r.getBody(), r.getAsText()),
                r.getBody().isEmpty(),
                r.getMadeAt(),
                r.getMadeBy());
    }
}
