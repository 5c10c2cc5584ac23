package jollyroster.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions.IsHiddenOptions;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.Mailbox;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** A helper at the quay, whose phone loses the network while the bench fills up. */
@DemoTest
@Tag("server")
class CheckInStoryTest {

    /** The decoder of the page reads the picture of a ticket. */
    private static final String DECODED = """
            async (address) => {
              const script = document.createElement("script");
              script.src = document.querySelector("script[type=module]").src.replace("main.js", "vendor/jsqr.js");
              await new Promise((done) => { script.onload = done; document.head.append(script); });
              const picture = await createImageBitmap(await (await fetch(address)).blob());
              const canvas = document.createElement("canvas");
              canvas.width = picture.width;
              canvas.height = picture.height;
              const pen = canvas.getContext("2d");
              pen.drawImage(picture, 0, 0);
              const pixels = pen.getImageData(0, 0, canvas.width, canvas.height);
              return jsQR(pixels.data, canvas.width, canvas.height).data;
            }""";

    /** Nothing is pressed: the page tries again now and then. */
    private static final IsHiddenOptions BY_ITSELF = new IsHiddenOptions().setTimeout(30_000);

    @LocalServerPort
    int port;

    @Autowired
    Mailbox mailbox;

    @Test
    void ticks_made_without_network_are_kept_on_the_phone_and_count_once_it_is_back() {
        try (Relay network = new Relay(port);
                BrowserContext phone = Chromium.person(network.port(), Chromium.phone("America/Halifax"));
                BrowserContext other = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page helper = Chromium.signedIn(phone);
            Page desk = Chromium.signedIn(other);
            String entrance = "/desk/check-in/" + bench(helper);
            helper.navigate(entrance);
            helper.locator("[data-check-in][data-kept]").waitFor();
            assertThat(Chromium.violations(helper)).isEmpty();
            Locator ticks = helper.locator(".parties .tick-mark");
            ticks.first().click();
            assertThat(helper.locator("[data-inside]")).hasText("1");
            desk.navigate(entrance);
            assertThat(desk.locator("[data-inside]")).hasText("1");

            network.cut();
            ticks.nth(1).click();
            assertThat(helper.locator("[data-inside]")).hasText("2");
            assertThat(helper.locator("[data-queue]")).containsText("1 tick waits");
            helper.reload();
            assertThat(helper.locator("[data-inside]")).hasText("2");
            assertThat(helper.locator("[data-queue]")).containsText("1 tick waits");
            desk.navigate(entrance);
            assertThat(desk.locator("[data-inside]")).hasText("1");

            network.mend();
            assertThat(helper.locator("[data-queue]")).isHidden(BY_ITSELF);
            desk.navigate(entrance);
            assertThat(desk.locator("[data-inside]")).hasText("2");
            helper.navigate(entrance);
            assertThat(helper.locator("[data-inside]")).hasText("2");
        }
    }

    @Test
    void letters_find_a_party_enter_ticks_it_off_and_a_second_decoder_reads_its_ticket() {
        try (BrowserContext one = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page desk = Chromium.signedIn(one);
            desk.navigate("/desk/check-in/" + bench(desk));
            desk.locator("[data-check-in][data-kept]").waitFor();
            String name = desk.locator(".parties bdi").last().textContent();
            desk.fill("#q", name.toUpperCase(java.util.Locale.ROOT));
            assertThat(desk.locator(".parties li")).hasCount(1);
            desk.keyboard().press("Enter");
            assertThat(desk.locator(".parties li.is-in")).hasCount(1);
            desk.locator(".parties .tick-mark").first().click();
            assertThat(desk.locator(".parties li.is-in")).hasCount(0);
            assertThat(Chromium.violations(desk)).isEmpty();
            assertThat((String) desk.evaluate(DECODED, ticket(desk))).startsWith("JR1:");
        }
    }

    /** Of somebody who comes to the bench and to nothing later. */
    private String ticket(Page desk) {
        desk.navigate("/desk/sessions/" + bench(desk) + "/roster/addresses");
        Matcher address = Pattern.compile("[\\w.-]+@crew\\.example").matcher(desk.content());
        return address.results()
                .map(found -> mailbox.ownPage(found.group()) + "/ticket.png")
                .filter(path -> desk.request().get(path).status() == 200)
                .findFirst()
                .orElseThrow();
    }

    private static String bench(Page desk) {
        desk.navigate("/desk");
        return desk.locator("[data-tideline] a")
                .filter(new Locator.FilterOptions().setHasText("Knots"))
                .first()
                .getAttribute("href")
                .replaceAll(".*/", "");
    }
}
