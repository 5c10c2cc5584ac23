package jollyroster.roster;

import static jollyroster.Saltmarrow.Wanted.seats;
import static jollyroster.Saltmarrow.person;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.util.HashMap;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.outbox.OutboxQueries;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** An e-mail to several people: seen before it goes, and nothing lost when it cannot go. */
@AppTest
class WriteOverHttpTest {

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands registrations;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    TestClock clock;

    private Browserless organiser;
    private Published at;
    private String roster;
    private long kofi;

    @BeforeEach
    void twoPeople() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(5));
        organiser = Browserless.organiser(port);
        roster = "/desk/sessions/" + at.session() + "/roster";
        kofi = registered("Kofi Brannigan");
        registered("Wren Skerry");
    }

    private long registered(String name) {
        return ((Registering.Done) registrations.register(person(at.session(), name, 1), Saltmarrow.VISITOR))
                .link()
                .id();
    }

    private Map<String, String> form(String body) {
        return new HashMap<>(Map.of("r", String.valueOf(kofi), "subject", "Boots", "body", body));
    }

    private long written() {
        return outbox.ofRegistration(kofi).stream()
                .filter(m -> m.anchor() == Anchor.WRITTEN)
                .count();
    }

    @Test
    void it_is_shown_as_the_first_reads_it_and_sent_only_after_that() {
        Map<String, String> form = form("Dear {{first_name}}, bring *boots* to <b>{{title}}</b>.");
        Browserless.Page shown = organiser.post(roster, roster + "/write", form);
        assertThat(shown.document().select(".mail-words").text()).contains("Dear Kofi, bring boots to <b>Knots");
        assertThat(shown.document().select(".mail-words em").text()).isEqualTo("boots");
        assertThat(shown.document().text()).contains("This is how Kofi Brannigan reads it. Nothing has been sent yet.");
        assertThat(written()).isZero();
        form.put("sure", "true");
        organiser.post(roster, roster + "/write", form);
        assertThat(written()).isEqualTo(1);
    }

    @Test
    void a_text_that_cannot_go_keeps_its_words_and_who_was_selected() {
        Browserless.Page back = organiser.post(roster, roster + "/write", form("Dear {{firstname}}"));
        Browserless.Page page = organiser.get(URI.create(back.location()).getPath());
        assertThat(page.document().select(".warned").text()).contains("is not known");
        assertThat(page.document().select("input[name=r][checked]").eachAttr("value"))
                .containsExactly(String.valueOf(kofi));
        assertThat(page.document().select("#body").text()).isEqualTo("Dear {{firstname}}");
        assertThat(written()).isZero();
    }

    @Test
    void everybody_who_is_found_may_be_meant_and_one_may_go_back_to_the_text() {
        Map<String, String> form = form("Hello");
        form.remove("r");
        form.put("all", "true");
        assertThat(organiser.post(roster, roster + "/write", form).document().text())
                .contains("to 2 registrations")
                .contains("Send to 2");
        form.put("again", "true");
        Browserless.Page back = organiser.post(roster, roster + "/write", form);
        assertThat(organiser
                        .get(URI.create(back.location()).getPath())
                        .document()
                        .select("input[name=all][checked]"))
                .hasSize(1);
    }
}
