package jollyroster.programme;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import jollyroster.core.intake.Question;

/** A question of an offering, with the number answers are kept under. */
public record AskedQuestion(long id, Question question) {

    /** Questions in order as forms, ready to be typed over; each is named by its number. */
    public static List<QuestionForm> forms(List<AskedQuestion> questions) {
        Map<String, String> refs = new HashMap<>();
        questions.forEach(q -> refs.put(q.question().key(), String.valueOf(q.id())));
        return questions.stream()
                .map(q -> QuestionForm.of(
                        q,
                        q.question()
                                .shownIf()
                                .map(c -> refs.getOrDefault(c.key(), ""))
                                .orElse("")))
                .toList();
    }
}
