package jollyroster.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * What was measured, a rate a round. A ratio is taken within each round, of two things measured one after the other, and the
 * middle one counts: the machine is not the same from minute to minute.
 */
final class Rates {

    private final Map<String, List<Double>> rates = new LinkedHashMap<>();

    void add(String name, double perSecond) {
        rates.computeIfAbsent(name, any -> new ArrayList<>()).add(perSecond);
    }

    void print() {
        rates.forEach((name, all) -> System.out.printf(
                name.startsWith("start: ") ? "%-26s %8.1f s%n" : "%-26s %8.0f /s%n",
                name,
                name.startsWith("start: ") ? 1 / middle(all) : middle(all)));
    }

    /** The ratio of two rates, which is to be no less than the bar. */
    void atLeast(String name, String stick, double bar) {
        List<Double> ratios = ratios(name, stick);
        say(name + " : " + stick, ratios, "at least", bar, middle(ratios) >= bar);
    }

    /** How many times as long the first takes as the second, which is to be no more than the bar. */
    void inTimeAtMost(String name, String stick, double bar) {
        List<Double> ratios = ratios(stick, name);
        say(name + " : " + stick + ", in time", ratios, "at most", bar, middle(ratios) <= bar);
    }

    private List<Double> ratios(String above, String below) {
        List<Double> over = rates.get(above);
        List<Double> under = rates.get(below);
        return IntStream.range(0, Math.min(over.size(), under.size()))
                .mapToObj(round -> over.get(round) / under.get(round))
                .toList();
    }

    private static double middle(List<Double> all) {
        return all.stream().sorted().toList().get(all.size() / 2);
    }

    private static void say(String what, List<Double> ratios, String kind, double bar, boolean met) {
        List<Double> sorted = ratios.stream().sorted().toList();
        System.out.printf(
                "%-56s %6.2f  (rounds %.2f to %.2f; bar %s %.2f: %s)%n",
                what, middle(ratios), sorted.get(0), sorted.get(sorted.size() - 1), kind, bar, met ? "met" : "not met");
    }
}
