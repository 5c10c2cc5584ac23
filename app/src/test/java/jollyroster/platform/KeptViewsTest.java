package jollyroster.platform;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.schedule.ScheduleCommands;
import jollyroster.seating.RegistrationCommands;
import jollyroster.team.AccountCommands;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.security.crypto.password.PasswordEncoder;

/** Desk pages that are kept as they were written: the same for everybody, but for what is each reader's own. */
@AppTest
class KeptViewsTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    AccountCommands accounts;

    @Autowired
    ScheduleCommands schedule;

    @Autowired
    PasswordEncoder passwords;

    @LocalServerPort
    int port;

    private Published at;
    private String session;
    private Browserless organiser;

    @BeforeEach
    void publish() {
        at = saltmarrow.publish(seats(4));
        session = "/desk/sessions/" + at.session();
        organiser = Browserless.organiser(port);
        roster.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
    }

    private static String withoutTokens(Browserless.Page page) {
        page.document().select("input[name=_csrf]").remove();
        return page.document().select("main").html();
    }

    @Test
    void two_readers_get_one_page_with_their_own_tokens_and_both_tokens_work() {
        Browserless other = new Browserless(port).signIn();
        for (String path : List.of(session, session + "/roster")) {
            Browserless.Page first = organiser.get(path);
            Browserless.Page second = other.get(path);
            assertThat(second.csrf()).isNotBlank().isNotEqualTo(first.csrf());
            assertThat(second.document().select("input[name=_csrf]").eachAttr("value"))
                    .as("one token in every form of " + path)
                    .hasSizeGreaterThan(1)
                    .containsOnly(second.csrf());
            assertThat(withoutTokens(second)).isEqualTo(withoutTokens(first));
        }
        for (Browserless reader : List.of(organiser, other)) {
            Browserless.Page page = reader.get(session);
            assertThat(reader.postAsIs(session + "/seats", Map.of("seats", "5", "_csrf", page.csrf()))
                            .status())
                    .isEqualTo(302);
        }
    }

    @Test
    void what_is_said_once_is_not_kept() {
        organiser.get(session);
        organiser.post(session, session + "/seats", Map.of("seats", "7"));
        assertThat(organiser.get(session).document().select(".said").text()).isEqualTo("Seats changed.");
        Browserless.Page next = organiser.get(session);
        assertThat(next.document().select(".said")).isEmpty();
        assertThat(next.document().select(".strip-words").text()).contains("1 of 7 taken");
    }

    @Test
    void what_is_asked_for_is_not_what_was_asked_for_before() {
        roster.register(Saltmarrow.person(at.session(), "Teo Vance", 2), Saltmarrow.VISITOR);
        String all =
                organiser.get(session + "/roster").document().select("tbody").text();
        String some = organiser
                .get(session + "/roster?q=wren")
                .document()
                .select("tbody")
                .text();
        assertThat(all).contains("Wren Skerry", "Teo Vance");
        assertThat(some).contains("Wren Skerry").doesNotContain("Teo Vance");
        assertThat(organiser
                        .get(session + "/roster?q=wren")
                        .document()
                        .select("input[name=q][type=search]")
                        .attr("value"))
                .isEqualTo("wren");
        assertThat(organiser
                        .get(session + "/roster/addresses")
                        .document()
                        .select("main")
                        .text())
                .contains("teo.vance@crew.example");
    }

    @Test
    void a_host_is_not_shown_what_an_organiser_was() {
        long host = accounts.add(
                "Piran Tidewater",
                at.slug() + "@saltmarrow.example",
                passwords.encode("low-water"),
                Role.HOST,
                Saltmarrow.ORGANISER);
        schedule.lead(at.session(), List.of(host), Saltmarrow.ORGANISER);
        Browserless reader = new Browserless(port);
        reader.post(
                "/sign-in", "/sign-in", Map.of("email", at.slug() + "@saltmarrow.example", "password", "low-water"));
        for (String path : List.of(session, session + "/roster")) {
            assertThat(organiser.get(path).document().select(".masthead a").eachText())
                    .contains("Setup");
            assertThat(reader.get(path).document().select(".masthead a").eachText())
                    .contains("Today")
                    .doesNotContain("Setup");
        }
        assertThat(organiser.get(session).document().select("form[action$=seats]"))
                .isNotEmpty();
        assertThat(reader.get(session).document().select("form[action$=seats]")).isEmpty();
        assertThat(reader.get(session + "/roster").document().select("[data-choose]"))
                .isEmpty();
    }
}
