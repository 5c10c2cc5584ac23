package jollyroster.till;

import static jollyroster.Saltmarrow.Wanted.seats;
import static jollyroster.Saltmarrow.person;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Mailbox;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.prices.RefundRule;
import jollyroster.core.seats.RegistrationState;
import jollyroster.outbox.OutboxWorker;
import jollyroster.programme.PlanCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.schedule.Outcome;
import jollyroster.schedule.ScheduleCommands;
import jollyroster.schedule.Scope;
import jollyroster.schedule.UndoCommands;
import jollyroster.seating.AmendCommands;
import jollyroster.seating.AmendCommands.Amended;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.HoldCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import jollyroster.seating.SeatingCommands;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.security.access.AccessDeniedException;

/** What cancelling, growing and shrinking mean for the money; receipts. The session is on Tue 16 Mar 2027, 19:00 in Halifax. */
@AppTest
class RefundTest {

    private static final Section.Cost TWO_DAYS = Section.Cost.of("180", "CAD").refunding(RefundRule.until(2880));

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    RegistrationQueries queries;

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    AmendCommands amend;

    @Autowired
    HoldCommands holds;

    @Autowired
    SeatingCommands seating;

    @Autowired
    ScheduleCommands schedule;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    PlanCommands planned;

    @Autowired
    UndoCommands undo;

    @Autowired
    PaymentCommands payments;

    @Autowired
    PaymentQueries paid;

    @Autowired
    RefundCommands refunds;

    @Autowired
    RefundWorker worker;

    @Autowired
    ReceiptQueries receipts;

    @Autowired
    OutboxWorker outbox;

    @Autowired
    TrayQueries tray;

    @Autowired
    Mailbox mailbox;

    @Autowired
    TestClock clock;

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
    }

    @AfterEach
    void back() {
        clock.windOn(Duration.ofHours(1));
        worker.giveBack();
        outbox.sendDue();
        clock.set(TestClock.START);
    }

    private Registration paidFor(Published at, String name, int party) {
        long id = ((Registering.Done) roster.register(person(at.session(), name, party), Saltmarrow.VISITOR))
                .link()
                .id();
        pay(id);
        return now(id);
    }

    private void pay(long id) {
        payments.settle(
                payments.start(now(id), Saltmarrow.self(id)).orElseThrow().reference(),
                PaymentCommands.Outcome.PAID,
                Saltmarrow.ORGANISER);
    }

    private Registration now(long id) {
        return queries.registration(id).orElseThrow();
    }

    private Money money(Registration r, Published at) {
        return paid.of(List.of(r), programme.session(at.session()).orElseThrow())
                .get(r.id());
    }

    private String lastLetter(Registration r) {
        outbox.sendDue();
        return tray.latestTo(r.email()).orElseThrow().text();
    }

    private void later(Duration some) {
        clock.windOn(some);
        worker.giveBack();
    }

    @Test
    void whoever_cancels_in_time_has_everything_back_and_is_told_twice() {
        Published at = saltmarrow.publish(seats(4).costing(TWO_DAYS));
        Registration r = paidFor(at, "Oona Birchwhistle", 2);
        assertThat(money(r, at).inWords()).isEqualTo("paid CAD 360.00");
        changes.cancel(r.id(), "", Saltmarrow.self(r.id()));
        assertThat(lastLetter(r)).contains("CAD 360.00", "goes back to you");
        assertThat(money(r, at).inWords()).isEqualTo("paid CAD 360.00, CAD 360.00 being refunded");
        later(Duration.ofMinutes(9));
        assertThat(paid.owed(r.id())).as("it can still be taken back").hasSize(1);
        later(Duration.ofMinutes(2));
        assertThat(money(r, at).inWords()).isEqualTo("paid CAD 360.00, CAD 360.00 refunded");
        assertThat(lastLetter(r)).contains("CAD 360.00", "has been refunded");
        assertThat(worker.giveBack()).as("once").isZero();
    }

    @Test
    void whoever_cancels_late_has_nothing_back_unless_the_team_cancels() {
        Published at = saltmarrow.publish(seats(4).costing(TWO_DAYS));
        Registration late = paidFor(at, "Pelle Ostrander", 1);
        Registration removed = paidFor(at, "Quenby Lark", 1);
        clock.set(Instant.parse("2027-03-14T22:00:00Z"));
        changes.cancel(late.id(), "", Saltmarrow.self(late.id()));
        assertThat(lastLetter(late)).contains("CAD 180.00", "is not refunded");
        assertThat(paid.owed(late.id())).isEmpty();
        changes.cancel(removed.id(), "", Saltmarrow.ORGANISER);
        assertThat(paid.owed(removed.id())).hasSize(1);
    }

    @Test
    void a_smaller_party_has_the_difference_back_and_a_larger_one_pays_it() {
        Published at = saltmarrow.publish(seats(6).costing(TWO_DAYS));
        Registration r = paidFor(at, "Runa Applegarth", 3);
        amend.amend(r.id(), wish(1), Saltmarrow.self(r.id()));
        assertThat(money(r, at).owed().inWords()).isEqualTo("CAD 360.00");
        assertThat(amend.amend(r.id(), wish(2), Saltmarrow.self(r.id()))).isEqualTo(new Amended.Done(true));
        assertThat(money(now(r.id()), at).open().inWords()).isEqualTo("CAD 180.00");
        pay(r.id());
        assertThat(now(r.id()).state()).isEqualTo(RegistrationState.REGISTERED);
        assertThat(money(r, at).kept().inWords()).isEqualTo("CAD 360.00");
    }

    private static AmendCommands.Wish wish(int party) {
        return new AmendCommands.Wish(party, List.of(), List.of(), List.of());
    }

    @Test
    void where_nothing_changes_once_it_is_paid_only_cancelling_is_left() {
        Published at = saltmarrow.publish(seats(6).costing(TWO_DAYS.fixed()));
        Registration r = paidFor(at, "Sunniva Grail", 2);
        assertThat(amend.amend(r.id(), wish(3), Saltmarrow.self(r.id()))).isInstanceOf(Amended.TooLate.class);
        assertThat(amend.amend(r.id(), wish(1), Saltmarrow.self(r.id()))).isInstanceOf(Amended.TooLate.class);
        Browserless.Page own = new Browserless(port).get(mailbox.ownPage(r.email()));
        assertThat(own.document().text()).contains("What is paid for cannot be changed here");
        assertThat(own.document().select("form[action$=amend]")).isEmpty();
        changes.cancel(r.id(), "", Saltmarrow.self(r.id()));
        assertThat(now(r.id()).state()).isEqualTo(RegistrationState.CANCELLED);
    }

    @Test
    void whoever_is_put_back_on_before_the_money_left_keeps_the_seat_and_we_the_money() {
        Published at = saltmarrow.publish(seats(4).costing(TWO_DAYS));
        Registration r = paidFor(at, "Torvald Minch", 1);
        changes.cancel(r.id(), "", Saltmarrow.self(r.id()));
        assertThat(seating.restore(r.id(), Saltmarrow.ORGANISER)).isTrue();
        later(Duration.ofHours(1));
        assertThat(money(r, at).inWords()).isEqualTo("paid CAD 180.00");
    }

    @Test
    void who_is_put_back_on_has_paid_for_the_seats_held_and_what_was_given_up_before_still_goes_back() {
        Published at = saltmarrow.publish(seats(6).costing(TWO_DAYS));
        Registration r = paidFor(at, "Thora Minch", 3);
        amend.amend(r.id(), wish(2), Saltmarrow.self(r.id()));
        changes.cancel(r.id(), "", Saltmarrow.self(r.id()));
        assertThat(seating.restore(r.id(), Saltmarrow.ORGANISER)).isTrue();
        assertThat(money(r, at).kept().inWords()).isEqualTo("CAD 360.00");
        assertThat(amend.amend(r.id(), wish(3), Saltmarrow.self(r.id()))).isEqualTo(new Amended.Done(true));
        assertThat(money(now(r.id()), at).open().inWords())
                .as("one person more is one seat more")
                .isEqualTo("CAD 180.00");
        later(Duration.ofHours(1));
        assertThat(money(r, at).back().inWords()).isEqualTo("CAD 180.00");
    }

    @Test
    void undoing_a_move_keeps_nobodys_money_that_was_to_go_back() {
        Published at = saltmarrow.publish(seats(6).costing(TWO_DAYS));
        Registration r = paidFor(at, "Torben Sand", 2);
        amend.amend(r.id(), wish(1), Saltmarrow.self(r.id()));
        var plan = planned.plan(at.session()).orElseThrow();
        Outcome.Done moved = (Outcome.Done) schedule.change(
                at.session(),
                Scope.THIS,
                plan.at(plan.start().plusSeconds(3600), plan.end().plusSeconds(3600)),
                Saltmarrow.ORGANISER);
        undo.undo(moved.change(), Saltmarrow.ORGANISER);
        assertThat(paid.owed(r.id())).hasSize(1);
    }

    @Test
    void a_cancelled_session_gives_everybody_everything_back_unless_that_is_undone() {
        Published at = saltmarrow.publish(seats(4).costing(Section.Cost.of("180", "CAD")));
        Registration r = paidFor(at, "Ulla Verrin", 1);
        var plan = planned.plan(at.session()).orElseThrow().calledOff(true);
        Outcome.Done change = (Outcome.Done) schedule.change(at.session(), Scope.THIS, plan, Saltmarrow.ORGANISER);
        assertThat(paid.owed(r.id())).hasSize(1);
        undo.undo(change.change(), Saltmarrow.ORGANISER);
        assertThat(paid.owed(r.id())).isEmpty();
        schedule.change(at.session(), Scope.THIS, plan, Saltmarrow.ORGANISER);
        later(Duration.ofMinutes(30));
        assertThat(money(r, at).back().inWords()).isEqualTo("CAD 180.00");
    }

    @Test
    void an_organiser_may_give_back_what_is_left_and_nobody_else() {
        Published at = saltmarrow.publish(seats(4).costing(Section.Cost.of("180", "CAD")));
        Registration r = paidFor(at, "Vesper Onslow", 2);
        long payment = paid.of(r.id()).get(0).id();
        assertThatExceptionOfType(AccessDeniedException.class)
                .isThrownBy(() -> refunds.giveBack(payment, Saltmarrow.VISITOR));
        assertThat(refunds.giveBack(payment, Saltmarrow.ORGANISER)).isPresent();
        assertThat(refunds.giveBack(payment, Saltmarrow.ORGANISER))
                .as("a second press")
                .isEmpty();
    }

    @Test
    void receipts_are_numbered_without_a_gap_and_go_by_mail_as_pdf() {
        Published at = saltmarrow.publish(seats(4).costing(TWO_DAYS));
        Registration first = paidFor(at, "Wilf Tarrant", 1);
        Registration second = paidFor(at, "Ysolde Farber", 1);
        ReceiptQueries.Receipt one =
                receipts.of(paid.of(first.id()).get(0).id()).orElseThrow();
        ReceiptQueries.Receipt two =
                receipts.of(paid.of(second.id()).get(0).id()).orElseThrow();
        assertThat(one.number()).matches("2027-\\d{4}");
        assertThat(Integer.parseInt(two.number().substring(5)))
                .isEqualTo(Integer.parseInt(one.number().substring(5)) + 1);
        outbox.sendDue();
        assertThat(tray.latestTo(first.email()).orElseThrow().files())
                .containsExactly("receipt-" + one.number() + ".pdf");
        String own = mailbox.ownPage(first.email());
        Browserless.Page pdf = new Browserless(port).get(own + "/receipts/" + one.payment());
        assertThat(pdf.response().body()).startsWith("%PDF-");
        assertThat(new Browserless(port).get(own + "/receipts/" + two.payment()).status())
                .as("another's receipt")
                .isEqualTo(404);
    }

    @Test
    void an_accepted_call_up_keeps_the_time_there_was_to_answer() {
        Published at = saltmarrow.publish(seats(1).callingUp().costing(TWO_DAYS));
        Registration first = paidFor(at, "Xanthe Crole", 1);
        long waiting = ((Registering.Done)
                        roster.register(person(at.session(), "Zeno Hallwright", 1), Saltmarrow.VISITOR))
                .link()
                .id();
        changes.cancel(first.id(), "", Saltmarrow.self(first.id()));
        Instant replyBy = now(waiting).hold().until().orElseThrow();
        assertThat(replyBy).isAfter(clock.instant().plus(Duration.ofHours(20)));
        holds.accept(waiting, Saltmarrow.self(waiting));
        assertThat(now(waiting).hold().until()).contains(replyBy);
    }
}
