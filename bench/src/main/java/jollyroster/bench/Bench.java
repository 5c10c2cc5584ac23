package jollyroster.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Map;
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
    private static final int DESK = 400;
    private static final int WARM_DESK = 1500;

    /** A person, a registration, the seats, two answers, the logbook, three messages. */
    private static final int ROWS = 9;

    private Bench() {}

    public static void main(String[] args) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("jolly-bench");
        try (Server server = Server.start(Path.of(args[0]), folder)) {
            print(server, measure(server, folder));
        } finally {
            delete(folder);
        }
    }

    private static Map<String, Double> measure(Server server, Path folder) throws IOException, InterruptedException {
        Driver driver = new Driver(server.port(), CLIENTS);
        String page = server.offeringPage();
        for (int round = 0; round < 2; round++) {
            driver.registrations("/p/bench-warm-up", WARM_UP, "warm" + round + "-");
            driver.emptyPosts(WARM_UP);
            driver.pages("/empty", WARM_UP);
            driver.pages(page, WARM_UP);
        }
        Map<String, Double> rates = new LinkedHashMap<>();
        rates.put("empty page", driver.pages("/empty", REQUESTS));
        rates.put("public page", driver.pages(page, REQUESTS));
        rates.put("empty post", driver.emptyPosts(REQUESTS));
        rates.put("registration", driver.registrations(page, REQUESTS, "bench"));
        rates.put("empty post again", driver.emptyPosts(REQUESTS));
        stampede(driver, rates);
        driver.registrations(page, MANY - REQUESTS, "more");
        desk(driver, page, rates);
        table(server, driver, page, folder, rates);
        rates.put("registration, no HTTP", driver.registrationsWithoutHttp(page, REQUESTS));
        rates.put("raw commit of 1 row", Stick.commits(folder.resolve("jolly-roster.db"), 1, COMMITS));
        rates.put("raw commit of 9 rows", Stick.commits(folder.resolve("jolly-roster.db"), ROWS, COMMITS));
        return rates;
    }

    /** Two thousand people for a hundred seats in one burst. */
    private static void stampede(Driver driver, Map<String, Double> rates) throws InterruptedException {
        rates.put("stampede of " + STAMPEDE, driver.registrations("/p/bench-stampede", STAMPEDE, "stampede"));
        rates.put("as many empty posts", driver.emptyPosts(STAMPEDE));
        if (!driver.says("/p/bench-stampede", "100 of 100 taken, 1900 waiting")) {
            throw new IllegalStateException("The stampede did not seat exactly 100 and let 1,900 wait");
        }
    }

    /** Pages of the desk about a session of ten thousand registrations. */
    private static void desk(Driver driver, String page, Map<String, Double> rates) throws InterruptedException {
        driver.signIn();
        String session = "/desk/sessions/" + driver.session(page);
        driver.pages(session + "/roster", WARM_DESK);
        driver.pages(session, WARM_DESK);
        rates.put("roster of 10,000", driver.pages(session + "/roster", DESK));
        rates.put("roster, sorted by name", driver.pages(session + "/roster?sort=NAME", DESK));
        rates.put("roster, searched", driver.pages(session + "/roster?q=bench17", DESK));
        rates.put("session of 10,000", driver.pages(session, DESK));
        driver.pages("/empty", DESK);
        rates.put("empty page again", driver.pages("/empty", REQUESTS));
    }

    /** The roster of ten thousand as CSV, against reading its rows, and how much more the server then keeps in memory. */
    private static void table(Server server, Driver driver, String page, Path folder, Map<String, Double> rates)
            throws IOException, InterruptedException {
        long session = Long.parseLong(driver.session(page));
        String csv = "/desk/sessions/" + session + "/roster.csv";
        driver.pages(csv, TABLES);
        long before = server.oldMegabytes();
        rates.put("CSV of 10,000", driver.pages(csv, TABLES, 1));
        rates.put("CSV: MB more on the heap", (double) (server.oldMegabytes() - before));
        rates.put("reading its rows", Stick.reads(folder.resolve("jolly-roster.db"), session, TABLES));
    }

    private static void print(Server server, Map<String, Double> rates) {
        System.out.printf(
                "%s, %d cores, Java %s, %d clients%n",
                LocalDate.now(ZoneOffset.UTC),
                Runtime.getRuntime().availableProcessors(),
                Runtime.version().feature(),
                CLIENTS);
        rates.forEach((name, rate) -> System.out.printf("%-22s %8.0f /s%n", name, rate));
        double post = (rates.get("empty post") + rates.get("empty post again")) / 2;
        ratio("registration : empty post", rates.get("registration") / post, 0.60);
        ratio("public page : empty page", rates.get("public page") / rates.get("empty page"), 0.70);
        atMost(
                "stampede : empty posts, in time",
                rates.get("as many empty posts") / rates.get("stampede of " + STAMPEDE),
                2);
        double empty = rates.get("empty page again");
        for (String name :
                new String[] {"roster of 10,000", "roster, sorted by name", "roster, searched", "session of 10,000"}) {
            atMost(name + " : empty page, in time", empty / rates.get(name), 3);
        }
        atMost("CSV : reading its rows, in time", rates.get("reading its rows") / rates.get("CSV of 10,000"), 2);
        ratio(
                "registration : commit of 9 rows",
                rates.get("registration, no HTTP") / rates.get("raw commit of 9 rows"),
                0.50);
        System.out.printf("%-34s %5d MB%n", "resident memory under load", server.residentMegabytes());
        System.out.printf("%-34s %5.1f s%n", "start to the first page", server.secondsToFirstPage());
    }

    private static void ratio(String name, double ratio, double bar) {
        System.out.printf("%-34s %5.2f  (bar %.2f: %s)%n", name, ratio, bar, ratio >= bar ? "met" : "not met");
    }

    private static void atMost(String name, double ratio, double bar) {
        System.out.printf("%-40s %6.2f  (bar at most %.0f: %s)%n", name, ratio, bar, ratio <= bar ? "met" : "not met");
    }

    private static void delete(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(file);
            }
        }
    }
}
