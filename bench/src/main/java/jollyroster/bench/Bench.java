package jollyroster.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * Starts the jar on a folder of its own and prints rates and ratios. Every figure of a table comes from one run on one
 * machine; only the ratios travel. Usage: {@code Bench <jar>}.
 */
public final class Bench {

    private static final int CLIENTS = 32;
    private static final int WARM_UP = 6000;
    private static final int REQUESTS = 3000;
    private static final int COMMITS = 4000;
    private static final int STAMPEDE = 2000;
    private static final int MANY = 10_000;
    private static final int TABLES = 10;
    private static final int DESK = 500;
    private static final int ROUNDS = 3;

    /** Pages of the desk on the demo's data, by what they are called here. */
    private static final Map<String, String> DESK_PAGES = new TreeMap<>(Map.ofEntries(
            Map.entry("today", "/desk"),
            Map.entry("programme", "/desk/programme"),
            Map.entry("offerings", "/desk/offerings"),
            Map.entry("offering", "/desk/offerings/2"),
            Map.entry("session", "/desk/sessions/7"),
            Map.entry("past session", "/desk/sessions/2"),
            Map.entry("roster", "/desk/sessions/7/roster"),
            Map.entry("answers", "/desk/offerings/2/answers"),
            Map.entry("people", "/desk/people"),
            Map.entry("lanes", "/desk/lanes"),
            Map.entry("outbox", "/desk/outbox")));

    private static final int DEMO_PAGES = 150;

    private Bench() {}

    public static void main(String[] args) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("jolly-bench");
        Rates rates = new Rates();
        new Starts(Path.of(args[0]), folder).measure(rates);
        try (Server server = Server.start(Path.of(args[0]), folder)) {
            measure(server, folder, rates);
            print(server, rates);
        } finally {
            delete(folder);
        }
    }

    private static void measure(Server server, Path folder, Rates rates) throws IOException, InterruptedException {
        Driver driver = new Driver(server.port(), CLIENTS);
        String page = server.offeringPage();
        for (int round = 0; round < 2; round++) {
            driver.registrations("/p/bench-warm-up", WARM_UP, "warm" + round + "-");
            driver.emptyPosts(WARM_UP);
            driver.pages("/empty", WARM_UP);
            driver.pages(page, WARM_UP);
        }
        demo(driver, rates);
        for (int round = 0; round < ROUNDS; round++) {
            rates.add("empty page", driver.pages("/empty", REQUESTS));
            rates.add("public page", driver.pages(page, REQUESTS));
            rates.add("empty post", driver.emptyPosts(REQUESTS));
            rates.add("registration", driver.registrations(page, REQUESTS, "bench" + round + "-"));
        }
        stampede(driver, rates);
        driver.registrations(page, MANY - ROUNDS * REQUESTS, "more");
        for (int round = 0; round < ROUNDS; round++) {
            desk(driver, page, rates);
        }
        table(server, driver, page, folder, rates);
        Path store = folder.resolve("jolly-roster.db");
        for (int round = 0; round < ROUNDS; round++) {
            rates.add("registration, no HTTP", driver.registrationsWithoutHttp(page, REQUESTS, "inside" + round));
            rates.add("raw commit of its rows", Stick.registrations(store, COMMITS));
        }
        rates.add("raw commit of 1 row", Stick.rows(store, COMMITS));
    }

    /** Pages of the desk about the demo's data, put together each time they are asked for. */
    private static void demo(Driver driver, Rates rates) throws InterruptedException {
        driver.signIn();
        for (String page : DESK_PAGES.values()) {
            driver.pages(page, DEMO_PAGES);
        }
        for (int round = 0; round < ROUNDS; round++) {
            rates.add("empty page beside the desk", driver.pages("/empty", REQUESTS));
            rates.add("empty page of the desk", driver.pages("/desk/empty", DEMO_PAGES));
            for (Map.Entry<String, String> page : DESK_PAGES.entrySet()) {
                rates.add("demo: " + page.getKey(), driver.pages(page.getValue(), DEMO_PAGES));
            }
        }
    }

    /** Two thousand people for a hundred seats in one burst. */
    private static void stampede(Driver driver, Rates rates) throws InterruptedException {
        rates.add("stampede of " + STAMPEDE, driver.registrations("/p/bench-stampede", STAMPEDE, "stampede"));
        rates.add("as many empty posts", driver.emptyPosts(STAMPEDE));
        if (!driver.says("/p/bench-stampede", "100 of 100 taken, 1900 waiting")) {
            throw new IllegalStateException("The stampede did not seat exactly 100 and let 1,900 wait");
        }
    }

    /** Pages of the desk about a session of ten thousand registrations. */
    private static void desk(Driver driver, String page, Rates rates) throws InterruptedException {
        String session = "/desk/sessions/" + driver.session(page);
        driver.pages(session + "/roster", DESK);
        driver.pages(session, DESK);
        rates.add("roster of 10,000", driver.pages(session + "/roster", DESK));
        rates.add("roster, sorted by name", driver.pages(session + "/roster?sort=NAME", DESK));
        rates.add("roster, searched", driver.pages(session + "/roster?q=bench17", DESK));
        rates.add("session of 10,000", driver.pages(session, DESK));
        driver.pages("/empty", DESK);
        rates.add("empty page again", driver.pages("/empty", REQUESTS));
        rates.add("empty page of the desk again", driver.pages("/desk/empty", DESK));
    }

    /** The roster of ten thousand as CSV, against reading its rows, and how much more the server then keeps in memory. */
    private static void table(Server server, Driver driver, String page, Path folder, Rates rates)
            throws IOException, InterruptedException {
        long session = Long.parseLong(driver.session(page));
        String csv = "/desk/sessions/" + session + "/roster.csv";
        driver.pages(csv, TABLES);
        long before = server.oldMegabytes();
        for (int round = 0; round < ROUNDS; round++) {
            rates.add("CSV of 10,000", driver.pages(csv, TABLES, 1));
            rates.add("reading its rows", Stick.reads(folder.resolve("jolly-roster.db"), session, TABLES));
        }
        rates.add("CSV: MB more on the heap", (double) (server.oldMegabytes() - before));
    }

    private static void print(Server server, Rates rates) {
        System.out.printf(
                "%s, %d cores, Java %s, %d clients; the middle of %d rounds%n",
                LocalDate.now(ZoneOffset.UTC),
                Runtime.getRuntime().availableProcessors(),
                Runtime.version().feature(),
                CLIENTS,
                ROUNDS);
        rates.print();
        rates.atLeast("registration", "empty post", 0.60);
        rates.atLeast("public page", "empty page", 0.70);
        rates.inTimeAtMost("stampede of " + STAMPEDE, "as many empty posts", 2);
        for (String stick : new String[] {"empty page again", "empty page of the desk again"}) {
            for (String name :
                    new String[] {"roster of 10,000", "roster, sorted by name", "roster, searched", "session of 10,000"
                    }) {
                rates.inTimeAtMost(name, stick, 15);
            }
        }
        for (String stick : new String[] {"empty page beside the desk", "empty page of the desk"}) {
            DESK_PAGES.keySet().forEach(name -> rates.inTimeAtMost("demo: " + name, stick, 6));
        }
        rates.inTimeAtMost("start: run", "start: empty application", 1.5);
        rates.inTimeAtMost("start: demo again", "start: empty application", 2);
        rates.inTimeAtMost("CSV of 10,000", "reading its rows", 2);
        rates.atLeast("registration, no HTTP", "raw commit of its rows", 0.50);
        System.out.printf("%-50s %5d MB%n", "resident memory under load", server.residentMegabytes());
    }

    static void delete(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(file);
            }
        }
    }
}
