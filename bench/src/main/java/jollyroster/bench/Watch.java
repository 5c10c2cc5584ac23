package jollyroster.bench;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.HttpURLConnection;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Desks at a door, each with its stream of events open, and pages that wait before it. */
final class Watch implements AutoCloseable {

    private static final Pattern KNOCK = Pattern.compile("data-knock=\"(\\d+)\"");
    private static final int ASK_EVERY_SECONDS = 4;
    private final String base;
    private final Driver driver;
    private final String door;
    private final ScheduledExecutorService guests = Executors.newScheduledThreadPool(8);

    /** When each knock was answered, and by which desks it has been seen since. */
    private final Map<String, Long> answered = new ConcurrentHashMap<>();

    private final List<Long> millis = Collections.synchronizedList(new ArrayList<>());

    Watch(int port, Driver driver, long session, int desks, int waiting) {
        this.base = "http://localhost:" + port;
        this.driver = driver;
        this.door = "/desk/door/" + session;
        for (int i = 0; i < desks; i++) {
            Thread desk = new Thread(this::watch);
            desk.setDaemon(true);
            desk.start();
        }
        driver.send(door, door + "/guest-link", "scope=session");
        String link = driver.follow(door + " guest link", door, "id=\"way-session\"[^>]*value=\"[^\"]*(/g/[^\"]+)\"");
        for (int i = 0; i < waiting; i++) {
            guests.scheduleAtFixedRate(
                    () -> driver.look(link + "/state"),
                    i * 1000L * ASK_EVERY_SECONDS / waiting,
                    1000L * ASK_EVERY_SECONDS,
                    TimeUnit.MILLISECONDS);
        }
    }

    static void pause(Duration time) {
        LockSupport.parkNanos(time.toNanos());
    }

    /** Reads the stream as a desk does: something has happened, so the page is fetched anew. */
    private void watch() {
        Set<String> seen = ConcurrentHashMap.newKeySet();
        try {
            HttpURLConnection stream = (HttpURLConnection)
                    URI.create(base + door + "/events").toURL().openConnection();
            stream.setRequestProperty("Cookie", driver.sent());
            try (BufferedReader lines =
                    new BufferedReader(new InputStreamReader(stream.getInputStream(), StandardCharsets.UTF_8))) {
                for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                    if (line.startsWith("event:door")) {
                        look(seen);
                    }
                }
            }
        } catch (IOException over) {
            System.err.println("A desk's stream has ended: " + over);
        }
    }

    private void look(Set<String> seen) {
        String page = driver.get(door);
        long now = System.nanoTime();
        answered.forEach((knock, at) -> {
            if (!page.contains("data-knock=\"" + knock + "\"") && seen.add(knock)) {
                millis.add((now - at) / 1_000_000);
            }
        });
    }

    /** @return how long it took until each desk showed each admission, sorted */
    List<Long> admitOneASecond(Duration length) {
        long end = System.nanoTime() + length.toNanos();
        while (System.nanoTime() < end) {
            Matcher first = KNOCK.matcher(driver.get(door));
            if (!first.find()) {
                break;
            }
            answered.put(first.group(1), System.nanoTime());
            driver.send(door, door + "/arrivals/" + first.group(1), "do=ADMIT");
            pause(Duration.ofSeconds(1));
        }
        pause(Duration.ofSeconds(5));
        List<Long> all = new ArrayList<>(millis);
        Collections.sort(all);
        return all;
    }

    @Override
    public void close() {
        guests.shutdownNow();
    }
}
