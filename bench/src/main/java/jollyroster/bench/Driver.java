package jollyroster.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Sends bounded bursts of requests to this machine from a number of clients, each keeping one connection. */
final class Driver {

    private static final Pattern CSRF = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"");
    private static final Pattern SESSION = Pattern.compile("name=\"session\" value=\"(\\d+)\"");
    private static final long LONGEST_SECONDS = 120;
    private final String base;
    private final int clients;
    private final HttpClient http =
            HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();

    /** As everybody sends them: the ones of the first page, and of signing in. What else is given is for one person. */
    private final Map<String, String> cookies = Collections.synchronizedMap(new LinkedHashMap<>());

    Driver(int port, int clients) {
        this.base = "http://localhost:" + port;
        this.clients = clients;
    }

    /** Pages a second. */
    double pages(String path, int requests) throws InterruptedException {
        HttpRequest request = request(path).build();
        return rate(requests, i -> request);
    }

    /** The same from fewer clients. */
    double pages(String path, int requests, int from) throws InterruptedException {
        HttpRequest request = request(path).build();
        return rate(requests, from, i -> request);
    }

    /** Posts a second of the same form, with as much work for the client, to where it checks its token and writes nothing. */
    double emptyPosts(int requests) throws InterruptedException {
        String csrf = find(CSRF, get("/empty"));
        return rate(requests, i -> post("/empty", form("1", "empty" + i, csrf)));
    }

    /** Registrations a second, each of somebody new. */
    double registrations(String page, int requests, String who) throws InterruptedException {
        String shown = get(page);
        String session = find(SESSION, shown);
        String csrf = find(CSRF, shown);
        return rate(requests, i -> post(page + "/register", form(session, who + i, csrf)));
    }

    private static String form(String session, String who, String csrf) {
        return "session=" + session + "&name=Crew+Member&email=" + who + "%40crew.example&party=1"
                + "&zone=Europe%2FLisbon&q.left_handed=No&q.your_boat=Curlew&_csrf=" + csrf;
    }

    /** Registrations a second, asked for within the server by as many threads as there are clients. */
    double registrationsWithoutHttp(String page, int people, String who) {
        String form = get(page);
        String body =
                "session=" + find(SESSION, form) + "&people=" + people + "&who=" + who + "&_csrf=" + find(CSRF, form);
        return people
                / Double.parseDouble(send(post("/empty/registrations", body)).body());
    }

    /** Pages a second, of each of these once. */
    double each(List<String> paths) throws InterruptedException {
        return rate(paths.size(), i -> request(paths.get(i)).build());
    }

    /** A webinar whose door is open. @return its number, then a join token a line */
    List<String> door(int people, int waiting) {
        String body = "people=" + people + "&waiting=" + waiting + "&_csrf=" + find(CSRF, get("/empty"));
        return send(post("/empty/door", body)).body().lines().toList();
    }

    /** Sends a form with the token of a page. */
    void send(String from, String path, String fields) {
        HttpResponse<String> answer = send(post(path, fields + "&_csrf=" + find(CSRF, get(from))));
        if (answer.statusCode() >= 400) {
            throw new IllegalStateException(path + " answers " + answer.statusCode());
        }
    }

    /** Asks without keeping what comes. */
    void look(String path) {
        send(HttpRequest.newBuilder(URI.create(base + path)).build());
    }

    /** Signs in as the demo's organiser, so that pages of the desk can be asked for. */
    void signIn() {
        String csrf = find(CSRF, get("/sign-in"));
        keepCookies(send(post("/sign-in", "email=demo%40saltmarrow.example&password=fair-winds&_csrf=" + csrf)));
    }

    /** The number of the session that a page offers. */
    String session(String page) {
        return find(SESSION, get(page));
    }

    /** How long a page is, in characters. */
    int size(String page) {
        return get(page).length();
    }

    /** The first address of a kind on a page. @param about what is looked for, for whoever reads the failure */
    String follow(String about, String page, String kind) {
        Matcher found = Pattern.compile(kind.contains("(") ? kind : "href=\"(" + kind + ")[\"?#]")
                .matcher(get(page));
        if (!found.find()) {
            throw new IllegalStateException("Nothing like " + kind + " on " + page + " of " + about);
        }
        return found.group(1);
    }

    /** Whether a page says this. */
    boolean says(String page, String words) {
        return get(page).contains(words);
    }

    private HttpRequest.Builder request(String path) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path));
        return cookies.isEmpty() ? request : request.header("Cookie", sent());
    }

    String sent() {
        synchronized (cookies) {
            return cookies.entrySet().stream()
                    .map(cookie -> cookie.getKey() + "=" + cookie.getValue())
                    .collect(Collectors.joining("; "));
        }
    }

    private void keepCookies(HttpResponse<?> response) {
        response.headers().allValues("set-cookie").stream()
                .flatMap(cookie -> HttpCookie.parse(cookie).stream())
                .forEach(cookie -> cookies.put(cookie.getName(), cookie.getValue()));
    }

    private HttpRequest post(String path, String body) {
        return request(path)
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
    }

    private double rate(int requests, IntFunction<HttpRequest> request) throws InterruptedException {
        return rate(requests, clients, request);
    }

    private double rate(int requests, int from, IntFunction<HttpRequest> request) throws InterruptedException {
        AtomicInteger next = new AtomicInteger();
        CountDownLatch done = new CountDownLatch(from);
        AtomicInteger refused = new AtomicInteger();
        ExecutorService pool = Executors.newFixedThreadPool(from);
        long begun = System.nanoTime();
        for (int client = 0; client < from; client++) {
            pool.execute(() -> {
                for (int i = next.getAndIncrement(); i < requests; i = next.getAndIncrement()) {
                    if (send(request.apply(i)).statusCode() >= 400) {
                        refused.incrementAndGet();
                    }
                }
                done.countDown();
            });
        }
        boolean finished = done.await(LONGEST_SECONDS, TimeUnit.SECONDS);
        double seconds = (System.nanoTime() - begun) / 1e9;
        pool.shutdownNow();
        if (!finished || refused.get() > 0) {
            throw new IllegalStateException(refused.get() + " requests were refused; finished in time: " + finished);
        }
        return requests / seconds;
    }

    String get(String path) {
        HttpResponse<String> page = send(request(path).build());
        keepCookies(page);
        return page.body();
    }

    private HttpResponse<String> send(HttpRequest request) {
        try {
            return http.send(request, HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private static String find(Pattern pattern, String page) {
        Matcher matcher = pattern.matcher(page);
        if (!matcher.find()) {
            throw new IllegalStateException("The page lacks " + pattern);
        }
        return matcher.group(1);
    }
}
