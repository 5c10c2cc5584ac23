package jollyroster.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.stream.Stream;
import jollyroster.Mailbox;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** People without JavaScript, on a phone, or with the keyboard only; and what axe says of every page. */
@DemoTest
@Tag("server")
class PlainVisitTest {

    private static final List<String> DESK = List.of(
            "/desk",
            "/desk/programme",
            "/desk/programme?when=past",
            "/desk/offerings/1",
            "/desk/offerings/3",
            "/desk/door/3",
            "/desk/leading/3",
            "/desk/turns/68",
            "/desk/live/68",
            "/desk/setup/rooms",
            "/desk/setup/rooms/1",
            "/desk/rooms/1",
            "/desk/rooms/1/meetings",
            "/desk/check-in/7",
            "/desk/check-in/7/entrance",
            "/desk/sessions/2",
            "/desk/sessions/3",
            "/desk/sessions/7",
            "/desk/sessions/7/roster",
            "/desk/sessions/7/roster/addresses",
            "/desk/sessions/7/add",
            "/desk/sessions/7/import",
            "/desk/sessions/7/why/120",
            "/desk/offerings/2/answers",
            "/desk/offerings/3/guests",
            "/desk/offerings/3/plan",
            "/desk/offerings/7/guests",
            "/desk/people",
            "/desk/people/1",
            "/desk/outbox",
            "/desk/outbox?show=failed",
            "/desk/outbox?show=withdrawn",
            "/desk/outbox/1",
            "/desk/setup",
            "/desk/find?q=knots");
    private static final List<String> PUBLIC = List.of(
            "/",
            "/p/knots-and-splicing-bench",
            "/p/marine-vhf-radio-procedure",
            "/p/open-evening-at-the-boathouse",
            "/p/instructor-briefing",
            "/p/coastal-navigation",
            "/mine",
            "/zone",
            "/sign-in",
            "/my/nonsense",
            "/rooms/duty-instructor",
            "/rooms/duty-instructor/mine",
            "/join/nonsense");

    @LocalServerPort
    int port;

    @Autowired
    Mailbox mailbox;

    @Test
    void without_javascript_one_can_register_change_the_zone_and_give_the_seat_back() {
        try (BrowserContext context =
                Chromium.person(port, Chromium.desktop("Asia/Singapore").setJavaScriptEnabled(false))) {
            Page page = context.newPage();
            page.navigate("/p/knots-and-splicing-bench");
            assertThat(page.locator(".facts")).containsText("on the clock where it is held, in Halifax");
            page.click("text=Change time zone");
            page.selectOption("#zone", "Europe/Oslo");
            page.click("text=Show times there");
            assertThat(page.locator(".facts")).containsText("17:00–19:00 in Oslo");

            page.click("[data-take-button]");
            assertThat(page.locator(".summary-of-problems")).containsText("things to correct");
            page.fill("#name", "Sunniva Eldjarn");
            page.fill("#email", "sunniva@nojs.example");
            page.selectOption("select[name='q.left_handed']", "Neither of us");
            page.selectOption("select[name='q.rope_to_take_home']", "Three-strand");
            page.click("[data-take-button]");
            assertThat(page.locator("main")).hasAttribute("data-state", "registered");
            page.navigate(mailbox.ownPage("sunniva@nojs.example"));
            page.click("summary >> text=Cancel registration");
            page.click("button >> text=Cancel registration");
            assertThat(page.locator("main")).hasAttribute("data-state", "cancelled");
        }
    }

    /** How many dates of the list have their seats drawn over their hours; -1 when the list shows none at all. */
    private static final String HOURS_UNDER_SEATS = """
            (() => {
              const dates = [...document.querySelectorAll('.dates-offered a')].filter(a => a.querySelector('svg'));
              const covered = dates.filter(a => {
                const hours = a.querySelector('.when > span').getBoundingClientRect();
                const seats = a.querySelector('svg').getBoundingClientRect();
                return seats.left < hours.right && seats.top < hours.bottom;
              });
              return dates.length ? covered.length : -1;
            })()
            """;

    @Test
    void on_a_phone_nothing_is_cut_off_and_one_can_register() {
        try (BrowserContext context = Chromium.person(port, Chromium.phone("America/Toronto"))) {
            Page page = context.newPage();
            for (String path : PUBLIC) {
                page.navigate(path);
                assertThat((Integer) page.evaluate("document.documentElement.scrollWidth"))
                        .as(path)
                        .isLessThanOrEqualTo(360);
            }
            page.navigate("/");
            assertThat((Integer) page.evaluate(HOURS_UNDER_SEATS)).isZero();
            page.navigate("/p/knots-and-splicing-bench");
            page.locator("input[name=session]").first().check();
            assertThat(page.locator("[data-take-button]")).hasText("Join the waitlist");
            page.fill("#name", "Tomé Quillfeather");
            page.fill("#email", "tome@phone.example");
            page.selectOption("#party", "2");
            page.selectOption("select[name='q.left_handed']", "One of us");
            page.selectOption("select[name='q.rope_to_take_home']", "Three-strand");
            assertThat(page.locator("#companion1")).isVisible();
            assertThat(page.locator("#companion2")).isHidden();
            assertThat(page.locator("[id='q.what_was_it']")).isHidden();
            page.locator("input[name='q.have_you_spliced_before'][value=yes]").check();
            assertThat(page.locator("[id='q.what_was_it']")).isVisible();
            page.click("[data-take-button]");
            assertThat(page.locator("main")).hasAttribute("data-state", "waitlisted");
            assertThat((Integer) page.evaluate("document.documentElement.scrollWidth"))
                    .isLessThanOrEqualTo(360);
            assertThat(Chromium.violations(page)).isEmpty();
            page.navigate(mailbox.ownPage("tome@phone.example"));
            assertThat(page.locator(".stub")).containsText("Place");
        }
    }

    @Test
    void on_a_phone_the_desk_scrolls_within_its_boxes_only() {
        try (BrowserContext context = Chromium.person(port, Chromium.phone("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            for (String path : DESK) {
                page.navigate(path);
                assertThat((Integer) page.evaluate("document.documentElement.scrollWidth"))
                        .as(path)
                        .isLessThanOrEqualTo(360);
            }
        }
    }

    @Test
    void with_the_keyboard_one_can_register() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Toronto"))) {
            Page page = context.newPage();
            page.navigate("/p/marine-vhf-radio-procedure");
            page.focus("#name");
            page.keyboard().type("Keziah Strand");
            page.keyboard().press("Tab");
            page.keyboard().type("keziah@keys.example");
            page.keyboard().press("Tab");
            page.keyboard().type("+1 902 555 0177");
            page.keyboard().press("Tab");
            page.keyboard().press("Space");
            page.keyboard().press("Tab");
            page.keyboard().press("ArrowDown");
            page.keyboard().press("Tab");
            page.keyboard().press("Enter");
            assertThat(page.locator("main")).hasAttribute("data-state", "registered");
            assertThat(Chromium.violations(page)).isEmpty();
            page.navigate(mailbox.ownPage("keziah@keys.example"));
            page.click("text=To the door");
            assertThat(page.locator("[data-countdown]")).isVisible();
            assertThat(Chromium.violations(page)).isEmpty();
        }
    }

    @Test
    void with_the_keyboard_one_can_walk_the_tideline_and_find() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            page.locator("html[data-ready]").waitFor();
            page.focus("[data-tideline]");
            page.keyboard().press("ArrowRight");
            page.keyboard().press("ArrowRight");
            page.keyboard().press("ArrowRight");
            page.keyboard().press("Enter");
            assertThat(page.locator("h1")).hasText("Passage-plan clinic");
            page.locator("html[data-ready]").waitFor();
            page.keyboard().press("/");
            page.keyboard().type("marine");
            page.keyboard().press("Enter");
            assertThat(page.locator("main")).containsText("Marine VHF radio procedure");
        }
    }

    @Test
    void axe_finds_nothing_on_any_page() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Toronto"))) {
            Page page = Chromium.signedIn(context);
            List<String> violations = Stream.concat(DESK.stream(), PUBLIC.stream())
                    .peek(page::navigate)
                    .flatMap(path -> Chromium.violations(page).stream())
                    .toList();
            assertThat(violations).isEmpty();
        }
    }

    @Test
    void the_browser_reports_no_error_on_any_page() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Toronto"))) {
            Page page = Chromium.signedIn(context);
            List<String> errors = new java.util.concurrent.CopyOnWriteArrayList<>();
            page.onConsoleMessage(m -> {
                if (m.type().equals("error") && !m.text().contains("404")) {
                    errors.add(page.url() + ": " + m.text());
                }
            });
            page.onPageError(error -> errors.add(page.url() + ": " + error));
            for (String path : DESK) {
                page.navigate(path);
            }
            for (String path : PUBLIC) {
                page.navigate(path);
            }
            assertThat(errors).isEmpty();
        }
    }
}
