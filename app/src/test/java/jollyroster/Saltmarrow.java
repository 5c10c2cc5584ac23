package jollyroster;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Actor;
import jollyroster.platform.Organisation;
import jollyroster.platform.Role;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.seating.Application;
import jollyroster.sheet.InvitingForm;
import jollyroster.sheet.PayingForm;
import jollyroster.sheet.PlaceForm;
import jollyroster.sheet.QuestionForm;
import jollyroster.sheet.SeatsForm;
import jollyroster.sheet.SheetForm;
import jollyroster.sheet.SignUpForm;
import jollyroster.sheet.TakingForm;
import jollyroster.sheet.WordsForm;
import jollyroster.team.AccountCommands;
import org.springframework.boot.test.context.TestComponent;

/** Sets up small parts of the school for tests, through the same commands that people use. */
@TestComponent
public class Saltmarrow {

    /** A member of the team who may do everything. */
    public static final Actor ORGANISER = new Actor.Team(1, "Ottoline Farrow", Role.ORGANISER);

    /** Somebody from outside without a registration. */
    public static final Actor VISITOR = Actor.visitor("a visitor");

    /** A job of the program. */
    public static final Actor PROGRAM = new Actor.Program("test");

    /** The person of a registration, by their link. */
    public static Actor self(long registration) {
        return new Actor.Person("x", registration);
    }

    public static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final AtomicInteger COUNT = new AtomicInteger();
    private final AccountCommands accounts;
    private final OfferingCommands offerings;
    private final SessionCommands sessions;
    private final ProgrammeQueries queries;
    private final VenueCommands venues;

    public Saltmarrow(
            AccountCommands accounts,
            OfferingCommands offerings,
            SessionCommands sessions,
            ProgrammeQueries queries,
            VenueCommands venues) {
        this.accounts = accounts;
        this.offerings = offerings;
        this.sessions = sessions;
        this.queries = queries;
        this.venues = venues;
    }

    /** The organisation and its organiser; does nothing the second time. */
    public void setUp() {
        accounts.setUpFirst(
                new Organisation("Saltmarrow Sea School", HALIFAX, "CA", "office@saltmarrow.example", "#1f5c4d", ""),
                "Demo Organiser",
                "demo@saltmarrow.example",
                "fair-winds",
                ORGANISER);
    }

    /** A published offering with one session. */
    public Published publish(Wanted wanted) {
        setUp();
        int number = COUNT.incrementAndGet();
        String title = "Knots and splicing bench " + number;
        long venue = venues.add(
                        VenueCommands.Form.of(
                                wanted.online() ? Venue.Kind.MADE_LINK : Venue.Kind.PLACE,
                                "Venue " + number,
                                "Saltmarrow quay"),
                        ORGANISER)
                .orElseThrow();
        long offering = offerings.draft(title, HALIFAX, ORGANISER);
        SheetForm sheet = SheetForm.titled(title)
                .with(WordsForm.of(title, "Six knots that hold.", "At the **bench**.", ""))
                .with(new PlaceForm(
                        wanted.online() ? "ONLINE" : "IN_PERSON", String.valueOf(venue), List.of(), "Barnaby Teague"))
                .with(SeatsForm.of("120", String.valueOf(wanted.seats()), wanted.waitlist(), "3"))
                .with(new SignUpForm(wanted.style().name(), wanted.visibility(), "", ""))
                .with(wanted.taking())
                .with(wanted.inviting())
                .with(wanted.paying())
                .asking(wanted.questions());
        offerings.save(offering, sheet.version(), sheet.sections(), ORGANISER);
        List<Long> dates = wanted.starts().stream()
                .map(start -> sessions.addDate(
                        offering,
                        SessionTime.resolve(LocalDateTime.parse(start), HALIFAX, Duration.ofHours(2)),
                        wanted.seats(),
                        ORGANISER))
                .toList();
        offerings.turn(offering, OfferingStatus.PUBLISHED, ORGANISER);
        return new Published(
                offering, dates.get(0), queries.offering(offering).orElseThrow().slug(), dates);
    }

    /** @param session the first of its dates */
    public record Published(long offering, long session, String slug, List<Long> dates) {}

    /** What a test needs. @param starts on the clock in Halifax */
    public record Wanted(
            int seats,
            boolean waitlist,
            boolean online,
            List<String> starts,
            List<QuestionForm> questions,
            SignUpStyle style,
            TakingForm taking,
            InvitingForm inviting,
            String visibility,
            PayingForm paying) {

        private static final TakingForm AT_ONCE = TakingForm.openly().freeing(FreedSeats.SEAT_AT_ONCE);

        public static Wanted seats(int seats) {
            return new Wanted(
                    seats,
                    true,
                    false,
                    List.of("2027-03-16T19:00"),
                    List.of(),
                    SignUpStyle.ANY_DATE,
                    AT_ONCE,
                    InvitingForm.nobody(),
                    "",
                    PayingForm.nothing());
        }

        public Wanted withoutWaitlist() {
            return new Wanted(seats, false, online, starts, questions, style, taking, inviting, visibility, paying);
        }

        public Wanted onAir(String start) {
            return new Wanted(
                    seats, waitlist, true, List.of(start), questions, style, taking, inviting, visibility, paying);
        }

        public Wanted at(String... times) {
            return new Wanted(
                    seats, waitlist, online, List.of(times), questions, style, taking, inviting, visibility, paying);
        }

        public Wanted asking(QuestionForm... asked) {
            return new Wanted(
                    seats, waitlist, online, starts, List.of(asked), style, taking, inviting, visibility, paying);
        }

        /** Freed seats are offered, to be answered in time. */
        public Wanted callingUp() {
            return taking(TakingForm.openly());
        }

        public Wanted taking(TakingForm manner) {
            return new Wanted(seats, waitlist, online, starts, questions, style, manner, inviting, visibility, paying);
        }

        /** People answer yes, maybe or no. */
        public Wanted inviting(InvitingForm answers) {
            return new Wanted(seats, waitlist, online, starts, questions, style, taking, answers, visibility, paying);
        }

        /** A seat is paid for on registering. */
        public Wanted costing(String amount) {
            return new Wanted(
                    seats,
                    waitlist,
                    online,
                    starts,
                    questions,
                    style,
                    taking,
                    inviting,
                    visibility,
                    new PayingForm(amount, "CAD"));
        }

        public Wanted invitedOnly() {
            return new Wanted(seats, waitlist, online, starts, questions, style, taking, inviting, "INVITED", paying);
        }

        public Wanted by(SignUpStyle signUp) {
            return new Wanted(seats, waitlist, online, starts, questions, signUp, taking, inviting, visibility, paying);
        }
    }

    /** A person who registers alone or with others. */
    public static Application person(long session, String name, int party) {
        String email = name.toLowerCase(java.util.Locale.ROOT).replace(' ', '.') + "@crew.example";
        return Application.plain(session, name, email, party, HALIFAX);
    }
}
