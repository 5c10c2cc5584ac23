package jollyroster.outbox;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.seating.RegistrationCommands;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.security.access.AccessDeniedException;

/** Letters are held, sent now or withdrawn: one, those of one line of a plan, or all. */
@AppTest
class DepartureTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    OutboxWorker worker;

    @Autowired
    DepartureCommands departures;

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
        at = saltmarrow.publish(seats(4));
        organiser = Browserless.organiser(port);
        worker.sendDue();
    }

    @AfterEach
    void back() {
        departures.release(Saltmarrow.ORGANISER);
        clock.set(TestClock.START);
        worker.sendDue();
    }

    private void register(String name) {
        roster.register(Saltmarrow.person(at.session(), name, 1), Saltmarrow.VISITOR);
    }

    private List<MessageState> reminders(Offset offset) {
        return outbox.list(List.of(MessageState.values()), at.session(), Optional.of(Anchor.BEFORE_START), 50).stream()
                .filter(item -> item.offset().equals(offset))
                .map(OutboxQueries.Item::state)
                .toList();
    }

    private OutboxQueries.Item first(Offset offset) {
        return outbox.list(List.of(MessageState.values()), at.session(), Optional.of(Anchor.BEFORE_START), 50).stream()
                .filter(item -> item.offset().equals(offset))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void nothing_leaves_while_all_is_held_and_everything_due_leaves_afterwards() {
        organiser.post("/desk/outbox", "/desk/outbox/hold", Map.of());
        register("Held Skerry");
        assertThat(worker.sendDue()).isZero();
        assertThat(tray.latestTo("held.skerry@crew.example")).isEmpty();
        assertThat(organiser.get("/desk/outbox").document().select(".held-bar").text())
                .contains("Nothing leaves.", "1 message is due.");
        assertThat(organiser.get("/desk").document().select(".needs li").first().text())
                .contains("All messages are held", "due meanwhile: 1.");
        organiser.post("/desk/outbox", "/desk/outbox/hold", Map.of());
        assertThat(organiser.warnedOn("/desk/outbox")).anyMatch(said -> said.contains("held already"));
        organiser.post("/desk/outbox", "/desk/outbox/release", Map.of());
        assertThat(worker.sendDue()).isEqualTo(1);
        assertThat(tray.latestTo("held.skerry@crew.example")).isPresent();
        assertThat(organiser.get("/desk/outbox").document().select(".held-bar")).isEmpty();
    }

    @Test
    void one_letter_is_sent_now_or_withdrawn_and_never_twice() {
        register("Wren Skerry");
        register("Teo Vance");
        worker.sendDue();
        long one = first(Offset.days(1)).id();
        String page = "/desk/outbox/" + one;
        organiser.post(page, page + "/depart", Map.of("act", "SEND"));
        assertThat(worker.sendDue()).isEqualTo(1);
        assertThat(reminders(Offset.days(1))).containsExactlyInAnyOrder(MessageState.SENT, MessageState.PLANNED);
        organiser.post(page, page + "/depart", Map.of("act", "WITHDRAW"));
        assertThat(organiser.warnedOn(page)).anyMatch(said -> said.startsWith("Nothing was changed"));
        long quarter = first(Offset.minutes(15)).id();
        organiser.post(page, "/desk/outbox/" + quarter + "/depart", Map.of("act", "WITHDRAW"));
        assertThat(outbox.item(quarter).orElseThrow().reason()).startsWith("withdrawn by ");
    }

    @Test
    void all_of_one_line_of_a_session_are_sent_or_withdrawn_together() {
        register("Wren Skerry");
        register("Teo Vance");
        worker.sendDue();
        Map<String, String> quarter =
                Map.of("session", "" + at.session(), "what", "BEFORE_START", "amount", "15", "unit", "MINUTES");
        organiser.post("/desk/outbox", "/desk/outbox/batch", with(quarter, "WITHDRAW"));
        assertThat(reminders(Offset.minutes(15))).containsOnly(MessageState.WITHDRAWN);
        assertThat(reminders(Offset.days(1))).containsOnly(MessageState.PLANNED);
        Map<String, String> day =
                Map.of("session", "" + at.session(), "what", "BEFORE_START", "amount", "1", "unit", "DAYS");
        organiser.post("/desk/outbox", "/desk/outbox/batch", with(day, "SEND"));
        assertThat(worker.sendDue()).isEqualTo(2);
        assertThat(organiser
                        .post("/desk/outbox", "/desk/outbox/batch", with(Map.of("session", "1", "what", "X"), "SEND"))
                        .status())
                .isEqualTo(400);
    }

    private static Map<String, String> with(Map<String, String> fields, String act) {
        Map<String, String> all = new java.util.HashMap<>(fields);
        all.put("act", act);
        return all;
    }

    @Test
    void only_organisers_decide_when_letters_leave() {
        assertThatExceptionOfType(AccessDeniedException.class).isThrownBy(() -> departures.hold(Saltmarrow.VISITOR));
        assertThatExceptionOfType(AccessDeniedException.class)
                .isThrownBy(() -> departures.sendNow(new DepartureCommands.Which.One(1), Saltmarrow.VISITOR));
        assertThatExceptionOfType(AccessDeniedException.class)
                .isThrownBy(() -> departures.withdraw(new DepartureCommands.Which.One(1), Saltmarrow.VISITOR));
        assertThatExceptionOfType(AccessDeniedException.class).isThrownBy(() -> departures.release(Saltmarrow.VISITOR));
    }

    @Test
    void one_message_one_sending_or_an_offering_is_held_alone_and_let_go() {
        register("Wren Skerry");
        register("Teo Vance");
        worker.sendDue();
        long one = first(Offset.days(1)).id();
        organiser.post("/desk/outbox/" + one, "/desk/outbox/" + one + "/depart", Map.of("act", "HOLD"));
        clock.set(first(Offset.days(1)).due());
        worker.sendDue();
        assertThat(reminders(Offset.days(1))).containsExactlyInAnyOrder(MessageState.PLANNED, MessageState.SENT);
        assertThat(organiser.get("/desk/outbox/" + one).document().text()).contains("It is held and does not leave.");
        organiser.post("/desk/outbox/" + one, "/desk/outbox/" + one + "/depart", Map.of("act", "RELEASE"));
        worker.sendDue();
        assertThat(reminders(Offset.days(1))).containsOnly(MessageState.SENT);
        String plan = "/desk/offerings/" + at.offering() + "/plan";
        organiser.post(plan, plan + "/hold", Map.of("act", "HOLD"));
        assertThat(organiser.get(plan).document().select(".held-bar").text())
                .contains("Nothing of this offering leaves.");
        assertThat(organiser.get("/desk/outbox").document().select(".held-bar").text())
                .contains("All messages of Knots");
        clock.set(first(Offset.minutes(15)).due());
        worker.sendDue();
        assertThat(reminders(Offset.minutes(15))).containsOnly(MessageState.PLANNED);
        organiser.post(plan, plan + "/hold", Map.of("act", "RELEASE"));
        Map<String, String> batch =
                Map.of("session", "" + at.session(), "what", "BEFORE_START", "amount", "15", "unit", "MINUTES");
        organiser.post("/desk/outbox", "/desk/outbox/batch", with(batch, "HOLD"));
        worker.sendDue();
        assertThat(reminders(Offset.minutes(15))).containsOnly(MessageState.PLANNED);
        organiser.post("/desk/outbox", "/desk/outbox/batch", with(batch, "RELEASE"));
        worker.sendDue();
        assertThat(reminders(Offset.minutes(15))).containsOnly(MessageState.SENT);
    }
}
