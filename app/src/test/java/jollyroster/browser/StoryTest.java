package jollyroster.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import jollyroster.Mailbox;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** From an idea to a counted attendee: described, published, registered, reminded, joined, accounted for. */
@DemoTest
@Tag("server")
class StoryTest {

    @LocalServerPort
    int port;

    @Autowired
    Mailbox mailbox;

    @Test
    void an_organiser_publishes_a_session_and_somebody_comes() {
        try (BrowserContext desk = Chromium.person(port, Chromium.desktop("America/Halifax"));
                BrowserContext outside = Chromium.person(port, Chromium.desktop("Europe/Lisbon"))) {
            Page organiser = Chromium.signedIn(desk);
            String publicPage = publish(organiser);
            Page attendee = outside.newPage();
            register(attendee, publicPage);
            String join = mailbox.join("wren@crew.example");
            waitAtTheDoor(attendee, join);
            windToTheStart(organiser);
            comeInAndLeave(attendee, organiser);
            seeAttendance(organiser);
            attendee.navigate(join);
            assertThat(attendee.locator("main")).containsText("This session is over");
        }
    }

    private static String publish(Page organiser) {
        organiser.navigate("/desk/programme");
        organiser.fill("#new", "Tide tables for beginners");
        organiser.click("text=Create offering");
        assertThat(organiser.locator("#place .part-checks")).containsText("No venue yet.");
        assertThat(organiser.locator("#dates .part-checks")).containsText("No date to come.");
        organiser.click("text=Publish");
        assertThat(organiser.locator(".warned")).containsText("Not published yet");

        open(organiser, "words");
        organiser.fill("#summary", "Read the tables, draw the curve, catch the tide.");
        organiser.fill("#description", "Bring a **pencil**.");
        save(organiser, "words");
        assertThat(organiser.locator("#words .reads")).containsText("Bring a pencil.");
        open(organiser, "place");
        organiser.selectOption("#format", "ONLINE");
        organiser.selectOption(
                "select[name='venue']",
                new com.microsoft.playwright.options.SelectOption().setLabel("Signal room (a link for each session)"));
        save(organiser, "place");
        open(organiser, "seats");
        organiser.fill("input[name='seats']", "12");
        organiser.keyboard().press("Enter");
        assertThat(organiser.locator("#seats .reads")).containsText("12 seats");
        open(organiser, "asking");
        organiser.fill("#q-label-0", "Which harbour is yours?");
        organiser.fill("#q-label-1", "How do you read the tide today?");
        organiser.selectOption("#q-kind-1", "CHOOSE_ONE");
        organiser.fill("#q-options-1", "By eye\nBy table");
        save(organiser, "asking");

        open(organiser, "dates");
        organiser.fill("#minutes", "60");
        save(organiser, "dates");
        open(organiser, "dates");
        organiser.fill("#typed", "Mon 11 Mar 10:00");
        assertThat(organiser.locator("#readings")).containsText("that date is a Thursday");
        organiser.fill("#typed", "Thu 11 Mar 10:00");
        assertThat(organiser.locator("#readings")).containsText("Thu 11 Mar 2027, 10:00–11:00");
        organiser.click("text=Add dates");
        assertThat(organiser.locator(".said")).containsText("One date added.");
        organiser.click("text=Publish");
        assertThat(organiser.locator(".ask-once")).containsText("A date has no host.");
        organiser.click("text=Publish all the same");
        assertThat(organiser.locator(".status-word")).hasText("published");
        return organiser.getAttribute(".sheet-head .what a", "href");
    }

    private static void open(Page page, String part) {
        page.click("#" + part + " [data-open]");
        assertThat(page.locator("#" + part + ".is-open")).isVisible();
    }

    private static void save(Page page, String part) {
        page.click("#" + part + " .part-fields >> text=Save");
        assertThat(page.locator("#" + part + " .reads")).isVisible();
    }

    private static void register(Page attendee, String publicPage) {
        attendee.navigate("/");
        assertThat(attendee.locator("main")).containsText("Tide tables for beginners");
        attendee.navigate(publicPage);
        assertThat(attendee.locator(".facts")).containsText("14:00–15:00");
        assertThat(attendee.locator(".facts")).containsText("10:00–11:00 in Halifax");
        attendee.fill("#name", "Wren Skerry");
        attendee.fill("#email", "wren@crew.example");
        attendee.selectOption("select[name='q.how_do_you_read_the_tide_today']", "By eye");
        attendee.click("[data-take-button]");
        assertThat(attendee.locator("main")).hasAttribute("data-state", "registered");
        assertThat(attendee.locator(".ticket")).containsText("14:00–15:00 Lisbon time");
    }

    private static void waitAtTheDoor(Page attendee, String join) {
        attendee.navigate(join);
        assertThat(attendee.locator("[data-countdown]")).containsText(Pattern.compile("\\d+ h"));
        assertThat(attendee.locator("main")).containsText("this page lets you in by itself");
    }

    /** Winds on until the session on the sheet has started; every message due on the way goes. */
    private static void windToTheStart(Page organiser) {
        organiser.navigate("/desk");
        Locator clock = organiser.locator("[data-clock]");
        for (int i = 0; i < 60 && !clock.textContent().contains("Thu 11 Mar 10:00"); i++) {
            windOn(organiser, "next");
        }
        assertThat(clock).containsText("Thu 11 Mar 10:00");
        organiser.navigate("/desk/outbox?show=sent");
        Locator reminder = organiser
                .locator(".sending")
                .filter(new Locator.FilterOptions().setHasText("Reminder, 15 minutes before"))
                .first();
        reminder.locator("a.who, .people a").first().click();
        assertThat(organiser.locator(".mail")).containsText("wren@crew.example");
        assertThat(organiser.frameLocator("iframe").locator("body")).containsText("Hello Wren");
    }

    private static void comeInAndLeave(Page attendee, Page organiser) {
        attendee.waitForURL("**/standin/meeting/**");
        assertThat(attendee.locator("ol")).containsText("Wren Skerry");
        organiser.navigate("/desk");
        assertThat(organiser.locator(".needs")).containsText("under way");
        organiser.click(".needs >> text=Look after it");
        assertThat(organiser.locator(".heads .is-inside")).containsText("1");
        organiser.click("h1 a");
        assertThat(organiser.locator("#roster tr", new Page.LocatorOptions().setHasText("Wren Skerry")))
                .containsText("inside now");
        for (int i = 0; i < 3; i++) {
            windOn(organiser, "15m");
        }
        attendee.click("text=Leave");
        assertThat(attendee.locator("main")).containsText("You have left");
        windOn(organiser, "1h");
    }

    /** Winds the clock on and waits for the page that shows the new time. */
    private static void windOn(Page organiser, String by) {
        Locator clock = organiser.locator("[data-clock]");
        String before = clock.textContent();
        organiser.click(".clock button[value='" + by + "']");
        assertThat(clock).not().hasText(before);
    }

    private static void seeAttendance(Page organiser) {
        Locator row = organiser.locator("#roster tr", new Page.LocatorOptions().setHasText("Wren Skerry"));
        assertThat(row).containsText("attended");
        assertThat(row).containsText(Pattern.compile("45 min, 7[45]\\.\\d %|46 min, 7\\d\\.\\d %"));
        row.locator("button[value=PART]").click();
        assertThat(row).containsText("by hand");
        assertThat(row).containsText("part");
        assertThat(organiser.locator(".strip-words").first().textContent()).contains("1 of 12 taken");
    }
}
