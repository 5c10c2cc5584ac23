package jollyroster.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** A guest on a phone knocks, and two desks see it without loading anything anew. */
@DemoTest
@Tag("server")
class DoorStoryTest {

    /** Counts tones where there is nothing to hear them. */
    private static final String TONES = """
            window.tones = 0;
            const node = () => ({
              connect: (next) => next, start() {}, stop() {}, frequency: {},
              gain: { setValueAtTime() {}, exponentialRampToValueAtTime() {} },
            });
            window.AudioContext = class {
              createOscillator() { window.tones += 1; return node(); }
              createGain() { return node(); }
            };""";

    @LocalServerPort
    int port;

    @Test
    void a_guest_knocks_on_a_phone_and_goes_in_when_a_key_is_pressed() {
        try (BrowserContext one = Chromium.person(port, Chromium.desktop("America/Halifax"));
                BrowserContext other = Chromium.person(port, Chromium.desktop("America/Halifax"));
                BrowserContext outside = Chromium.person(port, Chromium.phone("Europe/Lisbon"))) {
            one.addInitScript(TONES);
            other.addInitScript(TONES);
            Page desk = Chromium.signedIn(one);
            windToTheDoor(desk);
            String session = desk.locator("[data-tideline] a")
                    .filter(new Locator.FilterOptions().setHasText("Marine VHF"))
                    .first()
                    .getAttribute("href")
                    .replaceAll(".*/", "");
            open(desk, "/desk/door/" + session);
            assertThat(desk.locator(".knocks li")).hasCount(3);
            assertThat(desk.locator(".knocks .second")).hasCount(1);
            desk.locator("button:text-is('Admit all')").click();
            assertThat(desk.locator(".knocks li")).hasCount(0);
            desk.locator(".guest-way button")
                    .filter(new Locator.FilterOptions().setHasText("Create link"))
                    .first()
                    .click();
            String link = desk.locator("#way-session").inputValue();
            open(desk, "/desk/door/" + session);
            Page second = Chromium.signedIn(other);
            open(second, "/desk/door/" + session);
            second.locator("[data-sound]").check();
            second.waitForFunction("window.tones === 2");

            Page guest = outside.newPage();
            guest.navigate(link);
            assertThat(Chromium.violations(guest)).isEmpty();
            guest.fill("#name", "Wren Harbourne");
            guest.click("text=Ask to come in");
            assertThat(guest.locator("main")).hasAttribute("data-state", "waiting");
            assertThat(Chromium.violations(guest)).isEmpty();
            assertThat(desk.locator(".knocks")).containsText("Wren Harbourne");
            assertThat(second.locator(".knocks")).containsText("Wren Harbourne");
            second.waitForFunction("window.tones === 4");
            assertThat(desk.evaluate("window.tones"))
                    .as("there is no sound unless it is wished")
                    .isEqualTo(0);
            assertThat(Chromium.violations(desk)).isEmpty();

            desk.keyboard().press("g");
            desk.keyboard().press("x");
            desk.waitForURL("**/desk/outbox");
            open(desk, "/desk/door/" + session);
            desk.locator(".knocks .is-first").waitFor();
            desk.keyboard().press("w");
            assertThat(guest.locator("main")).hasAttribute("data-state", "asked-to-wait");
            desk.keyboard().press("Enter");
            guest.waitForURL("**/standin/meeting/**");
            assertThat(second.locator(".knocks li")).hasCount(0);
            assertThat(second.locator(".answered")).containsText("let in by");
        }
    }

    private static void windToTheDoor(Page desk) {
        for (String by : new String[] {"+1 h", "+1 h", "+15 min"}) {
            open(desk, "/desk");
            String before = desk.locator("[data-clock]").textContent();
            desk.click("text=" + by);
            assertThat(desk.locator("[data-clock]")).not().hasText(before);
        }
    }

    private static void open(Page page, String path) {
        page.navigate(path);
        page.locator("html[data-ready]").waitFor();
    }
}
