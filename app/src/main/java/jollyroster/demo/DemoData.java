package jollyroster.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import jollyroster.core.dates.SessionTime;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxWorker;
import jollyroster.platform.OrganisationQueries;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeCommands;
import jollyroster.programme.SheetForm;
import jollyroster.programme.VenueCommands;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * Saltmarrow Sea School, a first part: two offerings and a draft, three venues, four past and four coming sessions. The
 * data is lived, not made up: the clock is set back and everything happens through the same commands that people use.
 */
@Component
@Profile("demo")
@Order(1)
class DemoData implements ApplicationRunner {

    static final ZoneId HOME = ZoneId.of("America/Halifax");
    private static final Instant BEGINNING = Instant.parse("2027-01-25T15:00:00Z");
    private final DemoClock clock;
    private final OrganisationQueries organisation;
    private final VenueCommands venues;
    private final ProgrammeCommands programme;
    private final DemoLife life;
    private final OutboxQueries outbox;
    private final OutboxWorker worker;
    private final DemoOrganisation set;
    private final DemoClockCommands memory;

    DemoData(
            DemoClock clock,
            OrganisationQueries organisation,
            VenueCommands venues,
            ProgrammeCommands programme,
            DemoLife life,
            OutboxQueries outbox,
            OutboxWorker worker,
            DemoOrganisation set,
            DemoClockCommands memory) {
        this.clock = clock;
        this.organisation = organisation;
        this.venues = venues;
        this.programme = programme;
        this.life = life;
        this.outbox = outbox;
        this.worker = worker;
        this.set = set;
        this.memory = memory;
    }

    @Override
    public void run(ApplicationArguments args) {
        if (organisation.isSetUp()) {
            memory.remembered().ifPresent(clock::resume);
            return;
        }
        clock.stopAt(BEGINNING);
        set.up();
        List<DemoLife.Happening> happenings = life.happenings(radio(), knots());
        openEvening();
        happenings.stream().sorted(Comparator.comparing(DemoLife.Happening::at)).forEach(this::live);
        sendUntil(DemoClock.START);
        clock.stopAt(DemoClock.START);
        clock.go();
        memory.remember(clock.ahead());
    }

    private void live(DemoLife.Happening happening) {
        sendUntil(happening.at());
        clock.stopAt(happening.at());
        happening.what().run();
        worker.sendDue();
    }

    /** Sends each message at the minute it was due. */
    private void sendUntil(Instant end) {
        for (Instant due = next(); due.isBefore(end); due = next()) {
            clock.stopAt(due);
            worker.sendDue();
        }
    }

    private Instant next() {
        return outbox.nextDue(clock.instant()).orElse(Instant.MAX);
    }

    private List<Long> radio() {
        long venue = venue("Signal room", "MADE_LINK", "", "", "");
        long offering = programme.draft("Marine VHF radio procedure", HOME);
        programme.save(
                offering,
                sheet(
                        "Marine VHF radio procedure",
                        "Ninety live minutes on the air: calling, distress, urgency and safety, with a working set at the other end.",
                        """
                ## What you will do

                - Make a **routine call** and change to a working channel
                - Send and answer a **distress call**, word for word
                - Know what *Pan-pan* and *Sécurité* are for, and when silence is asked of you

                Everybody speaks at least twice. No set is needed: your microphone is the set.
                """,
                        "Headphones, and a quiet room.",
                        "ONLINE",
                        venue,
                        "Ottoline Marsh",
                        "90",
                        "40",
                        "1",
                        List.of(
                                question(
                                        "CHOOSE_ONE",
                                        "What do you hold?",
                                        "so that we pitch it right",
                                        true,
                                        "None yet\nVHF licence\nCoast certificate\nCrew certificate"),
                                question(
                                        "SHORT_TEXT",
                                        "Your boat or club",
                                        "leave it empty if you have none",
                                        false,
                                        ""))));
        return dates(offering, 90, 40, "2027-02-16T19:00", "2027-03-02T19:00", "2027-03-10T12:00", "2027-03-16T19:00");
    }

    private List<Long> knots() {
        long venue = venue("Rope loft", "PLACE", "Saltmarrow quay", "Ground floor, no steps.", "12");
        long offering = programme.draft("Knots and splicing bench", HOME);
        programme.save(
                offering,
                sheet(
                        "Knots and splicing bench",
                        "Two hours at the bench with real rope: six knots that hold, two that should not, and an eye splice to take home.",
                        """
                We start with the **bowline** and do not stop until you can tie it behind your back. Then the rest of the six,
                the two that slip, and an eye splice in three-strand rope.

                The bench has eight places. Come alone or bring up to two others.
                """,
                        "Nothing. Rope, fids and tea are there.",
                        "IN_PERSON",
                        venue,
                        "Barnaby Teague",
                        "120",
                        "8",
                        "3",
                        List.of(
                                question(
                                        "CHOOSE_ONE",
                                        "Left-handed?",
                                        "we lay out the bench for it",
                                        true,
                                        "Neither of us\nOne of us\nAll of us"),
                                question("YES_NO", "Have you spliced before?", "", false, ""))));
        return dates(offering, 120, 8, "2027-02-27T12:00", "2027-03-06T12:00", "2027-03-13T12:00", "2027-03-20T12:00");
    }

    /** A draft with something left to do. */
    private void openEvening() {
        venue("Boathouse", "PLACE", "Slipway 2, Saltmarrow", "Ramp from the car park.", "80");
        programme.draft("Open evening at the boathouse", HOME);
    }

    private List<Long> dates(long offering, int minutes, int seats, String... starts) {
        List<Long> ids = new ArrayList<>();
        for (String start : starts) {
            SessionTime time = SessionTime.resolve(LocalDateTime.parse(start), HOME, Duration.ofMinutes(minutes));
            ids.add(programme.addDate(offering, time, seats));
        }
        programme.turn(offering, OfferingStatus.PUBLISHED);
        return ids;
    }

    private long venue(String name, String kind, String address, String note, String size) {
        return venues.add(new VenueCommands.Form(name, kind, address, note, "", size))
                .orElseThrow();
    }

    private static SheetForm sheet(
            String title,
            String summary,
            String description,
            String bring,
            String format,
            long venue,
            String host,
            String minutes,
            String seats,
            String party,
            List<SheetForm.QuestionForm> questions) {
        return new SheetForm(
                1,
                title,
                summary,
                description,
                bring,
                format,
                String.valueOf(venue),
                host,
                minutes,
                seats,
                true,
                party,
                "0",
                questions);
    }

    private static SheetForm.QuestionForm question(
            String kind, String label, String help, boolean required, String options) {
        return new SheetForm.QuestionForm(null, kind, label, help, required, options);
    }
}
