package jollyroster.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.FrameLocator;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import jollyroster.Mailbox;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** What an organiser does before and after publishing: dates, changes and their undo, lanes, sharing. */
@DemoTest
@Tag("server")
class ProgrammeStoryTest {

    private static final List<String> PAGES = List.of(
            "/desk/programme?state=waiting",
            "/desk/lanes?at=2027-03-15",
            "/desk/lanes?weeks=4",
            "/desk/offerings/5",
            "/desk/offerings/9",
            "/desk/offerings/5/share",
            "/desk/offerings/5/preview",
            "/desk/schedule/10",
            "/desk/sessions/10",
            "/desk/setup/venues",
            "/desk/setup/venues/1",
            "/desk/setup/team",
            "/desk/setup/calendars",
            "/desk/plans",
            "/desk/plans/1",
            "/desk/offerings/5/plan",
            "/desk/wordings",
            "/desk/offerings/1/rehearsal",
            "/desk/wordings/texts",
            "/desk/wordings/before-start?offering=2",
            "/desk/offerings/1/plan",
            "/desk/wordings/before-start?offering=1",
            "/desk/offerings/1/rehearsal?event=MOVES:0:36:1&event=CANCELS:1:48:0&x=440",
            "/desk/letters",
            "/desk/replies",
            "/desk/telling",
            "/standin/inbox?from=maud.tidewater@crew.example",
            "/standin/phone/+19025550195",
            "/?by=date",
            "/desk/people/431",
            "/desk/sessions/20/roster",
            "/desk/outbox",
            "/p/sea-survival-refresher",
            "/p/coastal-navigation",
            "/p/man-overboard-drill",
            "/p/passage-plan-clinic",
            "/desk/offerings/11",
            "/desk/offerings/11/times",
            "/desk/offerings/2/plan",
            "/desk/offerings/3/guests",
            "/p/instructor-briefing");

    @LocalServerPort
    int port;

    @Autowired
    Mailbox mailbox;

    @Test
    void axe_finds_nothing_and_the_browser_reports_nothing() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            List<String> errors = new java.util.concurrent.CopyOnWriteArrayList<>();
            page.onPageError(error -> errors.add(page.url() + ": " + error));
            page.onConsoleMessage(m -> {
                if (m.type().equals("error")) {
                    errors.add(page.url() + ": " + m.text());
                }
            });
            for (String path : PAGES) {
                page.navigate(path);
                assertThat(Chromium.violations(page)).as(path).isEmpty();
            }
            assertThat(errors).isEmpty();
        }
    }

    @Test
    void dates_are_typed_read_back_mended_in_place_picked_and_imported() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            page.navigate("/desk/offerings/4?open=dates");
            page.fill("#typed", "Tue 6 Apr 10-10:30, 13:45-14:15 x5\nMon 13 Apr 2027 10-11");
            Locator readings = page.locator("#readings");
            assertThat(readings)
                    .containsText("Tue 6 Apr 2027, 10:00–10:30, 13:45–14:15; and 4 more days, the last Tue 4 May 2027");
            assertThat(readings).containsText("It says Monday, but that date is a Tuesday");
            page.click("text=Add dates");
            assertThat(page.locator(".dates li")).hasCount(0);
            page.locator("#readings .wrong").click();
            page.keyboard().type("Tue 13 Apr 2027 10-11");
            assertThat(page.locator("[data-sum]")).hasText("11 dates");
            page.click("text=Add dates");
            assertThat(page.locator(".said")).containsText("11 dates added.");

            page.click(".tools summary");
            page.fill("[data-times]", "16-17");
            page.locator("[data-day='Thu 25 Mar 2027']").click();
            page.locator("[data-day='Thu 25 Mar 2027']").focus();
            page.keyboard().press("ArrowDown");
            page.keyboard().press("Enter");
            page.click("[data-write]");
            assertThat(page.locator("#typed")).hasValue("Thu 25 Mar 2027 16-17\nThu 1 Apr 2027 16-17\n");
            assertThat(page.locator("[data-sum]")).hasText("2 dates");

            page.click(".tools summary >> visible=true");
            page.locator(".tools").evaluate("tools => tools.open = true");
            page.locator("[data-day='Thu 8 Apr 2027']").click();
            page.setInputFiles("#ics", Path.of("src/test/resources/two-dates.ics"));
            page.click("text=Import");
            assertThat(page.locator("[data-day][aria-pressed=true]")).hasText("8");
            assertThat(page.locator("#typed"))
                    .hasValue(
                            "Thu 25 Mar 2027 16-17\nThu 1 Apr 2027 16-17\nFri 16 Apr 2027 18:00-20:00\nFri 23 Apr 2027 18:00-20:00\n");
            assertThat(page.locator(".said")).containsText("2 events written into the box.");
        }
    }

    @Test
    void a_session_is_moved_along_its_lane_by_keys_and_undone_before_anybody_is_told() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            page.navigate("/desk/lanes?at=2027-03-15");
            assertThat(page.locator(".conflicts .minutes")).hasText("15 min");
            Locator drill = page.locator("a.held:has-text('Man-overboard drill 14:45')");
            drill.focus();
            page.keyboard().press("ArrowLeft");
            assertThat(page.locator("#check")).containsText("Barnaby Teague double-booked, overlap 30 min");
            page.keyboard().press("ArrowRight");
            page.keyboard().press("ArrowRight");
            assertThat(page.locator("#check")).containsText("15:00–17:00 is free of conflicts.");
            page.click("#check >> text=Move session");
            assertThat(page.locator(".said")).containsText("people are told in a few minutes");
            assertThat(page.locator("#conflicts-title")).hasText("Nobody is needed in two places");
            page.locator("a.held:has-text('Man-overboard drill 15:00')").click();
            assertThat(page.locator("h1")).hasText("Man-overboard drill");
            assertThat(page.locator(".undo-bar")).containsText("moved to Sat 20 Mar 15:00");
            page.click(".undo-bar button");
            assertThat(page.locator(".said")).containsText("Undone. Nobody was told.");
            assertThat(page.locator(".sheet-head")).containsText("Sat 20 Mar, 14:45–16:45");
        }
    }

    @Test
    void a_session_is_dragged_and_left_where_it_was() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            page.navigate("/desk/lanes?at=2027-03-22");
            var box = page.locator("a.held .bar").first().boundingBox();
            page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
            page.mouse().down();
            page.mouse().move(box.x + box.width / 2 - 60, box.y + box.height / 2);
            assertThat(page.locator("#check")).containsText("Man-overboard drill to");
            page.mouse().up();
            page.click("#check >> text=Leave as it was");
            assertThat(page.locator(".is-moving")).hasCount(0);
        }
    }

    @Test
    void somebody_on_one_date_changes_it_on_their_own_page() {
        try (BrowserContext context = Chromium.person(port, Chromium.phone("America/Halifax"))) {
            Page page = context.newPage();
            page.navigate("/p/man-overboard-drill");
            page.locator("input[name=session]").nth(1).check();
            page.fill("#name", "Iris Kestleborn");
            page.fill("#email", "iris@crew.example");
            page.click("[data-take-button]");
            assertThat(page.locator("main")).hasAttribute("data-state", "registered");
            page.navigate(mailbox.ownPage("iris@crew.example"));
            page.click("summary >> text=Change the date");
            assertThat(page.locator(".drawers")).containsText("Sat 27 Mar, 14:30–16:30");
            page.click("text=Change to this date");
            assertThat(page.locator(".said")).containsText("Your date is changed.");
            assertThat(page.locator(".ticket")).containsText("Sat 27 Mar, 14:30–16:30");
            assertThat((Integer) page.evaluate("document.documentElement.scrollWidth"))
                    .isLessThanOrEqualTo(360);
        }
    }

    @Test
    void one_registration_puts_a_whole_series_on_the_ticket() {
        try (BrowserContext context = Chromium.person(port, Chromium.phone("Europe/Lisbon"))) {
            Page page = context.newPage();
            page.navigate("/p/coastal-navigation");
            assertThat(page.locator(".choice label")).hasCount(1);
            page.fill("#name", "Joaquim Strand");
            page.fill("#email", "joaquim@crew.example");
            page.locator("input[name='q.i_can_come_to_at_least_five_of']").check();
            page.click("[data-take-button]");
            assertThat(page.locator("main")).hasAttribute("data-state", "waitlisted");
            assertThat(page.locator(".series-dates li")).hasCount(6);
            assertThat(page.locator(".series-dates li").first())
                    .containsText("Wed 17 Mar, 19:00–21:00 (22:00–00:00 in Lisbon)");
            assertThat(page.locator(".series-dates li").nth(2)).containsText("23:00–01:00 in Lisbon");
        }
    }

    @Test
    void the_block_works_inside_a_page_on_another_port_and_nowhere_else() throws IOException {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page organiser = Chromium.signedIn(context);
            HttpServer club = club();
            String clubAddress = "http://localhost:" + club.getAddress().getPort();
            try {
                organiser.navigate("/desk/offerings/2/share");
                organiser.fill("#origins", clubAddress);
                organiser.click("#embed >> text=Save");
                assertThat(organiser.locator(".said")).hasText("Saved.");
                Page page = context.newPage();
                page.navigate(clubAddress + "/");
                FrameLocator block = page.frameLocator("iframe");
                assertThat(block.locator("h1")).hasText("Knots and splicing bench");
                assertThat(block.locator(".dates-offered li")).hasCount(2);
                assertThat(page.locator("iframe")).hasAttribute("style", Pattern.compile("height: \\d{3}px"));
                assertThat(page.locator("a", new Page.LocatorOptions().setHasText("Register")))
                        .hasAttribute("href", Pattern.compile("/p/knots-and-splicing-bench$"));
                Page popup =
                        page.waitForPopup(() -> block.locator("text=Register").click());
                assertThat(popup.locator("h1")).hasText("Knots and splicing bench");
                organiser.fill("#origins", "https://elsewhere.example");
                organiser.click("#embed >> text=Save");
                assertThat(organiser.locator(".said")).hasText("Saved.");
                page.reload();
                assertThat(page.frameLocator("iframe")
                                .locator("h1", new FrameLocator.LocatorOptions().setHasText("Knots")))
                        .hasCount(0);
            } finally {
                club.stop(0);
            }
        }
    }

    private HttpServer club() throws IOException {
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        String script = "<script async src=\"http://localhost:" + port
                + "/embed.js\" data-offering=\"knots-and-splicing-bench\" data-as=\"%s\"></script>";
        byte[] html = ("<!DOCTYPE html><title>A club</title><h1>Our club</h1>" + script.formatted("block")
                        + script.formatted("button"))
                .getBytes(StandardCharsets.UTF_8);
        server.createContext("/", exchange -> {
            exchange.getResponseHeaders().set("Content-Type", "text/html; charset=UTF-8");
            exchange.sendResponseHeaders(200, html.length);
            exchange.getResponseBody().write(html);
            exchange.close();
        });
        server.start();
        return server;
    }
}
