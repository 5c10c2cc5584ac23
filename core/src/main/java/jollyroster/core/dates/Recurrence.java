package jollyroster.core.dates;

import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.dmfs.rfc5545.DateTime;
import org.dmfs.rfc5545.recur.InvalidRecurrenceRuleException;
import org.dmfs.rfc5545.recur.RecurrenceRule;
import org.dmfs.rfc5545.recur.RecurrenceRuleIterator;

/**
 * A repetition as RFC 5545, section 3.3.10, defines it, expanded on the wall clock: 19:00 stays 19:00 when the clocks
 * change.
 *
 * <p>{@code FREQ=WEEKLY;BYDAY=MO} from Mon 28 Sep 2026 until 14 Dec 2026 gives 12 dates, both ends included.
 */
public final class Recurrence {

    private final String rule;
    private final Optional<LocalDateTime> until;

    private Recurrence(String rule, Optional<LocalDateTime> until) {
        this.rule = rule;
        this.until = until;
    }

    /**
     * @param dates in order of time
     * @param cutShort whether the rule goes on beyond the most that were asked for
     */
    public record Expansion(List<LocalDateTime> dates, boolean cutShort) {
        public Expansion {
            dates = List.copyOf(dates);
        }
    }

    /**
     * Reads the value of an RRULE property.
     *
     * @param zone in which an end given in UTC is understood
     * @return empty when the text is not a rule
     */
    public static Optional<Recurrence> of(String rrule, ZoneId zone) {
        try {
            RecurrenceRule parsed = new RecurrenceRule(rrule);
            DateTime end = parsed.getUntil();
            if (end == null) {
                return Optional.of(new Recurrence(rrule, Optional.empty()));
            }
            parsed.setUntil(null);
            return Optional.of(new Recurrence(parsed.toString(), Optional.of(wallClock(end, zone))));
        } catch (InvalidRecurrenceRuleException | IllegalArgumentException notARule) {
            return Optional.empty();
        }
    }

    /** A date without a time includes the whole day. */
    private static LocalDateTime wallClock(DateTime end, ZoneId zone) {
        LocalDateTime local = local(end);
        if (end.isAllDay()) {
            return local.plusDays(1).minusNanos(1);
        }
        return end.isFloating()
                ? local
                : local.atOffset(ZoneOffset.UTC).atZoneSameInstant(zone).toLocalDateTime();
    }

    /**
     * The dates from {@code start} on, {@code start} among them only if it fits the rule.
     *
     * @param most the most dates to give, 1 or more
     */
    public Expansion expand(LocalDateTime start, int most) {
        return expand(start, most, LocalDateTime.MAX);
    }

    /**
     * The dates from {@code start} on that are before {@code end}.
     *
     * @param most the most dates to give, 1 or more
     */
    public Expansion expand(LocalDateTime start, int most, LocalDateTime end) {
        List<LocalDateTime> dates = new ArrayList<>();
        try {
            RecurrenceRuleIterator found = new RecurrenceRule(rule).iterator(dateTime(start));
            while (found.hasNext()) {
                LocalDateTime next = local(found.nextDateTime());
                if (!next.isBefore(end) || until.isPresent() && next.isAfter(until.get())) {
                    return new Expansion(dates, false);
                }
                if (dates.size() == most) {
                    return new Expansion(dates, true);
                }
                dates.add(next);
            }
        } catch (InvalidRecurrenceRuleException wasReadBefore) {
            throw new IllegalStateException(wasReadBefore);
        } catch (IllegalArgumentException neverFits) {
            return new Expansion(dates, false);
        }
        return new Expansion(dates, false);
    }

    private static DateTime dateTime(LocalDateTime at) {
        return new DateTime(
                at.getYear(), at.getMonthValue() - 1, at.getDayOfMonth(), at.getHour(), at.getMinute(), at.getSecond());
    }

    private static LocalDateTime local(DateTime at) {
        return LocalDateTime.of(
                at.getYear(), at.getMonth() + 1, at.getDayOfMonth(), at.getHours(), at.getMinutes(), at.getSeconds());
    }
}
