package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.ENTRY_WORDING;

import java.util.Map;
import java.util.Optional;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import org.springframework.stereotype.Component;

/** Reads what entries in calendars say. */
@Component
public class EntryWordingQueries {

    private final Reads reads;
    private final Remembered<Integer, Map<Long, EntryWording>> all;

    EntryWordingQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.all = new Remembered<>(changes, 1, "entry_wording");
    }

    /** What counts for an offering. */
    public EntryWording of(long offering) {
        return Optional.ofNullable(all().get(offering)).orElse(EntryWording.SHIPPED);
    }

    private Map<Long, EntryWording> all() {
        return all.get(
                0,
                any -> reads.sql()
                        .selectFrom(ENTRY_WORDING)
                        .fetchMap(
                                ENTRY_WORDING.OFFERING_ID,
                                r -> new EntryWording(
                                        r.getTitle(), r.getDescription(), r.getHostTitle(), r.getIsRequest())));
    }
}
