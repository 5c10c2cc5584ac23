package jollyroster.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import jollyroster.Browserless;
import jollyroster.Mailbox;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The Nu HTML checker reads every kind of page once; it runs in a process of its own, as it brings libraries of its own. */
@DemoTest
@Tag("server")
class HtmlCheckTest {

    private static final Path CLASS_PATH = Path.of("../htmlcheck/target/classpath.txt");
    private static final long LONGEST_SECONDS = 120;

    private static final List<String> PUBLIC = List.of(
            "/",
            "/?by=date",
            "/?q=nothing+like+it",
            "/p/knots-and-splicing-bench",
            "/p/coastal-navigation",
            "/p/sea-survival-refresher",
            "/p/open-evening-at-the-boathouse",
            "/p/instructor-briefing",
            "/p/passage-plan-clinic",
            "/p/passage-plan-clinic?start=2027-03-15T14:00:00-03:00",
            "/zone?back=/",
            "/mine",
            "/sign-in",
            "/rooms/duty-instructor",
            "/rooms/duty-instructor/mine",
            "/p/nothing-is-here");

    private static final List<String> DESK = List.of(
            "/desk",
            "/desk/programme",
            "/desk/programme?when=past",
            "/desk/offerings",
            "/desk/offerings/2",
            "/desk/offerings/2?open=words",
            "/desk/offerings/2?open=dates",
            "/desk/offerings/2?open=asking",
            "/desk/offerings/2?open=seats",
            "/desk/offerings/8?open=price",
            "/desk/offerings/11",
            "/desk/offerings/11?open=hours",
            "/desk/offerings/11?open=access",
            "/desk/offerings/11/times",
            "/desk/offerings/11/times/send",
            "/desk/offerings/2/plan",
            "/desk/offerings/5/plan",
            "/desk/plans",
            "/desk/plans/1",
            "/desk/wordings",
            "/desk/offerings/1/rehearsal",
            "/desk/wordings/texts",
            "/desk/wordings/before-start?offering=2",
            "/desk/offerings/1/plan",
            "/desk/wordings/before-start?offering=1",
            "/desk/offerings/1/rehearsal?event=MOVES:0:36:1&event=CANCELS:1:48:0&x=440",
            "/desk/letters",
            "/desk/replies",
            "/desk/telling",
            "/standin/inbox?from=maud.tidewater@crew.example",
            "/standin/phone/+19025550195",
            "/desk/offerings/2/answers",
            "/desk/offerings/3/guests",
            "/desk/offerings/2/share",
            "/desk/offerings/2/preview",
            "/desk/door/3",
            "/desk/leading/3",
            "/desk/turns/68",
            "/desk/live/68",
            "/desk/setup/rooms",
            "/desk/setup/rooms/1",
            "/desk/rooms/1",
            "/desk/rooms/1/meetings",
            "/desk/check-in/7",
            "/desk/check-in/7/entrance",
            "/desk/check-in/7/shell",
            "/desk/sessions/2",
            "/desk/sessions/7",
            "/desk/sessions/20/roster",
            "/desk/sessions/20/add",
            "/desk/sessions/20/import",
            "/desk/sessions/20/why/515",
            "/desk/schedule/10",
            "/desk/lanes",
            "/desk/people",
            "/desk/people/431",
            "/desk/people/same",
            "/desk/outbox",
            "/desk/outbox?show=failed",
            "/desk/find?q=strand",
            "/desk/setup",
            "/desk/setup/venues",
            "/desk/setup/venues/1",
            "/desk/setup/team",
            "/desk/setup/calendars");

    @LocalServerPort
    int port;

    @Autowired
    Mailbox mailbox;

    @TempDir
    Path folder;

    @Test
    void the_checker_finds_nothing_on_any_page() throws IOException, InterruptedException {
        Browserless organiser = new Browserless(port).signIn();
        Browserless visitor = new Browserless(port);
        List<String> files = new ArrayList<>();
        for (String page : PUBLIC) {
            files.add(keep(page, visitor.get(page, java.util.Map.of("Accept", "text/html"))));
        }
        String own = mailbox.ownPage("maud.tidewater@crew.example");
        files.add(keep("/my/maud", visitor.get(own)));
        files.add(keep("/join/maud", visitor.get(mailbox.join("maud.tidewater@crew.example"))));
        for (String page : DESK) {
            Browserless.Page shown = organiser.get(page);
            assertThat(shown.status()).as(page).isEqualTo(200);
            files.add(keep(page, shown));
        }
        assertThat(check(files)).isEmpty();
    }

    @Test
    void nor_in_any_kind_of_email() throws IOException, InterruptedException {
        Browserless organiser = new Browserless(port).signIn();
        List<String> files = new ArrayList<>();
        for (String page :
                List.of("/desk/outbox?show=sent", "/desk/outbox?show=planned", "/desk/outbox?show=sent&page=2")) {
            for (String message : organiser
                    .get(page)
                    .document()
                    .select(".sending a[href*=/desk/outbox/]")
                    .eachAttr("href")) {
                Browserless.Page mail = organiser.get(message + "/body.html");
                if (mail.status() == 200 && !mail.response().body().isEmpty() && !message.contains("?")) {
                    files.add(keep(message, mail));
                }
            }
        }
        assertThat(files).hasSizeGreaterThan(20);
        assertThat(check(files)).isEmpty();
    }

    private String keep(String page, Browserless.Page shown) throws IOException {
        Path file = folder.resolve(page.replaceAll("[^a-z0-9]+", "_") + ".html");
        return Files.writeString(file, shown.response().body()).toString();
    }

    private static String check(List<String> files) throws IOException, InterruptedException {
        assertThat(CLASS_PATH)
                .as("written by the module htmlcheck; run the build from the top")
                .exists();
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx256m",
                "-cp",
                Files.readString(CLASS_PATH).strip(),
                "nu.validator.client.SimpleCommandLineValidator",
                "--errors-only",
                "--format",
                "gnu"));
        command.addAll(files);
        Process checker = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(checker.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(checker.waitFor(LONGEST_SECONDS, TimeUnit.SECONDS)).isTrue();
        return said.strip();
    }
}
