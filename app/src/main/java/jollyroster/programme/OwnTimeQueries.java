package jollyroster.programme;

import static jollyroster.platform.tables.Tables.IGNORED_CALENDAR;
import static jollyroster.platform.tables.Tables.OWN_TIME;

import java.util.Optional;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;

/** Reads how people pick a time of an offering. */
@Component
public class OwnTimeQueries {

    private final Reads reads;
    private final Remembered<Long, OwnTime> known;

    OwnTimeQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.known = new Remembered<>(changes, 100, "own_time", "ignored_calendar");
    }

    /** How a time of this offering is picked; {@link OwnTime#NONE} where nobody said. */
    public OwnTime of(long offering) {
        return known.get(offering, id -> read(reads.sql(), id).orElse(OwnTime.NONE));
    }

    static Optional<OwnTime> read(DSLContext sql, long offering) {
        return sql.selectFrom(OWN_TIME)
                .where(OWN_TIME.OFFERING_ID.eq(offering))
                .fetchOptional()
                .map(row -> OwnTimeRow.read(
                        row,
                        sql.select(IGNORED_CALENDAR.CALENDAR_ID)
                                .from(IGNORED_CALENDAR)
                                .where(IGNORED_CALENDAR.OFFERING_ID.eq(offering))
                                .fetchSet(IGNORED_CALENDAR.CALENDAR_ID)));
    }
}
