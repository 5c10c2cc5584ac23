package jollyroster.team;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

@AppTest
class SignInTest {

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @BeforeEach
    void setUp() {
        saltmarrow.setUp();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/desk",
                "/desk/programme",
                "/desk/sessions/1",
                "/desk/sessions/1/roster.csv",
                "/desk/people",
                "/desk/outbox",
                "/desk/setup"
            })
    void the_desk_is_for_those_who_signed_in(String path) {
        Browserless.Page page = new Browserless(port).get(path);
        assertThat(page.status()).isEqualTo(302);
        assertThat(page.location()).endsWith("/sign-in");
    }

    @Test
    void the_right_password_opens_the_desk_and_leaving_shuts_it() {
        Browserless organiser = new Browserless(port).signIn();
        Browserless.Page desk = organiser.get("/desk");
        assertThat(desk.status()).isEqualTo(200);
        organiser.postAsIs("/sign-out", Map.of("_csrf", desk.csrf()));
        assertThat(organiser.get("/desk").status()).isEqualTo(302);
    }

    @Test
    void the_session_cookie_is_kept_from_scripts() {
        Browserless visitor = new Browserless(port);
        Browserless.Page in = visitor.post(
                "/sign-in", "/sign-in", Map.of("email", "demo@saltmarrow.example", "password", "fair-winds"));
        assertThat(in.response().headers().allValues("set-cookie"))
                .anyMatch(c -> c.startsWith("desk=") && c.contains("HttpOnly") && c.contains("SameSite=Lax"));
    }

    @Test
    void guessing_is_slowed_down() {
        Browserless guesser = new Browserless(port);
        String last = "";
        for (int i = 0; i < 12; i++) {
            last = guesser.post(
                            "/sign-in",
                            "/sign-in",
                            Map.of("email", "guessed@saltmarrow.example", "password", "guess" + i))
                    .location();
        }
        assertThat(last).endsWith("?slow");
    }

    @Test
    void a_second_set_up_is_refused() {
        Browserless visitor = new Browserless(port);
        assertThat(visitor.get("/welcome").location()).endsWith("/sign-in");
        Browserless.Page again = visitor.post(
                "/sign-in",
                "/welcome",
                Map.of(
                        "organisation",
                        "Pirates",
                        "zone",
                        "Europe/Oslo",
                        "name",
                        "Black Spot",
                        "email",
                        "spot@pirates.example",
                        "password",
                        "0123456789"));
        assertThat(again.location()).endsWith("/sign-in");
        assertThat(visitor.get("/").document().text()).contains("Saltmarrow").doesNotContain("Pirates");
    }

    @Test
    void typed_dates_with_an_error_add_nothing() {
        Published at = saltmarrow.publish(seats(8));
        String sheet = "/desk/offerings/" + at.offering();
        Browserless organiser = Browserless.organiser(port);
        Browserless.Page page =
                organiser.post(sheet, sheet + "/dates", Map.of("typed", "Tue 6 Apr 2027 10:00\n31 Feb 2027 10:00"));
        assertThat(page.status()).isEqualTo(422);
        assertThat(page.document().select("#readings .wrong").text()).isEqualTo("2 There is no 31 Feb 2027 column 1");
        assertThat(page.document().select("#dates .dates li")).hasSize(1);
    }

    @Test
    void the_roster_leaves_as_a_table() {
        Published at = saltmarrow.publish(seats(8));
        new Browserless(port).register(at, Map.of("name", "=cmd()|Kofi"));
        Browserless organiser = Browserless.organiser(port);
        String csv = organiser
                .get("/desk/sessions/" + at.session() + "/roster.csv")
                .response()
                .body();
        assertThat(csv)
                .startsWith("state,name,email,phone,people,zone,registered (America/Halifax),")
                .contains("registered,'=cmd()|Kofi,kofi@crew.example");
        assertThat(organiser
                        .get("/desk/sessions/" + at.session() + "/session.ics")
                        .response()
                        .body())
                .contains("BEGIN:VEVENT");
    }
}
