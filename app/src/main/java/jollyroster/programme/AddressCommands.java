package jollyroster.programme;

import static jollyroster.platform.tables.Tables.FORMER_SHORT_CODE;
import static jollyroster.platform.tables.Tables.FORMER_SLUG;
import static jollyroster.platform.tables.Tables.OFFERING;

import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import jollyroster.platform.Slugs;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.OfferingRecord;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** The names of offerings in addresses, as part of a write that is under way. A name that once led somewhere still does. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class AddressCommands {

    private final Writes writes;

    AddressCommands(Writes writes) {
        this.writes = writes;
    }

    /** A name made from a title that nothing has and nothing had. */
    String freeFor(String title) {
        String slug = Slugs.of(title);
        Set<String> taken = new HashSet<>(writes.sql()
                .select(OFFERING.SLUG)
                .from(OFFERING)
                .where(OFFERING.SLUG.startsWith(slug))
                .fetch(OFFERING.SLUG));
        taken.addAll(writes.sql()
                .select(FORMER_SLUG.SLUG)
                .from(FORMER_SLUG)
                .where(FORMER_SLUG.SLUG.startsWith(slug))
                .fetch(FORMER_SLUG.SLUG));
        return Slugs.free(slug, taken);
    }

    /** What keeps an offering from its new names: another has one of them, or had it. */
    Optional<OfferingCommands.Saved> taken(OfferingRecord before, OfferingRecord after) {
        if (!after.getSlug().equals(before.getSlug()) && !isFree(after.getSlug(), after.getId())) {
            return Optional.of(OfferingCommands.Saved.ADDRESS_TAKEN);
        }
        return !after.getShortCode().equals(before.getShortCode()) && !isShortFree(after.getShortCode(), after.getId())
                ? Optional.of(OfferingCommands.Saved.SHORT_NAME_TAKEN)
                : Optional.empty();
    }

    private boolean isFree(String slug, long offering) {
        boolean another =
                writes.sql().fetchExists(OFFERING, OFFERING.SLUG.eq(slug).and(OFFERING.ID.ne(offering)));
        boolean formerly = writes.sql()
                .fetchExists(FORMER_SLUG, FORMER_SLUG.SLUG.eq(slug).and(FORMER_SLUG.OFFERING_ID.ne(offering)));
        return !another && !formerly;
    }

    private boolean isShortFree(String code, long offering) {
        boolean another =
                writes.sql().fetchExists(OFFERING, OFFERING.SHORT_CODE.eq(code).and(OFFERING.ID.ne(offering)));
        boolean formerly = writes.sql()
                .fetchExists(
                        FORMER_SHORT_CODE,
                        FORMER_SHORT_CODE.CODE.eq(code).and(FORMER_SHORT_CODE.OFFERING_ID.ne(offering)));
        return !another && !formerly;
    }

    /** Keeps what the old names lead to. */
    void keepFormer(OfferingRecord before, OfferingRecord after) {
        if (!after.getSlug().equals(before.getSlug())) {
            writes.sql()
                    .deleteFrom(FORMER_SLUG)
                    .where(FORMER_SLUG.SLUG.eq(after.getSlug()))
                    .execute();
            writes.sql()
                    .insertInto(FORMER_SLUG)
                    .set(FORMER_SLUG.SLUG, before.getSlug())
                    .set(FORMER_SLUG.OFFERING_ID, after.getId())
                    .execute();
        }
        if (!after.getShortCode().equals(before.getShortCode())) {
            writes.sql()
                    .deleteFrom(FORMER_SHORT_CODE)
                    .where(FORMER_SHORT_CODE.CODE.eq(after.getShortCode()))
                    .execute();
            writes.sql()
                    .insertInto(FORMER_SHORT_CODE)
                    .set(FORMER_SHORT_CODE.CODE, before.getShortCode())
                    .set(FORMER_SHORT_CODE.OFFERING_ID, after.getId())
                    .execute();
        }
    }
}
