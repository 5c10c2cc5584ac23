package jollyroster;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import jollyroster.core.dates.SessionTime;
import jollyroster.platform.Organisation;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SheetForm;
import jollyroster.programme.VenueCommands;
import jollyroster.roster.Application;
import jollyroster.team.AccountCommands;
import org.springframework.boot.test.context.TestComponent;

/** Sets up small parts of the school for tests, through the same commands that people use. */
@TestComponent
public class Saltmarrow {

    public static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final AtomicInteger COUNT = new AtomicInteger();
    private final AccountCommands accounts;
    private final ProgrammeCommands programme;
    private final ProgrammeQueries queries;
    private final VenueCommands venues;

    public Saltmarrow(
            AccountCommands accounts, ProgrammeCommands programme, ProgrammeQueries queries, VenueCommands venues) {
        this.accounts = accounts;
        this.programme = programme;
        this.queries = queries;
        this.venues = venues;
    }

    /** The organisation and its organiser; does nothing the second time. */
    public void setUp() {
        accounts.setUpFirst(
                new Organisation("Saltmarrow Sea School", HALIFAX, "CA", "office@saltmarrow.example", "#1f5c4d", ""),
                "Demo Organiser",
                "demo@saltmarrow.example",
                "fair-winds");
    }

    /** A published offering with one session. */
    public Published publish(Wanted wanted) {
        setUp();
        int number = COUNT.incrementAndGet();
        String title = "Knots and splicing bench " + number;
        long venue = venues.add(new VenueCommands.Form(
                        "Venue " + number, wanted.online() ? "MADE_LINK" : "PLACE", "Saltmarrow quay", "", "", ""))
                .orElseThrow();
        long offering = programme.draft(title, HALIFAX);
        programme.save(
                offering,
                new SheetForm(
                        1,
                        title,
                        "Six knots that hold.",
                        "At the **bench**.",
                        "",
                        wanted.online() ? "ONLINE" : "IN_PERSON",
                        String.valueOf(venue),
                        "Barnaby Teague",
                        "120",
                        String.valueOf(wanted.seats()),
                        wanted.waitlist(),
                        "3",
                        "0",
                        wanted.questions()));
        long session = programme.addDate(
                offering,
                SessionTime.resolve(LocalDateTime.parse(wanted.start()), HALIFAX, Duration.ofHours(2)),
                wanted.seats());
        programme.turn(offering, OfferingStatus.PUBLISHED);
        return new Published(
                offering, session, queries.offering(offering).orElseThrow().slug());
    }

    public record Published(long offering, long session, String slug) {}

    /** What a test needs. @param start on the clock in Halifax */
    public record Wanted(
            int seats, boolean waitlist, boolean online, String start, List<SheetForm.QuestionForm> questions) {

        public static Wanted seats(int seats) {
            return new Wanted(seats, true, false, "2027-03-16T19:00", List.of());
        }

        public Wanted withoutWaitlist() {
            return new Wanted(seats, false, online, start, questions);
        }

        public Wanted onAir(String start) {
            return new Wanted(seats, waitlist, true, start, questions);
        }

        public Wanted at(String start) {
            return new Wanted(seats, waitlist, online, start, questions);
        }

        public Wanted asking(SheetForm.QuestionForm... asked) {
            return new Wanted(seats, waitlist, online, start, List.of(asked));
        }
    }

    /** A person who registers alone or with others. */
    public static Application person(long session, String name, int party) {
        String email = name.toLowerCase(java.util.Locale.ROOT).replace(' ', '.') + "@crew.example";
        return new Application(session, name, email, "", party, HALIFAX, List.of(), "");
    }
}
