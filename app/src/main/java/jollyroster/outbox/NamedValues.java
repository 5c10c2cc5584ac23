package jollyroster.outbox;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/** What words may name of answers to questions, and of texts that were given names. */
@Component
class NamedValues {

    private final AnswersGiven answers;
    private final NamedTextQueries texts;

    NamedValues(AnswersGiven answers, NamedTextQueries texts) {
        this.answers = answers;
        this.texts = texts;
    }

    /** What is read only where the words name it. What they name and is no more, such as a question, is empty. */
    void put(Map<String, Object> values, Wordings.Words words, Letters.Facts facts, long registration) {
        put(
                values,
                words,
                Wordings.ANSWER,
                () -> answers.of(registration, facts.about().offering()));
        put(values, words, NamedTextQueries.TEXT, texts::house);
        put(values, words, NamedTextQueries.HOST, () -> texts.host(facts.about().leaders()));
    }

    private static void put(
            Map<String, Object> values, Wordings.Words words, String kind, Supplier<Map<String, String>> known) {
        List<String> named = words.named(kind);
        if (!named.isEmpty()) {
            Map<String, String> all = new HashMap<>(known.get());
            named.forEach(name -> all.putIfAbsent(name, ""));
            values.put(kind.substring(0, kind.length() - 1), all);
        }
    }
}
