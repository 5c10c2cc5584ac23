package jollyroster.platform;

import static jollyroster.platform.tables.Tables.ORGANISATION;

import java.time.ZoneId;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.stereotype.Component;

/** The organisation's settings, kept in memory and read again after a change. */
@Component
public class OrganisationQueries {

    private final Reads reads;
    private final AtomicReference<Optional<Kept>> kept = new AtomicReference<>(Optional.empty());

    OrganisationQueries(Reads reads) {
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

    void forget() {
        kept.set(Optional.empty());
    }

    private Optional<Kept> load() {
        Optional<Kept> known = kept.get();
        if (known.isPresent()) {
            return known;
        }
        Optional<Kept> read = reads.sql()
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
                                r.getWebsite()),
                        r.getLinkSecret()));
        kept.set(read);
        return read;
    }
}
