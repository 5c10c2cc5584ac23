package jollyroster.demo;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.prices.RefundRule;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.hosting.BusyReading;
import jollyroster.hosting.CalendarSettings;
import jollyroster.programme.Format;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.Section;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.SessionCommands.NewDate;
import jollyroster.programme.Tell;
import jollyroster.programme.Tint;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.programme.Visibility;
import jollyroster.sheet.QuestionForm;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** What the school offers: published, closed to strangers, in drafts and as a pattern. */
@Component
@Profile("demo")
class DemoProgramme {

    private final VenueCommands venues;
    private final OfferingCommands offerings;
    private final SessionCommands sessions;
    private final BusyReading busy;
    private final DemoOrganisation team;
    private final DemoPictures pictures;
    private final Map<String, Long> venueIds = new LinkedHashMap<>();

    DemoProgramme(
            VenueCommands venues,
            OfferingCommands offerings,
            SessionCommands sessions,
            BusyReading busy,
            DemoOrganisation team,
            DemoPictures pictures) {
        this.venues = venues;
        this.offerings = offerings;
        this.sessions = sessions;
        this.busy = busy;
        this.team = team;
        this.pictures = pictures;
    }

    void venues() {
        venue("Signal room", Venue.Kind.MADE_LINK, "", "", "");
        venue("Instructors’ corner", Venue.Kind.MADE_LINK, "", "", "");
        venue("Rope loft", Venue.Kind.PLACE, "Saltmarrow quay", "Ground floor, no steps.", "12");
        venue("Boathouse", Venue.Kind.PLACE, "Slipway 2, Saltmarrow", "Ramp from the car park.", "80");
        venue("Chart room", Venue.Kind.PLACE, "Saltmarrow quay, first floor", "There is a lift.", "18");
        venue("Duty line", Venue.Kind.PHONE, "+1 902 555 0144", "", "20");
        venue("Standing room", Venue.Kind.FIXED_LINK, "https://meet.saltmarrow.example/duty", "", "");
    }

    private void venue(String name, Venue.Kind kind, String where, String note, String size) {
        VenueCommands.Form brief = VenueCommands.Form.of(kind, name, where);
        VenueCommands.Form form =
                new VenueCommands.Form(name, kind.name(), brief.address(), note, brief.link(), brief.phone(), size);
        venueIds.put(name, venues.add(form, DemoActor.PROGRAM).orElseThrow());
    }

    Section.Place at(Format format, String venue, String... hosts) {
        return Section.Place.at(
                format, venueIds.get(venue), Stream.of(hosts).map(team::member).toList());
    }

    long keep(Section.Words words, Section... others) {
        long offering = offerings.draft(words.title(), DemoData.HOME, DemoActor.PROGRAM);
        List<Section> all = Stream.concat(Stream.of(words), Stream.of(others)).toList();
        offerings.save(offering, all, DemoActor.PROGRAM);
        return offering;
    }

    private static Section.Asking asking(QuestionForm... questions) {
        return Section.Asking.of(Stream.of(questions).map(QuestionForm::wish).toList());
    }

    List<Long> dates(long offering, int minutes, String... starts) {
        List<NewDate> dates = new ArrayList<>();
        for (String start : starts) {
            dates.add(NewDate.at(
                    SessionTime.resolve(LocalDateTime.parse(start), DemoData.HOME, Duration.ofMinutes(minutes))));
        }
        List<Long> ids = sessions.addDates(offering, dates, DemoActor.PROGRAM);
        offerings.turn(offering, OfferingStatus.PUBLISHED, DemoActor.PROGRAM);
        return ids;
    }

    /** Something of which people pick a time. */
    long inOpenHours(Section.Words words, Section... others) {
        long offering = keep(words, others);
        offerings.turn(offering, OfferingStatus.PUBLISHED, DemoActor.PROGRAM);
        return offering;
    }

    List<Long> radio() {
        Section.Words words = Section.Words.of(
                        "Marine VHF radio procedure",
                        "Ninety live minutes on the air: calling, distress, urgency and safety, with a working set at the other end.",
                        """
                        ## What you will do

                        - Make a **routine call** and change to a working channel
                        - Send and answer a **distress call**, word for word
                        - Know what *Pan-pan* and *Sécurité* are for, and when silence is asked of you

                        Everybody says each call aloud; a dozen are called on the air. No set is needed: your microphone is the set.
                        """,
                        "Headphones, and a quiet room.")
                .meant("Anybody who goes out, or means to", "radio", "online");
        long offering = keep(
                words,
                at(Format.ONLINE, "Signal room", DemoOrganisation.OTTOLINE).buffered(15, 15),
                new Section.Length(90),
                Section.Seats.of(500, 1),
                asking(
                        question(
                                "CHOOSE_ONE",
                                "What do you hold?",
                                "so that we pitch it right",
                                true,
                                "None yet\nVHF licence\nCoast certificate\nCrew certificate"),
                        question("SHORT_TEXT", "Your boat or club", "leave it empty if you have none", false, "")));
        return dates(offering, 90, "2027-02-16T19:00", "2027-03-02T19:00", "2027-03-10T12:00", "2027-03-16T19:00");
    }

    List<Long> knots() {
        Section.Words words = Section.Words.of(
                        "Knots and splicing bench",
                        "Two hours at the bench with real rope: six knots that hold, two that should not, and an eye splice to take home.",
                        """
                        We start with the **bowline** and do not stop until you can tie it behind your back. Then the rest of the six,
                        the two that slip, and an eye splice in three-strand rope.

                        The bench has eight places. Come alone or bring up to two others.
                        """,
                        "Nothing. Rope, fids and tea are there.")
                .meant("Beginners, ten years and up", "hands on", "families");
        long offering = keep(
                words,
                at(Format.IN_PERSON, "Rope loft", DemoOrganisation.BARNABY).buffered(30, 30),
                Section.Seats.of(8, 3).needing(3, 2),
                Section.Cost.saying("CA$12 a head, paid at the door"),
                new Section.Look(Tint.RUST),
                asking(
                        question(
                                "CHOOSE_ONE",
                                "Left-handed?",
                                "we lay out the bench for it",
                                true,
                                "Neither of us\nOne of us\nAll of us"),
                        question("YES_NO", "Have you spliced before?", "", false, "")
                                .named("spliced"),
                        question("SHORT_TEXT", "What was it?", "an eye, a back splice …", false, "")
                                .onlyIf("spliced", "yes"),
                        question(
                                "CHOOSE_ONE",
                                "Rope to take home",
                                "",
                                true,
                                "Three-strand\nBraid | 3\nNone, thank you"),
                        question("NUMBER", "How old is the youngest of you?", "", false, "")
                                .within("10", "99")));
        pictures.drawn().ifPresent(picture -> offerings.setPicture(offering, picture, DemoActor.PROGRAM));
        return dates(offering, 120, "2027-02-27T12:00", "2027-03-06T12:00", "2027-03-13T12:00", "2027-03-20T12:00");
    }

    /** Six evenings on one registration; they straddle the European clock change. */
    List<Long> navigation() {
        Section.Words words = Section.Words.of(
                        "Coastal navigation",
                        "Six evenings with paper charts: tides, bearings, passage plans, and a night exercise on the last.",
                        "Bring questions. **All six evenings belong together**; one registration is good for all.",
                        "A soft pencil and dividers, if you have them.")
                .meant("Skippers and mates of small craft", "course");
        long offering = keep(
                words,
                at(Format.IN_PERSON, "Chart room", DemoOrganisation.SABLE),
                Section.Seats.of(16, 2).needing(8, 5).waitingAtMost(12),
                Section.Access.OPEN.by(SignUpStyle.WHOLE_SERIES).changedUntil(24),
                Section.Cost.saying("CA$240 for all six evenings"),
                new Section.After("Chart 4385 is handed out on the first evening.", ""),
                new Section.Look(Tint.KELP),
                asking(
                        question(
                                "CHOOSE_SEVERAL",
                                "Which waters do you sail?",
                                "",
                                false,
                                "Inshore\nThe bay\nOffshore\nRivers and lakes"),
                        question("LONG_TEXT", "What would you like to be able to do?", "", false, ""),
                        question("AGREEMENT", "I can come to at least five of the six evenings", "", true, "")));
        return dates(
                offering,
                120,
                "2027-03-17T19:00",
                "2027-03-24T19:00",
                "2027-03-31T19:00",
                "2027-04-07T19:00",
                "2027-04-14T19:00",
                "2027-04-21T19:00");
    }

    /** Small crews, one date each. The first collides with the bench, and the demo shows by how many minutes. */
    List<Long> drill() {
        Section.Words words = Section.Words.of(
                        "Man-overboard drill",
                        "Two hours under sail and engine, five to a boat: spot, turn, stop, lift.",
                        "You will be cold and you will be good at it. Foul-weather gear is lent.",
                        "Boots, and dry clothes for afterwards.")
                .meant("Crews who have sailed together at least once", "on the water");
        long offering = keep(
                words,
                at(Format.IN_PERSON, "Boathouse", DemoOrganisation.BARNABY).buffered(30, 30),
                Section.Seats.of(5, 2).needing(3, 3),
                Section.Access.OPEN.by(SignUpStyle.ONE_DATE),
                new Section.Look(Tint.HEATHER));
        return dates(offering, 120, "2027-03-20T14:45", "2027-03-27T10:00", "2027-03-27T14:30");
    }

    /** People answer whether they come, and with whom. */
    long openEvening() {
        Section.Words words = Section.Words.of(
                        "Open evening at the boathouse",
                        "Chowder, the season's plans, and the boats on the slip before they go in.",
                        "Bring whoever you like. **Chowder is on the stove from half past six.**",
                        "Something warm; the big doors stay open.")
                .meant("Friends of the school", "evenings");
        long offering = keep(
                words,
                at(Format.IN_PERSON, "Boathouse", DemoOrganisation.SABLE),
                new Section.Length(150),
                Section.Seats.of(40, 3),
                Section.Access.OPEN.seen(Visibility.UNLISTED).between(0, 24).answered(true, Tell.DAILY),
                new Section.Look(Tint.OCHRE));
        return dates(offering, 150, "2027-03-26T18:30").get(0);
    }

    /** A draft with nearly everything left to do. */
    void draft() {
        offerings.draft("Engine care afternoon", DemoData.HOME, DemoActor.PROGRAM);
    }

    /** @return the briefing's session */
    long briefing() {
        Section.Words briefing = Section.Words.of(
                "Instructor briefing", "What the season brings, by telephone, in forty minutes.", "For the team.", "");
        long offering = keep(
                briefing,
                at(Format.IN_PERSON, "Duty line", DemoOrganisation.OTTOLINE),
                new Section.Length(40),
                Section.Seats.of(12, 1).withoutWaitlist(),
                Section.Access.OPEN.seen(Visibility.INVITED));
        long session = dates(offering, 40, "2027-03-12T08:30").get(0);
        return session;
    }

    /** @return the session of what is paid for */
    long refresher() {
        Section.Words survival = Section.Words.of(
                        "Sea survival refresher",
                        "A day in the pool and the raft, for certificates that run out this year.",
                        "Life-jackets, raft drill, helicopter lift in the pool.",
                        "Swimwear and a towel.")
                .meant("Holders of a basic certificate", "course", "certificates");
        long refresher = keep(
                survival,
                at(Format.IN_PERSON, "Boathouse", DemoOrganisation.SABLE, DemoOrganisation.OTTOLINE),
                new Section.Length(420),
                Section.Seats.of(12, 1).needing(6, 10),
                Section.Access.OPEN.seen(Visibility.UNLISTED).between(60, 72),
                Section.Cost.of("180.00", "CAD").refunding(RefundRule.until(7 * 24 * 60)),
                asking(
                        question("DATE", "Your certificate runs out on", "as it is printed on it", true, "")
                                .within("2026-01-01", "2030-12-31"),
                        question(
                                "AGREEMENT",
                                "I am fit to swim and to be lifted, and know of no reason not to",
                                "",
                                true,
                                "")));
        return dates(refresher, 420, "2027-04-17T09:00").get(0);
    }

    /** What an evening at the bench usually looks like, to start others from. */
    void pattern(long offering) {
        offerings.copy(offering, "Saturday at the bench", OfferingCommands.Copy.PATTERN, DemoActor.PROGRAM);
    }

    /** Ottoline's own calendar: two evenings she is taken up elsewhere. */
    void busyElsewhere() {
        String calendar = String.join(
                "\r\n",
                "BEGIN:VCALENDAR",
                "VERSION:2.0",
                "PRODID:-//Saltmarrow//Demo//EN",
                "BEGIN:VEVENT",
                "UID:choir@saltmarrow.example",
                "DTSTAMP:20270101T000000Z",
                "DTSTART:20270303T230000Z",
                "DTEND:20270304T010000Z",
                "RRULE:FREQ=WEEKLY;COUNT=8",
                "SUMMARY:Choir",
                "END:VEVENT",
                "BEGIN:VEVENT",
                "UID:dentist@saltmarrow.example",
                "DTSTAMP:20270101T000000Z",
                "DTSTART:20270318T130000Z",
                "DTEND:20270318T143000Z",
                "SUMMARY:Dentist",
                "END:VEVENT",
                "END:VCALENDAR",
                "");
        try {
            busy.takeFile(
                    team.member(DemoOrganisation.OTTOLINE),
                    "Own calendar",
                    calendar,
                    CalendarSettings.USUAL,
                    DemoActor.PROGRAM);
        } catch (BusyReading.NotRead ourOwnFileIsReadable) {
            throw new IllegalStateException(ourOwnFileIsReadable);
        }
    }

    private static QuestionForm question(String kind, String label, String help, boolean required, String options) {
        return QuestionForm.of(kind, label, help, required, options);
    }
}
