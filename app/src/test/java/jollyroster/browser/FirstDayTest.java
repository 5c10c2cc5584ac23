package jollyroster.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import jollyroster.FreshFolder;
import jollyroster.JollyRoster;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.ContextConfiguration;

/** An empty data folder: the first organiser makes an account and finds every page telling what to do next. */
@SpringBootTest(classes = JollyRoster.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
@ContextConfiguration(initializers = FreshFolder.class)
@DirtiesContext
@Tag("server")
class FirstDayTest {

    @LocalServerPort
    int port;

    @Test
    void the_first_organiser_is_welcomed_once() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = context.newPage();
            page.navigate("/");
            page.waitForURL("**/welcome");
            assertThat(Chromium.violations(page)).isEmpty();
            assertThat(page.locator("#zone")).hasValue("America/Halifax");
            page.fill("#organisation", "Saltmarrow Sea School");
            page.fill("#name", "Ottoline Marsh");
            page.fill("#email", "ottoline@saltmarrow.example");
            page.fill("#password", "a long enough one");
            page.click("text=Begin");
            assertThat(page.locator(".said")).containsText("Ready.");
            page.fill("#email", "ottoline@saltmarrow.example");
            page.fill("#password", "not this one");
            page.click("text=Sign in >> nth=-1");
            assertThat(page.locator(".warned")).containsText("do not go together");
            page.fill("#email", "ottoline@saltmarrow.example");
            page.fill("#password", "a long enough one");
            page.click("text=Sign in >> nth=-1");
            assertThat(page.locator(".steps li")).hasCount(6);
            page.click("text=Add a venue");
            page.waitForURL("**/desk/setup/venues");
            for (String path :
                    new String[] {"/desk", "/desk/programme", "/desk/people", "/desk/outbox", "/desk/setup"}) {
                page.navigate(path);
                assertThat(Chromium.violations(page)).isEmpty();
            }
            page.navigate("/welcome");
            page.waitForURL("**/sign-in");
        }
    }
}
