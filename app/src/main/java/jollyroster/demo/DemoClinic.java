package jollyroster.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.IntStream;
import jollyroster.answers.Answer;
import jollyroster.attendance.AttendanceCommands;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.openhours.HostChoice;
import jollyroster.core.openhours.OpenHoursText;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.owntime.OpenTime;
import jollyroster.owntime.PickCommands;
import jollyroster.owntime.TimesQueries;
import jollyroster.owntime.Viewer;
import jollyroster.platform.Actor;
import jollyroster.programme.Format;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.Session;
import jollyroster.programme.Tint;
import jollyroster.seating.Application;
import jollyroster.seating.RegistrationQueries;
import jollyroster.sheet.QuestionForm;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** What people pick times for, and which they pick. */
@Component
@Profile("demo")
class DemoClinic {

    private static final long SEED = 20270311;
    private static final int PICKS = 34;
    private static final int WEEKS_BEFORE = 5;
    private static final List<String> PASSAGES = List.of(
            "Saltmarrow to the islands, by night",
            "Round the cape with a spring tide",
            "",
            "Up the river to the lock",
            "Three days along the outer coast");
    private final DemoProgramme offerings;
    private final ProgrammeQueries programme;
    private final TimesQueries times;
    private final PickCommands picks;
    private final RegistrationQueries roster;
    private final AttendanceCommands attendance;

    DemoClinic(
            DemoProgramme offerings,
            ProgrammeQueries programme,
            TimesQueries times,
            PickCommands picks,
            RegistrationQueries roster,
            AttendanceCommands attendance) {
        this.offerings = offerings;
        this.programme = programme;
        this.times = times;
        this.picks = picks;
        this.roster = roster;
        this.attendance = attendance;
    }

    static Section.Hours hours(String text, HostChoice choice, OptionalInt daily) {
        OwnTime own = OwnTime.in(
                OpenHoursText.read(text, LocalDate.of(2027, 3, 10), 8).hours());
        return new Section.Hours(
                own.ledBy(choice).atMost(daily, OptionalInt.empty()).showingTaken());
    }

    /** @return the clinic */
    long clinic() {
        Section.Words words = Section.Words.of(
                        "Passage-plan clinic",
                        "Bring a plan, leave with a better one. Twenty minutes with an instructor, on screen.",
                        "Share your chart or hold it up to the camera. We look at **tides, outs and the hour you get tired**.",
                        "Your plan, however rough.")
                .meant("Skippers before a passage", "online");
        return offerings.inOpenHours(
                words,
                offerings
                        .at(
                                Format.ONLINE,
                                "Signal room",
                                DemoOrganisation.BARNABY,
                                DemoOrganisation.OTTOLINE,
                                DemoOrganisation.SABLE)
                        .buffered(15, 15),
                new Section.Length(20),
                Section.Seats.of(1, 1).withoutWaitlist(),
                Section.Access.OPEN.by(SignUpStyle.OWN_TIME).between(30, 12).changedUntil(12),
                hours(
                        "Mon–Thu 9-11, 14-15:20, 19-20:20; Fri 9-11, 14-15:20; 26 to 29 Mar closed",
                        HostChoice.ATTENDEES_CHOICE,
                        OptionalInt.of(3)),
                new Section.Look(Tint.KELP),
                Section.Asking.of(List.of(QuestionForm.of("SHORT_TEXT", "Which passage?", "", false, "")
                        .wish())));
    }

    /** @return the mooring check */
    long mooring() {
        Section.Words words = Section.Words.of(
                        "Mooring check",
                        "Half an hour at your mooring before the season: chain, shackles, swivel, and what the winter did.",
                        "We come in the launch. **Have the mooring's number ready.**",
                        "Boots.")
                .meant("Holders of a mooring in the harbour", "on the water");
        return offerings.inOpenHours(
                words,
                offerings
                        .at(Format.IN_PERSON, "Boathouse", DemoOrganisation.BARNABY, DemoOrganisation.SABLE)
                        .buffered(10, 10),
                new Section.Length(30),
                Section.Seats.of(1, 1).withoutWaitlist(),
                Section.Access.OPEN.by(SignUpStyle.OWN_TIME).between(45, 24).changedUntil(24),
                hours("Sat 9-12; Sun 13-16; Wed 16-18 from 31 Mar", HostChoice.WHOEVER_IS_FREE, OptionalInt.empty()),
                new Section.Look(Tint.HEATHER));
    }

    List<DemoLife.Happening> happenings(long clinic, long mooring) {
        Crew crew = new Crew(SEED);
        List<Crew.Member> people =
                IntStream.range(0, PICKS).mapToObj(i -> crew.next()).toList();
        List<DemoLife.Happening> happenings = new ArrayList<>();
        for (int i = 0; i < PICKS; i++) {
            Crew.Member member = people.get(i);
            boolean coming = i % 5 > 1;
            int minutes = coming ? 60 + crew.upTo(4 * 24 * 60) : 24 * 60 * (7 + crew.upTo(7 * (WEEKS_BEFORE - 1)));
            Instant at = DemoClock.START.minus(Duration.ofMinutes(minutes));
            int wish = crew.upTo(1000);
            String passage = PASSAGES.get((3 * i + i / 5) % PASSAGES.size());
            boolean moors = i % 6 == 5;
            happenings.add(new DemoLife.Happening(
                    at, () -> pick(moors ? mooring : clinic, moors ? member.nearby() : member, wish, passage, at)));
        }
        return happenings;
    }

    private void pick(long offering, Crew.Member member, int wish, String passage, Instant now) {
        Offering o = programme.offering(offering).orElseThrow();
        LocalDate today = now.atZone(o.zone()).toLocalDate();
        List<OpenTime> open = times.between(o, today, today.plusDays(6), Set.of(), Viewer.anybody(now));
        if (open.isEmpty()) {
            return;
        }
        OpenTime time = open.get(wish % open.size());
        List<Answer> answers = programme.questions(offering).stream()
                .filter(q -> !passage.isEmpty())
                .map(q -> Answer.plain(q.id(), q.question().label(), passage))
                .toList();
        Application asked = new Application(
                0, member.name(), member.email(), member.phone(), 1, ZoneId.of(member.zone()), List.of(), answers, "");
        long host = time.hosts().get(wish % time.hosts().size()).id();
        picks.pick(
                new PickCommands.Pick(o, time.start().toInstant(), Optional.of(host), ""),
                asked,
                Optional.empty(),
                Actor.visitor(member.name()));
    }

    /** Nearly everybody came to the times that are over. */
    void attend(long... offerings) {
        for (long offering : offerings) {
            for (Session session : programme.sessionsOf(offering)) {
                if (session.end().isBefore(DemoClock.START)) {
                    roster.roster(session.id()).forEach(r -> mark(r.id(), session.id()));
                }
            }
        }
    }

    private void mark(long registration, long session) {
        Verdict verdict = registration % 9 == 4 ? Verdict.ABSENT : Verdict.ATTENDED;
        attendance.mark(registration, session, Optional.of(verdict), DemoActor.PROGRAM);
    }
}
