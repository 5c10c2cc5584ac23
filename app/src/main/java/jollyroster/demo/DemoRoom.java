package jollyroster.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.IntStream;
import jollyroster.core.door.Invited;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.door.RoomDoor;
import jollyroster.core.door.RoomTerms;
import jollyroster.demo.DemoLife.Happening;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Role;
import jollyroster.rooms.RoomCommands;
import jollyroster.rooms.RoomMeetingCommands;
import jollyroster.rooms.RoomQueries;
import jollyroster.rooms.RoomStayCommands;
import jollyroster.rooms.RoomVisitCommands;
import jollyroster.rooms.StandingRoom;
import jollyroster.rooms.StandingRoom.Part;
import jollyroster.team.TeamQueries;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** The duty instructor's standing room, in which somebody sits twice a week. */
@Component
@Profile("demo")
class DemoRoom {

    private static final long SEED = 20270314;
    private static final int EVENINGS = 7;
    private static final Instant MADE = Instant.parse("2027-02-15T14:00:00Z");
    private static final Instant FIRST = Instant.parse("2027-02-16T22:00:00Z");
    private static final List<String> NOTES = List.of(
            "Springs on Thursday: **nobody** over the bar after 17:00.",
            "",
            "Anna asked for the weed chart; it is in the materials now.",
            "");
    private final RoomCommands rooms;
    private final RoomQueries queries;
    private final RoomVisitCommands visits;
    private final RoomMeetingCommands meetings;
    private final RoomStayCommands stays;
    private final PersonalLinks links;
    private final TeamQueries team;

    DemoRoom(
            RoomCommands rooms,
            RoomQueries queries,
            RoomVisitCommands visits,
            RoomMeetingCommands meetings,
            RoomStayCommands stays,
            PersonalLinks links,
            TeamQueries team) {
        this.rooms = rooms;
        this.queries = queries;
        this.visits = visits;
        this.meetings = meetings;
        this.stays = stays;
        this.links = links;
        this.team = team;
    }

    List<Happening> happenings() {
        AtomicLong room = new AtomicLong();
        List<Happening> happenings = new ArrayList<>();
        happenings.add(new Happening(MADE, () -> room.set(rooms.create(settings(), host(DemoOrganisation.SABLE)))));
        Random random = new Random(SEED);
        Crew crew = new Crew(SEED);
        List<Crew.Member> regulars =
                IntStream.range(0, 6).mapToObj(i -> crew.next()).toList();
        for (int i = 0; i < EVENINGS; i++) {
            String name = i % 3 == 1 ? DemoOrganisation.BARNABY : DemoOrganisation.SABLE;
            // Tuesdays and Fridays.
            Instant start =
                    FIRST.plus(Duration.ofDays(7L * (i / 2) + 3L * (i % 2))).plusSeconds(random.nextInt(400));
            evening(room, host(name), NOTES.get(i % NOTES.size()), start, regulars, random, happenings);
        }
        return happenings;
    }

    private static RoomCommands.Settings settings() {
        return new RoomCommands.Settings(
                new StandingRoom.Words(
                        "Duty instructor",
                        "Somebody sits here on **Tuesdays and Fridays, 18:00**. Come with whatever keeps you ashore.",
                        "[Chart of the weed at the slip](https://saltmarrow.example/weed)"),
                new RoomTerms(
                        RoomDoor.WITH_HOST,
                        "- Weather and tides of the week\n- Your questions\n- Who needs crew",
                        true),
                new Invited(List.of()),
                12,
                EnumSet.of(Part.HOSTS, Part.DESCRIPTION, Part.AGENDA, Part.INSIDE),
                StandingRoom.Afterwards.NOTES_AND_MATERIALS,
                true,
                List.of());
    }

    private void evening(
            AtomicLong room,
            Actor.Team host,
            String notes,
            Instant start,
            List<Crew.Member> regulars,
            Random random,
            List<Happening> happenings) {
        Instant end = start.plusSeconds(45 * 60L + random.nextInt(900));
        List<String> leaving = new ArrayList<>();
        happenings.add(new Happening(start, () -> {
            RoomVisitCommands.Going going = visits.enterAsHost(room.get(), host, host);
            leaving.add(joined(going.who().link(), start));
            meetings.notes(room.get(), going.meeting().id(), notes, host);
        }));
        happenings.add(new Happening(end, () -> leaving.forEach(pass -> left(pass, end))));
        regulars.stream().filter(one -> random.nextInt(2) == 0).forEach(one -> {
            Instant in = start.plusSeconds(60 + random.nextInt(1500));
            Instant out = in.plusSeconds(480 + random.nextInt(1200));
            List<String> passes = new ArrayList<>();
            happenings.add(new Happening(in, () -> come(room.get(), one).ifPresent(l -> passes.add(joined(l, in)))));
            happenings.add(new Happening(out, () -> passes.forEach(pass -> left(pass, out))));
        });
    }

    private Optional<Link> come(long number, Crew.Member one) {
        StandingRoom room = queries.room(number).orElseThrow();
        Actor self = Actor.visitor(one.name());
        return visits.knock(room, new RoomVisitCommands.Who(one.name(), one.email(), ""), "", self)
                .filter(link -> visits.enter(room, link.id(), self).isPresent());
    }

    private String joined(Link visit, Instant at) {
        String pass = links.issue(Purpose.ROOM_VISIT, visit);
        stays.joined(pass, "room-" + pass, at, DemoActor.PROGRAM);
        return pass;
    }

    private void left(String pass, Instant at) {
        stays.left(pass, "room-" + pass, at, DemoActor.PROGRAM);
    }

    private Actor.Team host(String name) {
        return team.members().stream()
                .filter(m -> m.name().equals(name))
                .findFirst()
                .map(m -> new Actor.Team(m.id(), m.name(), Role.HOST))
                .orElseThrow();
    }
}
