package jollyroster.hosting;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.dates.Interval;
import jollyroster.core.readiness.Readiness.Clash;
import jollyroster.door.LinkWorker;
import jollyroster.platform.Role;
import jollyroster.programme.MeetingLink;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.schedule.ScheduleCommands;
import jollyroster.standin.MeetingStandin;
import jollyroster.team.AccountCommands;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.TestPropertySource;

/** Conflicts through the store, calendars that are read, and links that come late. */
@AppTest
@TestPropertySource(properties = "jolly.fetch.private=true")
class HostingTest {

    private static int made;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    AccountCommands accounts;

    @Autowired
    ScheduleCommands schedule;

    @Autowired
    ConflictFinder finder;

    @Autowired
    BusyReading reading;

    @Autowired
    BusyQueries busy;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    LinkWorker links;

    @Autowired
    MeetingStandin meetings;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    @AfterEach
    void back() {
        clock.set(TestClock.START);
        meetings.setMood(MeetingStandin.Mood.PROMPT);
    }

    private long host() {
        saltmarrow.setUp();
        made++;
        return accounts.add(
                "Host Number " + made, "host" + made + "@saltmarrow.example", "-", Role.HOST, Saltmarrow.ORGANISER);
    }

    private List<Clash> clashes(Published at) {
        return finder.of(List.of(programme.session(at.session()).orElseThrow()), clock.instant());
    }

    @Test
    void a_host_in_two_sessions_at_once_is_found_from_both_sides() {
        long host = host();
        Published one = saltmarrow.publish(seats(3).at("2027-03-18T10:00"));
        Published other = saltmarrow.publish(seats(3).at("2027-03-18T11:30"));
        schedule.lead(one.session(), List.of(host), Saltmarrow.ORGANISER);
        assertThat(clashes(one)).isEmpty();
        schedule.lead(other.session(), List.of(host), Saltmarrow.ORGANISER);
        assertThat(clashes(one)).singleElement().satisfies(c -> {
            assertThat(c.conflict().minutes()).isEqualTo(30);
            assertThat(c.session()).isEqualTo(one.session());
            assertThat(c.name()).startsWith("Host Number");
        });
        assertThat(clashes(other)).hasSize(1);
        schedule.move(other.session(), Instant.parse("2027-03-18T15:00:00Z"), Saltmarrow.ORGANISER);
        assertThat(clashes(one)).isEmpty();
    }

    @Test
    void nobody_is_told_to_hold_an_evening_in_the_night() {
        long host = host();
        Published one = saltmarrow.publish(seats(3).at("2027-05-07T19:00"));
        Published other = saltmarrow.publish(seats(3).at("2027-05-07T20:00"));
        schedule.lead(one.session(), List.of(host), Saltmarrow.ORGANISER);
        schedule.lead(other.session(), List.of(host), Saltmarrow.ORGANISER);
        Browserless.Page lanes = Browserless.organiser(port).get("/desk/lanes?at=2027-05-07");
        assertThat(lanes.document().select(".conflicts .minutes").text()).isEqualTo("60 min");
        assertThat(lanes.document().select(".ways input[name=start]")).isEmpty();
    }

    @Test
    void the_lanes_offer_ways_out_and_moving_re_checks_at_once() {
        long host = host();
        Published one = saltmarrow.publish(seats(3).at("2027-04-08T10:00"));
        Published other = saltmarrow.publish(seats(3).at("2027-04-08T11:30"));
        schedule.lead(one.session(), List.of(host), Saltmarrow.ORGANISER);
        schedule.lead(other.session(), List.of(host), Saltmarrow.ORGANISER);
        Browserless organiser = Browserless.organiser(port);
        Browserless.Page lanes = organiser.get("/desk/lanes?at=2027-04-08");
        assertThat(lanes.document().select(".conflicts .minutes").text()).isEqualTo("30 min");
        assertThat(lanes.document().select(".ways input[name=start]").attr("value"))
                .isEqualTo("2027-04-08T12:00");
        Browserless.Page check = organiser.post(
                "/desk/lanes",
                "/desk/lanes/check",
                Map.of("session", String.valueOf(other.session()), "start", "2027-04-08T09:45"));
        assertThat(check.document().select(".collides").text()).contains("double-booked, overlap 105 min");
        organiser.post(
                "/desk/lanes",
                "/desk/lanes/move",
                Map.of("session", String.valueOf(other.session()), "start", "2027-04-08T12:00", "at", "2027-04-08"));
        assertThat(organiser.get("/desk/lanes?at=2027-04-08").document().select(".conflicts li"))
                .isEmpty();
    }

    @Test
    void a_calendar_file_keeps_times_only_and_collides() throws Exception {
        long host = host();
        int times =
                reading.takeFile(host, "own", calendar("Private thing"), CalendarSettings.USUAL, Saltmarrow.ORGANISER);
        assertThat(times).isEqualTo(4);
        Published at = saltmarrow.publish(seats(3).at("2027-03-17T10:30"));
        schedule.lead(at.session(), List.of(host), Saltmarrow.ORGANISER);
        assertThat(clashes(at))
                .singleElement()
                .satisfies(c -> assertThat(c.conflict().minutes()).isEqualTo(30));
    }

    @Test
    void a_calendar_at_an_address_is_read_again_every_fifteen_minutes_and_keeps_what_it_knew() throws Exception {
        long host = host();
        AtomicReference<String> answer = new AtomicReference<>(calendar("first"));
        HttpServer server = serve(answer);
        try {
            reading.takeAddress(
                    host,
                    "feed",
                    "http://localhost:" + server.getAddress().getPort() + "/own.ics",
                    CalendarSettings.USUAL,
                    Saltmarrow.ORGANISER);
            answer.set("no calendar at all");
            clock.windOn(Duration.ofMinutes(14));
            reading.readDue();
            assertThat(calendarOf(host).problem()).isEmpty();
            clock.windOn(Duration.ofMinutes(1));
            reading.readDue();
            assertThat(calendarOf(host).problem()).contains("not a calendar file");
            assertThat(blocksOf(host)).hasSize(4);
            answer.set("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nEND:VCALENDAR\r\n");
            clock.windOn(Duration.ofMinutes(15));
            reading.readDue();
            assertThat(calendarOf(host).problem()).isEmpty();
            assertThat(blocksOf(host)).isEmpty();
        } finally {
            server.stop(0);
        }
    }

    private BusyQueries.Calendar calendarOf(long host) {
        return busy.calendars().stream()
                .filter(c -> c.host() == host)
                .findFirst()
                .orElseThrow();
    }

    private List<BusyQueries.Block> blocksOf(long host) {
        return busy.blocks(new Interval(clock.instant(), clock.instant().plus(Duration.ofDays(90)))).stream()
                .filter(b -> b.host() == host)
                .toList();
    }

    static HttpServer serve(AtomicReference<String> answer) throws IOException {
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", exchange -> {
            byte[] body = answer.get().getBytes(StandardCharsets.UTF_8);
            exchange.sendResponseHeaders(200, body.length);
            exchange.getResponseBody().write(body);
            exchange.close();
        });
        server.start();
        return server;
    }

    /** Wednesdays 09:00–11:00 in Halifax, four times, the second moved to 15:00, and one event that leaves people free. */
    private static String calendar(String title) {
        return String.join(
                "\r\n",
                "BEGIN:VCALENDAR",
                "VERSION:2.0",
                "PRODID:-//test//EN",
                "BEGIN:VEVENT",
                "UID:1@x",
                "DTSTAMP:20270101T000000Z",
                "DTSTART;TZID=America/Halifax:20270317T090000",
                "DTEND;TZID=America/Halifax:20270317T110000",
                "RRULE:FREQ=WEEKLY;COUNT=5",
                "EXDATE;TZID=America/Halifax:20270407T090000",
                "SUMMARY:" + title,
                "END:VEVENT",
                "BEGIN:VEVENT",
                "UID:1@x",
                "RECURRENCE-ID;TZID=America/Halifax:20270324T090000",
                "DTSTAMP:20270101T000000Z",
                "DTSTART;TZID=America/Halifax:20270324T150000",
                "DTEND;TZID=America/Halifax:20270324T170000",
                "SUMMARY:" + title,
                "END:VEVENT",
                "BEGIN:VEVENT",
                "UID:2@x",
                "DTSTAMP:20270101T000000Z",
                "DTSTART:20270318T090000Z",
                "DTEND:20270318T110000Z",
                "TRANSP:TRANSPARENT",
                "END:VEVENT",
                "END:VCALENDAR",
                "");
    }

    @Test
    void a_link_that_is_late_is_asked_for_again_and_one_that_fails_says_so() {
        meetings.setMood(MeetingStandin.Mood.LATE);
        Published late = saltmarrow.publish(seats(3).onAir("2027-03-19T10:00"));
        assertThat(links.makeWanted()).isZero();
        assertThat(link(late).state()).isEqualTo(MeetingLink.State.WANTED);
        assertThat(link(late).problem()).contains("busy");
        clock.windOn(Duration.ofMinutes(1));
        assertThat(links.makeWanted()).isEqualTo(1);
        assertThat(link(late).state()).isEqualTo(MeetingLink.State.MADE);

        meetings.setMood(MeetingStandin.Mood.FAILING);
        Published failing = saltmarrow.publish(seats(3).onAir("2027-03-19T13:00"));
        for (int i = 0; i < 6; i++) {
            links.makeWanted();
            clock.windOn(Duration.ofHours(1));
        }
        assertThat(link(failing).state()).isEqualTo(MeetingLink.State.FAILED);
        assertThat(link(failing).askedAgain()).as("still asked for, each hour").isNotNull();
        Browserless organiser = Browserless.organiser(port);
        assertThat(organiser
                        .get("/desk/offerings/" + failing.offering())
                        .document()
                        .select(".notes")
                        .text())
                .contains("A meeting link could not be made.");
        assertThat(organiser
                        .get("/desk/sessions/" + failing.session())
                        .document()
                        .select(".link-line")
                        .text())
                .contains("It is asked for again by itself, next at");
        meetings.setMood(MeetingStandin.Mood.PROMPT);
        organiser.post(
                "/desk/sessions/" + failing.session(), "/desk/schedule/" + failing.session() + "/link", Map.of());
        assertThat(links.makeWanted()).isEqualTo(1);
        assertThat(link(failing).state()).isEqualTo(MeetingLink.State.MADE);
    }

    private MeetingLink link(Published at) {
        return programme.session(at.session()).orElseThrow().link();
    }

    @Test
    void nonsense_as_a_calendar_adds_nothing() {
        long host = host();
        assertThatThrownBy(() -> reading.takeFile(host, "x", "hello", CalendarSettings.USUAL, Saltmarrow.ORGANISER))
                .isInstanceOf(BusyReading.NotRead.class);
        String deep = "BEGIN:VCALENDAR\r\n" + "BEGIN:VEVENT\r\n".repeat(50);
        assertThatThrownBy(() -> reading.takeFile(host, "x", deep, CalendarSettings.USUAL, Saltmarrow.ORGANISER))
                .hasMessageContaining("nested too deeply");
        assertThat(blocksOf(host)).isEmpty();
    }
}
