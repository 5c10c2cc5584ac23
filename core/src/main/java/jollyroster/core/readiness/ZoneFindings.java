package jollyroster.core.readiness;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import jollyroster.core.dates.ClockChange;
import jollyroster.core.readiness.Finding.Kind;
import jollyroster.core.readiness.Readiness.Date;
import jollyroster.core.readiness.Readiness.Sheet;

/** What zones do to a series: clock changes, hours that move for people elsewhere, hours at which people sleep. */
final class ZoneFindings {

    private static final int WAKES_AT = 6;
    private static final int SLEEPS_AT = 23;

    private ZoneFindings() {}

    static Stream<Finding> of(Sheet sheet, Instant now) {
        List<Date> coming = sheet.sessions().stream()
                .filter(date -> date.span().start().isAfter(now))
                .sorted(Comparator.comparing(date -> date.span().start()))
                .toList();
        return coming.isEmpty()
                ? Stream.empty()
                : Stream.of(clockChanges(sheet, coming, now), shifts(sheet, coming), asleep(sheet, coming))
                        .flatMap(findings -> findings);
    }

    /** A change between now and the last date: people elsewhere will see the time move. */
    private static Stream<Finding> clockChanges(Sheet sheet, List<Date> coming, Instant now) {
        Instant last = coming.get(coming.size() - 1).span().start();
        return ClockChange.between(sheet.zone(), now, last).stream()
                .limit(2)
                .map(change -> new Finding(
                        Kind.CLOCK_CHANGE,
                        null,
                        change.at(),
                        (int) change.shift().toMinutes(),
                        ""));
    }

    /** The first date at which registered people see another hour than at the date before. */
    private static Stream<Finding> shifts(Sheet sheet, List<Date> coming) {
        return coming.stream()
                .skip(1)
                .map(date -> shift(sheet, coming.get(coming.indexOf(date) - 1), date))
                .filter(finding -> finding.count() > 0)
                .limit(1);
    }

    private static Finding shift(Sheet sheet, Date before, Date date) {
        int people = date.registered().entrySet().stream()
                .filter(entry -> moves(
                        sheet.zone(),
                        entry.getKey(),
                        before.span().start(),
                        date.span().start()))
                .mapToInt(Map.Entry::getValue)
                .sum();
        return new Finding(Kind.CLOCK_SHIFT, date.id(), date.span().start(), people, "");
    }

    private static boolean moves(ZoneId ours, ZoneId theirs, Instant before, Instant then) {
        Duration earlier = ClockChange.difference(ours, theirs, before);
        return !earlier.equals(ClockChange.difference(ours, theirs, then));
    }

    /** The first date that is night (23:00–06:00, common practice) for more than half of those who came before. */
    private static Stream<Finding> asleep(Sheet sheet, List<Date> coming) {
        int all =
                sheet.cameBefore().values().stream().mapToInt(Integer::intValue).sum();
        return coming.stream()
                .map(date -> new Finding(
                        Kind.ASLEEP,
                        date.id(),
                        date.span().start(),
                        sleepers(sheet, date.span().start()),
                        ""))
                .filter(finding -> finding.count() * 2 > all)
                .limit(1);
    }

    private static int sleepers(Sheet sheet, Instant start) {
        return sheet.cameBefore().entrySet().stream()
                .filter(entry -> isNight(start.atZone(entry.getKey()).getHour()))
                .mapToInt(Map.Entry::getValue)
                .sum();
    }

    private static boolean isNight(int hour) {
        return hour < WAKES_AT || hour >= SLEEPS_AT;
    }
}
