package jollyroster.hosting;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.TestClock;
import jollyroster.core.dates.Interval;
import jollyroster.exchange.CalendarReader.Counts;
import jollyroster.platform.Role;
import jollyroster.team.AccountCommands;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.test.context.TestPropertySource;

/** What of a calendar counts, and where its whole days begin, is for each calendar to say. */
@AppTest
@TestPropertySource(properties = "jolly.fetch.private=true")
class CalendarSettingsTest {

    private static final String CALENDAR = String.join(
            "\r\n",
            "BEGIN:VCALENDAR",
            "VERSION:2.0",
            "PRODID:-//t//EN",
            "BEGIN:VEVENT",
            "UID:1",
            "DTSTAMP:20270301T000000Z",
            "DTSTART;VALUE=DATE:20270317",
            "DTEND;VALUE=DATE:20270318",
            "END:VEVENT",
            "BEGIN:VEVENT",
            "UID:2",
            "DTSTAMP:20270301T000000Z",
            "DTSTART:20270320T100000Z",
            "DURATION:PT1H",
            "STATUS:TENTATIVE",
            "END:VEVENT",
            "END:VCALENDAR",
            "");

    private static int made;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    AccountCommands accounts;

    @Autowired
    PasswordEncoder passwords;

    @Autowired
    BusyReading reading;

    @Autowired
    BusyQueries busy;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private long host;

    @BeforeEach
    void member() {
        saltmarrow.setUp();
        made++;
        host = accounts.add(
                "Settled " + made, "settled" + made + "@saltmarrow.example", "-", Role.HOST, Saltmarrow.ORGANISER);
    }

    @AfterEach
    void back() {
        clock.set(TestClock.START);
    }

    private List<String> blocks() {
        Instant now = clock.instant();
        return busy.blocks(new Interval(now, now.plus(Duration.ofDays(90)))).stream()
                .filter(block -> block.host() == host)
                .map(block -> block.span().start().toString())
                .toList();
    }

    @Test
    void whole_days_begin_where_the_host_is() throws Exception {
        reading.takeFile(host, "Home", CALENDAR, CalendarSettings.USUAL, Saltmarrow.ORGANISER);
        assertThat(blocks()).containsExactly("2027-03-17T03:00:00Z", "2027-03-20T10:00:00Z");
        CalendarSettings hobart =
                new CalendarSettings(Optional.of(ZoneId.of("Australia/Hobart")), new Counts(false, false));
        reading.takeFile(host, "Away", CALENDAR, hobart, Saltmarrow.ORGANISER);
        assertThat(blocks()).contains("2027-03-16T13:00:00Z").hasSize(3);
    }

    @Test
    void a_calendar_at_an_address_is_read_anew_when_it_is_settled_otherwise() throws Exception {
        HttpServer server = HostingTest.serve(new AtomicReference<>(CALENDAR));
        try {
            String address = "http://localhost:" + server.getAddress().getPort() + "/own.ics";
            reading.takeAddress(host, "Feed " + made, address, CalendarSettings.USUAL, Saltmarrow.ORGANISER);
            assertThat(blocks()).hasSize(2);
            Browserless organiser = Browserless.organiser(port);
            String page = "/desk/setup/calendars";
            Element form = organiser.get(page).document().select("form[action$=settings]").stream()
                    .filter(one -> one.text().contains("tentative")
                            && one.select("button").attr("aria-label").contains("Feed " + made + " "))
                    .findFirst()
                    .orElseThrow();
            assertThat(form.select("[name=tentative]").hasAttr("checked")).isTrue();
            organiser.post(page, form.attr("action"), Map.of("zone", "Australia/Hobart"));
            reading.readDue();
            assertThat(blocks()).containsExactly("2027-03-16T13:00:00Z");
            assertThat(organiser.get(page).document().text())
                    .contains("tentative does not count, days in Australia/Hobart");
        } finally {
            server.stop(0);
        }
    }

    @Test
    void what_was_typed_for_a_calendar_that_is_not_added_is_kept() {
        Browserless organiser = Browserless.organiser(port);
        String page = "/desk/setup/calendars";
        organiser.post(
                page,
                page,
                Map.of("host", "" + host, "name", "Own \"cal\", <b>⚓</b>", "address", "calendar.example/x"));
        var again = organiser.get(page).document();
        assertThat(again.select(".warned").text()).startsWith("Nothing was added.");
        assertThat(again.select("form.part-form [name=name]").attr("value")).isEqualTo("Own \"cal\", <b>⚓</b>");
        assertThat(again.select("form.part-form [name=address]").attr("value")).isEqualTo("calendar.example/x");
        assertThat(again.select("form.part-form [name=host] [selected]").attr("value"))
                .isEqualTo("" + host);
        organiser.post("/desk/setup/team", "/desk/setup/team", Map.of("name", "Ola", "email", "ola", "role", "HELPER"));
        var team = organiser.get("/desk/setup/team").document();
        assertThat(team.select("form.part-form [name=email]").attr("value")).isEqualTo("ola");
        assertThat(team.select("form.part-form [selected]").attr("value")).isEqualTo("HELPER");
    }

    @Test
    void a_host_says_what_counts_of_their_own_calendars_and_of_no_others() throws Exception {
        String email = "own-calendar" + made + "@saltmarrow.example";
        long own = accounts.add("Ola Fenwright", email, passwords.encode("low-water"), Role.HOST, Saltmarrow.ORGANISER);
        Browserless browser = new Browserless(port);
        browser.post("/sign-in", "/sign-in", Map.of("email", email, "password", "low-water"));
        reading.takeFile(host, "Another's", CALENDAR, CalendarSettings.USUAL, Saltmarrow.ORGANISER);
        HttpServer server = HostingTest.serve(new AtomicReference<>(CALENDAR));
        try {
            String page = "/desk/setup/calendars";
            String address = "http://localhost:" + server.getAddress().getPort() + "/own.ics";
            browser.post(page, page, Map.of("host", "" + host, "name", "Not mine", "address", address));
            assertThat(browser.get(page).document().select("td.name"))
                    .as("another's")
                    .isEmpty();
            browser.post(page, page, Map.of("host", "" + own, "name", "Mine", "address", address, "tentative", "true"));
            var shown = browser.get(page).document();
            assertThat(shown.select("nav[aria-label=Desk] [aria-current]").text())
                    .isEqualTo("My calendars");
            assertThat(shown.select("nav[aria-label=Setup]")).isEmpty();
            assertThat(shown.select("td.name").eachText()).containsExactly("Ola Fenwright");
            browser.post(page, shown.select("form[action$=settings]").attr("action"), Map.of("free", "true"));
            assertThat(busy.calendars().stream().filter(c -> c.host() == own))
                    .extracting(BusyQueries.Calendar::settings)
                    .containsExactly(new CalendarSettings(Optional.empty(), new Counts(false, true)));
            long others = busy.calendars().stream()
                    .filter(c -> c.host() == host)
                    .findFirst()
                    .orElseThrow()
                    .id();
            assertThat(browser.post(page, page + "/" + others + "/forget", Map.of())
                            .status())
                    .isEqualTo(403);
            assertThat(busy.calendars()).extracting(BusyQueries.Calendar::id).contains(others);
        } finally {
            server.stop(0);
        }
    }

    @Test
    void a_file_is_read_once_and_a_zone_that_is_none_is_not_kept() throws Exception {
        reading.takeFile(host, "File " + made, CALENDAR, CalendarSettings.USUAL, Saltmarrow.ORGANISER);
        BusyQueries.Calendar file = busy.calendars().stream()
                .filter(c -> c.host() == host)
                .findFirst()
                .orElseThrow();
        Browserless organiser = Browserless.organiser(port);
        organiser.post(
                "/desk/setup/calendars",
                "/desk/setup/calendars/" + file.id() + "/settings",
                Map.of("zone", "Nowhere/Else", "free", "true"));
        assertThat(busy.calendars()).contains(file);
    }
}
