package jollyroster.browser;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.nio.file.Path;
import jollyroster.Mailbox;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Takes the pictures of docs/screenshots from the demo; run by {@code ./jolly shots}. */
@DemoTest
@EnabledIfSystemProperty(named = "jolly.shots", matches = ".+")
@Tag("server")
class ScreenshotsTest {

    private final Path folder = Path.of(System.getProperty("jolly.shots", "target"));

    @LocalServerPort
    int port;

    @Autowired
    Mailbox mailbox;

    @Test
    void take() {
        try (BrowserContext desk = Chromium.person(port, Chromium.desktop("America/Halifax"));
                BrowserContext outside = Chromium.person(port, Chromium.desktop("Europe/Lisbon"));
                BrowserContext phone = Chromium.person(port, Chromium.phone("America/Toronto"))) {
            Page organiser = Chromium.signedIn(desk);
            shoot(organiser, "/desk", "today");
            shoot(organiser, "/desk/programme", "programme");
            shoot(organiser, "/desk/offerings/2", "offering-sheet");
            shoot(organiser, "/desk/lanes?at=2027-03-15", "host-lanes");
            organiser.navigate("/desk/offerings/11?open=hours");
            organiser.locator("#hours").evaluate("part => part.scrollIntoView()");
            organiser.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve("open-hours.png")));
            shoot(organiser, "/desk/offerings/1/plan", "message-plan");
            shoot(organiser, "/desk/wordings/before-start?offering=2", "wording");
            shoot(organiser, "/desk/offerings/5/rehearsal?open=2-1", "rehearsal");
            shoot(organiser, "/desk/sessions/7", "session");
            shoot(organiser, "/desk/outbox", "outbox");
            Page visitor = outside.newPage();
            shoot(visitor, "/", "public-list");
            shoot(visitor, "/p/marine-vhf-radio-procedure", "registration-form");
            visitor.fill("#name", "Kofi Brannigan");
            visitor.fill("#email", "kofi@brannigan.example");
            visitor.selectOption("select[name='q.what_do_you_hold']", "None yet");
            visitor.click("[data-take-button]");
            visitor.waitForSelector("main[data-state]");
            String own = mailbox.ownPage("kofi@brannigan.example");
            shoot(visitor, "/p/passage-plan-clinic", "pick-a-time");
            shoot(visitor, own, "own-page");
            atTheDoor(organiser, phone);
        }
    }

    /** Five minutes before noon: the webinar's door is open, the instructor hour runs, and at the quay people come. */
    private void atTheDoor(Page organiser, BrowserContext phone) {
        for (String by : new String[] {"+1 h", "+1 h", "+15 min"}) {
            organiser.navigate("/desk");
            organiser.click("text=" + by);
            organiser.waitForLoadState();
        }
        String webinar = session(organiser, "Marine VHF");
        String hour = session(organiser, "Instructor hour");
        String bench = session(organiser, "Knots");
        shootLive(organiser, "/desk/door/" + webinar, "door-desk");
        shootLive(organiser, "/desk/turns/" + hour, "turns");
        Page guest = phone.newPage();
        knock(organiser, guest, hour);
        shootLive(organiser, "/desk/rooms/1", "standing-room");
        organiser.navigate("/desk/door/" + hour);
        organiser.waitForSelector("[data-knock]");
        organiser.locator("[data-key=Enter]").first().click();
        guest.waitForURL("**/live/**");
        guest.click("text=I would like a turn");
        guest.waitForSelector("[data-turn=waiting]");
        guest.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve("companion-phone.png")));
        Page helper = organiser.context().newPage();
        helper.setViewportSize(360, 740);
        helper.navigate("/desk/check-in/" + bench);
        helper.locator("[data-check-in][data-kept]").waitFor();
        helper.locator(".parties .tick-mark").first().click();
        helper.locator("[data-check-in]").evaluate("page => page.scrollIntoView()");
        helper.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve("check-in-phone.png")));
    }

    private static void knock(Page organiser, Page guest, String session) {
        organiser.navigate("/desk/door/" + session);
        organiser.locator(".guest-way .renew button").first().click();
        guest.navigate(organiser.locator("#way-session").inputValue());
        guest.fill("#name", "Wren Pennycot");
        guest.click("text=Ask to come in");
        guest.waitForSelector("[data-state=waiting]");
        organiser.waitForSelector("[data-knock]");
    }

    private static String session(Page desk, String title) {
        return desk.locator("[data-tideline] a")
                .filter(new Locator.FilterOptions().setHasText(title))
                .first()
                .getAttribute("href")
                .replaceAll(".*/", "");
    }

    /** A page with an open stream is never idle. */
    private void shootLive(Page page, String path, String name) {
        page.navigate(path);
        page.locator("html[data-ready]").waitFor();
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }

    private void shoot(Page page, String path, String name) {
        page.navigate(path);
        page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }
}
