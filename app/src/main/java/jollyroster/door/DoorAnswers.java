package jollyroster.door;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.answers.GivenQueries;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** What people answered to the questions that are chosen for the door. */
@Component
class DoorAnswers {

    private final DoorAnswerQueries queries;
    private final ProgrammeQueries programme;
    private final GivenQueries given;

    DoorAnswers(DoorAnswerQueries queries, ProgrammeQueries programme, GivenQueries given) {
        this.queries = queries;
        this.programme = programme;
        this.given = given;
    }

    /** A question that may be chosen. */
    record Choice(long id, String label, boolean chosen) {}

    List<Choice> choices(Session session) {
        List<AskedQuestion> asked = programme.questions(session.offering().id());
        Set<Long> chosen = queries.chosen(ids(asked));
        return asked.stream()
                .map(q -> new Choice(q.id(), q.question().label(), chosen.contains(q.id())))
                .toList();
    }

    private static List<Long> ids(List<AskedQuestion> asked) {
        return asked.stream().map(AskedQuestion::id).toList();
    }

    /** By registration, in words; nobody who answered none of them. */
    Map<Long, String> of(Session session, Collection<Long> registrations) {
        List<AskedQuestion> asked = programme.questions(session.offering().id());
        Set<Long> chosen = asked.isEmpty() || registrations.isEmpty() ? Set.of() : queries.chosen(ids(asked));
        Map<Long, String> words = new HashMap<>();
        if (!chosen.isEmpty()) {
            given.answers(registrations).forEach((registration, answers) -> {
                String said = asked.stream()
                        .filter(q -> chosen.contains(q.id()))
                        .filter(q -> !answers.getOrDefault(q.id(), "").isBlank())
                        .map(q -> q.question().label() + ": " + answers.get(q.id()))
                        .collect(Collectors.joining(" · "));
                if (!said.isEmpty()) {
                    words.put(registration, said);
                }
            });
        }
        return words;
    }
}
