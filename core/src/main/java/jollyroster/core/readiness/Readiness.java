package jollyroster.core.readiness;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import jollyroster.core.dates.Interval;
import jollyroster.core.intake.Question;
import jollyroster.core.openhours.Conflict;
import jollyroster.core.seats.SignUpStyle;

/** The readiness check: reads an offering as it stands and lists what is missing or odd. */
public final class Readiness {

    private Readiness() {}

    /** Where a session meets. */
    public enum Meets {
        NOWHERE_YET,
        IN_PERSON,
        BY_PHONE,
        ONLINE_WITH_LINK,
        /** The meeting service has not made the link yet. */
        ONLINE_LINK_PENDING,
        /** The meeting service could not make the link. */
        ONLINE_LINK_FAILED,
        ONLINE_WITHOUT_LINK,
        /** The link is to be made by a service, and there is none. */
        ONLINE_WITHOUT_PROVIDER
    }

    /**
     * An offering as the check sees it.
     *
     * @param published whether people can already register
     * @param zone in which its dates are typed
     * @param usually where it meets as long as it has no date
     * @param sessions the dates that are not cancelled, in order of adding
     * @param cutOff how long before the start registration closes
     * @param opensAhead how long before the start registration opens; empty for at once
     * @param remindsWithLink whether any reminder is planned; each carries the link
     * @param asksUnpaid whether it asks yes, maybe or no, and has a price
     * @param ownTime where people pick a time of their own instead of a date
     * @param cameBefore where those who attended before live, with their number
     */
    public record Sheet(
            boolean published,
            String summary,
            String description,
            SignUpStyle style,
            ZoneId zone,
            Meets usually,
            List<Date> sessions,
            Duration cutOff,
            Optional<Duration> opensAhead,
            List<Question> questions,
            boolean remindsWithLink,
            boolean asksUnpaid,
            Map<ZoneId, Integer> cameBefore,
            List<Clash> clashes,
            Optional<OwnTime> ownTime) {
        public Sheet {
            sessions = List.copyOf(sessions);
            questions = List.copyOf(questions);
            cameBefore = Map.copyOf(cameBefore);
            clashes = List.copyOf(clashes);
        }
    }

    /**
     * Times that people pick.
     *
     * @param hours whether any are open
     * @param hosts how many members may lead one
     * @param seats of each; zero when none were given
     */
    public record OwnTime(boolean hours, int hosts, int seats, int keptBack) {}

    /**
     * A session as the check sees it.
     *
     * @param seats zero when none were given
     * @param minimum people needed; zero for no minimum
     * @param roomSize people its venue holds; empty when unknown
     * @param hosts how many hosts it has
     * @param registered where those who are registered live, with their number
     */
    public record Date(
            long id,
            Interval span,
            int seats,
            int keptBack,
            int minimum,
            Meets meets,
            OptionalInt roomSize,
            int hosts,
            Map<ZoneId, Integer> registered) {
        public Date {
            registered = Map.copyOf(registered);
        }

        boolean isOnline() {
            return meets.name().startsWith("ONLINE");
        }
    }

    /**
     * A conflict with a session of this offering.
     *
     * @param name the host or venue that is claimed twice
     */
    public record Clash(long session, String name, Conflict conflict) {}

    /** All findings, the gravest first; within one severity in the order of {@link Finding.Kind}. */
    public static List<Finding> check(Sheet sheet, Instant now) {
        return Stream.of(
                        TextFindings.of(sheet),
                        PlaceFindings.of(sheet),
                        SeatFindings.of(sheet),
                        DateFindings.of(sheet, now),
                        ZoneFindings.of(sheet, now))
                .flatMap(findings -> findings)
                .sorted(Comparator.comparing((Finding finding) -> finding.kind().severity())
                        .thenComparing(Finding::kind))
                .toList();
    }
}
