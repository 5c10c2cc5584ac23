package jollyroster.demo;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.List;
import jollyroster.core.dates.SessionTime;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.QuestionForm;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.SheetForm;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;

/**
 * What the bench measures against: an empty page in the public layout, a post that checks its token and writes nothing,
 * an offering with room for everybody, and one with few seats. Only there with the profile {@code bench}.
 */
@Controller
@Profile("bench")
@Order(2)
class MeasuringStick implements ApplicationRunner {

    private static final int SEATS = 100_000;
    private static final int FEW = 100;
    private final OfferingCommands offerings;
    private final SessionCommands sessions;
    private final VenueCommands venues;

    MeasuringStick(OfferingCommands offerings, SessionCommands sessions, VenueCommands venues) {
        this.offerings = offerings;
        this.sessions = sessions;
        this.venues = venues;
    }

    @Override
    public void run(ApplicationArguments args) {
        long venue = venues.add(VenueCommands.Form.of(Venue.Kind.PLACE, "Great hall", "Saltmarrow"))
                .orElseThrow();
        publish("Bench offering", venue, SEATS);
        publish("Bench stampede", venue, FEW);
    }

    private void publish(String title, long venue, int seats) {
        long offering = offerings.draft(title, DemoData.HOME);
        offerings.save(offering, sheet(title, venue, seats));
        SessionTime time =
                SessionTime.resolve(LocalDateTime.parse("2027-04-20T19:00"), DemoData.HOME, Duration.ofHours(2));
        sessions.addDate(offering, time, seats);
        offerings.turn(offering, OfferingStatus.PUBLISHED);
    }

    private static SheetForm sheet(String title, long venue, int seats) {
        return SheetForm.titled(title)
                .with(SheetForm.Words.of(
                        title,
                        "Everybody fits.",
                        "A **description** of ordinary length, with a list:\n\n- one\n- two\n- three",
                        ""))
                .with(SheetForm.Place.of("IN_PERSON", String.valueOf(venue)))
                .with(SheetForm.Seats.of("120", String.valueOf(seats), true, "3"))
                .asking(List.of(
                        QuestionForm.of("CHOOSE_ONE", "Left-handed?", "", true, "Yes\nNo"),
                        QuestionForm.of("SHORT_TEXT", "Your boat", "", false, "")));
    }

    @GetMapping("/empty")
    String page() {
        return "demo/empty";
    }

    @PostMapping("/empty")
    String post() {
        return "demo/empty";
    }
}
