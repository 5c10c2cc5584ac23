package jollyroster;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import jollyroster.Saltmarrow.Published;
import jollyroster.platform.Role;
import jollyroster.schedule.ScheduleCommands;
import jollyroster.seating.RegistrationCommands;
import jollyroster.team.AccountCommands;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.http.server.PathContainer;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.web.util.pattern.PathPatternParser;

/** Nobody is offered what they may not do: every link and form a host or a helper meets leads where they may go. */
@AppTest
class OfferedTest {

    private static final int MOST_PAGES = 60;
    private static int count;

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    AccountCommands accounts;

    @Autowired
    PasswordEncoder passwords;

    @Autowired
    ScheduleCommands schedule;

    @Autowired
    RegistrationCommands registrations;

    @Autowired
    TestClock clock;

    private Published at;

    @BeforeEach
    void aSessionOfToday() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(3).callingUp().at("2027-03-10T19:00"));
        for (int i = 0; i < 5; i++) {
            registrations.register(
                    Saltmarrow.person(at.session(), "Wren Skerry " + (char) ('A' + i), 1), Saltmarrow.VISITOR);
        }
    }

    private Browserless as(Role role) {
        String email = "offered" + ++count + role + "@roles.example";
        long id = accounts.add(
                "Offered " + count, email.toLowerCase(), passwords.encode("low-water"), role, Saltmarrow.ORGANISER);
        if (role == Role.HOST) {
            schedule.lead(at.session(), List.of(id), Saltmarrow.ORGANISER);
        }
        Browserless browser = new Browserless(port);
        browser.post("/sign-in", "/sign-in", Map.of("email", email.toLowerCase(), "password", "low-water"));
        return browser;
    }

    @Test
    void a_host_is_offered_nothing_in_vain() throws IOException {
        assertThat(inVain(as(Role.HOST), 2)).isEmpty();
    }

    @Test
    void a_helper_is_offered_nothing_in_vain() throws IOException {
        assertThat(inVain(as(Role.HELPER), 1)).isEmpty();
    }

    /** @param column of the role in the matrix */
    private Set<String> inVain(Browserless browser, int column) throws IOException {
        Map<String, List<String>> rows = RolesTest.rows();
        Set<String> vain = new TreeSet<>();
        Set<String> seen = new HashSet<>();
        Map<String, String> from = new HashMap<>();
        Deque<String> todo = new ArrayDeque<>(List.of("/desk", "/desk/programme", "/desk/sessions/" + at.session()));
        while (!todo.isEmpty() && seen.size() < MOST_PAGES) {
            String page = todo.poll();
            if (!seen.add(page)) {
                continue;
            }
            Browserless.Page shown = browser.get(page);
            if (shown.status() >= 400 || shown.location().contains("/sign-in")) {
                vain.add("GET " + page + " " + shown.status() + " on " + from.get(page));
                continue;
            }
            links(shown.document()).forEach(link -> {
                from.putIfAbsent(link, page);
                todo.add(link);
            });
            forms(shown.document())
                    .filter(action -> may(rows, action, column).equals("no"))
                    .forEach(action -> vain.add("POST " + action + " on " + page));
        }
        assertThat(seen).as("pages looked at").hasSizeGreaterThan(4);
        return vain;
    }

    private List<String> links(Document page) {
        return page.select("a[href]").stream()
                .map(a -> a.attr("href"))
                .filter(href -> href.startsWith("/desk"))
                .map(href -> href.replaceFirst("#.*", ""))
                .filter(href -> !href.endsWith(".pdf"))
                .distinct()
                .toList();
    }

    private static java.util.stream.Stream<String> forms(Document page) {
        return page.select("form[method=post], button[formaction]").stream()
                .map(form -> form.hasAttr("formaction") ? form.attr("formaction") : form.attr("action"))
                .filter(action -> action.startsWith("/desk"))
                .map(action -> URI.create(action).getPath());
    }

    private static String may(Map<String, List<String>> rows, String path, int column) {
        return rows.entrySet().stream()
                .filter(row -> row.getKey().startsWith("POST "))
                .filter(row -> PathPatternParser.defaultInstance
                        .parse(row.getKey().substring(5))
                        .matches(PathContainer.parsePath(path)))
                .findFirst()
                .map(row -> row.getValue().get(column))
                .orElse("no");
    }

    @Test
    void a_refusal_says_whether_it_is_the_role_or_the_form() {
        Browserless helper = as(Role.HELPER);
        assertThat(helper.get("/desk/offerings/" + at.offering(), Map.of("Accept", "text/html"))
                        .document()
                        .text())
                .contains("Not for your role");
        assertThat(helper.postAsIs("/sign-out", Map.of()).status()).isEqualTo(403);
    }
}
