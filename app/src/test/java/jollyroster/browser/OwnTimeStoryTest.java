package jollyroster.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import jollyroster.Mailbox;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Open hours drawn by their organiser, and a time picked, held and moved by somebody on a phone. */
@DemoTest
@Tag("server")
class OwnTimeStoryTest {

    private static final String CLINIC = "/p/passage-plan-clinic";

    @LocalServerPort
    int port;

    @Autowired
    Mailbox mailbox;

    private static Locator hours(Page page) {
        return page.locator("textarea[name=hours]");
    }

    private static Page clinicHours(BrowserContext context) {
        Page page = Chromium.signedIn(context);
        page.navigate("/desk/offerings?q=clinic");
        page.click("main a:text('Passage-plan clinic')");
        page.focus("#hours [data-open]");
        page.keyboard().press("Enter");
        assertThat(page.locator(".week-hours .band[tabindex]")).not().hasCount(0);
        return page;
    }

    @Test
    void hours_are_typed_and_drawn_by_keys_and_mouse() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = clinicHours(context);
            assertThat(Chromium.violations(page)).isEmpty();
            hours(page).fill("Mon 9-11\nWed 9-11; 17 Mar only 14-15");
            assertThat(page.locator(".week-hours .band")).hasCount(2);
            page.locator(".week-hours .band").first().focus();
            page.keyboard().press("ArrowDown");
            assertThat(hours(page)).hasValue(Pattern.compile("^Mon 09:15-11:15\\n.*", Pattern.DOTALL));
            page.keyboard().press("Shift+ArrowUp");
            assertThat(hours(page)).hasValue(Pattern.compile("^Mon 09:15-11:00\\n.*", Pattern.DOTALL));
            page.click("[data-alike]");
            assertThat(hours(page)).hasValue("Mon–Fri 09:15-11:00\n17 Mar 2027 only 14:00-15:00");
            drag(page, 5, 0.3, 0.6);
            assertThat(hours(page)).hasValue(Pattern.compile(".*Sat \\d\\d:\\d\\d-\\d\\d:\\d\\d.*", Pattern.DOTALL));
            page.click("[data-remove]");
            assertThat(hours(page)).hasValue("Mon–Fri 09:15-11:00\n17 Mar 2027 only 14:00-15:00");
            page.click("[data-ahead='2027-03-17']");
            page.fill("[data-day-hours]", "closed");
            page.click("[data-edit=from]");
            assertThat(hours(page)).hasValue(Pattern.compile(".*Wed closed from 17 Mar 2027.*", Pattern.DOTALL));
            hours(page).fill("Mon at lunch");
            assertThat(page.locator(".hours-problems")).containsText("Open hours, line 1");
            page.click("#hours [data-close]");
        }
    }

    /** Draws a stretch on a day, from one share of its height to another. */
    private static void drag(Page page, int day, double from, double until) {
        Locator column = page.locator(".week-hours .column").nth(day);
        column.scrollIntoViewIfNeeded();
        BoundingBox box = column.boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height * from);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2, box.y + box.height * (from + until) / 2);
        page.mouse().move(box.x + box.width / 2, box.y + box.height * until);
        page.mouse().up();
    }

    @Test
    void open_hours_of_one_day_are_changed_on_the_host_schedule_by_keys_and_mouse() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            page.navigate("/desk/lanes?at=2027-04-12");
            assertThat(page.locator("html")).hasAttribute("data-ready", "");
            Locator morning = page.locator("a.open-hours[data-day='2027-04-13'][data-from='540']");
            morning.first().focus();
            page.keyboard().press("ArrowRight");
            page.keyboard().press("Shift+ArrowRight");
            assertThat(page.locator("[data-check]")).containsText("Tue 13 Apr: open 09:15-11:30");
            assertThat(Chromium.violations(page)).isEmpty();
            page.keyboard().press("Escape");
            assertThat(page.locator("[data-check]")).isHidden();
            BoundingBox box = morning.first().locator("rect").boundingBox();
            page.mouse().move(box.x + box.width / 2, box.y + 4);
            page.mouse().down();
            page.mouse().move(box.x + box.width, box.y + 4);
            page.mouse().move(box.x + 1.5 * box.width, box.y + 4);
            page.mouse().up();
            assertThat(page.locator("[data-check]")).containsText(Pattern.compile("open 1\\d:\\d\\d-1\\d:\\d\\d"));
            page.keyboard().press("Escape");
            morning.first().focus();
            page.keyboard().press("Delete");
            assertThat(page.locator("[data-check]"))
                    .containsText("open 14:00-15:20, 19:00-20:20, instead of 09:00-11:00");
            page.keyboard().press("Enter");
            assertThat(page.locator("[data-check] button").first()).isFocused();
            page.keyboard().press("Enter");
            assertThat(page.locator(".said")).containsText("Tue 13 Apr: open 14:00-15:20, 19:00-20:20");
            assertThat(morning).hasCount(0);
        }
    }

    @Test
    void a_time_is_picked_on_a_phone_held_registered_for_and_moved() {
        try (BrowserContext context = Chromium.person(port, Chromium.phone("Europe/Lisbon"))) {
            Page page = context.newPage();
            page.navigate(CLINIC);
            assertThat(page.locator("html")).hasAttribute("data-ready", "");
            assertThat(Chromium.violations(page)).isEmpty();
            Locator monday = page.locator(".tide-day", new Page.LocatorOptions().setHasText("15 Mar"));
            assertThat(monday.locator("li button").first()).isHidden();
            monday.locator("[data-open-day]").click();
            monday.locator("li button").nth(1).click();
            assertThat(page.locator("[data-held]")).containsText(Pattern.compile("held for you [45]:\\d\\d"));
            assertThat(Chromium.violations(page)).isEmpty();
            page.fill("#name", "Perpetua Gannet");
            monday.locator("li button").nth(2).click();
            assertThat(page.locator("#name")).hasValue("Perpetua Gannet");
            page.fill("#email", "perpetua@gannet.example");
            page.click("button.take");
            assertThat(page.locator("h1")).containsText("You are registered, Perpetua");
            page.navigate(mailbox.ownPage("perpetua@gannet.example"));
            page.click("text=Pick another time");
            Locator tuesday = page.locator(".tide-day", new Page.LocatorOptions().setHasText("16 Mar"));
            tuesday.locator("[data-open-day]").click();
            tuesday.locator("li button").first().click();
            assertThat(page.locator("#ask")).containsText("Instead of Mon 15 Mar");
            assertThat(Chromium.violations(page)).isEmpty();
            page.click("text=Move to this time");
            assertThat(page.locator(".said")).containsText("Your date is changed");
            assertThat(page.locator(".ticket")).containsText("Tue 16 Mar");
        }
    }

    @Test
    void arrow_keys_go_through_the_times() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = context.newPage();
            page.navigate(CLINIC + "?from=2027-03-15");
            assertThat(page.locator("html")).hasAttribute("data-ready", "");
            assertThat(page.locator(".tide-day li button[tabindex='0']")).hasCount(1);
            page.locator(".tide-day li button[tabindex='0']").focus();
            page.keyboard().press("ArrowDown");
            page.keyboard().press("ArrowRight");
            Object chosen = page.evaluate("document.activeElement.value");
            assertThat(String.valueOf(chosen)).startsWith("2027-03-16T09:20");
            page.keyboard().press("Enter");
            assertThat(page.locator("#ask h2")).containsText("Tue 16 Mar, 09:20");
        }
    }
}
