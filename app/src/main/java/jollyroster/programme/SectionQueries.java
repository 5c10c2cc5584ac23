package jollyroster.programme;

import static jollyroster.platform.tables.Tables.FORMER_SLUG;
import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.SECTION_VERSION;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import org.jooq.Table;
import org.springframework.stereotype.Component;

/** Reads how often each part of an offering was kept, and where a former address leads. */
@Component
public class SectionQueries {

    private final Reads reads;
    private final Remembered<Table<?>, Map<String, String>> former;

    SectionQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.former = new Remembered<>(changes, 1, "former_slug", "offering");
    }

    /** For each part how often it was kept, counted from 1; see {@link OfferingCommands#save}. */
    public Map<Part, Integer> versions(long offering) {
        Map<Part, Integer> versions = new EnumMap<>(Part.class);
        for (Part part : Part.values()) {
            versions.put(part, 1);
        }
        reads.sql()
                .select(SECTION_VERSION.PART, SECTION_VERSION.VERSION)
                .from(SECTION_VERSION)
                .where(SECTION_VERSION.OFFERING_ID.eq(offering))
                .forEach(row -> versions.put(Part.valueOf(row.value1()), row.value2()));
        return versions;
    }

    /** The name in addresses of the offering that had this one before. */
    public Optional<String> formerly(String slug) {
        return Optional.ofNullable(former.get(FORMER_SLUG, all -> former()).get(slug));
    }

    private Map<String, String> former() {
        return reads.sql()
                .select(FORMER_SLUG.SLUG, OFFERING.SLUG)
                .from(FORMER_SLUG)
                .join(OFFERING)
                .on(OFFERING.ID.eq(FORMER_SLUG.OFFERING_ID))
                .fetchMap(FORMER_SLUG.SLUG, OFFERING.SLUG);
    }
}
