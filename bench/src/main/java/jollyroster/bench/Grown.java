package jollyroster.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Pages stay bounded as the years go by: each kind of page on the demo's data beside the same kind in a house that has grown,
 * both servers running, one after the other in each round. Usage: {@code Grown <jar>}.
 */
public final class Grown {

    private static final int CLIENTS = 4;
    private static final int PAGES = 80;
    private static final int ROUNDS = 3;
    private static final int REGISTRATIONS = 2000;
    private static final String CROWD = "/p/bench-offering";

    /** A page of the demo, and the one like it in the grown house. */
    private record Pair(String demo, String grown) {
        static Pair same(String page) {
            return new Pair(page, page);
        }
    }

    private Grown() {}

    public static void main(String[] args) throws IOException, InterruptedException, SQLException {
        Path jar = Path.of(args[0]);
        Path demo = Files.createTempDirectory("jolly-demo");
        Path grown = Files.createTempDirectory("jolly-grown");
        Server.start(jar, demo).close();
        Files.copy(demo.resolve("jolly-roster.db"), grown.resolve("jolly-roster.db"));
        GrownHouse.grow(grown.resolve("jolly-roster.db"));
        List<String> arguments = List.of("--spring.profiles.active=demo", "--jolly.jobs.auto=false");
        try (Server small = Server.ours(jar, demo, CROWD, arguments);
                Server large = Server.ours(jar, grown, CROWD, arguments)) {
            measure(new Driver(small.port(), CLIENTS), new Driver(large.port(), CLIENTS));
        } finally {
            Bench.delete(demo);
            Bench.delete(grown);
        }
    }

    private static Map<String, Pair> pages(Driver large) {
        String offering = large.follow(GrownHouse.LONG_RUNNING, "/desk/offerings?q=bench%200", "/desk/offerings/\\d+");
        String session = large.follow(GrownHouse.LONG_RUNNING, "/desk/programme?when=past", "/desk/sessions/\\d+");
        Map<String, Pair> pages = new LinkedHashMap<>();
        pages.put("public list", Pair.same("/"));
        pages.put("public list by date", Pair.same("/?by=date"));
        pages.put("public page", new Pair("/p/knots-and-splicing-bench", GrownHouse.LONG_RUNNING));
        pages.put("today", Pair.same("/desk"));
        pages.put("programme", Pair.same("/desk/programme"));
        pages.put("past programme", Pair.same("/desk/programme?when=past"));
        pages.put("offerings", Pair.same("/desk/offerings"));
        pages.put("offering", new Pair("/desk/offerings/2", offering));
        pages.put("past session", new Pair("/desk/sessions/2", session));
        pages.put("roster", new Pair("/desk/sessions/2/roster", session + "/roster"));
        pages.put("people", Pair.same("/desk/people"));
        pages.put("people, searched", Pair.same("/desk/people?q=strand"));
        pages.put("outbox", Pair.same("/desk/outbox?show=sent"));
        pages.put("host schedule", Pair.same("/desk/lanes"));
        return pages;
    }

    private static void measure(Driver small, Driver large) throws InterruptedException {
        small.signIn();
        large.signIn();
        Rates rates = new Rates();
        Map<String, Pair> pages = pages(large);
        for (Pair pair : pages.values()) {
            small.pages(pair.demo(), PAGES);
            large.pages(pair.grown(), PAGES);
        }
        for (int round = 0; round < ROUNDS; round++) {
            for (Map.Entry<String, Pair> page : pages.entrySet()) {
                rates.add("demo: " + page.getKey(), small.pages(page.getValue().demo(), PAGES));
                rates.add("grown: " + page.getKey(), large.pages(page.getValue().grown(), PAGES));
            }
            rates.add("demo: registration", small.registrations(CROWD, REGISTRATIONS, "small" + round + "-"));
            rates.add("grown: registration", large.registrations(CROWD, REGISTRATIONS, "large" + round + "-"));
        }
        rates.print();
        pages.keySet().forEach(name -> rates.inTimeAtMost("grown: " + name, "demo: " + name, 2));
        rates.atLeast("grown: registration", "demo: registration", 0.90);
        pages.forEach((name, pair) -> {
            double ratio = (double) large.size(pair.grown()) / small.size(pair.demo());
            System.out.printf(
                    "%-56s %6.2f  (%,d bytes; bar at most 2.00: %s)%n",
                    "grown: " + name + " : demo, in size",
                    ratio,
                    large.size(pair.grown()),
                    ratio <= 2 ? "met" : "not met");
        });
    }
}
