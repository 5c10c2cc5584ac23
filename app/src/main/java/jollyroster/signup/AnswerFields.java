package jollyroster.signup;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import jollyroster.core.intake.Condition;
import jollyroster.core.intake.Intake.Slot;
import jollyroster.core.intake.Option;
import jollyroster.core.intake.Question;
import jollyroster.programme.AskedQuestion;

/**
 * The intake as fields of a form, decided and formatted.
 *
 * @param own what the registrant is asked
 * @param companions what companions are asked, one entry for each that could come; empty when they are asked nothing
 */
record AnswerFields(List<Field> own, List<Companion> companions) {

    static final AnswerFields NONE = new AnswerFields(List.of(), List.of());

    /** @param number from 1 @param hidden while fewer people come */
    record Companion(int number, boolean hidden, List<Field> fields) {}

    /**
     * One question to one person.
     *
     * @param entered what was entered
     * @param chosen the same for several choices
     * @param help the remark and the limits, in words
     * @param onlyIf when it is asked, in words; empty for always
     * @param condition the field it depends on and the values that will do, for the page to follow
     */
    record Field(
            String name,
            Question question,
            String entered,
            List<String> chosen,
            List<Choice> choices,
            String help,
            String onlyIf,
            String dependsOn,
            String values) {}

    /**
     * @param left "4 left", "none left" on the chosen date; empty when it cannot run out
     * @param byDate how many are left on each date, as {@code 12:4 13:0}
     */
    record Choice(String label, String left, boolean gone, String byDate) {}

    /**
     * How often options are chosen already.
     *
     * @param date the session chosen
     * @param times by session, question and label
     */
    record Chosen(long date, List<Long> dates, Map<Long, Map<Long, Map<String, Integer>>> times) {

        int of(long session, long question, String label) {
            return times.getOrDefault(session, Map.of())
                    .getOrDefault(question, Map.of())
                    .getOrDefault(label, 0);
        }
    }

    /**
     * The fields of a form.
     *
     * @param entered what was entered so far
     * @param party people on the registration @param largest people it could have
     */
    static AnswerFields of(
            List<AskedQuestion> questions, Map<Slot, String> entered, Chosen chosen, int party, int largest) {
        List<Field> own = questions.stream()
                .map(q -> field(q, 0, questions, entered, chosen))
                .toList();
        List<AskedQuestion> each =
                questions.stream().filter(q -> q.question().perPerson()).toList();
        List<Companion> companions = each.isEmpty()
                ? List.of()
                : IntStream.range(1, largest)
                        .mapToObj(person -> new Companion(
                                person,
                                person >= party,
                                each.stream()
                                        .map(q -> field(q, person, questions, entered, chosen))
                                        .toList()))
                        .toList();
        return new AnswerFields(own, companions);
    }

    private static Field field(
            AskedQuestion asked, int person, List<AskedQuestion> all, Map<Slot, String> entered, Chosen chosen) {
        Question q = asked.question();
        Slot slot = new Slot(q.key(), person);
        String value = entered.getOrDefault(slot, "");
        return new Field(
                Answers.field(slot),
                q,
                value,
                value.lines().toList(),
                q.options().stream()
                        .map(o -> choice(o, asked.id(), chosen, value))
                        .toList(),
                help(q),
                q.shownIf().map(c -> onlyIf(c, all)).orElse(""),
                q.shownIf().map(c -> Answers.field(answering(c, person, all))).orElse(""),
                q.shownIf().map(c -> String.join("\n", c.values())).orElse(""));
    }

    /** Whose answer decides: a companion's own where each is asked, else the registrant's. */
    private static Slot answering(Condition condition, int person, List<AskedQuestion> all) {
        boolean each = all.stream()
                .anyMatch(q -> q.question().key().equals(condition.key())
                        && q.question().perPerson());
        return new Slot(condition.key(), each ? person : 0);
    }

    private static Choice choice(Option option, long question, Chosen chosen, String value) {
        if (option.most().isEmpty()) {
            return new Choice(option.label(), "", false, "");
        }
        boolean own = value.lines().anyMatch(option.label()::equals);
        int left = left(option, question, chosen, chosen.date());
        String byDate = chosen.dates().stream()
                .map(date -> date + ":" + left(option, question, chosen, date))
                .collect(Collectors.joining(" "));
        return new Choice(option.label(), left == 0 ? "none left" : left + " left", left == 0 && !own, byDate);
    }

    private static int left(Option option, long question, Chosen chosen, long date) {
        return Math.max(0, option.most().orElseThrow() - chosen.of(date, question, option.label()));
    }

    private static String help(Question q) {
        List<String> parts = new ArrayList<>();
        if (!q.help().isEmpty()) {
            parts.add(q.help());
        }
        if (!Answers.limits(q).isEmpty()) {
            parts.add(Answers.limits(q));
        }
        if (!q.required()) {
            parts.add("if you like");
        }
        return String.join(", ", parts);
    }

    private static String onlyIf(Condition condition, List<AskedQuestion> all) {
        return all.stream()
                .filter(q -> q.question().key().equals(condition.key()))
                .findFirst()
                .map(q -> "Only if you answered “" + String.join("” or “", condition.values()) + "” to “"
                        + q.question().label() + "”.")
                .orElse("");
    }
}
