package jollyroster.platform;

import static jollyroster.platform.tables.Tables.SERVICE_CUT;

import java.util.Optional;
import org.springframework.stereotype.Component;

/** Reads which outside services are cut off; kept in memory, as each page with a session may ask. */
@Component
class ServiceCutQueries implements ServiceCuts {

    private final Reads reads;
    private final Remembered<String, Optional<Cut>> cuts;

    ServiceCutQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.cuts = new Remembered<>(changes, 10, "service_cut");
    }

    @Override
    public Optional<Cut> of(String service) {
        return cuts.get(
                service,
                name -> reads.sql()
                        .selectFrom(SERVICE_CUT)
                        .where(SERVICE_CUT.SERVICE.eq(name))
                        .fetchOptional(row -> new Cut(row.getCutAt(), row.getCutBy())));
    }
}
