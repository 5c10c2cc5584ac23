package jollyroster.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.FrameLocator;
import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** An organiser words a message: names by keys and by mouse, read as somebody real while it is typed. */
@DemoTest
@Tag("server")
class WordingStoryTest {

    @LocalServerPort
    int port;

    @Test
    void a_message_is_worded_with_names_by_keys_and_read_as_it_is_typed() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            page.navigate("/desk/wordings/absent?offering=5");
            page.locator("html[data-ready]").waitFor();
            FrameLocator message = page.frameLocator("iframe[data-message]:not([hidden])");
            assertThat(message.locator("body")).containsText("We missed you");

            page.fill("#body", "");
            page.locator("#body").pressSequentially("Ahoy {{fi");
            assertThat(page.locator("[data-name]:visible")).hasCount(2);
            page.keyboard().press("Tab");
            assertThat(page.locator("#body")).hasValue("Ahoy {{first_name}}");
            assertThat(message.locator("body")).containsText(Pattern.compile("Ahoy [A-Z]\\w+"));
            page.keyboard().type(", see ");
            page.click("[data-name=own_link]");
            assertThat(page.locator("#body")).hasValue("Ahoy {{first_name}}, see <{{{own_link}}}>");

            page.locator("#body").pressSequentially(" {{frist_name}}");
            assertThat(message.locator("body")).containsText("Did you mean {{first_name}}?");
            page.click("button:text-is('Save')");
            assertThat(page.locator(".warned li")).containsText("{{frist_name}} is not known");
            page.locator("html[data-ready]").waitFor();
            page.fill("#body", "Ahoy {{first_name}}, see <{{{own_link}}}>");
            page.click("button:text-is('Save')");
            assertThat(page.locator(".said")).containsText("Saved.");
            assertThat(page.locator("table.ledger")).containsText("counts now");
        }
    }
}
