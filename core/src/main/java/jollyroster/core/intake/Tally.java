package jollyroster.core.intake;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What people answered, counted.
 *
 * @param answered how many answers there are
 * @param counts for kinds with options, yes/no and agreements: how many gave each, those nobody gave included; an answer
 *     under options that are no longer offered comes last
 * @param numbers for numbers; empty when there are none
 * @param texts for everything else, each once, in the order given
 */
public record Tally(int answered, List<Count> counts, Optional<Numbers> numbers, List<String> texts) {

    /** @param share of the answers, 0 to 1 */
    public record Count(String option, int times, double share) {}

    /** The median of an even number of values is the mean of the two in the middle. */
    public record Numbers(BigDecimal least, BigDecimal median, BigDecimal most) {}

    /** Counts the answers to a question; empty ones are left out. */
    public static Tally of(Question question, List<String> answers) {
        Map<String, Integer> times = new LinkedHashMap<>();
        answers.stream().filter(answer -> !answer.isEmpty()).forEach(a -> times.merge(a, 1, Integer::sum));
        return of(question, times);
    }

    /** The same where it is known how often each answer was given. */
    public static Tally of(Question question, Map<String, Integer> times) {
        int answered = times.values().stream().mapToInt(Integer::intValue).sum();
        return switch (question.kind()) {
            case CHOOSE_ONE, CHOOSE_SEVERAL ->
                counted(question.options().stream().map(Option::label).toList(), times, answered);
            case YES_NO -> counted(List.of("yes", "no"), times, answered);
            case AGREEMENT -> counted(List.of("yes"), times, answered);
            case NUMBER -> new Tally(answered, List.of(), numbers(times), List.of());
            case SHORT_TEXT, LONG_TEXT, PHONE, EMAIL, WEB_ADDRESS, DATE ->
                new Tally(answered, List.of(), Optional.empty(), List.copyOf(times.keySet()));
        };
    }

    private static Tally counted(List<String> options, Map<String, Integer> given, int answered) {
        Map<String, Integer> times = new LinkedHashMap<>();
        options.forEach(option -> times.put(option, 0));
        given.forEach((answer, n) -> answer.lines().forEach(option -> times.merge(option, n, Integer::sum)));
        List<Count> counts = new ArrayList<>();
        times.forEach((option, n) -> counts.add(new Count(option, n, answered == 0 ? 0 : (double) n / answered)));
        return new Tally(answered, List.copyOf(counts), Optional.empty(), List.of());
    }

    private static Optional<Numbers> numbers(Map<String, Integer> times) {
        List<BigDecimal> sorted = times.entrySet().stream()
                .flatMap(e -> Bounds.number(e.getKey()).stream()
                        .flatMap(n -> Stream.generate(() -> n).limit(e.getValue())))
                .sorted()
                .toList();
        if (sorted.isEmpty()) {
            return Optional.empty();
        }
        int middle = sorted.size() / 2;
        BigDecimal median = sorted.size() % 2 == 1
                ? sorted.get(middle)
                : sorted.get(middle - 1).add(sorted.get(middle)).divide(BigDecimal.valueOf(2), MathContext.DECIMAL64);
        return Optional.of(new Numbers(sorted.get(0), median, sorted.get(sorted.size() - 1)));
    }
}
