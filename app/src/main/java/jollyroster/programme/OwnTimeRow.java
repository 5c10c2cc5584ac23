package jollyroster.programme;

import java.time.LocalDate;
import java.util.OptionalInt;
import java.util.Set;
import jollyroster.core.openhours.HostChoice;
import jollyroster.core.openhours.OpenHours;
import jollyroster.core.openhours.OpenHoursText;
import jollyroster.platform.tables.tables.records.OwnTimeRecord;
import org.jspecify.annotations.Nullable;

/** Where open hours have their place in a row. */
final class OwnTimeRow {

    /** What is kept names its years, and times by 24 hours; when it is read does not matter. */
    private static final LocalDate ANY_DAY = LocalDate.of(2000, 1, 1);

    private static final int ANY_HOUR = 8;

    private OwnTimeRow() {}

    static OwnTimeRecord of(long offering, OwnTime time) {
        OwnTimeRecord row = new OwnTimeRecord();
        row.setOfferingId(offering);
        row.setHours(OpenHoursText.write(time.hours()));
        row.setFirstDay(text(time.hours().first()));
        row.setLastDay(text(time.hours().last()));
        row.setGridMinutes(orNull(time.gridMinutes()));
        row.setDaily(orNull(time.daily()));
        row.setWeekly(orNull(time.weekly()));
        row.setHostChoice(time.choice().name());
        row.setIsTakenShown(time.takenShown());
        row.setEachPerson(time.each());
        row.setIsStoppedUnread(time.stopsUnread());
        return row;
    }

    static OwnTime read(OwnTimeRecord row, Set<Long> ignored) {
        OpenHours hours = OpenHoursText.read(row.getHours(), ANY_DAY, ANY_HOUR)
                .hours()
                .between(day(row.getFirstDay()), day(row.getLastDay()));
        return new OwnTime(
                hours,
                optional(row.getGridMinutes()),
                optional(row.getDaily()),
                optional(row.getWeekly()),
                HostChoice.valueOf(row.getHostChoice()),
                row.getIsTakenShown(),
                row.getEachPerson(),
                ignored,
                row.getIsStoppedUnread());
    }

    private static @Nullable String text(@Nullable LocalDate day) {
        return day == null ? null : day.toString();
    }

    private static @Nullable LocalDate day(@Nullable String text) {
        return text == null ? null : LocalDate.parse(text);
    }

    private static @Nullable Integer orNull(OptionalInt number) {
        return number.isPresent() ? number.getAsInt() : null;
    }

    private static OptionalInt optional(@Nullable Integer number) {
        return number == null ? OptionalInt.empty() : OptionalInt.of(number);
    }
}
