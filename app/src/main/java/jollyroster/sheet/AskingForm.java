package jollyroster.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Offering;
import jollyroster.programme.PhoneRule;
import jollyroster.programme.QuestionWish;
import jollyroster.programme.Section;
import org.jspecify.annotations.Nullable;

/** What is asked on registering. @param question one entry for each question, also for the blank one at the end */
record AskingForm(
        String phone, @Nullable Boolean fullName, @Nullable Boolean confirmEmail, List<QuestionForm> question)
        implements PartForm {

    AskingForm {
        phone = Typed.orEmpty(phone);
        fullName = Boolean.TRUE.equals(fullName);
        confirmEmail = Boolean.TRUE.equals(confirmEmail);
        question = question == null ? List.of() : withoutGaps(question);
    }

    /** A form whose questions are not numbered one after the other has nothing asked in between. */
    private static List<QuestionForm> withoutGaps(List<@Nullable QuestionForm> sent) {
        QuestionForm nothing = QuestionForm.of("", "", "", false, "");
        return new ArrayList<>(sent.stream().map(q -> q == null ? nothing : q).toList());
    }

    static AskingForm of(Offering o, List<AskedQuestion> questions) {
        return new AskingForm(
                o.signUp().phone().name(),
                o.signUp().fullName(),
                o.signUp().emailConfirmed(),
                QuestionWish.of(questions).stream().map(QuestionForm::of).toList());
    }

    private List<QuestionForm> asked() {
        return question.stream().filter(q -> !q.label().isEmpty()).toList();
    }

    @Override
    public Map<String, String> problems() {
        Checks checks = new Checks()
                .oneOf(PhoneRule.values(), "phone", "Phone", phone)
                .that(asked().size() <= AskedQuestion.MOST, "question", "Questions: at most 40.");
        QuestionCheck inOrder = new QuestionCheck();
        for (int i = 0; i < question.size(); i++) {
            if (!question.get(i).label().isEmpty()) {
                String problem = inOrder.problem(question.get(i)).orElse("");
                checks.that(problem.isEmpty(), "question[" + i + "]", "Question %d: %s".formatted(i + 1, problem));
            }
        }
        return checks.problems();
    }

    @Override
    public Section section() {
        return new Section.Asking(
                PhoneRule.valueOf(phone),
                Boolean.TRUE.equals(fullName),
                Boolean.TRUE.equals(confirmEmail),
                asked().stream().map(QuestionForm::wish).toList());
    }
}
