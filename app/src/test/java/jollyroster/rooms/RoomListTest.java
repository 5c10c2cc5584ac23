package jollyroster.rooms;

import static jollyroster.Saltmarrow.PROGRAM;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.TestClock;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.PersonalLinks;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The list of standing rooms says of each who is inside and waits, what was last, and whose it is. */
@AppTest
class RoomListTest {

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RoomQueries rooms;

    @Autowired
    RoomVisitQueries visits;

    @Autowired
    RoomStayCommands stays;

    @Autowired
    PersonalLinks links;

    @Autowired
    TestClock clock;

    private static int count;
    private Browserless organiser;

    @BeforeEach
    void signedIn() {
        saltmarrow.setUp();
        organiser = Browserless.organiser(port);
    }

    private StandingRoom created() {
        Browserless.Page made = organiser.post(
                "/desk/setup/rooms", "/desk/setup/rooms", Map.of("name", "Chart table " + ++count, "door", "ASKED"));
        return rooms.room(Long.parseLong(made.location().replaceAll(".*/", ""))).orElseThrow();
    }

    private String line(StandingRoom room) {
        return organiser.get("/desk/setup/rooms").document().select(".room-rows > li").stream()
                .filter(row -> row.select(".who b").text().equals(room.name()))
                .map(Element::text)
                .findFirst()
                .orElseThrow();
    }

    /** The host goes in; the service reports it. @return their pass */
    private String hostIn(StandingRoom room) {
        String desk = "/desk/rooms/" + room.id();
        organiser.post(desk, desk + "/in", Map.of());
        Instant now = clock.instant();
        RoomVisit host =
                visits.inside(rooms.present(room.id(), now).orElseThrow(), now).get(0);
        String pass = links.issue(Purpose.ROOM_VISIT, host.link());
        stays.joined(pass, "host-of-" + room.id(), now, PROGRAM);
        return pass;
    }

    private void knock(StandingRoom room, String name) {
        String path = "/rooms/" + room.slug();
        new Browserless(port).post(path, path + "/knock", Map.of("name", name));
    }

    @Test
    void each_room_says_how_many_are_inside_and_wait_and_none_says_it_of_another() {
        StandingRoom busy = created();
        StandingRoom quiet = created();
        hostIn(busy);
        knock(busy, "Ann One");
        knock(busy, "Ben Two");
        assertThat(line(busy)).contains("One person is inside. 2 waiting.");
        assertThat(line(quiet)).contains("Nobody is inside.").doesNotContain("waiting", "last:");
        clock.windOn(Duration.ofMinutes(11));
        assertThat(line(busy))
                .as("pages that no longer ask wait no more")
                .contains("One person is inside.")
                .doesNotContain("waiting");
    }

    @Test
    void the_last_meeting_is_said_once_it_is_over() {
        StandingRoom room = created();
        String host = hostIn(room);
        clock.windOn(Duration.ofMinutes(20));
        stays.left(host, "host-of-" + room.id(), clock.instant(), PROGRAM);
        assertThat(line(room)).contains("Nobody is inside.").doesNotContain("last:");
        clock.windOn(Duration.ofMinutes(15));
        assertThat(line(room)).contains("last: Wed 10 Mar, 09:40–10:00, one person");
    }

    @Test
    void it_is_said_whose_a_room_is() {
        StandingRoom room = created();
        assertThat(line(room)).contains("Demo Organiser");
        String settings = "/desk/setup/rooms/" + room.id();
        organiser.post(
                settings,
                settings,
                Map.of(
                        "name",
                        room.name(),
                        "door",
                        "ASKED",
                        "capacity",
                        "20",
                        "afterwards",
                        "NOTHING",
                        "everybodys",
                        "true"));
        assertThat(rooms.room(room.id()).orElseThrow().everybodys()).isTrue();
        assertThat(line(room)).contains("all hosts");
    }
}
