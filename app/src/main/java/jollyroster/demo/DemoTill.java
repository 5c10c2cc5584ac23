package jollyroster.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import jollyroster.answers.Answer;
import jollyroster.core.intake.Question;
import jollyroster.demo.DemoLife.Happening;
import jollyroster.platform.Actor;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.seating.Application;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import jollyroster.till.PaymentCommands;
import jollyroster.till.RefundWorker;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** People who pay for the refresher: some have, one had the money back, one is at the till while the demo begins. */
@Component
@Profile("demo")
class DemoTill {

    private static final Instant FIRST = Instant.parse("2027-03-04T15:20:00Z");
    private static final Instant LAST = Instant.parse("2027-03-10T13:28:00Z");
    private static final List<String> PAY =
            List.of("Maud Tidewater", "Pelle Aldercote", "Runa Kestleborn", "Ysolde Strand", "Corwin Fenwright");
    private final RegistrationCommands roster;
    private final RegistrationQueries queries;
    private final ChangeSeatCommands changes;
    private final PaymentCommands payments;
    private final RefundWorker refunds;
    private final ProgrammeQueries programme;

    DemoTill(
            RegistrationCommands roster,
            RegistrationQueries queries,
            ChangeSeatCommands changes,
            PaymentCommands payments,
            RefundWorker refunds,
            ProgrammeQueries programme) {
        this.roster = roster;
        this.queries = queries;
        this.changes = changes;
        this.payments = payments;
        this.refunds = refunds;
        this.programme = programme;
    }

    List<Happening> happenings(long session) {
        List<Happening> happenings = new ArrayList<>();
        for (int i = 0; i < PAY.size(); i++) {
            String name = PAY.get(i);
            happenings.add(new Happening(FIRST.plus(Duration.ofHours(19L * i)), () -> pay(register(session, name))));
        }
        Instant second = FIRST.plus(Duration.ofHours(50));
        happenings.add(new Happening(second, () -> leave(session, PAY.get(1))));
        happenings.add(new Happening(second.plus(Duration.ofMinutes(15)), refunds::giveBack));
        happenings.add(new Happening(LAST, () -> register(session, "Bettina Ouellette-Marsh")));
        return happenings;
    }

    private long register(long session, String name) {
        String email = name.toLowerCase(java.util.Locale.ROOT).replace(' ', '.') + "@crew.example";
        Application asked = new Application(
                session, name, email, "", 1, ZoneId.of("America/Halifax"), List.of(), answers(session), "");
        return ((Registering.Done) roster.register(asked, Actor.visitor(name)))
                .link()
                .id();
    }

    private List<Answer> answers(long session) {
        long offering = programme.session(session).orElseThrow().offering().id();
        return programme.questions(offering).stream()
                .map(q -> new Answer(
                        q.id(),
                        0,
                        q.question().label(),
                        q.question().kind() == Question.Kind.DATE ? "2027-06-30" : "yes",
                        List.of()))
                .toList();
    }

    private void pay(long registration) {
        var r = queries.registration(registration).orElseThrow();
        payments.start(r, r.self())
                .ifPresent(started ->
                        payments.settle(started.reference(), PaymentCommands.Outcome.PAID, DemoActor.PROGRAM));
    }

    private void leave(long session, String name) {
        queries.roster(session).stream()
                .filter(r -> r.name().equals(name))
                .forEach(r -> changes.cancel(r.id(), "a shift at work", r.self()));
    }
}
