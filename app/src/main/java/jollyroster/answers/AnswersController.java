package jollyroster.answers;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import jollyroster.answers.AnswerQueries.Said;
import jollyroster.answers.AnswersView.Card;
import jollyroster.core.intake.Question;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Times;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** What people answered to the questions of an offering: tallied, with who said what, and as a table to take away. */
@DeskPage
class AnswersController {

    private static final int MOST_TEXTS = 12;
    private static final int MOST_PEOPLE = 200;
    private final ProgrammeQueries programme;
    private final AnswerQueries answers;
    private final AnswersTable export;
    private final Clock clock;

    AnswersController(ProgrammeQueries programme, AnswerQueries answers, AnswersTable export, Clock clock) {
        this.programme = programme;
        this.answers = answers;
        this.export = export;
        this.clock = clock;
    }

    private Offering known(long id) {
        return programme.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** @param session one of the offering's dates, 0 for all @param question whose answers to look into, 0 for none */
    @GetMapping("/desk/offerings/{id}/answers")
    String answers(
            @PathVariable long id,
            @RequestParam(defaultValue = "0") long session,
            @RequestParam(defaultValue = "0") long question,
            @RequestParam(defaultValue = "") String is,
            Model model) {
        Offering offering = known(id);
        List<Session> dates = programme.sessionsOf(id);
        List<Long> sessions = sessions(dates, session);
        List<AskedQuestion> asked = programme.questions(id);
        List<AskedQuestion> retired = programme.retiredQuestions(id);
        List<Card> cards = cards(sessions, asked, retired);
        model.addAttribute(
                "view",
                new AnswersView(
                        id,
                        offering.title(),
                        session,
                        dates.stream().map(s -> choice(s, session)).toList(),
                        cards,
                        cards.stream().map(Card::label).toList(),
                        who(dates, sessions, all(asked, retired), question, is)));
        return "answers/answers";
    }

    /** A whole series is registered for once, under the session that leads it. */
    private static List<Long> sessions(List<Session> dates, long chosen) {
        return dates.stream()
                .filter(s -> chosen == 0 || s.id() == chosen)
                .map(Session::book)
                .distinct()
                .toList();
    }

    private static List<Session> books(List<Session> dates, List<Long> wanted) {
        return dates.stream().filter(s -> wanted.contains(s.id())).toList();
    }

    private AnswersView.Choice choice(Session s, long chosen) {
        return new AnswersView.Choice(
                s.id(),
                Times.range(
                        s.start(),
                        s.end(),
                        s.zone(),
                        clock.instant().atZone(s.zone()).toLocalDate()),
                s.id() == chosen);
    }

    private static List<AskedQuestion> all(List<AskedQuestion> asked, List<AskedQuestion> retired) {
        List<AskedQuestion> all = new ArrayList<>(asked);
        all.addAll(retired);
        return all;
    }

    private List<Card> cards(List<Long> sessions, List<AskedQuestion> asked, List<AskedQuestion> retired) {
        List<AskedQuestion> all = all(asked, retired);
        List<Long> ids = all.stream().map(AskedQuestion::id).toList();
        List<Long> texts = all.stream()
                .filter(q -> isText(q.question().kind()))
                .map(AskedQuestion::id)
                .toList();
        Map<Long, Map<String, Integer>> times = answers.times(sessions, ids);
        Map<Long, List<Said>> latest = answers.latest(sessions, texts, MOST_TEXTS + 1);
        Map<Long, Map<String, Integer>> older = answers.olderWordings(sessions, ids);
        return all.stream()
                .map(q -> AnswersView.card(
                        q,
                        retired.contains(q),
                        times.getOrDefault(q.id(), Map.of()),
                        latest.getOrDefault(q.id(), List.of()),
                        MOST_TEXTS,
                        List.copyOf(older.getOrDefault(q.id(), Map.of()).keySet()),
                        sessions.size() == 1))
                .toList();
    }

    private static boolean isText(Question.Kind kind) {
        return switch (kind) {
            case SHORT_TEXT, LONG_TEXT, PHONE, EMAIL, WEB_ADDRESS, DATE -> true;
            case CHOOSE_ONE, CHOOSE_SEVERAL, YES_NO, AGREEMENT, NUMBER -> false;
        };
    }

    private AnswersView.Who who(
            List<Session> dates, List<Long> sessions, List<AskedQuestion> all, long question, String is) {
        String answer = is.substring(0, Math.min(is.length(), Question.Kind.SHORT_TEXT.longestAnswer()));
        return all.stream()
                .filter(q -> q.id() == question && !answer.isEmpty())
                .findFirst()
                .map(q -> {
                    List<Said> people = answers.who(sessions, question, answer, MOST_PEOPLE + 1);
                    return new AnswersView.Who(
                            q.question().label(),
                            answer,
                            people.stream()
                                    .limit(MOST_PEOPLE)
                                    .map(said -> person(said, dates))
                                    .toList(),
                            people.size() > MOST_PEOPLE);
                })
                .orElse(AnswersView.Who.NOBODY);
    }

    private static AnswersView.Person person(Said said, List<Session> dates) {
        RegistrationState state = RegistrationState.valueOf(said.state());
        String when = dates.stream()
                .filter(s -> s.id() == said.session())
                .findFirst()
                .map(s -> Times.dayAndTime(s.start(), s.zone()))
                .orElse("");
        return new AnswersView.Person(
                AnswersView.named(said), when, state.code(), state.word(), said.registration(), said.session());
    }

    /** Everybody on the offering, or on one date, with every answer; written as it is read. */
    @GetMapping("/desk/offerings/{id}/answers.csv")
    void csv(@PathVariable long id, @RequestParam(defaultValue = "0") long session, HttpServletResponse response)
            throws IOException {
        known(id);
        List<Session> dates = programme.sessionsOf(id);
        response.setContentType("text/csv; charset=UTF-8");
        response.setHeader("Content-Disposition", "attachment; filename=\"answers-" + id + ".csv\"");
        export.write(
                response.getOutputStream(),
                books(dates, sessions(dates, session)),
                all(programme.questions(id), programme.retiredQuestions(id)));
    }
}
