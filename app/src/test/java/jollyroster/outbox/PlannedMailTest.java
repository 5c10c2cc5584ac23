package jollyroster.outbox;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.core.messages.Anchor;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.Section;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** A letter that has not gone is read as it would be written now. */
@AppTest
class PlannedMailTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    OutboxQueries outbox;

    @LocalServerPort
    int port;

    private static final List<MessageState> ALL = List.of(MessageState.values());

    private OutboxQueries.Item reminder(Published at) {
        return outbox.list(ALL, at.session(), Optional.of(Anchor.BEFORE_START), 1)
                .get(0);
    }

    @Test
    void a_planned_letter_says_what_is_true_now_and_one_that_is_withdrawn_is_not_shown() {
        Published at = saltmarrow.publish(seats(4));
        long wren = ((Registering.Done)
                        roster.register(Saltmarrow.person(at.session(), "Wren \"W\" Skerry", 1), Saltmarrow.VISITOR))
                .link()
                .id();
        Browserless organiser = Browserless.organiser(port);
        String page = "/desk/outbox/" + reminder(at).id();
        Document shown = organiser.get(page).document();
        assertThat(shown.select("main").text()).contains("As it would be written now.");
        assertThat(shown.select(".mail pre").first().text()).contains("Hello Wren,");
        offerings.save(
                at.offering(),
                List.of(new Section.Words("Knots <b>anew</b>", "", "", "", "", "en", List.of(), "", "")),
                Saltmarrow.ORGANISER);
        assertThat(organiser.get(page + "/body.html").response().body()).contains("Knots &lt;b&gt;anew&lt;/b&gt;");
        assertThat(organiser.get(page + "/session.ics").response().body()).contains("SUMMARY:Knots <b>anew</b>");
        changes.cancel(wren, "", Saltmarrow.self(wren));
        assertThat(organiser.get(page).document().select("main").text()).contains("No copy of it is kept.");
        assertThat(organiser.get(page + "/body.html").status()).isEqualTo(404);
    }
}
