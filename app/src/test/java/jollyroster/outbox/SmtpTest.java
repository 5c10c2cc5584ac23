package jollyroster.outbox;

import static jollyroster.Saltmarrow.Wanted.seats;
import static jollyroster.Saltmarrow.person;
import static org.assertj.core.api.Assertions.assertThat;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** With a mail server configured, letters go by SMTP; GreenMail plays the server. */
@AppTest
class SmtpTest {

    private static final GreenMail SERVER =
            new GreenMail(ServerSetup.SMTP.dynamicPort().setVerbose(false));

    @DynamicPropertySource
    static void server(DynamicPropertyRegistry registry) {
        SERVER.start();
        registry.add("spring.mail.host", () -> "localhost");
        registry.add("spring.mail.port", () -> SERVER.getSmtp().getPort());
    }

    @AfterAll
    static void stop() {
        SERVER.stop();
    }

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OutboxWorker worker;

    @Autowired
    OutboxQueries queries;

    @Autowired
    SentCopyQueries copies;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    TestClock clock;

    @Test
    void letters_go_out_whole_and_wait_while_the_server_is_down() throws MessagingException, IOException {
        Published at = saltmarrow.publish(seats(8));
        long id = register(at, "Kofi Brannigan");
        worker.sendDue();
        MimeMessage confirmation = SERVER.getReceivedMessages()[0];
        assertThat(confirmation.getMessageID()).isEqualTo("<" + item(id).key() + "@localhost>");
        assertThat(confirmation.getHeader("List-Unsubscribe")).isNull();
        SentMail.Mail copy = copies.byKey(item(id).key()).orElseThrow();
        assertThat(copy.subject()).isEqualTo(confirmation.getSubject());
        assertThat(copy.text()).contains("your place is safe");
        assertThat(copy.calendar()).contains("BEGIN:VCALENDAR");
        Multipart parts = (Multipart) confirmation.getContent();
        assertThat(parts.getBodyPart(0).getContentType()).contains("multipart/alternative");
        assertThat(parts.getBodyPart(1).getContentType()).contains("text/calendar");

        int port = SERVER.getSmtp().getPort();
        SERVER.stop();
        long late = register(at, "Marisol Achterberg");
        worker.sendDue();
        assertThat(item(late).state()).isEqualTo(MessageState.PLANNED);
        assertThat(item(late).reason()).isEqualTo("the mail server did not answer");

        GreenMail again = new GreenMail(new ServerSetup(port, null, "smtp"));
        again.start();
        try {
            clock.windOn(Duration.ofMinutes(2));
            worker.sendDue();
            assertThat(again.getReceivedMessages()).hasSize(1);
            clock.set(Instant.parse("2027-03-15T22:00:00Z"));
            worker.sendDue();
            MimeMessage reminder = again.getReceivedMessages()[1];
            assertThat(reminder.getHeader("List-Unsubscribe-Post")).containsExactly("List-Unsubscribe=One-Click");
        } finally {
            again.stop();
        }
    }

    private long register(Published at, String name) {
        return ((Registering.Done) roster.register(person(at.session(), name, 1), Saltmarrow.VISITOR))
                .link()
                .id();
    }

    private OutboxQueries.Item item(long id) {
        return queries.ofRegistration(id).get(0);
    }
}
