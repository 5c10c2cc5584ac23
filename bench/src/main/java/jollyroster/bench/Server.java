package jollyroster.bench;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The application under measurement, in a process of its own with the memory it is meant to run in. */
final class Server implements AutoCloseable {

    private static final long LONGEST_START_MILLIS = 180_000;
    private static final Pattern OLD = Pattern.compile("tenured generation.* used (\\d+)K");
    private static final HttpClient ASKING = HttpClient.newHttpClient();
    private static final List<String> OPTIONS = List.of(
            "-Xms64m",
            "-Xmx256m",
            "-XX:+UseSerialGC",
            "-XX:MinHeapFreeRatio=15",
            "-XX:MaxHeapFreeRatio=30",
            "-XX:TieredStopAtLevel=1");
    private final Process process;
    private final int port;
    private final double secondsToFirstPage;

    private Server(Process process, int port, double secondsToFirstPage) {
        this.process = process;
        this.port = port;
        this.secondsToFirstPage = secondsToFirstPage;
    }

    /** The server that is measured, with pages of nothing and offerings for a crowd. */
    static Server start(Path jar, Path folder) throws IOException, InterruptedException {
        return ours(
                jar,
                folder,
                "/p/bench-offering",
                List.of("--spring.profiles.active=demo,bench", "--jolly.jobs.auto=false"));
    }

    /** The application as {@code ./jolly} starts it, with the archive of its classes. @param page what is waited for */
    static Server ours(Path jar, Path folder, String page, List<String> arguments)
            throws IOException, InterruptedException {
        List<String> all = new ArrayList<>(List.of(
                "-XX:SharedArchiveFile=" + jar.resolveSibling("classes.jsa"),
                "-Xlog:disable",
                "-jar",
                jar.toString(),
                "--jolly.data=" + folder));
        all.addAll(arguments);
        return started(all, folder, page);
    }

    /** The empty application with the same starters. */
    static Server empty(Path folder) throws IOException, InterruptedException {
        return started(
                List.of(
                        "-cp",
                        System.getProperty("java.class.path"),
                        EmptyApplication.class.getName(),
                        "--spring.datasource.url=jdbc:sqlite:" + folder.resolve("empty.db"),
                        "--logging.level.root=WARN",
                        "--spring.main.banner-mode=off"),
                folder,
                "/");
    }

    private static Server started(List<String> arguments, Path folder, String page)
            throws IOException, InterruptedException {
        int port = freePort();
        List<String> all = new ArrayList<>(arguments);
        all.add("--server.port=" + port);
        long begun = System.nanoTime();
        Process process = java(all.toArray(String[]::new))
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("server.log").toFile())
                .start();
        while (!answers(port, page)) {
            if (!process.isAlive() || (System.nanoTime() - begun) / 1_000_000 > LONGEST_START_MILLIS) {
                process.destroyForcibly();
                throw new IllegalStateException(
                        "The server did not start: " + Files.readString(folder.resolve("server.log")));
            }
            process.waitFor(20, TimeUnit.MILLISECONDS);
        }
        return new Server(process, port, (System.nanoTime() - begun) / 1e9);
    }

    /** A virtual machine as {@code ./jolly run} starts it; the measuring sticks run in such a one too. */
    static ProcessBuilder java(String... arguments) {
        ProcessBuilder command = new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString());
        command.command().addAll(OPTIONS);
        command.command().addAll(List.of(arguments));
        command.environment().put("MALLOC_ARENA_MAX", "2");
        return command;
    }

    private static boolean answers(int port, String page) throws InterruptedException {
        try {
            HttpRequest request = HttpRequest.newBuilder(URI.create("http://localhost:" + port + page))
                    .build();
            return ASKING.send(request, HttpResponse.BodyHandlers.discarding()).statusCode() == 200;
        } catch (IOException notYet) {
            return false;
        }
    }

    int port() {
        return port;
    }

    String offeringPage() {
        return "/p/bench-offering";
    }

    double secondsToFirstPage() {
        return secondsToFirstPage;
    }

    /** What the server keeps on its heap after it has collected what it no longer needs. */
    long oldMegabytes() throws IOException, InterruptedException {
        jcmd("GC.run");
        Matcher used = OLD.matcher(jcmd("GC.heap_info"));
        return used.find() ? Long.parseLong(used.group(1)) / 1024 : 0;
    }

    private String jcmd(String what) throws IOException, InterruptedException {
        Path tool = Path.of(System.getProperty("java.home"), "bin", "jcmd");
        Process asked = new ProcessBuilder(tool.toString(), String.valueOf(process.pid()), what)
                .redirectErrorStream(true)
                .start();
        String said = new String(asked.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        asked.waitFor();
        return said;
    }

    /** From /proc; 0 where there is none. */
    long residentMegabytes() {
        try {
            return Files.readAllLines(Path.of("/proc", String.valueOf(process.pid()), "status")).stream()
                    .filter(line -> line.startsWith("VmRSS:"))
                    .map(line -> Long.parseLong(line.replaceAll("\\D", "")) / 1024)
                    .findFirst()
                    .orElse(0L);
        } catch (IOException noProc) {
            return 0;
        }
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    @Override
    public void close() throws InterruptedException {
        process.destroy();
        if (!process.waitFor(20, TimeUnit.SECONDS)) {
            process.destroyForcibly();
        }
    }
}
