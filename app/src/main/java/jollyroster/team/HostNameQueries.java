package jollyroster.team;

import static jollyroster.platform.tables.Tables.HOST_NAME;

import java.util.Map;
import java.util.Optional;
import jollyroster.platform.Reads;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;

/** Reads the names of members in addresses. */
@Component
public class HostNameQueries {

    private final Reads reads;
    private final TeamQueries team;

    HostNameQueries(Reads reads, TeamQueries team) {
        this.reads = reads;
        this.team = team;
    }

    /** Somebody with a page. @param slug the name it has now */
    public record Found(long account, String name, String slug) {}

    /** Whose page a name leads to, whether it is the one used now or an earlier one. */
    public Optional<Found> find(String slug) {
        HostNames names = in(reads.sql());
        return names.account(slug)
                .flatMap(team::member)
                .filter(HostNames::hasPage)
                .map(mate -> new Found(mate.id(), mate.name(), names.current().get(mate.id())));
    }

    /** The name of each member in addresses. */
    public Map<Long, String> all() {
        return in(reads.sql()).current();
    }

    HostNames in(DSLContext sql) {
        return HostNames.of(
                team.members(),
                sql.selectFrom(HOST_NAME)
                        .fetch(r -> new HostNames.Given(r.getSlug(), r.getAccountId(), r.getIsCurrent())));
    }
}
