package jollyroster.core.readiness;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.openhours.Claim;
import jollyroster.core.readiness.Finding.Kind;
import jollyroster.core.readiness.Readiness.Clash;
import jollyroster.core.readiness.Readiness.Date;
import jollyroster.core.readiness.Readiness.Meets;
import jollyroster.core.readiness.Readiness.Sheet;

/** Where sessions meet and who leads them. One finding for each kind, with the number of sessions it concerns. */
final class PlaceFindings {

    private static final Map<Meets, Kind> LACKING = Map.of(
            Meets.NOWHERE_YET, Kind.NO_VENUE,
            Meets.ONLINE_WITHOUT_LINK, Kind.NO_LINK,
            Meets.ONLINE_WITHOUT_PROVIDER, Kind.NO_PROVIDER,
            Meets.ONLINE_LINK_PENDING, Kind.LINK_PENDING,
            Meets.ONLINE_LINK_FAILED, Kind.LINK_FAILED);

    private PlaceFindings() {}

    static Stream<Finding> of(Sheet sheet) {
        return Stream.concat(Stream.concat(places(sheet), hosts(sheet)), clashes(sheet));
    }

    private static Stream<Finding> places(Sheet sheet) {
        if (sheet.sessions().isEmpty()) {
            return Stream.ofNullable(LACKING.get(sheet.usually())).map(Finding::about);
        }
        return LACKING.entrySet().stream()
                .flatMap(lack -> first(
                        sheet.sessions().stream()
                                .filter(date -> date.meets() == lack.getKey())
                                .toList(),
                        lack.getValue()));
    }

    private static Stream<Finding> hosts(Sheet sheet) {
        return first(sheet.sessions().stream().filter(date -> date.hosts() == 0).toList(), Kind.NO_HOST);
    }

    private static Stream<Finding> first(List<Date> concerned, Kind kind) {
        return concerned.isEmpty()
                ? Stream.empty()
                : Stream.of(Finding.on(concerned.get(0).id(), kind, concerned.size(), ""));
    }

    /** One for each host and venue, however often it is double-booked. */
    private static Stream<Finding> clashes(Sheet sheet) {
        Map<List<Object>, List<Finding>> alike = sheet.clashes().stream()
                .map(PlaceFindings::clash)
                .collect(Collectors.groupingBy(
                        f -> List.of(f.kind(), f.detail()), LinkedHashMap::new, Collectors.toList()));
        return alike.values().stream().map(some -> some.get(0).onDates(some.size()));
    }

    private static Finding clash(Clash clash) {
        boolean host = clash.conflict().owner().sort() == Claim.Owner.Sort.HOST;
        return new Finding(
                host ? Kind.HOST_DOUBLE_BOOKED : Kind.VENUE_DOUBLE_BOOKED,
                clash.session(),
                clash.conflict().overlap().start(),
                (int) clash.conflict().minutes(),
                clash.name());
    }
}
