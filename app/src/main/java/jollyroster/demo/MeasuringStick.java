package jollyroster.demo;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import jollyroster.answers.Answer;
import jollyroster.core.dates.SessionTime;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Format;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.seating.Application;
import jollyroster.seating.RegistrationCommands;
import jollyroster.sheet.QuestionForm;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/**
 * What the bench measures against: an empty page in the public layout, a post that checks its token and writes nothing,
 * offerings with room for everybody, and one with few seats. Only there with the profile {@code bench}.
 */
@Controller
@Profile("bench")
@Order(2)
class MeasuringStick implements ApplicationRunner {

    private static final int SEATS = 100_000;
    private static final int FEW = 100;
    private static final int CROWD = 32;
    private static final long LONGEST_SECONDS = 120;
    private final OfferingCommands offerings;
    private final SessionCommands sessions;
    private final VenueCommands venues;
    private final ProgrammeQueries programme;
    private final RegistrationCommands roster;

    MeasuringStick(
            OfferingCommands offerings,
            SessionCommands sessions,
            VenueCommands venues,
            ProgrammeQueries programme,
            RegistrationCommands roster) {
        this.programme = programme;
        this.roster = roster;
        this.offerings = offerings;
        this.sessions = sessions;
        this.venues = venues;
    }

    @Override
    public void run(ApplicationArguments args) {
        if (programme.shown("bench-offering").isPresent()) {
            return;
        }
        long venue = venues.add(VenueCommands.Form.of(Venue.Kind.PLACE, "Great hall", "Saltmarrow"), DemoActor.PROGRAM)
                .orElseThrow();
        publish("Bench offering", venue, SEATS);
        publish("Bench stampede", venue, FEW);
        publish("Bench warm-up", venue, SEATS);
    }

    private void publish(String title, long venue, int seats) {
        long offering = offerings.draft(title, DemoData.HOME, DemoActor.PROGRAM);
        offerings.save(offering, sections(title, venue, seats), DemoActor.PROGRAM);
        SessionTime time =
                SessionTime.resolve(LocalDateTime.parse("2027-04-20T19:00"), DemoData.HOME, Duration.ofHours(2));
        sessions.addDate(offering, time, seats, DemoActor.PROGRAM);
        offerings.turn(offering, OfferingStatus.PUBLISHED, DemoActor.PROGRAM);
    }

    private static List<Section> sections(String title, long venue, int seats) {
        return List.of(
                Section.Words.of(
                        title,
                        "Everybody fits.",
                        "A **description** of ordinary length, with a list:\n\n- one\n- two\n- three",
                        ""),
                Section.Place.at(Format.IN_PERSON, venue, List.of()),
                Section.Seats.of(seats, 3),
                Section.Asking.of(Stream.of(
                                QuestionForm.of("CHOOSE_ONE", "Left-handed?", "", true, "Yes\nNo"),
                                QuestionForm.of("SHORT_TEXT", "Your boat", "", false, ""))
                        .map(QuestionForm::wish)
                        .toList()));
    }

    @GetMapping("/empty")
    String page() {
        return "demo/empty";
    }

    @PostMapping("/empty")
    String post() {
        return "demo/empty";
    }

    /** Registers so many people from as many threads as the bench has clients, without HTTP. @return the seconds it took */
    @PostMapping("/empty/registrations")
    @ResponseBody
    String registrations(@RequestParam long session, @RequestParam int people, @RequestParam String who)
            throws InterruptedException {
        List<Long> asked = programme
                .session(session)
                .map(s -> programme.questions(s.offering().id()).stream()
                        .map(AskedQuestion::id)
                        .toList())
                .orElseThrow();
        ExecutorService crowd = Executors.newFixedThreadPool(CROWD);
        long begun = System.nanoTime();
        for (int i = 0; i < people; i++) {
            String email = who + i + "@crew.example";
            crowd.execute(() -> roster.register(somebody(session, email, asked), DemoActor.PROGRAM));
        }
        crowd.shutdown();
        boolean done = crowd.awaitTermination(LONGEST_SECONDS, TimeUnit.SECONDS);
        double seconds = (System.nanoTime() - begun) / 1e9;
        return done ? String.valueOf(seconds) : "it took too long";
    }

    static Application somebody(long session, String email, List<Long> asked) {
        List<Answer> answers = asked.stream()
                .map(question -> new Answer(question, 0, "Asked", "Curlew", List.of()))
                .toList();
        return new Application(session, "Crew Member", email, "", 1, DemoData.HOME, List.of(), answers, "");
    }
}
