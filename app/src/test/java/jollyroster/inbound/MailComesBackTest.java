package jollyroster.inbound;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.RegistrationState;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxWorker;
import jollyroster.people.ReceivedQueries;
import jollyroster.seating.Registering;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Mail to the organiser: answers of calendar programs, what came back, absence notices, and words for somebody to read. */
@AppTest
class MailComesBackTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    RegistrationQueries registrations;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    OutboxWorker post;

    @Autowired
    MailWorker mail;

    @Autowired
    MailReading reading;

    @Autowired
    ReceivedQueries received;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Published at;
    private Browserless organiser;

    @BeforeEach
    void publish() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(4));
        organiser = Browserless.organiser(port);
    }

    private Registration register(String name) {
        Registering came = roster.register(Saltmarrow.person(at.session(), name, 1), Saltmarrow.VISITOR);
        post.sendDue();
        return registrations.registration(((Registering.Done) came).link().id()).orElseThrow();
    }

    /** Answers the last letter to somebody, over the page of the stand-in. */
    private void answer(Registration who, String kind, String words) {
        organiser.post(
                "/standin/inbox?from=" + who.email(),
                "/standin/inbox",
                Map.of("from", who.email(), "kind", kind, "words", words));
        mail.look();
    }

    private ReceivedQueries.Mail last(Registration who) {
        return received.ofPerson(who.person(), 1).get(0);
    }

    @Test
    void declining_in_the_calendar_gives_the_seat_back() {
        Registration wren = register("Wren Inbound");
        answer(wren, "ACCEPT", "");
        assertThat(last(wren).outcome()).isEqualTo("answered in the calendar: accepted");
        answer(wren, "DECLINE", "");
        assertThat(registrations.registration(wren.id()).orElseThrow().state()).isEqualTo(RegistrationState.CANCELLED);
        assertThat(received.ofPerson(wren.person(), 5)).noneMatch(ReceivedQueries.Mail::open);
    }

    @Test
    void an_answer_for_somebody_else_is_not_taken() {
        Registration teo = register("Teo Inbound");
        String forged = "From: <other@crew.example>\r\nMessage-ID: <forged-" + teo.id() + "@x.example>\r\n"
                + "Content-Type: text/calendar; method=REPLY\r\n\r\nBEGIN:VCALENDAR\r\nVERSION:2.0\r\nMETHOD:REPLY\r\nBEGIN:VEVENT\r\n"
                + "UID:registration-" + teo.id() + "@localhost\r\nATTENDEE;PARTSTAT=DECLINED:mailto:" + teo.email()
                + "\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
        reading.take(forged.getBytes(StandardCharsets.UTF_8));
        assertThat(registrations.registration(teo.id()).orElseThrow().state()).isEqualTo(RegistrationState.REGISTERED);
        assertThat(received.open(50)).anyMatch(m -> m.sender().equals("other@crew.example"));
    }

    @Test
    void what_comes_back_marks_the_message_and_the_address() {
        Registration sal = register("Sal Inbound");
        answer(sal, "BOUNCE", "");
        OutboxQueries.Item confirmation = outbox.ofRegistration(sal.id()).stream()
                .filter(item -> item.anchor() == Anchor.REGISTERED)
                .findFirst()
                .orElseThrow();
        assertThat(confirmation.state()).isEqualTo(MessageState.FAILED);
        assertThat(confirmation.reason()).isEqualTo("it came back: there is no such mailbox");
        assertThat(organiser.get("/desk/people/" + sal.person()).document().text())
                .contains("Mail to sal.inbound@crew.example does not arrive: it came back: there is no such mailbox.");
    }

    @Test
    void an_absence_notice_is_left_aside_and_words_wait_for_somebody_to_read_them() {
        Registration mei = register("Mei Inbound");
        answer(mei, "ABSENT", "");
        assertThat(last(mei).open()).isFalse();
        answer(mei, "WORDS", "May I bring my <dog>?");
        assertThat(last(mei).registration()).isEqualTo(mei.id());
        assertThat(organiser.get("/desk/replies").document().select(".note").text())
                .contains("May I bring my <dog>?");
        String page = "/desk/people/" + mei.person();
        organiser.post(page, "/desk/mails/" + last(mei).id() + "/read", Map.of("person", "" + mei.person()));
        assertThat(last(mei).open()).isFalse();
    }

    @Test
    void the_same_mail_counts_once() {
        Registration kofi = register("Kofi Inbound");
        byte[] words = ("From: <" + kofi.email() + ">\r\nMessage-ID: <once-" + kofi.id()
                        + "@x.example>\r\n\r\nHello\r\n")
                .getBytes(StandardCharsets.UTF_8);
        reading.take(words);
        reading.take(words);
        assertThat(received.ofPerson(kofi.person(), 5)).hasSize(1);
    }

    @Test
    void mail_is_taken_from_an_imap_mailbox_and_marked_there() throws Exception {
        GreenMail server = new GreenMail(new ServerSetup(0, "localhost", ServerSetup.PROTOCOL_IMAP));
        server.start();
        try {
            var user = server.setUser("office@saltmarrow.example", "office", "secret");
            for (int i = 0; i < 3; i++) {
                String source = "From: a" + i + "@crew.example\r\nSubject: " + i + "\r\n\r\nHello\r\n";
                user.deliver(new MimeMessage(
                        Session.getInstance(new Properties()),
                        new ByteArrayInputStream(source.getBytes(StandardCharsets.UTF_8))));
            }
            ImapMailbox mailbox = new ImapMailbox("localhost", server.getImap().getPort(), "office", "secret", false);
            List<String> taken = new ArrayList<>();
            mailbox.each(2, source -> taken.add(new String(source, StandardCharsets.UTF_8)));
            assertThat(taken).hasSize(2);
            mailbox.each(10, source -> taken.add(new String(source, StandardCharsets.UTF_8)));
            mailbox.each(10, source -> taken.add(new String(source, StandardCharsets.UTF_8)));
            assertThat(taken).hasSize(3).last().asString().contains("Subject: 2");
            assertThat(catchThrowable(
                            () -> new ImapMailbox("localhost", server.getImap().getPort(), "office", "wrong", false)
                                    .each(1, source -> {})))
                    .isInstanceOf(InboundMail.NotReached.class)
                    .hasMessageNotContaining("wrong");
        } finally {
            server.stop();
        }
    }
}
