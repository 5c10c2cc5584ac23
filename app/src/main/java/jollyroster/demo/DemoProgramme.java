package jollyroster.demo;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.hosting.BusyReading;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.SessionCommands.NewDate;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.sheet.InvitingForm;
import jollyroster.sheet.PayingForm;
import jollyroster.sheet.PlaceForm;
import jollyroster.sheet.QuestionForm;
import jollyroster.sheet.SeatsForm;
import jollyroster.sheet.SheetForm;
import jollyroster.sheet.SignUpForm;
import jollyroster.sheet.TakingForm;
import jollyroster.sheet.WordsForm;
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

    private PlaceForm at(String format, String venue, String... hosts) {
        String[] ids = java.util.Arrays.stream(hosts)
                .map(name -> String.valueOf(team.member(name)))
                .toArray(String[]::new);
        return PlaceForm.of(format, String.valueOf(venueIds.get(venue)), ids);
    }

    private long keep(SheetForm sheet) {
        long offering = offerings.draft(sheet.words().title(), DemoData.HOME, DemoActor.PROGRAM);
        offerings.save(offering, sheet.version(), sheet.sections(), DemoActor.PROGRAM);
        return offering;
    }

    private List<Long> dates(long offering, int minutes, String... starts) {
        List<NewDate> dates = new ArrayList<>();
        for (String start : starts) {
            dates.add(NewDate.at(
                    SessionTime.resolve(LocalDateTime.parse(start), DemoData.HOME, Duration.ofMinutes(minutes))));
        }
        List<Long> ids = sessions.addDates(offering, dates, DemoActor.PROGRAM);
        offerings.turn(offering, OfferingStatus.PUBLISHED, DemoActor.PROGRAM);
        return ids;
    }

    List<Long> radio() {
        WordsForm words = WordsForm.of(
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
                .saying("Anybody who goes out, or means to", "", "radio, online");
        long offering = keep(SheetForm.titled(words.title())
                .with(words)
                .with(at("ONLINE", "Signal room", DemoOrganisation.OTTOLINE))
                .with(SeatsForm.of("90", "500", true, "1").buffered("15", "15"))
                .asking(List.of(
                        question(
                                "CHOOSE_ONE",
                                "What do you hold?",
                                "so that we pitch it right",
                                true,
                                "None yet\nVHF licence\nCoast certificate\nCrew certificate"),
                        question("SHORT_TEXT", "Your boat or club", "leave it empty if you have none", false, ""))));
        return dates(offering, 90, "2027-02-16T19:00", "2027-03-02T19:00", "2027-03-10T12:00", "2027-03-16T19:00");
    }

    List<Long> knots() {
        WordsForm words = WordsForm.of(
                        "Knots and splicing bench",
                        "Two hours at the bench with real rope: six knots that hold, two that should not, and an eye splice to take home.",
                        """
                        We start with the **bowline** and do not stop until you can tie it behind your back. Then the rest of the six,
                        the two that slip, and an eye splice in three-strand rope.

                        The bench has eight places. Come alone or bring up to two others.
                        """,
                        "Nothing. Rope, fids and tea are there.")
                .saying("Beginners, ten years and up", "CA$12 a head, paid at the door", "hands on, families")
                .tinted("rust");
        long offering = keep(SheetForm.titled(words.title())
                .with(words)
                .with(at("IN_PERSON", "Rope loft", DemoOrganisation.BARNABY))
                .with(SeatsForm.of("120", "8", true, "3").buffered("30", "30").needing("3", "2"))
                .asking(List.of(
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
                                .within("10", "99"))));
        pictures.drawn().ifPresent(picture -> offerings.setPicture(offering, picture, DemoActor.PROGRAM));
        return dates(offering, 120, "2027-02-27T12:00", "2027-03-06T12:00", "2027-03-13T12:00", "2027-03-20T12:00");
    }

    /** Six evenings on one registration; they straddle the European clock change. */
    List<Long> navigation() {
        WordsForm words = WordsForm.of(
                        "Coastal navigation",
                        "Six evenings with paper charts: tides, bearings, passage plans, and a night exercise on the last.",
                        "Bring questions. **All six evenings belong together**; one registration is good for all.",
                        "A soft pencil and dividers, if you have them.")
                .saying("Skippers and mates of small craft", "CA$240 for all six evenings", "course")
                .tinted("kelp");
        long offering = keep(SheetForm.titled(words.title())
                .with(words)
                .with(at("IN_PERSON", "Chart room", DemoOrganisation.SABLE))
                .with(SeatsForm.of("120", "16", true, "2").needing("8", "5"))
                .with(SignUpForm.by(SignUpStyle.WHOLE_SERIES))
                .with(new TakingForm(
                        "CALL_UP",
                        "12",
                        "OPTIONAL",
                        true,
                        false,
                        "24",
                        "Chart 4385 is handed out on the first evening.",
                        ""))
                .asking(List.of(
                        question(
                                "CHOOSE_SEVERAL",
                                "Which waters do you sail?",
                                "",
                                false,
                                "Inshore\nThe bay\nOffshore\nRivers and lakes"),
                        question("LONG_TEXT", "What would you like to be able to do?", "", false, ""),
                        question("AGREEMENT", "I can come to at least five of the six evenings", "", true, ""))));
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
        WordsForm words = WordsForm.of(
                        "Man-overboard drill",
                        "Two hours under sail and engine, five to a boat: spot, turn, stop, lift.",
                        "You will be cold and you will be good at it. Foul-weather gear is lent.",
                        "Boots, and dry clothes for afterwards.")
                .saying("Crews who have sailed together at least once", "", "on the water")
                .tinted("heather");
        long offering = keep(SheetForm.titled(words.title())
                .with(words)
                .with(at("IN_PERSON", "Boathouse", DemoOrganisation.BARNABY))
                .with(SeatsForm.of("120", "5", true, "2").buffered("30", "30").needing("3", "3"))
                .with(SignUpForm.by(SignUpStyle.ONE_DATE)));
        return dates(offering, 120, "2027-03-20T14:45", "2027-03-27T10:00", "2027-03-27T14:30");
    }

    /** People answer whether they come, and with whom. */
    long openEvening() {
        WordsForm words = WordsForm.of(
                        "Open evening at the boathouse",
                        "Chowder, the season's plans, and the boats on the slip before they go in.",
                        "Bring whoever you like. **Chowder is on the stove from half past six.**",
                        "Something warm; the big doors stay open.")
                .saying("Friends of the school", "", "evenings")
                .tinted("ochre");
        long offering = keep(SheetForm.titled(words.title())
                .with(words)
                .with(at("IN_PERSON", "Boathouse", DemoOrganisation.SABLE))
                .with(SeatsForm.of("150", "40", true, "3"))
                .with(new SignUpForm("", "UNLISTED", "24", "0"))
                .with(new InvitingForm(true, true, "DAILY")));
        return dates(offering, 150, "2027-03-26T18:30").get(0);
    }

    /** A draft with nearly everything left to do. */
    void draft() {
        offerings.draft("Engine care afternoon", DemoData.HOME, DemoActor.PROGRAM);
    }

    /** @return the briefing's session */
    long forInvitedAndFew() {
        WordsForm briefing = WordsForm.of(
                "Instructor briefing", "What the season brings, by telephone, in forty minutes.", "For the team.", "");
        long offering = keep(SheetForm.titled(briefing.title())
                .with(briefing)
                .with(at("IN_PERSON", "Duty line", DemoOrganisation.OTTOLINE))
                .with(SeatsForm.of("40", "12", false, "1"))
                .with(new SignUpForm("", "INVITED", "", "")));
        long session = dates(offering, 40, "2027-03-12T08:30").get(0);
        WordsForm survival = WordsForm.of(
                        "Sea survival refresher",
                        "A day in the pool and the raft, for certificates that run out this year.",
                        "Life-jackets, raft drill, helicopter lift in the pool.",
                        "Swimwear and a towel.")
                .saying("Holders of a basic certificate", "", "course, certificates");
        long refresher = keep(SheetForm.titled(survival.title())
                .with(survival)
                .with(at("IN_PERSON", "Boathouse", DemoOrganisation.SABLE, DemoOrganisation.OTTOLINE))
                .with(SeatsForm.of("420", "12", true, "1").needing("6", "10"))
                .with(new SignUpForm("", "UNLISTED", "72", "60"))
                .with(new PayingForm("180.00", "CAD"))
                .asking(List.of(
                        question("DATE", "Your certificate runs out on", "as it is printed on it", true, "")
                                .within("2026-01-01", "2030-12-31"),
                        question(
                                "AGREEMENT",
                                "I am fit to swim and to be lifted, and know of no reason not to",
                                "",
                                true,
                                ""))));
        dates(refresher, 420, "2027-04-17T09:00");
        return session;
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
            busy.takeFile(team.member(DemoOrganisation.OTTOLINE), "Own calendar", calendar, DemoActor.PROGRAM);
        } catch (BusyReading.NotRead ourOwnFileIsReadable) {
            throw new IllegalStateException(ourOwnFileIsReadable);
        }
    }

    private static QuestionForm question(String kind, String label, String help, boolean required, String options) {
        return QuestionForm.of(kind, label, help, required, options);
    }
}
