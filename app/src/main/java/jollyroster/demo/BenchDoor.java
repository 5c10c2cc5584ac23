package jollyroster.demo;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.door.ArrivalCommands;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.Format;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.Section;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** A door that a crowd comes to, for the bench. Only there with the profile {@code bench}. */
@Controller
@Profile("bench")
class BenchDoor {

    private static final int CROWD = 16;
    private static final long LONGEST_SECONDS = 300;
    private final OfferingCommands offerings;
    private final SessionCommands sessions;
    private final VenueCommands venues;
    private final RegistrationCommands roster;
    private final ArrivalCommands arrivals;
    private final PersonalLinks links;
    private final Clock clock;

    BenchDoor(
            OfferingCommands offerings,
            SessionCommands sessions,
            VenueCommands venues,
            RegistrationCommands roster,
            ArrivalCommands arrivals,
            PersonalLinks links,
            Clock clock) {
        this.offerings = offerings;
        this.sessions = sessions;
        this.venues = venues;
        this.roster = roster;
        this.arrivals = arrivals;
        this.links = links;
        this.clock = clock;
    }

    /** A webinar whose door is open, with so many registered and so many who wait. @return its number, then a join token a line */
    @PostMapping("/empty/door")
    @ResponseBody
    String door(@RequestParam int people, @RequestParam int waiting) throws InterruptedException {
        long session = publish(people);
        ExecutorService crowd = Executors.newFixedThreadPool(CROWD);
        List<String> tokens = Collections.synchronizedList(new ArrayList<>());
        IntStream.range(0, people).forEach(i -> crowd.execute(() -> tokens.add(register(session, i))));
        crowd.shutdown();
        if (!crowd.awaitTermination(LONGEST_SECONDS, TimeUnit.SECONDS)) {
            throw new IllegalStateException("It took too long");
        }
        for (int i = 0; i < waiting; i++) {
            arrivals.knock(session, ArrivalCommands.Who.guest("Guest Number" + i, "", ""), "", DemoActor.PROGRAM);
        }
        return Stream.concat(Stream.of(String.valueOf(session)), tokens.stream())
                .collect(Collectors.joining("\n"));
    }

    private String register(long session, int number) {
        Registering.Done done = (Registering.Done) roster.register(
                MeasuringStick.somebody(session, "door" + number + "@crew.example", List.of()), DemoActor.PROGRAM);
        return links.issue(Purpose.JOIN, done.link());
    }

    private long publish(int people) {
        long venue = venues.add(VenueCommands.Form.of(Venue.Kind.MADE_LINK, "Bench room", ""), DemoActor.PROGRAM)
                .orElseThrow();
        long offering = offerings.draft("Bench webinar", DemoData.HOME, DemoActor.PROGRAM);
        offerings.save(
                offering,
                List.of(
                        Section.Words.of("Bench webinar", "Everybody fits.", "- one\n- two\n- three", ""),
                        Section.Place.at(Format.ONLINE, venue, List.of()),
                        Section.Seats.of(people + 1, 1)),
                DemoActor.PROGRAM);
        Instant start = clock.instant().plus(Duration.ofMinutes(14)).truncatedTo(ChronoUnit.MINUTES);
        SessionTime time =
                SessionTime.resolve(start.atZone(DemoData.HOME).toLocalDateTime(), DemoData.HOME, Duration.ofHours(2));
        sessions.addDate(offering, time, people + 1, DemoActor.PROGRAM);
        offerings.turn(offering, OfferingStatus.PUBLISHED, DemoActor.PROGRAM);
        return sessions.ofOffering(offering).get(0).id();
    }
}
