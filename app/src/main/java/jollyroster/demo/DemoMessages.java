package jollyroster.demo;

import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.PlanLine;
import jollyroster.outbox.NamedTextCommands;
import jollyroster.outbox.NamedTextQueries;
import jollyroster.outbox.Wording;
import jollyroster.outbox.WordingCommands;
import jollyroster.outbox.WordingQueries.Of;
import jollyroster.plans.HousePlanCommands;
import jollyroster.plans.ReminderCommands;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
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

    private final HousePlanCommands houses;
    private final ReminderCommands plans;
    private final WordingCommands wordings;
    private final NamedTextCommands texts;
    private final ProgrammeQueries programme;

    DemoMessages(
            HousePlanCommands houses,
            ReminderCommands plans,
            WordingCommands wordings,
            NamedTextCommands texts,
            ProgrammeQueries programme) {
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

    private long offering(String title) {
        return programme.offerings().stream()
                .filter(o -> o.title().equals(title))
                .map(Offering::id)
                .findFirst()
                .orElseThrow();
    }
}
