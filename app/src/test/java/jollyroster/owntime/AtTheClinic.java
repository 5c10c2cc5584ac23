package jollyroster.owntime;

import static jollyroster.Saltmarrow.HALIFAX;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import jollyroster.Saltmarrow;
import jollyroster.TestClock;
import jollyroster.core.openhours.OpenHours;
import jollyroster.core.openhours.OpenHoursText;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.owntime.PickCommands.Pick;
import jollyroster.platform.Role;
import jollyroster.programme.Format;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.OwnTime;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.seating.Application;
import jollyroster.seating.Registering;
import jollyroster.team.AccountCommands;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** A clinic in open hours, with hosts of its own, for tests of own time. */
abstract class AtTheClinic {

    static final LocalDate WEDNESDAY = LocalDate.of(2027, 3, 17);
    private static int made;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    AccountCommands accounts;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    VenueCommands venues;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    TestClock clock;

    @Autowired
    TimesQueries times;

    @Autowired
    PickCommands picks;

    @LocalServerPort
    int port;

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
        saltmarrow.setUp();
    }

    @AfterEach
    void back() {
        clock.set(TestClock.START);
    }

    static Instant at(LocalDate day, String time) {
        return LocalDateTime.parse(day + "T" + time).atZone(HALIFAX).toInstant();
    }

    final long host() {
        made++;
        return accounts.add(
                "Instructor " + made, "own" + made + "@saltmarrow.example", "-", Role.HOST, Saltmarrow.ORGANISER);
    }

    static OpenHours hours(String text) {
        return OpenHoursText.read(text, LocalDate.of(2027, 3, 10), 8).hours();
    }

    /** A clinic of twenty minutes, without buffers. */
    final Offering clinic(OwnTime own, int seats, int party, Long... leaders) {
        made++;
        String title = "Passage-plan clinic " + made;
        long venue = venues.add(
                        VenueCommands.Form.of(Venue.Kind.PLACE, "Chart room " + made, "Quay"), Saltmarrow.ORGANISER)
                .orElseThrow();
        long id = offerings.draft(title, HALIFAX, Saltmarrow.ORGANISER);
        offerings.save(
                id,
                List.of(
                        Section.Words.of(title, "Bring a plan.", "", ""),
                        new Section.Length(20),
                        Section.Place.at(Format.IN_PERSON, venue, List.of(leaders)),
                        Section.Seats.of(seats, party),
                        Section.Access.OPEN.by(SignUpStyle.OWN_TIME),
                        new Section.Hours(own)),
                Saltmarrow.ORGANISER);
        offerings.turn(id, OfferingStatus.PUBLISHED, Saltmarrow.ORGANISER);
        return programme.offering(id).orElseThrow();
    }

    final List<OpenTime> open(Offering o, LocalDate day) {
        return times.between(o, day, day.plusDays(1), Set.of(), Viewer.anybody(clock.instant()));
    }

    final Registering pick(Offering o, Instant start, Optional<Long> host, String name) {
        return pick(o, start, host, name, UUID.randomUUID().toString());
    }

    final Registering pick(Offering o, Instant start, Optional<Long> host, String name, String submission) {
        String email = name.toLowerCase(java.util.Locale.ROOT).replace(' ', '.') + o.id() + "@crew.example";
        Application asked = new Application(0, name, email, "", 1, HALIFAX, List.of(), List.of(), submission);
        return picks.pick(new Pick(o, start, host, ""), asked, Optional.empty(), Saltmarrow.VISITOR);
    }

    final List<Session> sessions(Offering o) {
        return programme.sessionsOf(o.id());
    }

    static void assertGone(Registering came) {
        assertThat(came).isEqualTo(new Registering.Refused(Registering.Reason.TIME_GONE));
    }

    /** @return how many were given what they asked for */
    static int race(List<Callable<Registering>> crowd) throws Exception {
        ExecutorService pool = Executors.newFixedThreadPool(16);
        try {
            int done = 0;
            for (Future<Registering> came : pool.invokeAll(crowd)) {
                done += came.get() instanceof Registering.Done ? 1 : 0;
            }
            return done;
        } finally {
            pool.shutdownNow();
        }
    }
}
