package jollyroster.signup;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow.Published;
import jollyroster.core.seats.RegistrationState;
import org.junit.jupiter.api.Test;

/** An address is confirmed by the link or the code of the e-mail, and by nothing else. */
@AppTest
class ConfirmingOverHttpTest extends AsVisitor {

    @Test
    void an_address_is_confirmed_by_the_link_in_the_letter() {
        Published at = saltmarrow.publish(seats(4).callingUp().confirmed().saidAfter("Park at the quay.", ""));
        Browserless.Page held = visitor.register(at, Map.of("email", "confirm@crew.example"));
        assertThat(held.state()).isEqualTo("unconfirmed");
        assertThat(held.document().select("a[href*=/join/]")).isEmpty();
        worker.sendDue();
        String link = linkIn("confirm@crew.example", "/confirm/");
        assertThat(visitor.get(link).document().select(".answer-now button").text())
                .isEqualTo("Confirm");
        assertThat(roster.roster(at.session()).get(0).state()).isEqualTo(RegistrationState.UNCONFIRMED);
        Browserless.Page done = visitor.post(link, link, Map.of());
        assertThat(done.state()).isEqualTo("registered");
        assertThat(done.document().text()).contains("Park at the quay.");
    }

    @Test
    void an_address_is_confirmed_by_the_code_in_the_letter_but_not_by_guessing() {
        Published at = saltmarrow.publish(seats(4).callingUp().confirmed());
        Browserless guesser = new Browserless(port);
        visitor.register(at, Map.of("email", "types@crew.example", "form", "a1-types"));
        guesser.register(at, Map.of("email", "guesses@crew.example", "form", "a1-guesses"));
        worker.sendDue();
        String code = codeIn("types@crew.example");
        String wrong = code.equals("000000") ? "000001" : "000000";
        assertThat(type(visitor, at, wrong).document().text()).contains("This code did not open anything");
        assertThat(type(guesser, at, code).state()).as("somebody else's code").isEqualTo("unconfirmed");
        assertThat(type(visitor, at, code.substring(0, 3) + " " + code.substring(3))
                        .state())
                .isEqualTo("registered");
        for (int i = 0; i < 4; i++) {
            type(guesser, at, "12345" + i + "0");
        }
        assertThat(type(guesser, at, codeIn("guesses@crew.example")).state())
                .as("the right one after too many wrong ones")
                .isEqualTo("unconfirmed");
        String link = linkIn("guesses@crew.example", "/confirm/");
        assertThat(visitor.post(link, link, Map.of()).state()).isEqualTo("registered");
        assertThat(type(visitor, at, code).document().text()).contains("This code did not open anything");
    }

    private static Browserless.Page type(Browserless who, Published at, String code) {
        return who.post("/p/" + at.slug() + "/thanks", "/p/" + at.slug() + "/code", Map.of("code", code));
    }

    @Test
    void a_code_typed_for_an_address_that_is_known_already_sounds_like_a_wrong_one() {
        Published at = saltmarrow.publish(seats(4).callingUp().confirmed());
        visitor.register(at, Map.of("email", "known@crew.example"));
        worker.sendDue();
        Browserless stranger = new Browserless(port);
        assertThat(stranger.register(at, Map.of("email", "known@crew.example", "form", "a1-stranger"))
                        .state())
                .isEqualTo("unconfirmed");
        assertThat(type(stranger, at, "123456").document().text()).contains("This code did not open anything");
    }

    private String codeIn(String recipient) {
        Matcher m = Pattern.compile("\\b(\\d{6})\\b")
                .matcher(tray.latestTo(recipient).orElseThrow().text());
        assertThat(m.find()).isTrue();
        return m.group(1);
    }

    private String linkIn(String recipient, String path) {
        String text = tray.latestTo(recipient).orElseThrow().text();
        Matcher m = Pattern.compile("https?://[^/\\s]+(" + path + "\\S+)").matcher(text);
        assertThat(m.find()).as(text).isTrue();
        return m.group(1);
    }
}
