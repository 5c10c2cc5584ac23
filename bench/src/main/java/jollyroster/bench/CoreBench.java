package jollyroster.bench;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.TypedDates;
import jollyroster.core.dates.TypedLine;
import jollyroster.core.openhours.Claim;
import jollyroster.core.openhours.Conflict;
import jollyroster.core.openhours.Conflicts;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** Measures the rules alone: reading typed dates, and finding conflicts; {@link OpenTimesBench} the times to pick from. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class CoreBench {

    private static final List<String> LINES = List.of(
            "Tue 6 Apr 2027 10-10:30, 13:45-14:15 x5",
            "every Tue until 27 Apr 19:00-20:30 @ Rope loft with Ottoline Marsh, 8 seats",
            "6 Apr 2027 10:00-12:00 every 10 min",
            "2027-04-06 10.00–10.30",
            "Sat 10 April 1:45pm");
    private static final int HOSTS = 50;

    private final TypedDates dates =
            new TypedDates(LocalDate.of(2027, 3, 10), ZoneId.of("America/Halifax"), Duration.ofMinutes(90));
    private final String oneDateALine = lines(1000, List.of("Tue 6 Apr 2027 10-10:30", "2027-04-07 13.45–14.15"));
    private final String mixed = lines(200, LINES);
    private final List<Claim> tenThousand = claims(10_000);
    private final List<Claim> twentyThousand = claims(20_000);

    private static String lines(int number, List<String> of) {
        return IntStream.range(0, number).mapToObj(i -> of.get(i % of.size())).collect(Collectors.joining("\n"));
    }

    /** Sessions of 50 hosts over so many days that each host has about five a day; some collide. */
    private static Collection<Claim> random(int number) {
        Random random = new Random(7);
        Instant from = Instant.parse("2027-03-10T00:00:00Z");
        int minutes = number / HOSTS * 240;
        List<Claim> claims = new ArrayList<>();
        for (int i = 0; i < number; i++) {
            Instant start = from.plusSeconds(60L * random.nextInt(minutes));
            Interval span = new Interval(start, start.plusSeconds(60L * (30 + random.nextInt(60))));
            claims.add(Claim.session(
                    Claim.Owner.host(i % HOSTS), i, span, Duration.ofMinutes(10), Duration.ofMinutes(10)));
        }
        return claims;
    }

    private static List<Claim> claims(int number) {
        return List.copyOf(random(number));
    }

    @Benchmark
    public List<TypedLine> read1000Lines() {
        return dates.read(oneDateALine);
    }

    @Benchmark
    public List<TypedLine> read200MixedLines() {
        return dates.read(mixed);
    }

    @Benchmark
    public List<Conflict> conflicts10k() {
        return Conflicts.among(tenThousand);
    }

    @Benchmark
    public List<Conflict> conflicts20k() {
        return Conflicts.among(twentyThousand);
    }

    /** Every pair of one host, as the definition says; what the sweep saves. */
    @Benchmark
    public int conflicts10kByPairs() {
        int found = 0;
        for (int i = 0; i < tenThousand.size(); i++) {
            for (int j = i + HOSTS; j < tenThousand.size(); j += HOSTS) {
                found += tenThousand.get(i).padded().overlaps(tenThousand.get(j).padded()) ? 1 : 0;
            }
        }
        return found;
    }

    public static void main(String[] args) throws RunnerException {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include(CoreBench.class.getSimpleName())
                        .include(OpenTimesBench.class.getSimpleName())
                        .build())
                .run();
        System.out.printf(
                "%n%s, %d cores, Java %s%n",
                LocalDate.now(ZoneOffset.UTC),
                Runtime.getRuntime().availableProcessors(),
                Runtime.version().feature());
        double ten = milliseconds(results, "conflicts10k");
        print("read 1,000 lines", milliseconds(results, "read1000Lines"), "");
        print("read 200 mixed lines", milliseconds(results, "read200MixedLines"), "bar 50 ms");
        print("conflicts of 10,000 sessions", ten, "bar 50 ms");
        ratio("20,000 : 10,000 sessions", milliseconds(results, "conflicts20k") / ten, "bar 2.30: n log n");
        ratio("every pair : sweep", milliseconds(results, "conflicts10kByPairs") / ten, "");
        OpenTimesBench.print(results);
    }

    static void ratio(String name, double ratio, String bar) {
        System.out.printf("%-34s %6.2f  %s%n", name, ratio, bar);
    }

    static void print(String name, double milliseconds, String bar) {
        System.out.printf("%-34s %6.2f ms  %s%n", name, milliseconds, bar);
    }

    static double milliseconds(Collection<RunResult> results, String benchmark) {
        return results.stream()
                        .filter(r -> r.getPrimaryResult().getLabel().equals(benchmark))
                        .findFirst()
                        .orElseThrow()
                        .getPrimaryResult()
                        .getScore()
                / 1000;
    }
}
