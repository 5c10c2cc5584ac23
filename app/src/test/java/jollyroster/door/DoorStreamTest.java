package jollyroster.door;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.HttpURLConnection;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.TestClock;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The event stream of a door desk. */
@AppTest
class DoorStreamTest {

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    DoorStream doors;

    @Autowired
    TestClock clock;

    /** Read as the WHATWG HTML standard says, 9.2.6: lines, a blank one ends an event. */
    @Test
    void a_desk_hears_within_a_moment_that_somebody_knocks() throws Exception {
        clock.set(TestClock.START);
        DoorScene scene =
                new DoorScene(port, saltmarrow.publish(seats(5).inAMeeting()).session()).withLink();
        clock.set(Instant.parse("2027-03-16T21:50:00Z"));
        HttpURLConnection stream = (HttpURLConnection) URI.create("http://localhost:" + port + scene.desk + "/events")
                .toURL()
                .openConnection();
        stream.setRequestProperty("Cookie", scene.organiser.cookies());
        stream.setReadTimeout(30_000);
        List<String> events = new CopyOnWriteArrayList<>();
        assertThat(stream.getContentType()).startsWith("text/event-stream");
        Thread reader = new Thread(() -> read(stream, events));
        reader.start();
        try {
            await().atMost(Duration.ofSeconds(10)).until(() -> !events.isEmpty());
            int before = events.size();
            scene.knocking("Wren Pennycot");
            await().atMost(Duration.ofSeconds(10)).until(() -> {
                doors.look();
                return events.stream().skip(before).anyMatch("door"::equals);
            });
        } finally {
            stream.disconnect();
            reader.join(10_000);
        }
    }

    private static void read(HttpURLConnection stream, List<String> events) {
        try (BufferedReader lines =
                new BufferedReader(new InputStreamReader(stream.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                if (line.startsWith("event:")) {
                    events.add(line.substring("event:".length()).strip());
                }
            }
        } catch (IOException closed) {
            // the test is over
        }
    }
}
