package jollyroster.plans;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.guests.GuestCommands;
import jollyroster.outbox.OutboxWorker;
import jollyroster.outbox.SentMail;
import jollyroster.programme.Tell;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Invitations in the organiser's own words. */
@AppTest
class InvitationWordsTest {

    private static final String AT = "/desk/wordings/invited";

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    GuestCommands guests;

    @Autowired
    OutboxWorker post;

    @Autowired
    TrayQueries tray;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Published at;
    private Browserless organiser;

    @BeforeEach
    void publish() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(8).answered(false, Tell.NEVER));
        organiser = Browserless.organiser(port);
    }

    private void word(String subject, String body) {
        organiser.post(AT, AT, Map.of("offering", "" + at.offering(), "subject", subject, "body", body));
    }

    private SentMail.Mail invited(String email) {
        guests.invite(at.offering(), List.of(new GuestCommands.Guest("Ola *Brine*", email)), ORGANISER);
        guests.sendInvitations(at.offering(), "Bring a friend.", ORGANISER);
        post.sendDue();
        return tray.latestTo(email).orElseThrow();
    }

    @Test
    void an_invitation_says_what_the_organiser_has_it_say() {
        assertThat(invited("first@crew.example").subject()).startsWith("You are invited: ");
        word("{{first_name}}, come to {{title}}", "Ahoy {{first_name}}. {{words}} Answer: <{{{answer_link}}}>");
        SentMail.Mail mail = invited("second@crew.example");
        assertThat(mail.subject()).startsWith("Ola, come to Knots");
        assertThat(mail.text())
                .startsWith("Ahoy Ola. Bring a friend. Answer: http")
                .doesNotContain("You are invited");
        assertThat(mail.calendar()).contains("METHOD:REQUEST");
    }

    @Test
    void an_invitation_cannot_lose_its_link_nor_name_what_it_does_not_know() {
        word("Come", "Ahoy {{first_name}}");
        assertThat(organiser
                        .get(AT + "?offering=" + at.offering())
                        .document()
                        .select(".warned")
                        .text())
                .contains("{{{answer_link}}} has to stand in it");
        word("Come", "{{join_link}} <{{{answer_link}}}>");
        assertThat(organiser
                        .get(AT + "?offering=" + at.offering())
                        .document()
                        .select(".warned")
                        .text())
                .contains("Not saved");
        assertThat(organiser.get(AT).document().select("[name=reader] option").text())
                .contains("Somebody invited");
        String read = organiser
                .post(
                        AT,
                        AT + "/body.html",
                        Map.of("subject", "Come", "body", "Ahoy {{first_name}}: <{{{answer_link}}}>"))
                .document()
                .text();
        assertThat(read).contains("Ahoy Wren");
    }
}
