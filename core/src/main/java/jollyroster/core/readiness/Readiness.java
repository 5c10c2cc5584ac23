package jollyroster.core.readiness;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.Stream;
import jollyroster.core.dates.ClockChange;
import jollyroster.core.dates.Interval;

/** The readiness check: reads an offering as it stands and lists what is missing or odd. */
public final class Readiness {

    private Readiness() {}

    /** Where an offering meets. */
    public enum Meets {
        NOWHERE_YET,
        IN_PERSON,
        ONLINE_WITH_LINK,
        ONLINE_WITHOUT_LINK
    }

    /**
     * An offering as the check sees it.
     *
     * @param published whether people can already register
     * @param roomSize people the venue holds; empty when unknown
     * @param sessions the dates that are not cancelled
     */
    public record Sheet(
            boolean published,
            String summary,
            String description,
            Meets meets,
            OptionalInt roomSize,
            ZoneId zone,
            List<Date> sessions) {
        public Sheet {
            sessions = List.copyOf(sessions);
        }
    }

    /**
     * A session as the check sees it.
     *
     * @param seats zero when none were given
     */
    public record Date(long id, Interval span, int seats) {}

    /** All findings, the gravest first; within one severity in the order of the sheet. */
    public static List<Finding> check(Sheet sheet, Instant now) {
        return Stream.of(texts(sheet), venue(sheet), seats(sheet), dates(sheet, now))
                .flatMap(List::stream)
                .sorted(Comparator.comparing((Finding finding) -> finding.kind().severity()))
                .toList();
    }

    private static List<Finding> texts(Sheet sheet) {
        List<Finding> findings = new ArrayList<>();
        if (sheet.summary().isBlank()) {
            findings.add(Finding.about(Finding.Kind.NO_SUMMARY));
        }
        if (sheet.description().isBlank()) {
            findings.add(Finding.about(Finding.Kind.NO_DESCRIPTION));
        }
        return findings;
    }

    private static List<Finding> venue(Sheet sheet) {
        return switch (sheet.meets()) {
            case NOWHERE_YET -> List.of(Finding.about(Finding.Kind.NO_VENUE));
            case ONLINE_WITHOUT_LINK -> List.of(Finding.about(Finding.Kind.NO_LINK));
            case IN_PERSON, ONLINE_WITH_LINK -> List.of();
        };
    }

    private static List<Finding> seats(Sheet sheet) {
        List<Finding> findings = new ArrayList<>();
        sheet.sessions().stream()
                .filter(date -> date.seats() < 1)
                .map(date -> new Finding(Finding.Kind.NO_SEATS, date.id(), null, 0))
                .forEach(findings::add);
        sheet.roomSize()
                .ifPresent(size -> sheet.sessions().stream()
                        .filter(date -> date.seats() > size)
                        .map(date -> new Finding(Finding.Kind.ROOM_TOO_SMALL, date.id(), null, size))
                        .limit(1)
                        .forEach(findings::add));
        return findings;
    }

    /** Dates that have passed are a mistake in a draft and normal once published, as long as one is to come. */
    private static List<Finding> dates(Sheet sheet, Instant now) {
        long past = sheet.sessions().stream()
                .filter(date -> !date.span().start().isAfter(now))
                .count();
        boolean noneToCome = past == sheet.sessions().size();
        if (noneToCome && (sheet.published() || past == 0)) {
            return List.of(Finding.about(Finding.Kind.NO_DATE));
        }
        List<Finding> findings = new ArrayList<>();
        if (past > 0 && !sheet.published()) {
            findings.add(Finding.about(Finding.Kind.START_IN_PAST, (int) past));
        }
        sameTimeTwice(sheet).forEach(findings::add);
        clockChanges(sheet, now).forEach(findings::add);
        return findings;
    }

    private static Stream<Finding> sameTimeTwice(Sheet sheet) {
        List<Date> inOrder = sheet.sessions().stream()
                .sorted(Comparator.comparing(date -> date.span().start()))
                .toList();
        return Stream.iterate(1, i -> i < inOrder.size(), i -> i + 1)
                .filter(i -> inOrder.get(i).span().overlaps(inOrder.get(i - 1).span()))
                .map(i ->
                        new Finding(Finding.Kind.SAME_TIME_TWICE, inOrder.get(i).id(), null, 0))
                .limit(1);
    }

    /** A change between now and the last date: people elsewhere will see the time move. */
    private static Stream<Finding> clockChanges(Sheet sheet, Instant now) {
        Instant last = sheet.sessions().stream()
                .map(date -> date.span().start())
                .max(Comparator.naturalOrder())
                .orElse(now);
        return ClockChange.between(sheet.zone(), now, last).stream()
                .limit(2)
                .map(change -> new Finding(Finding.Kind.CLOCK_CHANGE, null, change.at(), (int)
                        change.shift().toMinutes()));
    }
}
