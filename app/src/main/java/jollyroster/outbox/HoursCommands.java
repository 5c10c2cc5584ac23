package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.WRITING_HOURS;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Optional;
import java.util.stream.Collectors;
import jollyroster.core.messages.SendHours;
import jollyroster.core.messages.WritingHours;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;

/** When people may be written to: kept and read as part of a write that is under way. */
@Component
public class HoursCommands {

    private final Writes writes;
    private final Remembered<Long, HoursQueries.Set> hours;

    HoursCommands(Writes writes, TableChanges changes) {
        this.writes = writes;
        this.hours = new Remembered<>(changes, 200, "writing_hours");
    }

    /** The hours that count for an offering. */
    public WritingHours of(long offering) {
        return hours.get(offering, id -> HoursQueries.read(writes.sql(), id)).hours();
    }

    /** Sets hours of an offering, or of the house. */
    public void set(long offering, WritingHours hours) {
        forget(offering);
        writes.sql()
                .insertInto(WRITING_HOURS)
                .set(WRITING_HOURS.OFFERING_ID, offering)
                .set(
                        WRITING_HOURS.QUIET_FROM,
                        hours.quiet().map(q -> text(q.from())).orElse(null))
                .set(
                        WRITING_HOURS.QUIET_TO,
                        hours.quiet().map(q -> text(q.to())).orElse(null))
                .set(WRITING_HOURS.SEND_DAYS, days(hours.send()))
                .set(
                        WRITING_HOURS.SEND_FROM,
                        hours.send().map(s -> text(s.from())).orElse(null))
                .set(WRITING_HOURS.SEND_TO, hours.send().map(s -> text(s.to())).orElse(null))
                .set(WRITING_HOURS.TEXT_DAYS, days(hours.texts()))
                .set(
                        WRITING_HOURS.TEXT_FROM,
                        hours.texts().map(s -> text(s.from())).orElse(null))
                .set(WRITING_HOURS.TEXT_TO, hours.texts().map(s -> text(s.to())).orElse(null))
                .set(
                        WRITING_HOURS.SEND_ZONE,
                        hours.send()
                                .or(hours::texts)
                                .flatMap(SendHours::home)
                                .map(ZoneId::getId)
                                .orElse(null))
                .execute();
    }

    /** Gives an offering the same hours as another, where that has its own. */
    void copy(long from, long to) {
        HoursQueries.Set set = hours.get(from, id -> HoursQueries.read(writes.sql(), id));
        if (set.own()) {
            set(to, set.hours());
        }
    }

    /** Forgets the hours of an offering, so that those of the house count. */
    public void forget(long offering) {
        writes.sql()
                .deleteFrom(WRITING_HOURS)
                .where(WRITING_HOURS.OFFERING_ID.eq(offering))
                .execute();
    }

    private static String days(Optional<SendHours> send) {
        return send.map(s -> s.days().stream()
                        .map(DayOfWeek::getValue)
                        .map(String::valueOf)
                        .collect(Collectors.joining()))
                .orElse("");
    }

    private static String text(LocalTime time) {
        return time.toString();
    }
}
