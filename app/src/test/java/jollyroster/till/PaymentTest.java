package jollyroster.till;

import static jollyroster.Saltmarrow.Wanted.seats;
import static jollyroster.Saltmarrow.person;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Mailbox;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.RegistrationState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.HoldCommands;
import jollyroster.seating.HoldWorker;
import jollyroster.seating.Registering;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import jollyroster.till.PaymentCommands.Outcome;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Paid, refused, walked away from, and paid too late. */
@AppTest
class PaymentTest {

    @LocalServerPort
    int port;

    @Autowired
    Mailbox mailbox;

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    RegistrationQueries queries;

    @Autowired
    HoldCommands waitlist;

    @Autowired
    HoldWorker holds;

    @Autowired
    PaymentCommands payments;

    @Autowired
    RefundCommands refunds;

    @Autowired
    PaymentQueries paid;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    TestClock clock;

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
    }

    private Registration register(Published at, String name, int party) {
        long id = ((Registering.Done) roster.register(person(at.session(), name, party), Saltmarrow.VISITOR))
                .link()
                .id();
        return queries.registration(id).orElseThrow();
    }

    private RegistrationState state(Registration r) {
        return queries.registration(r.id()).orElseThrow().state();
    }

    private String reference(Registration r) {
        return payments.start(r, Saltmarrow.ORGANISER).orElseThrow().reference();
    }

    @Test
    void seats_are_held_for_half_an_hour_and_are_theirs_once_they_are_paid_for() {
        Published at = saltmarrow.publish(seats(4).costing("12.50"));
        Registration r = register(at, "Marisol Achterberg", 2);
        assertThat(r.state()).isEqualTo(RegistrationState.UNCONFIRMED);
        assertThat(r.hold().until()).contains(TestClock.START.plus(Duration.ofMinutes(30)));
        PaymentCommands.Started started =
                payments.start(r, Saltmarrow.ORGANISER).orElseThrow();
        assertThat(started.amount().inWords()).isEqualTo("CAD 25.00");
        assertThat(reference(r)).as("going on with what was started").isEqualTo(started.reference());
        assertThat(payments.settle(started.reference(), Outcome.PAID, Saltmarrow.ORGANISER))
                .isTrue();
        assertThat(payments.settle(started.reference(), Outcome.PAID, Saltmarrow.ORGANISER))
                .isTrue();
        assertThat(state(r)).isEqualTo(RegistrationState.REGISTERED);
        assertThat(outbox.ofRegistration(r.id()))
                .filteredOn(m -> m.anchor() == Anchor.REGISTERED)
                .hasSize(1);
        assertThat(paid.of(r.id())).extracting(PaymentQueries.Payment::state).containsExactly("PAID");
        assertThat(payments.start(queries.registration(r.id()).orElseThrow(), Saltmarrow.ORGANISER))
                .isEmpty();
        assertThat(payments.settle("no such payment", Outcome.PAID, Saltmarrow.ORGANISER))
                .isFalse();
    }

    @Test
    void a_refused_card_leaves_the_hold_and_may_be_tried_again() {
        Published at = saltmarrow.publish(seats(4).costing("180"));
        Registration r = register(at, "Teo Quillfeather", 1);
        payments.settle(reference(r), Outcome.FAILED, Saltmarrow.ORGANISER);
        assertThat(state(r)).isEqualTo(RegistrationState.UNCONFIRMED);
        payments.settle(reference(r), Outcome.PAID, Saltmarrow.ORGANISER);
        assertThat(state(r)).isEqualTo(RegistrationState.REGISTERED);
    }

    @Test
    void who_walks_away_frees_the_seat_and_who_pays_then_gets_the_money_back() {
        Published at = saltmarrow.publish(seats(1).costing("180"));
        Registration r = register(at, "Wren Skerry", 1);
        String reference = reference(r);
        Registration next = register(at, "Kofi Brannigan", 1);
        clock.set(TestClock.START.plus(Duration.ofMinutes(30)));
        holds.letRunOut();
        assertThat(state(r)).isEqualTo(RegistrationState.CANCELLED);
        assertThat(state(next)).as("nobody has a seat unpaid").isEqualTo(RegistrationState.CALLED_UP);
        payments.settle(reference, Outcome.PAID, Saltmarrow.ORGANISER);
        assertThat(state(r)).isEqualTo(RegistrationState.CANCELLED);
        clock.windOn(Duration.ofMinutes(20));
        assertThat(paid.stuckSince(clock.instant()))
                .extracting(PaymentQueries.Stuck::name)
                .contains("Wren Skerry");
        assertThat(outbox.ofRegistration(r.id()))
                .extracting(OutboxQueries.Item::anchor)
                .contains(Anchor.PAID_TOO_LATE);
        paid.owed(r.id()).forEach(refund -> refunds.gone(refund, Saltmarrow.ORGANISER));
        assertThat(paid.stuckSince(clock.instant()))
                .extracting(PaymentQueries.Stuck::name)
                .doesNotContain("Wren Skerry");
    }

    @Test
    void who_pays_late_has_the_seat_when_nobody_took_it() {
        Published at = saltmarrow.publish(seats(1).costing("180"));
        Registration r = register(at, "Anneke Strand", 1);
        String reference = reference(r);
        clock.set(TestClock.START.plus(Duration.ofMinutes(20)));
        holds.letRunOut();
        payments.settle(reference, Outcome.PAID, Saltmarrow.ORGANISER);
        assertThat(state(r)).isEqualTo(RegistrationState.REGISTERED);
    }

    @Test
    void an_accepted_call_up_is_held_until_it_is_paid_for() {
        Published at = saltmarrow.publish(seats(1).callingUp().costing("180"));
        Registration first = register(at, "Ilse Merrow", 1);
        payments.settle(reference(first), Outcome.PAID, Saltmarrow.ORGANISER);
        Registration second = register(at, "Ade Fenwright", 1);
        changes.cancel(first.id(), "", Saltmarrow.self(first.id()));
        assertThat(waitlist.accept(second.id(), Saltmarrow.self(second.id()))).isEqualTo(HoldCommands.Replied.TO_PAY);
        assertThat(state(second)).isEqualTo(RegistrationState.UNCONFIRMED);
        assertThat(waitlist.confirm(second.id(), Saltmarrow.self(second.id())))
                .as("no way round the till")
                .isEqualTo(HoldCommands.Replied.NOTHING_OFFERED);
        payments.settle(reference(queries.registration(second.id()).orElseThrow()), Outcome.PAID, Saltmarrow.ORGANISER);
        assertThat(state(second)).isEqualTo(RegistrationState.REGISTERED);
    }

    /** Paying and running out at the same moment: seats are counted once, and nobody pays for nothing unnoticed. */
    @Test
    void paying_and_running_out_at_once_do_one_thing() throws Exception {
        Published at = saltmarrow.publish(seats(20).costing("180"));
        List<Registration> held = IntStream.range(0, 20)
                .mapToObj(i -> register(at, "Payer " + (char) ('A' + i), 1))
                .toList();
        List<String> references = held.stream().map(this::reference).toList();
        clock.set(TestClock.START.plus(Duration.ofMinutes(30)));
        ExecutorService crowd = Executors.newFixedThreadPool(4);
        try {
            List<Future<Boolean>> paying = new ArrayList<>();
            references.forEach(
                    ref -> paying.add(crowd.submit(() -> payments.settle(ref, Outcome.PAID, Saltmarrow.ORGANISER))));
            holds.letRunOut();
            for (Future<Boolean> one : paying) {
                assertThat(one.get()).isTrue();
            }
        } finally {
            crowd.shutdownNow();
        }
        long seated = held.stream()
                .filter(r -> state(r) == RegistrationState.REGISTERED)
                .count();
        long owed = held.stream().filter(r -> !paid.owed(r.id()).isEmpty()).count();
        assertThat(seated + owed).isEqualTo(20);
        assertThat(queries.of(List.of(at.session())).get(at.session()).taken()).isEqualTo((int) seated);
    }

    @Test
    void at_the_till_one_pays_and_comes_back() {
        Published at = saltmarrow.publish(seats(4).costing("180"));
        Browserless visitor = new Browserless(port);
        Browserless.Page held = visitor.register(at, Map.of("email", "payer" + at.session() + "@crew.example"));
        assertThat(held.state()).isEqualTo("unconfirmed");
        assertThat(held.document().text()).contains("pay by the link in it");
        String own = mailbox.ownPage("payer" + at.session() + "@crew.example");
        assertThat(visitor.get(own).document().select(".answer-now button").text())
                .isEqualTo("Pay CAD 180.00");
        String till =
                URI.create(visitor.post(own, own + "/pay", Map.of()).location()).getPath();
        assertThat(visitor.get(till).document().select("h1").text()).isEqualTo("CAD 180.00");
        String back = visitor.post(till, till + "/refuse", Map.of()).location();
        assertThat(visitor.get(URI.create(back).getPath() + "?till=failed")
                        .document()
                        .text())
                .contains("The card was refused.");
        Browserless.Page before = visitor.get(own + "?till=paid");
        assertThat(before.document().select(".answer-now").text())
                .contains("The till has not told us yet", "Look again");
        assertThat(before.document().select(".answer-now button"))
                .as("nobody pays twice")
                .isEmpty();
        assertThat(before.response().headers().firstValue("Refresh")).isPresent();
        assertThat(visitor.get(own).response().headers().firstValue("Refresh")).isEmpty();
        assertThat(visitor.postAsIs("/hooks/till", Map.of("reference", "x")).status())
                .as("unsigned reports are not taken")
                .isGreaterThanOrEqualTo(400);
    }
}
