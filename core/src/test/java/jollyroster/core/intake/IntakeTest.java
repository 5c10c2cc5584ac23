package jollyroster.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.AnswerCheck.Problem;
import jollyroster.core.intake.Intake.Slot;
import jollyroster.core.intake.Question.Kind;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class IntakeTest {

    private static final Question BRINGS =
            Question.plain("brings", Kind.YES_NO, "Do you bring a boat?", "", true, List.of());
    private static final Question BOAT = asked("boat", "brings", "yes", false);
    private static final Question LENGTH = asked("length", "boat", "Curlew", false);
    private static final Question DIET =
            new Question("diet", Kind.SHORT_TEXT, "Diet", "", true, List.of(), Bounds.NONE, Optional.empty(), true);

    private static Question asked(String key, String on, String value, boolean perPerson) {
        return new Question(
                key,
                Kind.SHORT_TEXT,
                key + "?",
                "",
                true,
                List.of(),
                Bounds.NONE,
                Optional.of(new Condition(on, List.of(value))),
                perPerson);
    }

    private static Map<Slot, String> entered(String... keysAndValues) {
        Map<Slot, String> entered = new HashMap<>();
        for (int i = 0; i < keysAndValues.length; i += 2) {
            entered.put(new Slot(keysAndValues[i], 0), keysAndValues[i + 1]);
        }
        return entered;
    }

    @Test
    void what_is_not_asked_is_neither_missed_nor_kept() {
        Intake intake = new Intake(List.of(BRINGS, BOAT, LENGTH));
        Intake.Judged no = intake.judge(entered("brings", "no", "boat", "Curlew", "length", "5"), 1, "CA");
        assertThat(no.problems()).isEmpty();
        assertThat(no.answers()).containsOnly(Map.entry(new Slot("brings", 0), "no"));

        assertThat(intake.judge(entered("brings", "yes"), 1, "CA").problems())
                .containsOnly(Map.entry(new Slot("boat", 0), Problem.MISSING));
        assertThat(intake.judge(entered("brings", "yes", "boat", "Curlew"), 1, "CA")
                        .problems())
                .containsOnly(Map.entry(new Slot("length", 0), Problem.MISSING));
    }

    @Test
    void companions_answer_for_themselves() {
        Map<Slot, String> entered = entered("diet", "none");
        entered.put(new Slot("diet", 2), "no fish");
        Intake.Judged judged = new Intake(List.of(DIET)).judge(entered, 3, "CA");
        assertThat(judged.problems()).containsOnly(Map.entry(new Slot("diet", 1), Problem.MISSING));
        assertThat(judged.answers())
                .containsOnly(Map.entry(new Slot("diet", 0), "none"), Map.entry(new Slot("diet", 2), "no fish"));
    }

    @Test
    void a_companion_is_asked_by_its_own_answer_or_else_by_the_registrants() {
        Question swims =
                new Question("swims", Kind.YES_NO, "Swims?", "", true, List.of(), Bounds.NONE, Optional.empty(), true);
        Intake own = new Intake(List.of(swims, asked("aid", "swims", "no", true)));
        Map<Slot, String> entered = entered("swims", "no", "aid", "vest");
        entered.put(new Slot("swims", 1), "yes");
        assertThat(own.judge(entered, 2, "CA").problems()).isEmpty();

        Intake shared = new Intake(List.of(BRINGS, asked("berth", "brings", "yes", true)));
        assertThat(shared.judge(entered("brings", "yes", "berth", "1"), 2, "CA").problems())
                .containsOnlyKeys(new Slot("berth", 1));
    }

    @Test
    void a_condition_may_only_name_an_earlier_question() {
        Question circular = asked("a", "b", "x", false);
        Question back = asked("b", "a", "x", false);
        assertThat(new Intake(List.of(circular, back)).withBadConditions()).containsExactly(circular);
        assertThat(new Intake(List.of(asked("a", "a", "x", false))).withBadConditions())
                .hasSize(1);
        assertThat(new Intake(List.of(BRINGS, BOAT, LENGTH)).withBadConditions())
                .isEmpty();
    }

    @Test
    void one_of_several_chosen_is_enough() {
        Condition condition = new Condition("brings", List.of("Gig", "Launch"));
        assertThat(condition.holds(Map.of("brings", "Dinghy\nLaunch"))).isTrue();
        assertThat(condition.holds(Map.of("brings", "Dinghy"))).isFalse();
        assertThat(condition.holds(Map.of())).isFalse();
    }

    @Property
    void judging_what_was_kept_keeps_it(@ForAll @Size(3) List<String> texts) {
        Intake intake = new Intake(List.of(BRINGS, BOAT, DIET));
        Map<Slot, String> entered = entered("brings", texts.get(0).length() % 2 == 0 ? "yes" : "no");
        entered.put(new Slot("boat", 0), texts.get(1));
        entered.put(new Slot("diet", 0), texts.get(2));
        Intake.Judged once = intake.judge(entered, 1, "CA");
        assertThat(intake.judge(once.answers(), 1, "CA").answers()).isEqualTo(once.answers());
    }
}
