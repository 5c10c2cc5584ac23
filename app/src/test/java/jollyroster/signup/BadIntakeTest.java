package jollyroster.signup;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Mailbox;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.seating.RegistrationQueries;
import jollyroster.sheet.QuestionForm;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** What comes with a form that nobody should have sent: options without number, forms sent again. */
@AppTest
class BadIntakeTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationQueries roster;

    @LocalServerPort
    int port;

    @Autowired
    Mailbox mailbox;

    private static QuestionForm question(String label, String options) {
        return QuestionForm.of(options.isEmpty() ? "SHORT_TEXT" : "CHOOSE_ONE", label, "", false, options);
    }

    @Test
    void a_question_with_five_hundred_options_is_refused_in_words_and_one_with_fifty_is_shown() {
        String many = IntStream.rangeClosed(1, 500).mapToObj(i -> "Berth " + i).collect(Collectors.joining("\n"));
        String most = many.lines().limit(50).collect(Collectors.joining("\n"));
        Published few = saltmarrow.publish(seats(3));
        assertThat(Browserless.organiser(port)
                        .post(
                                "/desk/offerings/" + few.offering() + "?open=asking",
                                "/desk/offerings/" + few.offering() + "/parts/asking",
                                Map.of(
                                        "seen", "1",
                                        "phone", "OPTIONAL",
                                        "question[0].label", "Which berth?",
                                        "question[0].kind", "CHOOSE_ONE",
                                        "question[0].options", many))
                        .document()
                        .select("#asking .field-problem")
                        .text())
                .contains("50");
        Published at = saltmarrow.publish(seats(3).asking(question("Which berth?", most)));
        assertThat(new Browserless(port)
                        .get("/p/" + at.slug())
                        .document()
                        .select("[name=q.which_berth] option, [name=q.which_berth]"))
                .hasSizeGreaterThanOrEqualTo(50);
        assertThat(new Browserless(port)
                        .register(at, Map.of("q.which_berth", "Berth 51"))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void a_form_sent_again_after_its_seat_was_given_back_takes_no_seat() {
        Published at = saltmarrow.publish(seats(1));
        Browserless visitor = new Browserless(port);
        String page = "/p/" + at.slug();
        Browserless.Page shown = visitor.get(page);
        Map<String, String> form = new LinkedHashMap<>(Map.of(
                "session", String.valueOf(at.session()),
                "name", "Dag Haverbrook",
                "email", "dag@again.example",
                "party", "1",
                "zone", "Europe/Oslo",
                "form", shown.document().select("input[name=form]").attr("value"),
                "_csrf", shown.csrf()));
        visitor.postAsIs(page + "/register", form);
        String own = mailbox.ownPage("dag@again.example");
        visitor.post(own, own + "/cancel", Map.of());
        assertThat(visitor.get(own).state()).isEqualTo("cancelled");
        visitor.postAsIs(page + "/register", form);
        assertThat(visitor.get(own).state()).isEqualTo("cancelled");
        assertThat(roster.of(List.of(at.session())).get(at.session()).taken()).isZero();
        assertThat(visitor.register(at, Map.of("email", "dag@again.example", "name", "Dag Haverbrook"))
                        .state())
                .as("a new form does")
                .isEqualTo("registered");
    }
}
