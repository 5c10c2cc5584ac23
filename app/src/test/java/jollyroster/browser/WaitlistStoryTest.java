package jollyroster.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import jollyroster.Mailbox;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** A full session and its waitlist, questions put together, and answers to an invitation, as people do it. */
@DemoTest
@Tag("server")
class WaitlistStoryTest {

    @TempDir
    Path folder;

    @LocalServerPort
    int port;

    @Autowired
    Mailbox mailbox;

    /** Somebody gives a seat back; whoever is first in line is asked, answers on a phone, and has the seat. */
    @Test
    void a_freed_seat_is_offered_and_taken_and_everybody_can_see_why() {
        try (BrowserContext desk = Chromium.person(port, Chromium.desktop("America/Halifax"));
                BrowserContext phone = Chromium.person(port, Chromium.phone("America/Halifax"))) {
            Page visitor = phone.newPage();
            visitor.navigate("/p/man-overboard-drill");
            for (int i = 0; i < 3; i++) {
                crew(visitor, i);
            }
            crew(visitor, 3);
            assertThat(visitor.locator("main")).hasAttribute("data-state", "waitlisted");
            String waiting = mailbox.ownPage("five3@crew.example");

            Page organiser = Chromium.signedIn(desk);
            organiser.navigate("/desk/sessions/17/roster");
            organiser
                    .locator("tr", new Page.LocatorOptions().setHasText("Crew Of Five B"))
                    .locator("[data-choose]")
                    .check();
            assertThat(organiser.locator("[data-chosen-count]")).hasText("1 selected");
            organiser.onDialog(dialog -> dialog.accept());
            organiser.click("text=Cancel registrations");
            assertThat(organiser.locator(".said")).containsText("1 registration cancelled, and told.");
            assertThat(organiser.locator(".in-page")).containsText("called up 1");

            visitor.navigate(waiting);
            assertThat(visitor.locator(".answer-now")).containsText("A seat is held for you");
            assertThat(visitor.locator("[data-deadline]")).containsText(Pattern.compile("in \\d+ [dh]"));
            assertThat(Chromium.violations(visitor)).isEmpty();
            visitor.click("text=Accept the seat");
            assertThat(visitor.locator(".said")).containsText("The seats are yours");
            assertThat(visitor.locator("main")).hasAttribute("data-state", "registered");

            organiser.navigate("/desk/sessions/17/roster?q=Crew+Of+Five+D");
            organiser.click(".note-cell a");
            assertThat(organiser.locator("tbody tr").first()).containsText("took the seats offered");
            assertThat(organiser.locator("tbody tr").nth(1)).containsText("first in line whose party of 1 fits");
        }
    }

    private static void crew(Page visitor, int number) {
        visitor.navigate("/p/man-overboard-drill");
        visitor.locator(".choice label", new Page.LocatorOptions().setHasText("Sat 27 Mar, 10:00"))
                .locator("input")
                .check();
        visitor.fill("#name", "Crew Of Five " + (char) ('A' + number));
        visitor.fill("#email", "five" + number + "@crew.example");
        visitor.click("[data-take-button]");
        assertThat(visitor.locator("main")).hasAttribute("data-state", Pattern.compile("registered|waitlisted"));
    }

    @Test
    void questions_are_put_together_with_mouse_and_keys() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            page.navigate("/desk/offerings/4?open=asking");
            page.fill("#q-label-0", "Which boat?");
            page.selectOption("#q-kind-0", "CHOOSE_ONE");
            page.fill("#q-options-0", "Dinghy | 4\nYour own");
            page.fill("#q-label-1", "What is yours called?");
            page.click("text=Add question");
            page.keyboard().type("Shoe size");
            Locator rows = page.locator("[data-question]");
            rows.nth(2).locator("[data-kind]").selectOption("NUMBER");
            assertThat(rows.nth(2).locator("[data-bounds]")).isVisible();
            assertThat(rows.nth(2).locator("[data-options]")).isHidden();
            rows.nth(2).locator("[data-grip]").press("ArrowUp");
            rows.nth(1).locator("[data-grip]").press("ArrowUp");
            assertThat(rows.nth(0).locator("[data-label]")).hasValue("Shoe size");
            rows.nth(2)
                    .locator("[data-shown-if]")
                    .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("if “Which boat?”"));
            rows.nth(2).locator("[data-shown-values] textarea").fill("Your own");
            assertThat(Chromium.violations(page)).isEmpty();
            page.click("#asking .part-fields >> text=Save");
            assertThat(page.locator("#asking .reads")).containsText("Shoe size (optional), Which boat?");
            page.click("#asking [data-open]");
            assertThat(rows.nth(0).locator("[data-label]")).hasValue("Shoe size");
            assertThat(rows.nth(1).locator("[data-label]")).hasValue("Which boat?");
            assertThat(rows.nth(2).locator("[data-shown-if] option:checked")).hasText("if “Which boat?”");

            rows.nth(2).locator("[data-grip]").dragTo(rows.nth(0));
            assertThat(rows.nth(0).locator("[data-label]")).hasValue("What is yours called?");
            assertThat(rows.nth(0).locator("[data-shown-if] option:checked")).hasText("always");
        }
    }

    @Test
    void an_invitation_is_answered_and_the_answer_changed() throws Exception {
        try (BrowserContext desk = Chromium.person(port, Chromium.desktop("America/Halifax"));
                BrowserContext outside = Chromium.person(port, Chromium.phone("America/Halifax"))) {
            Page organiser = Chromium.signedIn(desk);
            organiser.navigate("/desk/offerings/3/guests");
            Path cards = folder.resolve("guests.vcf");
            Files.writeString(
                    cards,
                    "BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Quill Okonjo\r\nEMAIL:quill@crew.example\r\nEND:VCARD\r\n");
            organiser.click("text=Add people to invite");
            organiser.setInputFiles("#guest-file", cards);
            organiser.locator("details[open]").getByText("Import").click();
            assertThat(organiser.locator(".said")).containsText("1 person imported");
            organiser.fill("#words", "Bring \"Knots\" & *tea*");
            organiser.click("text=Preview 1 invitation");
            assertThat(organiser.locator(".mail")).containsText("Bring \"Knots\" & *tea*");
            organiser.click("text=Back to the text");
            assertThat(organiser.locator("#words")).hasValue("Bring \"Knots\" & *tea*");
            organiser.click("text=Preview 1 invitation");
            assertThat(Chromium.violations(organiser)).isEmpty();
            organiser.click("text=Send 1 invitation");
            assertThat(organiser.locator(".said")).containsText("1 invitation is on its way");
            organiser.navigate("/desk/offerings/3/guests?q=quill");
            String link = organiser
                    .locator("tr", new Page.LocatorOptions().setHasText("Quill Okonjo"))
                    .locator("[data-copy-text]")
                    .getAttribute("data-copy-text");

            Page guest = outside.newPage();
            guest.navigate(link);
            assertThat(guest.locator("#email")).hasValue("quill@crew.example");
            guest.locator("input[name=reply][value=no]").check();
            assertThat(guest.locator("#party")).isHidden();
            guest.locator("input[name=reply][value=yes]").check();
            guest.selectOption("#party", "2");
            guest.fill("#companion1", "Teo Vance");
            guest.click("text=Send my answer");
            assertThat(guest.locator("main")).hasAttribute("data-state", "registered");
            guest.navigate(link);
            assertThat(guest.locator(".own-reply [aria-pressed=true]")).hasText("Yes");
            guest.click(".own-reply >> text=Maybe");
            assertThat(guest.locator("main")).hasAttribute("data-state", "maybe");
            assertThat(Chromium.violations(guest)).isEmpty();
            organiser.navigate("/desk/offerings/3/guests?show=maybe");
            assertThat(organiser.locator("tbody")).containsText("Quill Okonjo");
        }
    }

    @Test
    void a_table_is_imported_and_people_are_written_to() {
        try (BrowserContext context = Chromium.person(port, Chromium.desktop("America/Halifax"))) {
            Page page = Chromium.signedIn(context);
            page.navigate("/desk/sessions/20/import");
            page.fill("#text", "name;email\nIlse Merrow;ilse@import.example\nAde Strand;ade\n");
            page.click("text=Check table");
            assertThat(page.locator(".row-problems")).containsText("Row 3 “ade” is not an e-mail address");
            page.fill("#text", "name;email\nIlse Merrow;ilse@import.example\nAde Strand;ade@import.example\n");
            page.click("text=Check table");
            page.click("text=Add all 2");
            assertThat(page.locator(".said")).containsText("2 seated");
            page.locator("[data-choose-all]").check();
            page.click("text=Write to them");
            page.fill("#subject", "Where to park");
            page.fill("#body", "Hello {{first_name}}, park at the {{quay}}.");
            page.click("button:text-is('Preview')");
            assertThat(page.locator(".warned")).containsText("Line 1, column 35: {{quay}} is not known");
            page.fill("#body", "Hello {{first_name}}, park at the quay.");
            page.click("button:text-is('Preview')");
            assertThat(page.locator(".mail-words")).containsText("park at the quay.");
            page.click("text=Send");
            assertThat(page.locator(".said")).containsText("Sent to");
        }
    }
}
