package jollyroster.demo;

import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.PlanLine;
import jollyroster.inbound.TextReplies;
import jollyroster.outbox.NamedTextCommands;
import jollyroster.outbox.NamedTextQueries;
import jollyroster.outbox.Wording;
import jollyroster.outbox.WordingCommands;
import jollyroster.outbox.WordingQueries.Of;
import jollyroster.plans.HousePlanCommands;
import jollyroster.plans.ReminderCommands;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.seating.RegistrationQueries;
import jollyroster.texting.AgreementQueries;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** When and what the school writes: a plan of the house for the evenings, and words of its own for the bench. */
@Component
@Profile("demo")
class DemoMessages {

    private static final String BENCH = """
            Hello {{first_name}},

            the bench is ready for you: **{{title}}**, {{starts}}.

            **Where:** {{place}}

            {{#first_time}}
            It is your first time with us. Ring the bell at the slipway; {{hosts}} comes down.

            {{/first_time}}
            {{text.parking}}

            Rope, fids and tea are there. Your page, should you not make it: <{{{join_link}}}>

            {{organisation}}""";

    private static final String QUESTION = "Will there be a recording? My shift may run late.";

    private final HousePlanCommands houses;
    private final ReminderCommands plans;
    private final WordingCommands wordings;
    private final NamedTextCommands texts;
    private final ProgrammeQueries programme;
    private final RegistrationQueries roster;
    private final AgreementQueries agreements;
    private final TextReplies replies;

    DemoMessages(
            HousePlanCommands houses,
            ReminderCommands plans,
            WordingCommands wordings,
            NamedTextCommands texts,
            ProgrammeQueries programme,
            RegistrationQueries roster,
            AgreementQueries agreements,
            TextReplies replies) {
        this.roster = roster;
        this.agreements = agreements;
        this.replies = replies;
        this.houses = houses;
        this.plans = plans;
        this.wordings = wordings;
        this.texts = texts;
        this.programme = programme;
    }

    void set() {
        long house = houses.make("Evening courses", DemoActor.PROGRAM).orElseThrow();
        houses.add(house, "2 hours before", DemoActor.PROGRAM);
        houses.add(house, "1 day after, to those absent", DemoActor.PROGRAM);
        long evenings = offering("Coastal navigation");
        plans.follow(evenings, house, DemoActor.PROGRAM);
        plans.turn(evenings, PlanLine.before(Offset.minutes(15)), false, DemoActor.PROGRAM);
        long radio = offering("Marine VHF radio procedure");
        plans.add(radio, "2 hours before, text", DemoActor.PROGRAM);
        plans.add(radio, "when called up, text", DemoActor.PROGRAM);
        plans.add(radio, "2 days before, to first-timers", DemoActor.PROGRAM);
        texts.set(
                NamedTextQueries.HOUSE,
                "parking",
                "Park on the quay above the slipway; the gate code is on the board.",
                DemoActor.PROGRAM);
        wordings.save(
                new Of(Anchor.BEFORE_START, offering("Knots and splicing bench")),
                new Wording("The bench is ready: {{title}}", "{{starts}}", BENCH),
                DemoActor.PROGRAM);
    }

    /** Somebody answers a text with a question. */
    void wroteBack() {
        long radio = offering("Marine VHF radio procedure");
        programme.sessionsOf(radio).stream()
                .flatMap(session -> roster.roster(session.id()).stream())
                .flatMap(r -> agreements.of(r.id()).stream())
                .reduce((first, last) -> last)
                .ifPresent(agreed -> replies.take("demo-question", agreed.number(), QUESTION));
    }

    private long offering(String title) {
        return programme.offerings().stream()
                .filter(o -> o.title().equals(title))
                .map(Offering::id)
                .findFirst()
                .orElseThrow();
    }
}
