package jollyroster;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Actor;
import jollyroster.platform.Organisation;
import jollyroster.platform.Role;
import jollyroster.programme.Format;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.Tell;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.programme.Visibility;
import jollyroster.seating.Application;
import jollyroster.seating.Registration;
import jollyroster.sheet.QuestionForm;
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
        offerings.save(
                offering,
                List.of(
                        Section.Words.of(title, "Six knots that hold.", "At the **bench**.", ""),
                        Section.Place.at(wanted.online() ? Format.ONLINE : Format.IN_PERSON, venue, List.of())
                                .led("Barnaby Teague"),
                        wanted.seats(),
                        wanted.access(),
                        wanted.asking(),
                        wanted.cost(),
                        wanted.after()),
                ORGANISER);
        List<Long> dates = wanted.starts().stream()
                .map(start -> sessions.addDate(
                        offering,
                        SessionTime.resolve(LocalDateTime.parse(start), HALIFAX, Duration.ofHours(2)),
                        wanted.seats().seats(),
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
            boolean online,
            List<String> starts,
            Section.Seats seats,
            Section.Access access,
            Section.Asking asking,
            Section.Cost cost,
            Section.After after) {

        /** So many, for parties of three, freed at once; on one evening. */
        public static Wanted seats(int seats) {
            return new Wanted(
                    false,
                    List.of("2027-03-16T19:00"),
                    Section.Seats.of(seats, 3).freeing(FreedSeats.SEAT_AT_ONCE),
                    Section.Access.OPEN,
                    Section.Asking.of(List.of()),
                    Section.Cost.saying(""),
                    new Section.After("", ""));
        }

        public Wanted with(Section.Seats others) {
            return new Wanted(online, starts, others, access, asking, cost, after);
        }

        public Wanted with(Section.Access other) {
            return new Wanted(online, starts, seats, other, asking, cost, after);
        }

        public Wanted with(Section.Asking other) {
            return new Wanted(online, starts, seats, access, other, cost, after);
        }

        public Wanted withoutWaitlist() {
            return with(seats.withoutWaitlist());
        }

        /** Freed seats are offered, to be answered in time. */
        public Wanted callingUp() {
            return with(seats.freeing(FreedSeats.CALL_UP));
        }

        public Wanted onAir(String start) {
            return new Wanted(true, List.of(start), seats, access, asking, cost, after);
        }

        /** By a link that the meeting service makes. */
        public Wanted inAMeeting() {
            return new Wanted(true, starts, seats, access, asking, cost, after);
        }

        public Wanted at(String... times) {
            return new Wanted(online, List.of(times), seats, access, asking, cost, after);
        }

        public Wanted asking(QuestionForm... asked) {
            return with(new Section.Asking(
                    asking.phone(),
                    asking.fullName(),
                    asking.emailConfirmed(),
                    Stream.of(asked).map(QuestionForm::wish).toList()));
        }

        /** The address is confirmed by a letter. */
        public Wanted confirmed() {
            return with(asking.confirmed());
        }

        /** People answer yes, maybe or no. */
        public Wanted answered(boolean companyShown, Tell tell) {
            return with(access.answered(companyShown, tell));
        }

        /** A seat is paid for on registering. */
        public Wanted costing(String amount) {
            return new Wanted(online, starts, seats, access, asking, Section.Cost.of(amount, "CAD"), after);
        }

        /** The same with a cost of its own rules. */
        public Wanted costing(Section.Cost rules) {
            return new Wanted(online, starts, seats, access, asking, rules, after);
        }

        public Wanted saidAfter(String text, String address) {
            return new Wanted(online, starts, seats, access, asking, cost, new Section.After(text, address));
        }

        public Wanted invitedOnly() {
            return with(access.seen(Visibility.INVITED));
        }

        public Wanted by(SignUpStyle signUp) {
            return with(access.by(signUp));
        }
    }

    /** The registration of that name. */
    public static Registration named(List<Registration> roster, String name) {
        return roster.stream().filter(r -> r.name().equals(name)).findFirst().orElseThrow();
    }

    /** A person who registers alone or with others. */
    public static Application person(long session, String name, int party) {
        String email = name.toLowerCase(java.util.Locale.ROOT).replace(' ', '.') + "@crew.example";
        return Application.plain(session, name, email, party, HALIFAX);
    }
}
