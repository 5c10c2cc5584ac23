package jollyroster.mailing;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxQueries.Item;
import jollyroster.outbox.OutboxWorker;
import jollyroster.outbox.SentMail;
import jollyroster.platform.SafeFile;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RemarkCommands;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.security.access.AccessDeniedException;

/** Letters to many: chosen across sessions, tried, sent later, taken back, with files. */
@AppTest
class MailingTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    MailingPeople people;

    @Autowired
    MailingCommands commands;

    @Autowired
    MailingQueries mailings;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    OutboxWorker post;

    @Autowired
    TrayQueries tray;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Published at;
    private Published other;
    private Browserless organiser;

    @BeforeEach
    void publish() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(1));
        other = saltmarrow.publish(seats(4));
        organiser = Browserless.organiser(port);
        register(at, "Wren Skerry");
        register(at, "Teo Vance");
        register(other, "Wren Skerry");
        register(other, "Kofi Brannigan");
        post.sendDue();
    }

    private void register(Published where, String name) {
        roster.register(Saltmarrow.person(where.session(), name, 1), Saltmarrow.VISITOR);
    }

    private MailingForm form(List<String> states, List<Long> sessions) {
        return new MailingForm(sessions, states, List.of(), "", "", "", "", "");
    }

    private List<String> names(MailingForm form) {
        return people.of(form).stream().map(MailingPeople.Chosen::name).toList();
    }

    private void write(Map<String, String> more) {
        Map<String, String> fields = new HashMap<>(Map.of(
                "session",
                "" + other.session(),
                "subject",
                "Tide news",
                "body",
                "Ahoy {{first_name}}, **low water** at six."));
        fields.putAll(more);
        organiser.post("/desk/letters", "/desk/letters", fields);
    }

    private List<Item> letters() {
        return outbox.list(List.of(MessageState.values()), other.session(), Optional.of(Anchor.WRITTEN), 50);
    }

    @Test
    void people_are_chosen_across_sessions_and_each_once() {
        List<Long> both = List.of(at.session(), other.session());
        assertThat(names(form(List.of(), both))).containsExactlyInAnyOrder("Wren Skerry", "Kofi Brannigan");
        assertThat(names(form(List.of("WAITLISTED"), both))).containsExactly("Teo Vance");
        assertThat(names(form(List.of("REGISTERED", "WAITLISTED", "NONSENSE"), both)))
                .containsExactlyInAnyOrder("Wren Skerry", "Teo Vance", "Kofi Brannigan");
        assertThat(names(new MailingForm(both, List.of(), List.of("ATTENDED"), "", "", "", "", "")))
                .isEmpty();
        assertThat(names(form(List.of(), List.of(999_999L)))).isEmpty();
    }

    @Test
    void a_letter_leaves_after_a_while_and_can_be_taken_back_until_then() {
        write(Map.of("act", "SEND"));
        assertThat(letters()).hasSize(2).allMatch(item -> item.state() == MessageState.PLANNED);
        post.sendDue();
        assertThat(letters()).allMatch(item -> item.state() == MessageState.PLANNED);
        long mailing = mailings.latest(1).get(0).id();
        organiser.post("/desk/letters", "/desk/letters/" + mailing + "/take-back", Map.of());
        assertThat(letters()).allMatch(item -> item.state() == MessageState.WITHDRAWN);
        write(Map.of("act", "SEND", "subject", "Tide news, again"));
        clock.windOn(Duration.ofMinutes(5));
        post.sendDue();
        SentMail.Mail mail = tray.latestTo("kofi.brannigan@crew.example").orElseThrow();
        assertThat(mail.subject()).isEqualTo("Tide news, again");
        assertThat(mail.text()).startsWith("Ahoy Kofi, low water at six.");
        assertThat(mail.to()).doesNotContain("wren");
        organiser.post(
                "/desk/letters", "/desk/letters/" + mailings.latest(1).get(0).id() + "/take-back", Map.of());
        assertThat(organiser.warnedOn("/desk/letters")).anyMatch(said -> said.startsWith("Nothing was left"));
    }

    @Test
    void whoever_cancels_before_it_leaves_does_not_get_it() {
        write(Map.of("act", "SEND"));
        Item kofi = letters().stream()
                .filter(item -> item.recipient().startsWith("kofi"))
                .findFirst()
                .orElseThrow();
        changes.cancel(kofi.registration(), "", Saltmarrow.self(kofi.registration()));
        clock.windOn(Duration.ofMinutes(5));
        post.sendDue();
        assertThat(letters())
                .extracting(Item::state)
                .containsExactlyInAnyOrder(MessageState.SENT, MessageState.WITHDRAWN);
        write(Map.of("act", "SEND", "state", "CANCELLED", "subject", "We miss you"));
        clock.windOn(Duration.ofMinutes(5));
        post.sendDue();
        assertThat(tray.latestTo("kofi.brannigan@crew.example").orElseThrow().subject())
                .isEqualTo("We miss you");
    }

    @Test
    void it_can_leave_at_a_time_and_be_tried_on_oneself() {
        write(Map.of("act", "SEND", "at", "2027-03-12T09:30"));
        assertThat(letters()).extracting(Item::due).containsOnly(Instant.parse("2027-03-12T13:30:00Z"));
        write(Map.of("act", "TEST"));
        assertThat(letters()).hasSize(2);
        post.sendDue();
        assertThat(tray.latestTo("demo@saltmarrow.example").orElseThrow().text())
                .contains("would read it");
        for (String time : List.of("2020-01-01T00:00", "2099-01-01T00:00", "soon")) {
            write(Map.of("act", "SEND", "at", time));
            assertThat(organiser.warnedOn("/desk/letters")).anyMatch(said -> said.contains("cannot be read"));
        }
        write(Map.of("act", "SEND", "body", "{{nobody}}"));
        assertThat(organiser.warnedOn("/desk/letters")).anyMatch(said -> said.startsWith("Not sent: "));
        assertThat(letters()).hasSize(2);
    }

    @Test
    void files_go_along_and_only_those_that_are_what_they_are_called() {
        byte[] pdf = "%PDF-1.7 …".getBytes(StandardCharsets.UTF_8);
        SafeFile chart = SafeFile.of("tide/../chart.pdf", pdf).orElseThrow();
        assertThat(chart.name()).isEqualTo("tide-..-chart.pdf");
        assertThat(SafeFile.of("chart.pdf", "MZ".getBytes(StandardCharsets.UTF_8)))
                .isEmpty();
        assertThat(SafeFile.of("page.html", pdf)).isEmpty();
        assertThat(SafeFile.of("run.exe", pdf)).isEmpty();
        assertThat(SafeFile.of("list.csv", new byte[] {1, 0, 2})).isEmpty();
        assertThat(SafeFile.of("no ending", pdf)).isEmpty();
        long mailing = commands.begin("Chart", "two", clock.instant(), List.of(chart), ORGANISER);
        commands.mail(
                new RemarkCommands.Mailed(mailing, "Chart", "Here it is.", clock.instant()),
                people.of(form(List.of(), List.of(other.session()))),
                ORGANISER);
        clock.windOn(Duration.ofSeconds(1));
        post.sendDue();
        assertThat(tray.latestTo("kofi.brannigan@crew.example").orElseThrow().files())
                .containsExactly("tide-..-chart.pdf");
        assertThatExceptionOfType(AccessDeniedException.class)
                .isThrownBy(() -> commands.begin("x", "x", clock.instant(), List.of(), Saltmarrow.VISITOR));
    }
}
