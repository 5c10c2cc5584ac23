package jollyroster.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The desk without a mouse: keys that go places and walk along rows, shown by one of them, and a way to turn them off. */
@DemoTest
@Tag("server")
class KeysStoryTest {

    @LocalServerPort
    int port;

    private static void open(Page page, String path) {
        page.navigate(path);
        ready(page);
    }

    private static void ready(Page page) {
        page.locator("html[data-ready]").waitFor();
    }

    @Test
    void keys_are_shown_go_places_walk_along_rows_and_can_be_turned_off() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            open(page, "/desk");
            page.keyboard().press("?");
            assertThat(page.locator("dialog.keys")).containsText("Next, previous row");
            assertThat(Chromium.violations(page)).isEmpty();
            page.keyboard().press("Escape");
            assertThat(page.locator("dialog.keys")).isHidden();

            page.keyboard().press("g");
            page.keyboard().press("o");
            page.waitForURL("**/desk/offerings");
            ready(page);
            page.keyboard().press("j");
            page.keyboard().press("j");
            page.keyboard().press("k");
            assertThat(page.locator(".is-picked")).hasCount(1);
            page.keyboard().press("Enter");
            page.waitForURL("**/desk/offerings/*");

            open(page, "/desk/lanes");
            page.keyboard().press("?");
            assertThat(page.locator("dialog.keys")).containsText("Later, earlier");
            assertThat(page.locator("dialog.keys")).not().containsText("Select the row");
            page.keyboard().press("Escape");
            assertThat(page.locator("dialog.keys")).hasCount(0);
            page.keyboard().press("n");
            page.waitForURL(url -> url.contains("/desk/lanes?at="));
            ready(page);

            open(page, "/desk/programme");
            page.keyboard().press("f");
            assertThat(page.locator("main .filters input[type=search]")).isFocused();

            open(page, "/desk/sessions/10");
            page.keyboard().press("n");
            page.waitForURL(url -> url.contains("/desk/sessions/") && !url.endsWith("/10"));
            ready(page);

            page.click("[data-keys]");
            page.click("text=Turn keys off");
            page.click("dialog.keys >> text=Close");
            String here = page.url();
            page.keyboard().press("n");
            page.keyboard().press("j");
            assertThat(page.locator(".is-picked")).hasCount(0);
            assertThat(page.url()).isEqualTo(here);
        }
    }

    @Test
    void letters_typed_into_a_field_are_only_letters() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            open(page, "/desk/programme");
            page.keyboard().press("/");
            page.keyboard().type("gjkn?");
            assertThat(page.locator("#find")).hasValue("gjkn?");
            assertThat(page.locator("dialog.keys")).hasCount(0);
        }
    }
}
