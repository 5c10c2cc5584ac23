package jollyroster.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import jollyroster.core.dates.DayRange;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.openhours.HostChoice;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.owntime.OpenTime;
import jollyroster.owntime.PickCommands;
import jollyroster.owntime.TimeLinkCommands;
import jollyroster.owntime.TimeLinkQueries;
import jollyroster.owntime.TimesQueries;
import jollyroster.owntime.Viewer;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.Format;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.Tint;
import jollyroster.programme.Visibility;
import jollyroster.seating.Application;
import jollyroster.seating.RegistrationCommands;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** What goes on at the quay in short turns: life-jackets in slices of a morning, and visits to a berth by a link for one time. */
@Component
@Profile("demo")
class DemoQuay {

    private static final long SEED = 20270312;
    private static final int SLICES = 12;
    private static final int SLICE = 10;
    private final DemoProgramme offerings;
    private final ProgrammeQueries programme;
    private final RegistrationCommands registering;
    private final TimesQueries times;
    private final PickCommands picks;
    private final TimeLinkCommands links;
    private final TimeLinkQueries onceLinks;
    private final PersonalLinks tokens;

    DemoQuay(
            DemoProgramme offerings,
            ProgrammeQueries programme,
            RegistrationCommands registering,
            TimesQueries times,
            PickCommands picks,
            TimeLinkCommands links,
            TimeLinkQueries onceLinks,
            PersonalLinks tokens) {
        this.offerings = offerings;
        this.programme = programme;
        this.registering = registering;
        this.times = times;
        this.picks = picks;
        this.links = links;
        this.onceLinks = onceLinks;
        this.tokens = tokens;
    }

    List<DemoLife.Happening> happenings() {
        Crew crew = new Crew(SEED);
        return Stream.concat(jackets(crew).stream(), berth(crew).stream()).toList();
    }

    private static Application asked(long session, Crew.Member member) {
        return new Application(
                session,
                member.name(),
                member.email(),
                member.phone(),
                1,
                ZoneId.of(member.zone()),
                List.of(),
                List.of(),
                "");
    }

    /** A morning cut into slices, some of which are taken. */
    private List<DemoLife.Happening> jackets(Crew crew) {
        Section.Words words = Section.Words.of(
                        "Life-jacket check",
                        "Ten minutes with your life-jacket: cylinder, firing head, crotch strap, light.",
                        "Bring it **dry and repacked as you wear it**. We fire one to show how.",
                        "Your life-jacket.")
                .meant("Whoever goes afloat", "on the water", "families");
        long offering = offerings.keep(
                words,
                offerings.at(Format.IN_PERSON, "Boathouse", DemoOrganisation.SABLE),
                new Section.Length(SLICE),
                Section.Seats.of(1, 1).withoutWaitlist(),
                new Section.Look(Tint.KELP));
        LocalDateTime first = LocalDateTime.parse("2027-03-20T10:00");
        List<Long> slices = offerings.dates(
                offering,
                SLICE,
                IntStream.range(0, SLICES)
                        .mapToObj(i -> first.plusMinutes((long) i * SLICE).toString())
                        .toArray(String[]::new));
        return IntStream.of(0, 1, 2, 4, 7)
                .mapToObj(i -> {
                    Crew.Member member = crew.next().nearby();
                    Instant at = DemoClock.START.minus(Duration.ofHours(5 + 11L * i));
                    return new DemoLife.Happening(
                            at,
                            () -> registering.register(
                                    asked(slices.get(i), member), Optional.empty(), Actor.visitor(member.name())));
                })
                .toList();
    }

    /** Visits that nobody finds: whoever is to have one gets a link for one time. One link is used, one is not. */
    private List<DemoLife.Happening> berth(Crew crew) {
        Section.Words words = Section.Words.of(
                        "Berth visit",
                        "Half an hour on board your boat in her berth: lines, springs, fenders, and how she lies in a southerly.",
                        "We come on foot. **Put the kettle on.**",
                        "")
                .meant("New berth holders");
        long offering = offerings.inOpenHours(
                words,
                offerings
                        .at(Format.IN_PERSON, "Boathouse", DemoOrganisation.OTTOLINE, DemoOrganisation.SABLE)
                        .buffered(0, 10),
                new Section.Length(30),
                Section.Seats.of(1, 1).withoutWaitlist(),
                Section.Access.OPEN
                        .by(SignUpStyle.OWN_TIME)
                        .seen(Visibility.INVITED)
                        .between(60, 24),
                DemoClinic.hours("Tue–Thu 10:30-12, 16-18", HostChoice.WHOEVER_IS_FREE, OptionalInt.of(2)),
                new Section.Look(Tint.HEATHER));
        Link used = link(offering, "Petrel, berth 14");
        link(offering, "Marram, berth 9");
        Crew.Member member = crew.next().nearby();
        Instant at = DemoClock.START.minus(Duration.ofHours(20));
        return List.of(new DemoLife.Happening(at, () -> visit(offering, used, member, at)));
    }

    private Link link(long offering, String whose) {
        DayRange spring = new DayRange(Optional.empty(), Optional.of(LocalDate.of(2027, 4, 30)));
        return links.make(new TimeLinkCommands.Wish(offering, whose, Set.of(), spring), DemoActor.PROGRAM);
    }

    private void visit(long offering, Link link, Crew.Member member, Instant now) {
        Offering o = programme.offering(offering).orElseThrow();
        LocalDate from = LocalDate.of(2027, 3, 18);
        OpenTime first = times.between(o, from, from.plusDays(1), Set.of(), Viewer.anybody(now))
                .get(0);
        picks.pick(
                new PickCommands.Pick(
                        o,
                        first.start().toInstant(),
                        Optional.empty(),
                        "",
                        onceLinks.of(tokens.issue(Purpose.ONE_TIME, link))),
                asked(0, member),
                Optional.empty(),
                Actor.visitor(member.name()));
    }
}
