package jollyroster.answers;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import jollyroster.core.messages.AnswerNames;
import jollyroster.outbox.AnswersGiven;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.ProgrammeQueries;
import org.springframework.stereotype.Component;

/** Tells the outbox what people answered. */
@Component
class AnswersForLetters implements AnswersGiven {

    private final ProgrammeQueries programme;
    private final GivenQueries given;

    AnswersForLetters(ProgrammeQueries programme, GivenQueries given) {
        this.programme = programme;
        this.given = given;
    }

    private List<AskedQuestion> questions(long offering) {
        return programme.questions(offering);
    }

    private List<String> named(List<AskedQuestion> questions) {
        return AnswerNames.of(
                questions.stream().map(asked -> asked.question().label()).toList());
    }

    @Override
    public Set<String> names(long offering) {
        return Set.copyOf(named(questions(offering)));
    }

    @Override
    public Map<String, String> of(long registration, long offering) {
        List<AskedQuestion> questions = questions(offering);
        List<String> names = named(questions);
        Map<Long, String> said = given.answers(List.of(registration)).getOrDefault(registration, Map.of());
        Map<String, String> answers = new LinkedHashMap<>();
        for (int i = 0; i < names.size(); i++) {
            answers.put(
                    names.get(i), said.getOrDefault(questions.get(i).id(), "").replace("\n", ", "));
        }
        return answers;
    }
}
