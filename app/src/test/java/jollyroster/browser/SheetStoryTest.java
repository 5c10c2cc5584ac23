package jollyroster.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The sections of a sheet in a browser: opened, left and saved, with the network cut and with odd words. */
@DemoTest
@Tag("server")
class SheetStoryTest {

    private static final String ODD = "Six \"knots\", <b>two</b> slips & a 🪢; " + "long".repeat(40);

    @LocalServerPort
    int port;

    private static void open(Page page, String part) {
        page.focus("#" + part + " [data-open]");
        page.keyboard().press("Enter");
        assertThat(page.locator("#" + part + ".is-open")).isVisible();
    }

    @Test
    void what_is_typed_stays_while_the_server_does_not_answer_and_is_saved_when_it_does() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            page.navigate("/desk/offerings/4");
            open(page, "words");
            page.fill("#summary", ODD);
            open(page, "price");
            assertThat(page.locator(".part.is-open")).hasCount(2);
            context.setOffline(true);
            page.click("#words .part-fields >> text=Save");
            assertThat(page.locator("main > .warned")).containsText("What you typed is still here");
            page.click("#seats [data-open]");
            assertThat(page.locator("main > .warned")).containsText("What you typed is still here");
            assertThat(page.locator("#summary")).hasValue(ODD);
            context.setOffline(false);
            page.click("#words .part-fields >> text=Save");
            assertThat(page.locator(".summary")).hasText(ODD);
            assertThat(page.locator(".summary b")).hasCount(0);
            assertThat(page.locator(".part.is-open")).hasCount(0);
            open(page, "price");
            page.focus("#amount");
            page.keyboard().press("Escape");
            assertThat(page.locator(".part.is-open")).hasCount(0);
            assertThat(Chromium.violations(page)).isEmpty();
        }
    }

    @Test
    void the_sections_follow_how_people_register_and_keep_what_is_typed() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            page.navigate("/desk/offerings");
            page.fill("#new", "Rigging advice");
            page.keyboard().press("Enter");
            page.waitForURL(url -> url.matches(".*/desk/offerings/\\d+"));
            page.locator("html[data-ready]").waitFor();
            open(page, "words");
            page.fill("#summary", ODD);
            open(page, "access");
            page.check("#access [value=OWN_TIME]");
            page.click("#access .part-fields >> text=Save");
            assertThat(page.locator("#hours")).containsText("No hours yet");
            assertThat(page.locator("#dates")).hasCount(0);
            assertThat(page.locator("#summary")).hasValue(ODD);
        }
    }

    @Test
    void a_press_on_the_run_line_says_when_a_reminder_goes() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            page.navigate("/desk/offerings/4");
            page.click("text=Messages");
            page.locator("html[data-ready]").waitFor();
            Locator line = page.locator("[data-plan-line] svg");
            BoundingBox box = line.boundingBox();
            double fourHours = line.locator(".tick-word:text('−4 h'), text:text('−4 h')")
                    .first()
                    .boundingBox()
                    .x;
            page.mouse().click(fourHours + 4, box.y + box.height / 2);
            assertThat(page.locator("[name=when]")).isFocused();
            assertThat(page.locator("[name=when]")).hasValue("4 hours before");
            page.keyboard().press("Enter");
            assertThat(page.locator(".said")).containsText("Added: 4 hours before.");
            page.onDialog(dialog -> dialog.accept());
            page.click("[aria-label='Remove: 4 hours before, to everybody registered']");
            assertThat(page.locator(".said")).containsText("Removed: 4 hours before.");
        }
    }

    @Test
    void whoever_is_signed_out_meanwhile_loses_nothing() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            page.navigate("/desk/offerings/4");
            open(page, "words");
            page.fill("#bring", ODD);
            context.clearCookies();
            page.click("#words .part-fields >> text=Save");
            assertThat(page.locator("main > .warned")).containsText("you are signed out");
            assertThat(page.locator("#bring")).hasValue(ODD);
        }
    }
}
