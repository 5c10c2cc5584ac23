package jollyroster.desk;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Set;
import jollyroster.chart.Tideline;
import jollyroster.people.PersonQueries;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Member;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Remembered;
import jollyroster.platform.SignedIn;
import jollyroster.platform.TableChanges;
import jollyroster.programme.HostQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.seating.RegistrationQueries;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What every desk page carries: where it is, and the tideline. */
@ControllerAdvice(annotations = DeskPage.class)
class DeskFrame {

    private static final int MOST_KEPT = 100;

    /** The tables that the tideline shows something of. */
    private static final String[] SHOWN = {
        "account", "offering", "offering_host", "organisation", "seat_count", "session", "session_host", "venue"
    };

    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final RegistrationQueries roster;
    private final OrganisationQueries organisation;
    private final SignedIn signedIn;
    private final Clock clock;
    private final Remembered<Moment, Tideline> kept;
    private final LoadingCache<String, Set<ZoneId>> zones;

    DeskFrame(
            ProgrammeQueries programme,
            HostQueries hosts,
            RegistrationQueries roster,
            PersonQueries people,
            OrganisationQueries organisation,
            SignedIn signedIn,
            TableChanges changes,
            Clock clock) {
        this.kept = new Remembered<>(changes, MOST_KEPT, SHOWN);
        this.programme = programme;
        this.hosts = hosts;
        this.roster = roster;
        this.organisation = organisation;
        this.signedIn = signedIn;
        this.clock = clock;
        this.zones =
                Caffeine.newBuilder().expireAfterWrite(Duration.ofMinutes(5)).build(key -> people.zones());
    }

    /** Which of the five words of the masthead is lit. */
    @ModelAttribute("section")
    String section(HttpServletRequest request) {
        String path = request.getRequestURI();
        if (path.startsWith("/desk/programme")
                || path.startsWith("/desk/offerings")
                || path.startsWith("/desk/sessions")
                || path.startsWith("/desk/schedule")
                || path.startsWith("/desk/lanes")) {
            return "programme";
        }
        if (path.startsWith("/desk/people")) {
            return "people";
        }
        if (path.startsWith("/desk/outbox") || path.startsWith("/desk/letters") || path.startsWith("/desk/replies")) {
            return "outbox";
        }
        if (path.startsWith("/desk/rooms") || path.startsWith("/desk/setup/rooms")) {
            return signedIn.isHost() ? "rooms" : "setup";
        }
        return path.startsWith("/desk/setup") || path.startsWith("/desk/plans") || path.startsWith("/desk/wordings")
                ? "setup"
                : "today";
    }

    /** Whether the masthead shows what only organisers may open. */
    @ModelAttribute("organises")
    boolean organises() {
        return signedIn.isOrganiser();
    }

    private record Moment(long member, Instant minute) {}

    /** Whether whoever looks helps at the door only, and sees names and states. */
    @ModelAttribute("helper")
    boolean helper() {
        return signedIn.isHelper();
    }

    @ModelAttribute("tideline")
    Tideline tideline() {
        long member = signedIn.member().map(Member::id).orElse(0L);
        return kept.get(
                new Moment(member, clock.instant().truncatedTo(ChronoUnit.MINUTES)), moment -> drawn(moment.minute()));
    }

    private Tideline drawn(Instant now) {
        ZoneId home = organisation.organisation().zone();
        Instant from = now.atZone(home).toLocalDate().atStartOfDay(home).toInstant();
        List<Session> sessions =
                hosts
                        .visible(programme.between(from, from.plus(Tideline.REACH)), signedIn.actor(), clock.instant())
                        .stream()
                        .filter(s -> !s.cancelled())
                        .toList();
        Map<Long, SeatCount> counts =
                roster.of(sessions.stream().map(Session::id).toList());
        return Tideline.of(
                now,
                home,
                zones.get("all"),
                sessions.stream().map(s -> entry(s, counts.get(s.id()))).toList());
    }

    private static Tideline.Entry entry(Session s, SeatCount count) {
        return new Tideline.Entry(
                s.id(), s.offering().title(), s.start(), s.seats(), count.taken(), count.waitingPeople());
    }
}
