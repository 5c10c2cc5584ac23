package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.WRITING_HOURS;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import jollyroster.core.messages.QuietHours;
import jollyroster.core.messages.SendHours;
import jollyroster.core.messages.WritingHours;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.platform.tables.tables.records.WritingHoursRecord;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Reads when people may be written to. */
@Component
public class HoursQueries {

    /** The house, in the place of an offering. */
    public static final long HOUSE = 0;

    private final Reads reads;
    private final Remembered<Long, Set> hours;

    HoursQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.hours = new Remembered<>(changes, 200, "writing_hours");
    }

    /** Hours that count for an offering. @param own whether it has them for itself alone */
    public record Set(WritingHours hours, boolean own) {}

    public Set of(long offering) {
        return hours.get(offering, id -> read(reads.sql(), id));
    }

    /** The offerings that have hours for themselves alone. */
    public List<Long> withOwn() {
        return reads.sql()
                .select(WRITING_HOURS.OFFERING_ID)
                .from(WRITING_HOURS)
                .where(WRITING_HOURS.OFFERING_ID.ne(HOUSE))
                .fetch(WRITING_HOURS.OFFERING_ID);
    }

    static Set read(DSLContext sql, long offering) {
        return one(sql, offering)
                .map(hours -> new Set(hours, true))
                .orElseGet(() -> new Set(one(sql, HOUSE).orElse(WritingHours.DEFAULT), false));
    }

    private static Optional<WritingHours> one(DSLContext sql, long offering) {
        return sql.selectFrom(WRITING_HOURS)
                .where(WRITING_HOURS.OFFERING_ID.eq(offering))
                .fetchOptional(HoursQueries::hours);
    }

    private static WritingHours hours(WritingHoursRecord r) {
        Optional<QuietHours> quiet = Optional.ofNullable(r.getQuietFrom())
                .map(from -> new QuietHours(LocalTime.parse(from), LocalTime.parse(r.getQuietTo())));
        Optional<ZoneId> home = Optional.ofNullable(r.getSendZone()).map(ZoneId::of);
        return new WritingHours(
                quiet,
                send(r.getSendDays(), r.getSendFrom(), r.getSendTo(), home),
                send(r.getTextDays(), r.getTextFrom(), r.getTextTo(), home));
    }

    private static Optional<SendHours> send(
            String days, @Nullable String from, @Nullable String to, Optional<ZoneId> home) {
        return Optional.ofNullable(from)
                .map(start -> new SendHours(
                        days.chars().mapToObj(day -> DayOfWeek.of(day - '0')).collect(Collectors.toSet()),
                        LocalTime.parse(start),
                        LocalTime.parse(to),
                        home));
    }
}
