package jollyroster;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.lang.reflect.Parameter;
import java.lang.reflect.RecordComponent;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import jollyroster.Saltmarrow.Published;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.PersonalLinks;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Every route with what nobody should send. Whatever comes, the answer is never the server's fault. */
@AppTest
@DirtiesContext
class FuzzTest {

    private static final int TURNS = 5;
    private static final List<String> NASTY = List.of(
            "",
            " ",
            "0",
            "-1",
            "1",
            "99999999999999999999",
            "2147483648",
            "NaN",
            "zzzzzz",
            "true",
            "null",
            "2027-13-45",
            "+999999999-12-31T23:59",
            "0000-01-01",
            "every day until 9999999",
            "10:00-99:99",
            "Mars/Olympus",
            "'\"><script>alert(1)</script>",
            "{{name}}${7*7}[[${7*7}]]",
            "=cmd()|' /C calc'!A0",
            "\u202egnp.exe\u0000\u0007",
            "a\r\nBcc: everybody@x.example",
            "😀".repeat(40),
            "%%%s%n%",
            "../../etc/passwd",
            "q".repeat(3000));

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    RequestMappingHandlerMapping mappings;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands registrations;

    @Autowired
    PersonalLinks links;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private final Random dice = new Random(20270310);
    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(20)).build();
    private Published at;
    private Link link;

    @BeforeEach
    void something() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(3).at("2027-03-16T19:00", "2027-03-23T19:00"));
        Registering.Done done = (Registering.Done)
                registrations.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
        link = done.link();
    }

    private <T> T any(List<T> of) {
        return of.get(dice.nextInt(of.size()));
    }

    private String nasty() {
        return any(NASTY);
    }

    /** Routes with the method behind each, in a fixed order. */
    private Map<String, HandlerMethod> routes() {
        Map<String, HandlerMethod> routes = new TreeMap<>();
        mappings.getHandlerMethods().forEach((RequestMappingInfo info, HandlerMethod handler) -> {
            for (String pattern : info.getPatternValues()) {
                for (RequestMethod method : info.getMethodsCondition().getMethods()) {
                    routes.put(method + " " + pattern, handler);
                }
            }
        });
        return routes;
    }

    /** Some tokens that are good for something, some that are nearly. */
    private String token() {
        Purpose purpose = any(Arrays.asList(Purpose.values()));
        String good = links.issue(purpose, link);
        return switch (dice.nextInt(5)) {
            case 0, 1 -> good;
            case 2 -> good.replaceFirst("\\.[0-9a-z]+\\.", ".zzzzzz.");
            case 3 -> good.substring(0, good.length() - 1) + "_";
            default -> nasty();
        };
    }

    private String filled(String pattern) {
        String path = pattern;
        while (path.contains("{")) {
            String name = path.substring(path.indexOf('{') + 1, path.indexOf('}'));
            String value = switch (name) {
                case "token" -> token();
                case "slug" -> dice.nextBoolean() ? at.slug() : nasty();
                case "id" -> any(List.of(String.valueOf(at.session()), String.valueOf(at.offering()), nasty()));
                case "registration" -> dice.nextBoolean() ? String.valueOf(link.id()) : nasty();
                default -> nasty();
            };
            path = path.replaceFirst("\\{" + name + "}", encoded(value).replace("\\", "\\\\"));
        }
        return path;
    }

    private static String encoded(String value) {
        return URLEncoder.encode(value, StandardCharsets.UTF_8).replace("+", "%20");
    }

    /** Fields of all that the method behind a route takes, with parts of records. */
    private Map<String, String> fields(HandlerMethod handler) {
        Map<String, String> fields = new LinkedHashMap<>();
        for (Parameter parameter : handler.getMethod().getParameters()) {
            if (dice.nextInt(6) > 0) {
                fields.put(parameter.getName(), nasty());
            }
            if (parameter.getType().isRecord()) {
                parts("", parameter.getType(), fields, 0);
            }
        }
        for (String often : List.of("session", "to", "r", "typed", "form", "version", "state", "after", "seats")) {
            if (dice.nextInt(4) == 0) {
                fields.put(often, nasty());
            }
        }
        return fields;
    }

    private void parts(String prefix, Class<?> type, Map<String, String> fields, int depth) {
        for (RecordComponent part : type.getRecordComponents()) {
            if (part.getType().isRecord() && depth < 3) {
                parts(prefix + part.getName() + ".", part.getType(), fields, depth + 1);
            } else if (dice.nextInt(3) > 0) {
                fields.put(prefix + part.getName(), nasty());
            }
        }
    }

    private static String form(Map<String, String> fields) {
        List<String> parts = new ArrayList<>();
        fields.forEach((name, value) -> parts.add(encoded(name) + "=" + encoded(value)));
        return String.join("&", parts);
    }

    private int send(HttpRequest.Builder request) throws IOException, InterruptedException {
        return http.send(request.timeout(Duration.ofSeconds(60)).build(), HttpResponse.BodyHandlers.ofString())
                .statusCode();
    }

    @Test
    void nothing_that_is_sent_is_the_servers_fault() throws Exception {
        Browserless organiser = new Browserless(port).signIn();
        String cookies = organiser.cookies();
        String csrf = organiser.get("/desk").csrf();
        List<String> broken = new ArrayList<>();
        for (Map.Entry<String, HandlerMethod> route : routes().entrySet()) {
            for (int turn = 0; turn < TURNS; turn++) {
                String[] words = route.getKey().split(" ");
                String path = filled(words[1]);
                Map<String, String> fields = fields(route.getValue());
                int status = send(request(words[0], path, fields, cookies, csrf, turn));
                if (status >= 500) {
                    broken.add(status + " " + words[0] + " " + path + " " + fields);
                }
            }
        }
        assertThat(broken).isEmpty();
    }

    private HttpRequest.Builder request(
            String method, String path, Map<String, String> fields, String cookies, String csrf, int turn) {
        String base = "http://localhost:" + port + path;
        if (method.equals("GET")) {
            return HttpRequest.newBuilder(URI.create(base + "?" + form(fields))).header("Cookie", cookies);
        }
        HttpRequest.Builder post = HttpRequest.newBuilder(URI.create(base))
                .header("Cookie", cookies)
                .header("X-XSRF-TOKEN", csrf);
        return switch (turn) {
            case 0 ->
                post.header("Content-Type", "multipart/form-data; boundary=x")
                        .POST(HttpRequest.BodyPublishers.ofString(
                                "--x\r\nContent-Disposition: nonsense\r\n\r\nbroken"));
            case 1 -> post.POST(HttpRequest.BodyPublishers.noBody());
            default ->
                post.header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(form(fields)));
        };
    }

    @Test
    void the_page_for_errors_is_no_page_of_its_own() throws Exception {
        assertThat(new Browserless(port).get("/error").status()).isEqualTo(404);
    }
}
