package jollyroster.leading;

import java.time.Instant;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.platform.tables.tables.records.LeaderRecord;

/**
 * Somebody who leads a session.
 *
 * @param account theirs; 0 for somebody from outside
 * @param codeUntil until when the code that was mailed to them is good; empty while none is
 */
public record Leader(
        long id,
        long session,
        long account,
        Part part,
        String name,
        String email,
        int generation,
        Optional<Instant> codeUntil) {

    /** What somebody does in a session. */
    public enum Part {
        HOST,
        /** Runs the door and the questions. */
        PRODUCER,
        PRESENTER;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    static Leader of(LeaderRecord row) {
        return new Leader(
                row.getId(),
                row.getSessionId(),
                Objects.requireNonNullElse(row.getAccountId(), 0L),
                Part.valueOf(row.getRole()),
                row.getName(),
                row.getEmail(),
                row.getGeneration(),
                Optional.ofNullable(row.getCodeUntil()));
    }

    Link link() {
        return new Link(id, generation);
    }
}
