package jollyroster.roster;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** Whom something is done to. @param all whether everybody who matches the query is meant, not only those selected */
record Chosen(@Nullable List<Long> r, @Nullable Boolean all) {

    static final int MOST_AT_ONCE = 20_000;

    Chosen {
        all = Boolean.TRUE.equals(all);
        r = r == null ? List.of() : r.stream().limit(MOST_AT_ONCE).toList();
    }
}
