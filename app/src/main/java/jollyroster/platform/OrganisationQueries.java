package jollyroster.platform;

import static jollyroster.platform.tables.Tables.ORGANISATION;

import java.time.ZoneId;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The organisation's settings, kept in memory and read again after a change. */
@Component
public class OrganisationQueries {

    private final Reads reads;
    private final Remembered<Integer, Optional<Kept>> kept;

    OrganisationQueries(Reads reads, TableChanges changes) {
        this.kept = new Remembered<>(changes, 1, "organisation");
        this.reads = reads;
    }

    private record Kept(Organisation organisation, byte[] linkSecret) {}

    /** The organisation; before it is set up, a nameless one in UTC. */
    public Organisation organisation() {
        return load().map(Kept::organisation).orElse(Organisation.UNNAMED);
    }

    public boolean isSetUp() {
        return load().isPresent();
    }

    /** @throws IllegalStateException before the organisation is set up */
    byte[] linkSecret() {
        return load().map(Kept::linkSecret).orElseThrow(() -> new IllegalStateException("Nothing is set up yet"));
    }

    private Optional<Kept> load() {
        return kept.get(1, one -> read());
    }

    private Optional<Kept> read() {
        return reads.sql()
                .selectFrom(ORGANISATION)
                .fetchOptional(r -> new Kept(
                        new Organisation(
                                r.getName(),
                                ZoneId.of(r.getHomeZone()),
                                r.getRegion(),
                                r.getContactEmail(),
                                r.getColour(),
                                r.getWelcomeText(),
                                r.getDayBegins(),
                                r.getLogo(),
                                r.getPhone(),
                                r.getWebsite(),
                                r.getBanner()),
                        r.getLinkSecret()));
    }
}
