package jollyroster.rooms;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.PROGRAM;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.TestClock;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.outbox.OutboxWorker;
import jollyroster.platform.PersonalLinks;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** A room with an address that never changes: who comes in and when, what holds once, and what is kept. */
@AppTest
class StandingRoomsOverHttpTest {

    private static final String HOST = "the host";

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RoomQueries rooms;

    @Autowired
    RoomVisitQueries visits;

    @Autowired
    RoomMeetingCommands meetings;

    @Autowired
    RoomStayCommands stays;

    @Autowired
    PersonalLinks links;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TrayQueries tray;

    @Autowired
    TestClock clock;

    private static int count;
    private String name;
    private Browserless organiser;
    private StandingRoom room;
    private String path;
    private String desk;

    @BeforeEach
    void aRoom() {
        saltmarrow.setUp();
        organiser = Browserless.organiser(port);
        name = "Slipway chat " + ++count;
        Browserless.Page made =
                organiser.post("/desk/setup/rooms", "/desk/setup/rooms", Map.of("name", name, "door", "WITH_HOST"));
        long id = Long.parseLong(made.location().replaceAll(".*/", ""));
        room = rooms.room(id).orElseThrow();
        path = "/rooms/" + room.slug();
        desk = "/desk/rooms/" + id;
    }

    @AfterEach
    void nothingIsLeftToSend() {
        worker.sendDue();
    }

    private void change(String... fields) {
        Map<String, String> all = new LinkedHashMap<>(Map.of(
                "name",
                "Slipway chat",
                "door",
                "WITH_HOST",
                "capacity",
                "20",
                "afterwards",
                "NOTHING",
                "shows",
                "AGENDA"));
        for (int i = 0; i < fields.length; i += 2) {
            all.put(fields[i], fields[i + 1]);
        }
        String settings = "/desk/setup/rooms/" + room.id();
        assertThat(organiser.post(settings, settings, all).status()).isEqualTo(302);
    }

    private Browserless come(String name, String... more) {
        Browserless guest = new Browserless(port);
        knock(guest, name, more);
        return guest;
    }

    private Browserless.Page knock(Browserless guest, String name, String... more) {
        Map<String, String> fields = new LinkedHashMap<>(Map.of("name", name));
        for (int i = 0; i < more.length; i += 2) {
            fields.put(more[i], more[i + 1]);
        }
        return guest.post(path, path + "/knock", fields);
    }

    private String state(Browserless guest) {
        return guest.get(path).state();
    }

    private RoomMeeting present() {
        return rooms.present(room.id(), clock.instant()).orElseThrow();
    }

    private RoomVisit inside(String name) {
        return visits.inside(present(), clock.instant()).stream()
                .filter(v -> v.name().equals(name) || name.equals(HOST) && v.account() != 0)
                .findFirst()
                .orElseThrow();
    }

    /** The host goes in, and the service reports it. */
    private String hostIn() {
        assertThat(organiser.post(desk, desk + "/in", Map.of()).location()).contains("/standin/meeting/");
        return reported(HOST, "host-" + room.id());
    }

    private String reported(String name, String stay) {
        String pass = links.issue(Purpose.ROOM_VISIT, inside(name).link());
        stays.joined(pass, stay, clock.instant(), PROGRAM);
        return pass;
    }

    private String mail(String to) {
        worker.sendDue();
        return tray.latestTo(to).orElseThrow().text();
    }

    private void decide(String name, String decision, String word) {
        RoomVisit visit = visits.waiting(room.id(), clock.instant()).stream()
                .filter(v -> v.name().equals(name))
                .findFirst()
                .orElseThrow();
        organiser.post(desk, desk + "/visits/" + visit.id(), Map.of("do", decision, "word", word));
    }

    @Test
    void a_locked_room_opens_with_the_host_and_closes_behind_them() {
        Browserless early = come("Ann Early");
        assertThat(state(early)).isEqualTo("waiting");
        String host = hostIn();
        assertThat(state(early)).isEqualTo("inside");
        assertThat(early.get(path + "/in").location()).contains("/standin/meeting/");
        stays.left(host, "host-" + room.id(), clock.instant().plusSeconds(1), PROGRAM);
        assertThat(state(come("Ben Late"))).isEqualTo("waiting");
    }

    @Test
    void a_room_that_is_created_twice_with_one_press_is_one_room() {
        Browserless.Page again =
                organiser.post("/desk/setup/rooms", "/desk/setup/rooms", Map.of("name", name, "door", "WITH_HOST"));
        assertThat(again.location()).endsWith("/" + room.id());
    }

    @Test
    void whoever_presses_twice_comes_once() {
        new Browserless(port).pressTwice(path, path + "/knock", Map.of("name", "Ann One"));
        assertThat(visits.waiting(room.id(), clock.instant())).hasSize(1);
    }

    @Test
    void an_unlocked_room_lets_people_in_at_any_time_up_to_its_limit() {
        change("door", "UNLOCKED", "capacity", "2");
        Browserless first = new Browserless(port);
        assertThat(knock(first, "Ann One").location()).endsWith(path + "/in");
        assertThat(first.get(path + "/in").location()).contains("/standin/meeting/");
        come("Ben Two").get(path + "/in");
        assertThat(state(come("Cy Three"))).isEqualTo("full");
        assertThat(knock(new Browserless(port), "Ann").status())
                .as("half a name")
                .isEqualTo(422);
    }

    @Test
    void a_host_lets_each_in_asks_to_wait_and_turns_away_with_a_word() {
        change("door", "ASKED");
        hostIn();
        Browserless ann = come("Ann One", "says", "about the weed");
        Browserless ben = come("Ben Two");
        assertThat(organiser.get(desk).document().select(".knocks").text()).contains("Ann One", "about the weed");
        decide("Ann One", "ASK_TO_WAIT", "Two minutes.");
        assertThat(state(ann)).isEqualTo("asked-to-wait");
        assertThat(ann.get(path).document().text()).contains("Two minutes.");
        decide("Ann One", "ADMIT", "");
        assertThat(state(ann)).isEqualTo("inside");
        decide("Ben Two", "TURN_AWAY", "Tomorrow, please.");
        assertThat(ben.get(path).document().text()).contains("Tomorrow, please.");
        assertThat(ben.get(path + "/in").location()).as("a step skipped").endsWith(path);
        ben.post(path, path + "/again", Map.of());
        assertThat(state(ben)).isEqualTo("waiting");
        decide("Ben Two", "BAR", "");
        ben.get(path);
        assertThat(ben.get(path).document().select("form[action$=again]")).isEmpty();
    }

    @Test
    void what_is_set_this_time_holds_until_the_meeting_is_over() {
        change("agenda", "- Weather");
        String host = hostIn();
        organiser.post(desk, desk + "/this-time", Map.of("door", "ASKED", "agenda", "- Exam", "email", "true"));
        Browserless guest = new Browserless(port);
        assertThat(guest.get(path).document().text()).contains("Exam").doesNotContain("Weather");
        assertThat(guest.get(path).document().select("#email")).hasSize(1);
        stays.left(host, "host-" + room.id(), clock.instant(), PROGRAM);
        clock.windOn(Duration.ofMinutes(14));
        meetings.tidy(PROGRAM);
        assertThat(guest.get(path).document().text()).contains("Exam");
        clock.windOn(Duration.ofMinutes(1));
        assertThat(guest.get(path).document().text()).contains("Weather").doesNotContain("Exam");
        meetings.tidy(PROGRAM);
        assertThat(rooms.past(room.id(), clock.instant(), 5)).hasSize(1);
    }

    @Test
    void reports_that_come_late_twice_and_in_any_order_say_who_was_there_and_how_long() {
        hostIn();
        come("Ann One").get(path + "/in");
        String ann = links.issue(Purpose.ROOM_VISIT, inside("Ann One").link());
        Instant at = clock.instant();
        stays.left(ann, "a", at.plusSeconds(600), PROGRAM);
        stays.joined(ann, "a", at, PROGRAM);
        stays.joined(ann, "a", at, PROGRAM);
        stays.left(ann, "a", at.plusSeconds(900), PROGRAM);
        stays.joined(ann, "b", at.plusSeconds(300), PROGRAM);
        stays.left(ann, "b", at.plusSeconds(1200), PROGRAM);
        stays.left(
                links.issue(Purpose.ROOM_VISIT, inside(HOST).link()), "host-" + room.id(), at.plusSeconds(60), PROGRAM);
        clock.windOn(Duration.ofHours(1));
        assertThat(organiser.get(desk).document().select(".whom").text()).contains("Ann One 20 min");
        assertThat(organiser.get(desk + "/meetings.csv").response().body()).contains("Ann One,,guest");
    }

    @Test
    void a_guest_sees_the_meetings_they_were_in_by_mailed_link_as_far_as_the_room_allows() {
        change(
                "door",
                "UNLOCKED",
                "email",
                "true",
                "afterwards",
                "NOTES",
                "materials",
                "[Chart](https://saltmarrow.example/c)");
        come("Ann One", "email", "Ann@Crew.example").get(path + "/in");
        String pass = links.issue(Purpose.ROOM_VISIT, inside("Ann One").link());
        stays.joined(pass, "g", clock.instant(), PROGRAM);
        stays.left(pass, "g", clock.instant().plusSeconds(300), PROGRAM);
        meetings.notes(room.id(), present().id(), "Springs **Thursday**", ORGANISER);
        clock.windOn(Duration.ofHours(1));
        Browserless later = new Browserless(port);
        later.post(path + "/mine", path + "/mine", Map.of("email", "ann@crew.example"));
        String link = mail("ann@crew.example").replaceAll("(?s).*(/rooms/[\\w./-]+).*", "$1");
        assertThat(link).contains("/mine/");
        assertThat(later.get(link).document().text())
                .contains("You were there for 5 min", "Springs Thursday")
                .doesNotContain("Chart");
        assertThat(later.get(link.substring(0, link.length() - 1) + "x").status())
                .isEqualTo(404);
        change("door", "UNLOCKED", "email", "true", "afterwards", "NOTHING");
        assertThat(later.get(link).status()).as("no longer allowed").isEqualTo(404);
    }

    @Test
    void a_room_for_certain_people_asks_for_a_code_that_only_their_mailbox_has() {
        change("door", "UNLOCKED", "who", "@crew.example");
        Browserless stranger = new Browserless(port);
        assertThat(knock(stranger, "Eve Else", "email", "eve@else.example").status())
                .isEqualTo(422);
        assertThat(knock(stranger, "Ann One", "email", "ann2@crew.example")
                        .document()
                        .select("#code"))
                .hasSize(1);
        String code = mail("ann2@crew.example").replaceAll("(?s).*?\\b(\\d{6})\\b.*", "$1");
        assertThat(knock(stranger, "Ann One", "email", "ann2@crew.example", "code", "x" + code)
                        .document()
                        .text())
                .contains("not the code");
        assertThat(knock(stranger, "Ann One", "email", "ann2@crew.example", "code", code)
                        .location())
                .endsWith("/in");
    }

    @Test
    void the_address_stays_with_another_name_and_a_closed_room_says_so() {
        change("name", "Another name");
        assertThat(new Browserless(port).get(path).document().select("h1").text())
                .isEqualTo("Another name");
        String settings = "/desk/setup/rooms/" + room.id();
        organiser.post(settings, settings + "/retire", Map.of("retired", "true"));
        assertThat(state(new Browserless(port))).isEqualTo("over");
        assertThat(new Browserless(port).get("/rooms/nothing-here").status()).isEqualTo(404);
        assertThat(path).startsWith("/rooms/slipway-chat");
    }
}
