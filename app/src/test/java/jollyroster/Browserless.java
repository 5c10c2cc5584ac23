package jollyroster;

import java.io.IOException;
import java.io.InputStream;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.stream.Collectors;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;

/** A visitor without a browser: keeps cookies, fills in forms, reads pages. Follows a form to its confirmation (303) only. */
public final class Browserless {

    private static final Map<Integer, Browserless> SIGNED_IN = new ConcurrentHashMap<>();

    private final CookieManager cookies = new CookieManager();
    private final Queue<InputStream> begun = new ConcurrentLinkedQueue<>();
    private final HttpClient http = HttpClient.newBuilder()
            .cookieHandler(cookies)
            .connectTimeout(Duration.ofSeconds(20))
            .build();
    private final String base;

    public Browserless(int port) {
        this.base = "http://localhost:" + port;
    }

    private Browserless(String base, String known) {
        this.base = base;
        for (String one : known.split("; ")) {
            int end = one.indexOf('=');
            HttpCookie cookie = new HttpCookie(one.substring(0, end), one.substring(end + 1));
            cookie.setPath("/");
            cookie.setVersion(0);
            cookies.getCookieStore().add(URI.create(base), cookie);
        }
    }

    /** An organiser at the desk: signed in once per server, for an account may sign in only so often. */
    public static Browserless organiser(int port) {
        return SIGNED_IN.compute(
                port,
                (at, before) -> before != null && before.get("/desk").status() == 200
                        ? before
                        : new Browserless(port).signIn());
    }

    /** An answer, with its body parsed. */
    public record Page(int status, Document document, HttpResponse<String> response) {
        public String state() {
            return document.select("main").attr("data-state");
        }

        public String location() {
            return response.headers().firstValue("location").orElse("");
        }

        /** The path of the first link with this relation or text. */
        public String link(String selector) {
            return URI.create(document.select(selector).attr("href")).getPath();
        }

        public String csrf() {
            return document.select("input[name=_csrf]").attr("value");
        }
    }

    /** What this visitor's browser would send along. */
    public String cookies() {
        return cookies.getCookieStore().getCookies().stream()
                .map(c -> c.getName() + "=" + c.getValue())
                .collect(Collectors.joining("; "));
    }

    public Page get(String path) {
        return get(path, Map.of());
    }

    public Page get(String path, Map<String, String> headers) {
        HttpRequest.Builder request =
                HttpRequest.newBuilder(URI.create(base + path)).GET();
        headers.forEach(request::header);
        return send(request);
    }

    /** Posts a form with the CSRF token of the page at {@code from}. */
    public Page post(String from, String path, Map<String, String> fields) {
        Map<String, String> all = new LinkedHashMap<>(fields);
        all.put("_csrf", get(from).csrf());
        return postAsIs(path, all);
    }

    /**
     * Sends the form of the page at {@code from} that leads to {@code path} twice, as a double press does: with all that is hidden in it, and
     * before the browser has read an answer.
     */
    public void pressTwice(String from, String path, Map<String, String> fields) {
        Map<String, String> all = new LinkedHashMap<>(fields);
        get(from)
                .document()
                .select("form[action=" + path + "] input[type=hidden]")
                .forEach(hidden -> all.put(hidden.attr("name"), hidden.attr("value")));
        String known = cookies();
        for (int press = 0; press < 2; press++) {
            Browserless asItWas = new Browserless(base, known);
            Page answer = asItWas.postAsIs(path, all);
            if (answer.status() >= 400) {
                throw new IllegalStateException("Refused with " + answer.status());
            }
            cookies.getCookieStore().removeAll();
            asItWas.cookies
                    .getCookieStore()
                    .getCookies()
                    .forEach(cookie -> cookies.getCookieStore().add(URI.create(base), cookie));
        }
    }

    public Page postAsIs(String path, Map<String, String> fields) {
        String body = fields.entrySet().stream()
                .map(f -> encode(f.getKey()) + "=" + encode(f.getValue()))
                .collect(Collectors.joining("&"));
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    /** Posts a form with a file (RFC 7578), with the CSRF token of the page at {@code from}. */
    public Page upload(String from, String path, Map<String, String> fields, String filename, String content) {
        Map<String, String> all = new LinkedHashMap<>(fields);
        all.put("_csrf", get(from).csrf());
        StringBuilder body = new StringBuilder();
        all.forEach((name, value) -> body.append(
                "--seam\r\nContent-Disposition: form-data; name=\"%s\"\r\n\r\n%s\r\n".formatted(name, value)));
        body.append("--seam\r\nContent-Disposition: form-data; name=\"file\"; filename=\"%s\"\r\n\r\n%s\r\n--seam--\r\n"
                .formatted(filename, content));
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", "multipart/form-data; boundary=seam")
                .POST(HttpRequest.BodyPublishers.ofString(body.toString(), StandardCharsets.ISO_8859_1)));
    }

    /** What is no text. */
    public byte[] bytes(String path) throws IOException, InterruptedException {
        return http.send(
                        HttpRequest.newBuilder(URI.create(base + path))
                                .timeout(Duration.ofSeconds(60))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body();
    }

    /** Fills in the registration form; fields given win over the usual ones. */
    public Page register(Saltmarrow.Published at, Map<String, String> fields) {
        Map<String, String> all = new LinkedHashMap<>(Map.of(
                "session", String.valueOf(at.session()),
                "name", "Kofi Brannigan",
                "email", "kofi@crew.example",
                "party", "1",
                "zone", "America/Halifax"));
        all.putAll(fields);
        return post("/p/" + at.slug(), "/p/" + at.slug() + "/register", all);
    }

    /** What is warned of on a page once; other tests may have left something to be said first. */
    public List<String> warnedOn(String page) {
        List<String> said = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            said.addAll(get(page).document().select(".warned").eachText());
        }
        return said;
    }

    public Browserless signIn() {
        post("/sign-in", "/sign-in", Map.of("email", "demo@saltmarrow.example", "password", "fair-winds"));
        return this;
    }

    private Page send(HttpRequest.Builder request) {
        try {
            HttpResponse<String> response =
                    http.send(request.timeout(Duration.ofSeconds(60)).build(), this::body);
            leaveStreams();
            if (response.statusCode() == 303) {
                return send(HttpRequest.newBuilder(response.uri()
                                .resolve(response.headers()
                                        .firstValue("location")
                                        .orElseThrow()))
                        .GET());
            }
            return new Page(response.statusCode(), Jsoup.parse(response.body(), base), response);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** As text; of a stream of events, which has no end, only that it has begun: it is left once the answer is there. */
    private HttpResponse.BodySubscriber<String> body(HttpResponse.ResponseInfo answer) {
        boolean endless = answer.headers().firstValue("Content-Type").orElse("").startsWith("text/event-stream");
        return endless
                ? HttpResponse.BodySubscribers.mapping(HttpResponse.BodySubscribers.ofInputStream(), stream -> {
                    begun.add(stream);
                    return "";
                })
                : HttpResponse.BodySubscribers.ofString(StandardCharsets.UTF_8);
    }

    private void leaveStreams() throws IOException {
        for (InputStream stream = begun.poll(); stream != null; stream = begun.poll()) {
            stream.close();
        }
    }

    private static String encode(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
