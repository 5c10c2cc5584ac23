package jollyroster.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import jollyroster.platform.Actor;
import jollyroster.programme.DoorRules;
import jollyroster.programme.Format;
import jollyroster.programme.Section;
import jollyroster.programme.Tint;
import jollyroster.seating.Application;
import jollyroster.seating.RegistrationCommands;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** The instructor hour of today: people come with a question and have a turn each. */
@Component
@Profile("demo")
class DemoHour {

    static final String TITLE = "Instructor hour";
    private static final long SEED = 20270312;
    private static final int PEOPLE = 7;
    private static final Instant PUBLISHED = Instant.parse("2027-03-10T11:30:00Z");
    private final DemoProgramme offerings;
    private final RegistrationCommands registering;

    DemoHour(DemoProgramme offerings, RegistrationCommands registering) {
        this.offerings = offerings;
        this.registering = registering;
    }

    List<DemoLife.Happening> happenings() {
        List<Long> session = new ArrayList<>();
        List<DemoLife.Happening> happenings = new ArrayList<>();
        happenings.add(new DemoLife.Happening(PUBLISHED, () -> session.addAll(publish())));
        Crew crew = new Crew(SEED);
        IntStream.range(0, PEOPLE).forEach(i -> {
            Crew.Member one = crew.next();
            Instant at = PUBLISHED.plus(Duration.ofMinutes(12 + 15L * i));
            happenings.add(new DemoLife.Happening(at, () -> register(session.get(0), one)));
        });
        return happenings;
    }

    private List<Long> publish() {
        Section.Words words = Section.Words.of(
                        TITLE,
                        "Come with a question. An instructor takes one after the other, in a room of your own.",
                        "Chart work, radio, engines, nerves: **anything goes**. Wait in line on your page; it says when it is your turn.",
                        "")
                .meant("Whoever has a question", "online");
        long offering = offerings.keep(
                words,
                offerings.at(Format.ONLINE, "Instructors’ corner", DemoOrganisation.BARNABY),
                new Section.Length(80),
                Section.Seats.of(12, 1).withoutWaitlist(),
                new Section.Door(new DoorRules(
                        15,
                        15,
                        false,
                        "- Have your chart or your question ready\n- Ten minutes each, more if nobody waits",
                        10,
                        false)),
                new Section.Look(Tint.OCHRE));
        return offerings.dates(offering, 80, "2027-03-10T11:10");
    }

    private void register(long session, Crew.Member one) {
        registering.register(
                new Application(
                        session, one.name(), one.email(), "", 1, ZoneId.of(one.zone()), List.of(), List.of(), ""),
                Actor.visitor(one.name()));
    }
}
