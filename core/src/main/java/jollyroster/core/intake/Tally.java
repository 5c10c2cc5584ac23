package jollyroster.core.intake;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What people answered, counted.
 *
 * @param answered how many answers there are
 * @param counts for kinds with options, yes/no and agreements: how many gave each, those nobody gave included; an answer
 *     under options that are no longer offered comes last
 * @param numbers for numbers; empty when there are none
 * @param texts for everything else, in the order given
 */
public record Tally(int answered, List<Count> counts, Optional<Numbers> numbers, List<String> texts) {

    /** @param share of the answers, 0 to 1 */
    public record Count(String option, int times, double share) {}

    /** The median of an even number of values is the mean of the two in the middle. */
    public record Numbers(BigDecimal least, BigDecimal median, BigDecimal most) {}

    /** Counts the answers to a question; empty ones are left out. */
    public static Tally of(Question question, List<String> answers) {
        List<String> given =
                answers.stream().filter(answer -> !answer.isEmpty()).toList();
        return switch (question.kind()) {
            case CHOOSE_ONE, CHOOSE_SEVERAL ->
                counted(question.options().stream().map(Option::label).toList(), given);
            case YES_NO -> counted(List.of("yes", "no"), given);
            case AGREEMENT -> counted(List.of("yes"), given);
            case NUMBER -> new Tally(given.size(), List.of(), numbers(given), List.of());
            case SHORT_TEXT, LONG_TEXT, PHONE, EMAIL, WEB_ADDRESS, DATE ->
                new Tally(given.size(), List.of(), Optional.empty(), given);
        };
    }

    private static Tally counted(List<String> options, List<String> given) {
        Map<String, Integer> times = new LinkedHashMap<>();
        options.forEach(option -> times.put(option, 0));
        given.stream().flatMap(String::lines).forEach(option -> times.merge(option, 1, Integer::sum));
        List<Count> counts = new ArrayList<>();
        times.forEach((option, n) -> counts.add(new Count(option, n, given.isEmpty() ? 0 : (double) n / given.size())));
        return new Tally(given.size(), List.copyOf(counts), Optional.empty(), List.of());
    }

    private static Optional<Numbers> numbers(List<String> given) {
        List<BigDecimal> sorted = given.stream()
                .flatMap(text -> Bounds.number(text).stream())
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
