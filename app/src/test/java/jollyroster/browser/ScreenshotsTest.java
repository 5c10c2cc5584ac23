package jollyroster.browser;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import java.nio.file.Path;
import jollyroster.Mailbox;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.PersonalLinks;
import jollyroster.seating.RegistrationQueries;
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

    @Autowired
    RegistrationQueries roster;

    @Autowired
    PersonalLinks links;

    @Test
    void take() {
        try (BrowserContext desk = Chromium.person(port, Chromium.desktop("America/Halifax"));
                BrowserContext outside = Chromium.person(port, Chromium.desktop("Europe/Lisbon"));
                BrowserContext phone = Chromium.person(port, Chromium.phone("America/Toronto"))) {
            Page organiser = Chromium.signedIn(desk);
            shoot(organiser, "/desk", "today");
            shoot(organiser, "/desk/programme", "programme");
            shoot(organiser, "/desk/offerings/2", "offering-sheet");
            typedDates(organiser);
            shoot(organiser, "/desk/lanes?at=2027-03-15", "host-lanes");
            organiser.navigate("/desk/offerings/11?open=hours");
            organiser.locator("#hours").evaluate("part => part.scrollIntoView()");
            organiser.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve("open-hours.png")));
            shoot(organiser, "/desk/offerings/11/times?day=2027-03-12&at=14:00", "why-not");
            shoot(organiser, "/desk/offerings/1/plan", "message-plan");
            shoot(organiser, "/desk/wordings/before-start?offering=2", "wording");
            shoot(organiser, "/desk/offerings/5/rehearsal?open=2-1", "rehearsal");
            shoot(organiser, "/desk/sessions/7/roster", "roster");
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
            shoot(phone.newPage(), "/p/passage-plan-clinic?day=2027-03-15", "pick-a-time-phone");
            shoot(visitor, calledUp(), "call-up");
            shoot(visitor, own, "own-page");
        }
    }

    /** The own page of somebody who is called up. */
    private String calledUp() {
        return roster.held().stream()
                .filter(r -> r.state() == RegistrationState.CALLED_UP)
                .map(r -> links.ownPage(new Link(r.id(), r.generation())))
                .map(address -> java.net.URI.create(address).getPath())
                .findFirst()
                .orElseThrow();
    }

    private void typedDates(Page page) {
        page.navigate("/desk/offerings/4?open=dates");
        page.fill(
                "#typed",
                String.join(
                        "\n",
                        "Tue 6 Apr 10-10:30, 13:45-14:15 x5",
                        "every other Thu from 8 Apr x4 19:00-20:30 with Sable Renwick, 6 seats",
                        "Mon 13 Apr 2027 10-11",
                        "17 Apr 10:00-12:00 every 10 min @ Rope loft, 1 seat",
                        "1 May 1-1:30"));
        page.waitForSelector("#readings .wrong");
        page.locator(".tools").evaluate("tools => tools.open = true");
        page.locator("#dates").evaluate("dates => dates.scrollIntoView()");
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve("typed-dates.png")));
    }

    private void shoot(Page page, String path, String name) {
        page.navigate(path);
        page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }
}
