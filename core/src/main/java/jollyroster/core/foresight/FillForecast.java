package jollyroster.core.foresight;

import java.util.List;
import java.util.Optional;

/**
 * How many registrations a session will have at its start, by multiplicative pick-up: earlier sessions of the offering
 * grew by some ratio from the same time before their start, and this one will too.
 *
 * @param expected of the ratio of sums
 * @param low of the smallest single ratio
 * @param high of the largest
 * @param capped whether more are expected than there are seats; all three are then at most the seats
 */
public record FillForecast(double expected, double low, double high, boolean capped) {

    /** Fewer earlier runs than this say nothing. */
    public static final int LEAST_RUNS = 2;

    /** @param then registrations at the same time before the start @param end at the start */
    public record Run(int then, int end) {}

    /**
     * The forecast; empty when fewer than {@value #LEAST_RUNS} runs had anybody by this time.
     *
     * <p>Example: runs of 12, 15 and 9 a week before became 20, 24 and 18; 14 now become 14 × 62 ÷ 36 = 24.1, from 22.4
     * (as 15 → 24) to 28 (as 9 → 18).
     *
     * @param now registrations now
     * @param seats open seats
     */
    public static Optional<FillForecast> of(List<Run> runs, int now, int seats) {
        List<Run> telling = runs.stream().filter(run -> run.then() > 0).toList();
        if (telling.size() < LEAST_RUNS || now == 0) {
            return Optional.empty();
        }
        double grown = telling.stream().mapToInt(Run::end).sum()
                / (double) telling.stream().mapToInt(Run::then).sum();
        double least = telling.stream().mapToDouble(FillForecast::ratio).min().orElseThrow();
        double most = telling.stream().mapToDouble(FillForecast::ratio).max().orElseThrow();
        return Optional.of(new FillForecast(
                Math.min(seats, now * grown),
                Math.min(seats, now * least),
                Math.min(seats, now * most),
                now * most > seats));
    }

    private static double ratio(Run run) {
        return run.end() / (double) run.then();
    }

    /** How many more than usual there are now: the difference to the mean of the earlier runs; empty without runs. */
    public static Optional<Double> pace(List<Run> runs, int now) {
        return runs.isEmpty()
                ? Optional.empty()
                : Optional.of(now - runs.stream().mapToInt(Run::then).average().orElseThrow());
    }
}
