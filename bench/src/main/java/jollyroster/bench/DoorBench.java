package jollyroster.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * A crowd at a door: ten thousand join links, five hundred who wait before five desks, ten thousand who have the page beside the meeting open.
 * Usage: {@code DoorBench <jar> [minutes]}, how long the desks are watched; two by default.
 */
public final class DoorBench {

    private static final int CLIENTS = 32;
    private static final int PEOPLE = 10_002;
    private static final int FEW = 100;
    private static final int WAITING = 500;
    private static final int DESKS = 5;
    private static final int ROUNDS = 3;
    private static final int READERS = 10_000;

    /** As the page beside a meeting does it where so many are inside. */
    private static final int READER_LOOKS_EVERY_SECONDS = 30;

    private DoorBench() {}

    public static void main(String[] args) throws IOException, InterruptedException {
        Path jar = Path.of(args[0]);
        int minutes = args.length > 1 ? Integer.parseInt(args[1]) : 2;
        Path folder = Files.createTempDirectory("jolly-door");
        try (Server server = Server.start(jar, folder)) {
            Driver driver = new Driver(server.port(), CLIENTS);
            driver.signIn();
            List<String> lines = driver.door(PEOPLE, 0);
            List<String> tokens = lines.subList(1, lines.size());
            storm(new Driver(server.port(), CLIENTS), tokens);
            readers(server, driver, Long.parseLong(lines.get(0)), tokens);
            System.out.printf("resident memory %29d MB%n", server.residentMegabytes());
        } finally {
            Bench.delete(folder);
        }
        watched(jar, Duration.ofMinutes(minutes));
        // The desks' streams have no end of their own.
        System.exit(0);
    }

    /** With all that goes on by itself. */
    private static void watched(Path jar, Duration length) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("jolly-desks");
        try (Server server =
                Server.ours(jar, folder, "/p/bench-offering", List.of("--spring.profiles.active=demo,bench"))) {
            Driver driver = new Driver(server.port(), CLIENTS);
            driver.signIn();
            desks(server, driver, Long.parseLong(driver.door(FEW, WAITING).get(0)), length);
            System.out.printf("resident memory %29d MB%n", server.residentMegabytes());
        } finally {
            Bench.delete(folder);
        }
    }

    private static void storm(Driver crowd, List<String> tokens) throws InterruptedException {
        Rates rates = new Rates();
        crowd.pages("/empty", PEOPLE / ROUNDS);
        crowd.each(tokens.subList(0, PEOPLE / ROUNDS).stream()
                .map(t -> "/join/" + t)
                .toList());
        for (int round = 0; round < ROUNDS; round++) {
            rates.add("empty page", crowd.pages("/empty", PEOPLE / ROUNDS));
            rates.add(
                    "join link",
                    crowd.each(tokens.subList(round * PEOPLE / ROUNDS, (round + 1) * PEOPLE / ROUNDS).stream()
                            .map(token -> "/join/" + token)
                            .toList()));
        }
        rates.print();
        rates.atLeast("join link", "empty page", 0.60);
    }

    /** Each reader looks every half minute, and fetches what all see when it has changed, which it has: a question comes each second. */
    private static void readers(Server server, Driver driver, long session, List<String> tokens)
            throws InterruptedException {
        String desk = "/desk/live/" + session;
        driver.send(desk, desk + "/settings", "questions=OPEN");
        AtomicBoolean over = new AtomicBoolean();
        Thread asking = new Thread(() -> {
            Driver one = new Driver(server.port(), 1);
            for (int i = 0; !over.get(); i++) {
                String live = "/live/" + tokens.get(i);
                one.send(live, live + "/ask", "words=Question+" + i);
                Watch.pause(Duration.ofSeconds(1));
            }
        });
        asking.start();
        Rates rates = new Rates();
        Driver crowd = new Driver(server.port(), CLIENTS);
        List<String> looks = tokens.stream()
                .flatMap(t -> List.of("/live/" + t + "/state", "/live/" + t + "/beside?version=old").stream())
                .toList();
        crowd.each(looks.subList(0, looks.size() / 4));
        for (int round = 0; round < ROUNDS; round++) {
            rates.add("look beside the meeting", crowd.each(looks.subList(looks.size() / 4, looks.size())));
            rates.add("asked of it by 10,000", 2.0 * READERS / READER_LOOKS_EVERY_SECONDS);
        }
        over.set(true);
        asking.join();
        rates.print();
        rates.atLeast("look beside the meeting", "asked of it by 10,000", 1);
    }

    private static void desks(Server server, Driver driver, long session, Duration length) throws InterruptedException {
        try (Watch watch = new Watch(server.port(), driver, session, DESKS, WAITING)) {
            List<Long> millis = watch.admitOneASecond(length);
            System.out.printf(
                    "%d admissions in %d min, each seen by %d desks while %d waiting pages ask: %d ms in the middle, %d ms at the 99th"
                            + " percentile, %d ms at most (bar 1000 at the 99th: %s)%n",
                    millis.size() / DESKS,
                    length.toMinutes(),
                    DESKS,
                    WAITING,
                    millis.get(millis.size() / 2),
                    millis.get(millis.size() * 99 / 100),
                    millis.get(millis.size() - 1),
                    millis.get(millis.size() * 99 / 100) <= 1000 ? "met" : "not met");
        }
    }
}
