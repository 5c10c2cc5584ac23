package jollyroster.signup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import jollyroster.Browserless;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A real process, killed while people register: nothing that was confirmed is lost, and the outbox goes on. */
@Tag("server")
class CrashTest {

    private static final int CLIENTS = 4;
    private static final int MOST_EACH = 400;
    private static final int ENOUGH = 25;

    @TempDir
    Path folder;

    private Process process;

    @AfterEach
    void end() {
        if (process != null) {
            process.destroyForcibly();
        }
    }

    @Test
    void every_confirmation_that_was_shown_survives() throws IOException, InterruptedException {
        int port = freePort();
        start(port);
        Map<String, String> confirmed = new ConcurrentHashMap<>();
        ExecutorService clients = Executors.newFixedThreadPool(CLIENTS);
        for (int client = 0; client < CLIENTS; client++) {
            int number = client;
            clients.submit(() -> registerUntilItBreaks(port, number, confirmed));
        }
        await().atMost(Duration.ofMinutes(2)).until(() -> confirmed.size() >= ENOUGH);
        process.destroyForcibly().waitFor();
        clients.shutdown();
        assertThat(clients.awaitTermination(2, TimeUnit.MINUTES)).isTrue();

        start(port);
        Browserless visitor = new Browserless(port);
        confirmed.forEach((own, state) -> assertThat(visitor.get(own).state()).isEqualTo(state));
        visitor.signIn();
        await().atMost(Duration.ofMinutes(2)).until(() -> nothingDueIsLeft(visitor));
        String sent = visitor.get("/desk/outbox?show=sent").document().text();
        assertThat(sent).contains("Confirmation");
    }

    /** The confirmations of this test are due at once; once none is planned, all went. */
    private static boolean nothingDueIsLeft(Browserless visitor) {
        return !visitor.get("/desk/outbox").document().text().contains("Confirmation");
    }

    private static void registerUntilItBreaks(int port, int client, Map<String, String> confirmed) {
        Browserless visitor = new Browserless(port);
        String page = "/p/marine-vhf-radio-procedure";
        try {
            var form = visitor.get(page);
            String session =
                    form.document().select("input[name=session]").last().attr("value");
            for (int i = 0; i < MOST_EACH; i++) {
                var done = visitor.postAsIs(
                        page + "/register",
                        Map.of(
                                "session",
                                session,
                                "name",
                                "Crew Member",
                                "email",
                                "crash" + client + "x" + i + "@crew.example",
                                "party",
                                "1",
                                "q.what_do_you_hold",
                                "None yet",
                                "_csrf",
                                form.csrf()));
                if (!done.state().isEmpty()) {
                    confirmed.put(done.link("a[rel=my]"), done.state());
                }
            }
        } catch (java.io.UncheckedIOException killed) {
            // The process was killed under us, which is the point.
        }
    }

    private void start(int port) throws IOException {
        process = new ProcessBuilder(List.of(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        "jollyroster.JollyRoster",
                        "--spring.profiles.active=demo",
                        "--jolly.data=" + folder,
                        "--server.port=" + port))
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("out.log").toFile())
                .start();
        Browserless visitor = new Browserless(port);
        await().atMost(Duration.ofMinutes(3)).ignoreExceptions().until(() -> {
            assertThat(process.isAlive()).isTrue();
            return visitor.get("/actuator/health/readiness").status() == 200
                    && visitor.get("/p/marine-vhf-radio-procedure").status() == 200;
        });
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }
}
