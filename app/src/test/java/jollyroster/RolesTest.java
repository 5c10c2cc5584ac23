package jollyroster;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import jollyroster.Saltmarrow.Published;
import jollyroster.core.door.Invited;
import jollyroster.core.door.RoomDoor;
import jollyroster.core.door.RoomTerms;
import jollyroster.platform.Actor;
import jollyroster.platform.Role;
import jollyroster.platform.ServiceCutCommands;
import jollyroster.platform.ServiceCuts;
import jollyroster.rooms.RoomCommands;
import jollyroster.rooms.StandingRoom;
import jollyroster.schedule.ScheduleCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import jollyroster.team.AccountCommands;
import jollyroster.till.PaymentCommands;
import jollyroster.till.PaymentQueries;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Every role on every route of the desk, on its own things and on others'. The routes are those the program has. */
@AppTest
class RolesTest {

    private static final List<String> ROLES = List.of("visitor", "helper", "host", "organiser");
    private static int count;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    RequestMappingHandlerMapping mappings;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands registrations;

    @Autowired
    ScheduleCommands schedule;

    @Autowired
    AccountCommands accounts;

    @Autowired
    PasswordEncoder passwords;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    @Autowired
    RegistrationQueries roster;

    @Autowired
    PaymentCommands payments;

    @Autowired
    PaymentQueries paid;

    @Autowired
    RoomCommands rooms;

    @Autowired
    ServiceCutCommands services;

    private final Map<String, Browserless> browsers = new HashMap<>();
    private final Map<Boolean, Thing> things = new HashMap<>();
    private final Map<String, String> tokens = new HashMap<>();
    private long host;

    /** A thing that is the role's own, and one that is not. */
    private record Thing(Published at, long registration, long payment, long room) {}

    @BeforeEach
    void team() {
        clock.set(TestClock.START);
        saltmarrow.setUp();
        count++;
        host = account("host", Role.HOST);
        account("helper", Role.HELPER);
        browsers.put("visitor", new Browserless(port));
        browsers.put("organiser", Browserless.organiser(port));
    }

    /** One of the routes cuts a service off. */
    @AfterEach
    void everythingIsConnected() {
        services.connect(ServiceCuts.MEETINGS, Saltmarrow.ORGANISER);
    }

    private long account(String name, Role role) {
        String email = name + count + "@roles.example";
        long id = accounts.add(name, email, passwords.encode("low-water"), role, Saltmarrow.ORGANISER);
        Browserless browser = new Browserless(port);
        browser.post("/sign-in", "/sign-in", Map.of("email", email, "password", "low-water"));
        browsers.put(name, browser);
        return id;
    }

    /** Only an organiser changes things, and finds new ones each time. */
    private Thing thing(String role, boolean own) {
        return role.equals("organiser") ? thing(own) : things.computeIfAbsent(own, this::thing);
    }

    private Thing thing(boolean own) {
        Published at = saltmarrow.publish(
                seats(3).costing("9").at(own ? "2027-03-10T19:00" : "2027-03-16T19:00", "2027-03-23T19:00"));
        if (own) {
            schedule.lead(at.session(), List.of(host), Saltmarrow.ORGANISER);
        }
        Registering.Done done = (Registering.Done) registrations.register(
                Saltmarrow.person(at.session(), "Wren Skerry " + at.offering(), 1), Saltmarrow.VISITOR);
        long registration = done.link().id();
        var r = roster.registration(registration).orElseThrow();
        String reference = payments.start(r, r.self()).orElseThrow().reference();
        payments.settle(reference, PaymentCommands.Outcome.PAID, Saltmarrow.ORGANISER);
        return new Thing(at, registration, paid.of(registration).get(0).id(), room(own));
    }

    private long room(boolean own) {
        return rooms.create(
                new RoomCommands.Settings(
                        new StandingRoom.Words("Room " + count, "", ""),
                        new RoomTerms(RoomDoor.WITH_HOST, "", false),
                        new Invited(List.of()),
                        10,
                        Set.of(),
                        StandingRoom.Afterwards.NOTHING,
                        false,
                        List.of()),
                own ? new Actor.Team(host, "host", Role.HOST) : Saltmarrow.ORGANISER);
    }

    static Map<String, List<String>> rows() throws IOException {
        Map<String, List<String>> rows = new TreeMap<>();
        for (String line : Files.readAllLines(Path.of("src/test/resources/roles.txt"))) {
            String[] words = line.strip().split("\\s+");
            if (!line.startsWith("#") && words.length == 6) {
                rows.put(words[0] + " " + words[1], List.of(words).subList(2, 6));
            }
        }
        return rows;
    }

    private TreeSet<String> routes() {
        TreeSet<String> routes = new TreeSet<>();
        for (RequestMappingInfo info : mappings.getHandlerMethods().keySet()) {
            for (String pattern : info.getPatternValues()) {
                info.getMethodsCondition().getMethods().stream()
                        .filter(method -> pattern.equals("/desk") || pattern.startsWith("/desk/"))
                        .forEach(method -> routes.add(method + " " + pattern));
            }
        }
        return routes;
    }

    @Test
    void every_route_has_its_row_and_every_row_its_route() throws IOException {
        TreeSet<String> rows = new TreeSet<>(rows().keySet());
        rows.remove("POST /desk/clock"); // only the demo has a clock to wind
        assertThat(rows).isEqualTo(routes());
        assertThat(rows).hasSizeGreaterThan(90);
    }

    @Test
    void each_role_gets_through_where_it_may_and_nowhere_else() throws IOException {
        Map<String, List<String>> rows = rows();
        for (String route : routes()) {
            for (String role : ROLES) {
                String may = rows.getOrDefault(route, List.of("no", "no", "no", "no"))
                        .get(ROLES.indexOf(role));
                check(route, role, may, true);
                if (route.contains("{")) {
                    check(route, role, may, false);
                }
            }
        }
    }

    private void check(String route, String role, String may, boolean own) {
        boolean through = may.equals("yes") || own && !may.equals("no");
        Browserless.Page answer = ask(route, role, thing(role, own));
        String what = role + " " + route + (own ? " (own)" : " (another's)") + " answers " + answer.status() + " "
                + answer.location();
        assertThat(answer.status()).as(what).isLessThan(500);
        assertThat(isThrough(route, answer)).as(what).isEqualTo(through);
    }

    /** Forms may be refused for what is in them; then whoever sent them got through. */
    private static boolean isThrough(String route, Browserless.Page answer) {
        boolean signIn = answer.location().contains("/sign-in");
        boolean hidden = answer.status() == 404 && !mayBeMissing(route);
        return answer.status() != 401 && answer.status() != 403 && !signIn && !hidden;
    }

    /** What the test has no thing of: an organiser is told that there is no such thing, others that they may not. */
    private static boolean mayBeMissing(String route) {
        return route.matches(
                ".*/(outbox|people|calendars|plans)/\\{id}.*|.*\\{(change|plea|guest|view|work)}.*|.*/questions");
    }

    private Browserless.Page ask(String route, String role, Thing thing) {
        String[] words = route.split(" ");
        String path = filled(words[1], thing);
        Browserless browser = browsers.get(role);
        return words[0].equals("GET")
                ? browser.get(path)
                : browser.postAsIs(path, Map.of("_csrf", token(role, browser, thing)));
    }

    private String token(String role, Browserless browser, Thing thing) {
        String page = role.equals("visitor") ? "/p/" + thing.at().slug() : "/desk";
        return tokens.computeIfAbsent(role, r -> browser.get(page).csrf());
    }

    private static String filled(String pattern, Thing thing) {
        boolean ofSession = pattern.startsWith("/desk/sessions/") || pattern.startsWith("/desk/schedule/");
        boolean ofOffering = pattern.startsWith("/desk/offerings/");
        long id = ofSession ? thing.at().session() : ofOffering ? thing.at().offering() : 1;
        boolean ofDoor = pattern.startsWith("/desk/door/")
                || pattern.startsWith("/desk/turns/")
                || pattern.startsWith("/desk/check-in/")
                || pattern.startsWith("/desk/live/")
                || pattern.startsWith("/desk/leading/");
        return pattern.replace("{id}", String.valueOf(id))
                .replace("{registration}", String.valueOf(thing.registration()))
                .replace(
                        "{session}",
                        String.valueOf(
                                ofDoor
                                        ? thing.at().session()
                                        : thing.at().dates().get(1)))
                .replace("{room}", String.valueOf(thing.room()))
                .replace("{payment}", String.valueOf(thing.payment()))
                .replace("{code}", pattern.startsWith("/desk/wordings/") ? "registered" : "door")
                .replaceAll("\\{[a-z]+}", "999999");
    }
}
