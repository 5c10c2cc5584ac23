package jollyroster.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Starts to the first page, side by side: an empty application, ours on an empty folder, and the demo a second time. */
final class Starts {

    private static final int ROUNDS = 3;
    private static final int LONGEST_SECONDS = 180;
    private final Path jar;
    private final Path folder;

    Starts(Path jar, Path folder) {
        this.jar = jar;
        this.folder = folder;
    }

    void measure(Rates rates) throws IOException, InterruptedException {
        Path demo = Files.createDirectory(folder.resolve("lived"));
        Path copy = folder.resolve("demo.db");
        long begun = System.nanoTime();
        List<String> living = List.of("--spring.profiles.active=demo", "--jolly.demo.copy=" + copy);
        try (Server lived = Server.ours(jar, demo, "/", living)) {
            while (!Files.exists(copy) && seconds(begun) < LONGEST_SECONDS) {
                Thread.sleep(100);
            }
            rates.add("start: demo lived", 1 / seconds(begun));
        }
        for (int round = 0; round < ROUNDS; round++) {
            Path fresh = Files.createDirectory(folder.resolve("start" + round));
            rates.add("start: empty application", start(Server.empty(fresh)));
            rates.add("start: run", start(Server.ours(jar, fresh, "/welcome", List.of())));
            Path again = Files.createDirectory(folder.resolve("again" + round));
            Files.copy(copy, again.resolve("jolly-roster.db"));
            rates.add(
                    "start: demo again",
                    start(Server.ours(
                            jar, again, "/", List.of("--spring.profiles.active=demo", "--jolly.demo.again=true"))));
        }
    }

    private static double seconds(long begun) {
        return (System.nanoTime() - begun) / 1e9;
    }

    private static double start(Server server) throws InterruptedException {
        try (server) {
            return 1 / server.secondsToFirstPage();
        }
    }
}
