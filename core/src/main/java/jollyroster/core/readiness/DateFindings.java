package jollyroster.core.readiness;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import jollyroster.core.readiness.Finding.Kind;
import jollyroster.core.readiness.Readiness.Date;
import jollyroster.core.readiness.Readiness.OwnTime;
import jollyroster.core.readiness.Readiness.Sheet;
import jollyroster.core.seats.SignUpStyle;

/** When sessions are, against now and against each other. */
final class DateFindings {

    private DateFindings() {}

    /** Dates that have passed are a mistake in a draft and normal once published, as long as one is to come. */
    static Stream<Finding> of(Sheet sheet, Instant now) {
        return sheet.ownTime().map(DateFindings::ownTime).orElseGet(() -> dates(sheet, now));
    }

    private static Stream<Finding> ownTime(OwnTime own) {
        Stream<Finding> hours = own.hours() ? Stream.empty() : Stream.of(Finding.about(Kind.NO_HOURS));
        Stream<Finding> hosts = own.hosts() > 0 ? Stream.empty() : Stream.of(Finding.about(Kind.NOBODY_LEADS));
        return Stream.of(hours, hosts, SeatFindings.ownTime(own)).flatMap(findings -> findings);
    }

    private static Stream<Finding> dates(Sheet sheet, Instant now) {
        long past = sheet.sessions().stream()
                .filter(date -> !date.span().start().isAfter(now))
                .count();
        boolean noneToCome = past == sheet.sessions().size();
        if (noneToCome && (sheet.published() || past == 0)) {
            return Stream.of(Finding.about(Kind.NO_DATE));
        }
        Stream<Finding> inPast = past > 0 && !sheet.published()
                ? Stream.of(Finding.about(Kind.START_IN_PAST, (int) past))
                : Stream.empty();
        return Stream.of(inPast, sameTimeTwice(sheet), outOfOrder(sheet)).flatMap(findings -> findings);
    }

    private static Stream<Finding> sameTimeTwice(Sheet sheet) {
        List<Date> inOrder = sheet.sessions().stream()
                .sorted(Comparator.comparing(date -> date.span().start()))
                .toList();
        return IntStream.range(1, inOrder.size())
                .filter(i -> inOrder.get(i).span().overlaps(inOrder.get(i - 1).span()))
                .mapToObj(i -> at(inOrder.get(i), Kind.SAME_TIME_TWICE))
                .limit(1);
    }

    /** A series is held in the order in which its evenings were set; one that was moved past another is out of order. */
    private static Stream<Finding> outOfOrder(Sheet sheet) {
        List<Date> dates = sheet.sessions();
        return sheet.style() != SignUpStyle.WHOLE_SERIES
                ? Stream.empty()
                : IntStream.range(1, dates.size())
                        .filter(i -> dates.get(i)
                                .span()
                                .start()
                                .isBefore(dates.get(i - 1).span().start()))
                        .mapToObj(i -> at(dates.get(i), Kind.OUT_OF_ORDER))
                        .limit(1);
    }

    private static Finding at(Date date, Kind kind) {
        return new Finding(kind, date.id(), date.span().start(), 0, "");
    }
}
