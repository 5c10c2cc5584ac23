package jollyroster.programme;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import jollyroster.core.intake.Question;
import jollyroster.core.intake.Text;
import org.jspecify.annotations.Nullable;

/**
 * The offering's sheet as it was typed. Everything is text until {@link #problems()} is empty.
 *
 * @param question one entry for each question on the sheet, also the blank one at its end
 */
public record SheetForm(
        int version,
        String title,
        String summary,
        String description,
        String bring,
        String format,
        String venue,
        String host,
        String minutes,
        String seats,
        @Nullable Boolean waitlist,
        String largestParty,
        String cutoffHours,
        List<QuestionForm> question) {

    static final int MOST_QUESTIONS = 20;

    public SheetForm {
        title = Text.oneLine(orEmpty(title));
        summary = Text.oneLine(orEmpty(summary));
        description = Text.manyLines(orEmpty(description));
        bring = Text.oneLine(orEmpty(bring));
        format = orEmpty(format);
        venue = orEmpty(venue);
        host = Text.oneLine(orEmpty(host));
        minutes = orEmpty(minutes).strip();
        seats = orEmpty(seats).strip();
        waitlist = Boolean.TRUE.equals(waitlist);
        largestParty = orEmpty(largestParty).strip();
        cutoffHours = orEmpty(cutoffHours).strip();
        question = question == null ? List.of() : new ArrayList<>(question);
    }

    /** A question as it was typed; one without a label is dropped. */
    public record QuestionForm(
            @Nullable String id,
            String kind,
            String label,
            String help,
            @Nullable Boolean required,
            String options) {
        public QuestionForm {
            kind = orEmpty(kind);
            label = Text.oneLine(orEmpty(label));
            help = Text.oneLine(orEmpty(help));
            required = Boolean.TRUE.equals(required);
            options = Text.manyLines(orEmpty(options));
        }

        List<String> optionList() {
            return kind.equals(Question.Kind.CHOOSE_ONE.name())
                    ? options.lines()
                            .map(Text::oneLine)
                            .filter(o -> !o.isEmpty())
                            .distinct()
                            .toList()
                    : List.of();
        }
    }

    List<QuestionForm> questionsAsked() {
        return question.stream().filter(q -> !q.label().isEmpty()).toList();
    }

    /** What is wrong, by field; empty when the sheet can be kept. A draft may be incomplete, but not nonsense. */
    public Map<String, String> problems() {
        Map<String, String> problems = new LinkedHashMap<>();
        check(problems, "title", !title.isEmpty() && title.length() <= 120, "A title of 1 to 120 characters.");
        check(problems, "summary", summary.length() <= 300, "At most 300 characters.");
        check(problems, "description", description.length() <= 20_000, "At most 20,000 characters.");
        check(problems, "bring", bring.length() <= 300, "At most 300 characters.");
        check(problems, "host", host.length() <= 120, "At most 120 characters.");
        check(problems, "format", isFormat(), "In person or online.");
        check(problems, "minutes", isNumber(minutes, 5, 44_640), "Minutes, from 5 to 44,640 (31 days).");
        check(problems, "seats", isNumber(seats, 0, 100_000), "A number from 0 to 100,000.");
        check(problems, "largestParty", isNumber(largestParty, 1, 20), "A number from 1 to 20.");
        check(problems, "cutoffHours", isNumber(cutoffHours, 0, 2000), "Hours, from 0 to 2,000.");
        check(problems, "venue", venue.isEmpty() || isNumber(venue, 1, Integer.MAX_VALUE), "Choose a venue.");
        questionProblems(problems);
        return problems;
    }

    private void questionProblems(Map<String, String> problems) {
        check(problems, "question", questionsAsked().size() <= MOST_QUESTIONS, "At most 20 questions.");
        for (int i = 0; i < question.size(); i++) {
            QuestionForm q = question.get(i);
            if (q.label().isEmpty()) {
                continue;
            }
            String field = "question[" + i + "]";
            check(problems, field, q.label().length() <= 300 && q.help().length() <= 300, "At most 300 characters.");
            check(problems, field, isKind(q.kind()), "Choose what sort of answer you want.");
            int options = q.optionList().size();
            boolean optionsFit = !q.kind().equals(Question.Kind.CHOOSE_ONE.name())
                    || options >= 1 && options <= Question.MOST_OPTIONS;
            check(problems, field, optionsFit, "Give 1 to 50 options, one a line.");
            check(
                    problems,
                    field,
                    q.optionList().stream().allMatch(o -> o.length() <= 200),
                    "Options of 200 characters.");
        }
    }

    private boolean isFormat() {
        return List.of(Format.values()).stream().anyMatch(f -> f.name().equals(format));
    }

    private static boolean isKind(String kind) {
        return List.of(Question.Kind.values()).stream().anyMatch(k -> k.name().equals(kind));
    }

    static boolean isNumber(String text, int least, int most) {
        return text.matches("\\d{1,9}") && Integer.parseInt(text) >= least && Integer.parseInt(text) <= most;
    }

    private static void check(Map<String, String> problems, String field, boolean fine, String problem) {
        if (!fine) {
            problems.putIfAbsent(field, problem);
        }
    }

    private static String orEmpty(@Nullable String text) {
        return Objects.requireNonNullElse(text, "");
    }

    /** The sheet as it is kept, ready to be typed over. */
    static SheetForm of(Offering o, List<AskedQuestion> questions) {
        return new SheetForm(
                o.version(),
                o.title(),
                o.summary(),
                o.description(),
                o.bring(),
                o.format().name(),
                o.venue().map(v -> String.valueOf(v.id())).orElse(""),
                o.hostName(),
                String.valueOf(o.minutes()),
                String.valueOf(o.seats()),
                o.waitlistAllowed(),
                String.valueOf(o.largestParty()),
                String.valueOf(o.cutoffMinutes() / 60),
                questions.stream().map(SheetForm::question).toList());
    }

    private static QuestionForm question(AskedQuestion asked) {
        Question q = asked.question();
        return new QuestionForm(
                String.valueOf(asked.id()),
                q.kind().name(),
                q.label(),
                q.help(),
                q.required(),
                String.join("\n", q.options()));
    }
}
