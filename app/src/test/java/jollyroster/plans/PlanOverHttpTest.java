package jollyroster.plans;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.util.List;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.PlanLine;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxWorker;
import jollyroster.outbox.PlanQueries;
import jollyroster.seating.RegistrationCommands;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.security.access.AccessDeniedException;

/** The messages of an offering: added and removed, and what has not gone follows. */
@AppTest
class PlanOverHttpTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    OutboxWorker worker;

    @Autowired
    ReminderCommands plans;

    @Autowired
    PlanQueries read;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Published at;
    private String plan;
    private Browserless organiser;

    @BeforeEach
    void publish() {
        at = saltmarrow.publish(seats(4));
        plan = "/desk/offerings/" + at.offering() + "/plan";
        organiser = Browserless.organiser(port);
    }

    @AfterEach
    void back() {
        clock.set(TestClock.START);
    }

    private Document page() {
        return organiser.get(plan).document();
    }

    private Document add(String when) {
        organiser.post(plan, plan, Map.of("when", when));
        return page();
    }

    /** Which reminders of the session are in a state, as amount and unit. */
    private List<String> reminders(MessageState state) {
        return outbox.ofSession(at.session()).stream()
                .filter(c -> c.anchor() == Anchor.BEFORE_START && c.state() == state)
                .map(c -> c.messages() + " x " + c.offset().amount() + " "
                        + c.offset().unit())
                .sorted()
                .toList();
    }

    @Test
    void a_reminder_is_added_as_it_is_said_and_everybody_registered_gets_it() {
        roster.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
        roster.register(Saltmarrow.person(at.session(), "Teo Vance", 1), Saltmarrow.VISITOR);
        assertThat(reminders(MessageState.PLANNED)).containsExactly("2 x 1 DAYS", "2 x 15 MINUTES");
        Document added = add(" 2 Hours before the start ");
        assertThat(added.select(".said").text())
                .isEqualTo("Added: 2 hours before. The messages of 2 registrations to come follow.");
        assertThat(added.select(".plan td.name").eachText())
                .containsExactly("at once", "1 day before", "2 hours before", "15 minutes before", "when it happens");
        assertThat(added.select(".plan tr:contains(2 hours before) small").text())
                .isEqualTo("2 planned");
        assertThat(reminders(MessageState.PLANNED)).containsExactly("2 x 1 DAYS", "2 x 15 MINUTES", "2 x 2 HOURS");
        assertThat(added.select("[data-plan-line] svg .count").eachText()).containsExactly("2", "2", "2");
    }

    @Test
    void what_is_removed_is_withdrawn_and_what_has_gone_stays_gone() {
        roster.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
        clock.set(outbox.ofSession(at.session()).stream()
                .filter(c -> c.offset().equals(Offset.days(1)))
                .findFirst()
                .orElseThrow()
                .first()
                .plusSeconds(1));
        worker.sendDue();
        assertThat(reminders(MessageState.SENT)).containsExactly("1 x 1 DAYS");
        organiser.post(plan, plan + "/remove", Map.of("anchor", "BEFORE_START", "amount", "15", "unit", "MINUTES"));
        assertThat(page().select(".said").text())
                .isEqualTo("Removed: 15 minutes before. The messages of 1 registration to come follow.");
        assertThat(reminders(MessageState.PLANNED)).isEmpty();
        assertThat(reminders(MessageState.SENT)).containsExactly("1 x 1 DAYS");
        organiser.post(plan, plan + "/remove", Map.of("anchor", "BEFORE_START", "amount", "15", "unit", "MINUTES"));
        assertThat(organiser.warnedOn(plan)).containsExactly("Nothing was changed: the plan is another by now.");
    }

    @Test
    void what_is_wrong_stays_in_the_field_with_the_reason() {
        Document wrong = add("\"soon\" <b>&</b>");
        assertThat(wrong.select(".warned").text())
                .isEqualTo(
                        "Not added: write it like “2 hours before, text”, “when the door opens” or “1 day after, to those absent”.");
        assertThat(wrong.select("[name=when]").attr("value")).isEqualTo("\"soon\" <b>&</b>");
        assertThat(add("1 day before").select(".warned").text()).contains("has that message already");
        assertThat(add("80 weeks before").select(".warned").text()).contains("to a year before");
        for (int minutes = 1; minutes <= 19; minutes++) {
            add(minutes + " min before");
        }
        assertThat(add("20 min before").select(".warned").text()).contains("at most 20 messages");
        assertThat(read.plan(at.offering()).lines()).hasSize(21);
    }

    @Test
    void without_a_reminder_the_plan_says_that_none_carries_the_link() {
        for (PlanLine line : PlanLine.DEFAULT) {
            plans.remove(at.offering(), line, Saltmarrow.ORGANISER);
        }
        assertThat(read.plan(at.offering()).lines()).containsExactly(PlanLine.atOnce());
        assertThat(page().select(".margin .note").text()).startsWith("No reminder carries the link to everybody.");
        assertThat(plans.remove(at.offering(), PlanLine.atOnce(), Saltmarrow.ORGANISER))
                .as("a confirmation is always sent")
                .isInstanceOf(ReminderCommands.Changed.Nothing.class);
    }

    @Test
    void only_organisers_change_a_plan() {
        assertThatExceptionOfType(AccessDeniedException.class)
                .isThrownBy(() -> plans.add(at.offering(), "2 hours before", Saltmarrow.VISITOR));
        assertThatExceptionOfType(AccessDeniedException.class)
                .isThrownBy(() -> plans.remove(at.offering(), PlanLine.before(Offset.days(1)), Saltmarrow.VISITOR));
        assertThat(new Browserless(port).get(plan).location()).contains("/sign-in");
        assertThat(organiser.get("/desk/offerings/999999/plan").status()).isEqualTo(404);
    }
}
