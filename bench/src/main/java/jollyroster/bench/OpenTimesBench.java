package jollyroster.bench;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import jollyroster.core.dates.Interval;
import jollyroster.core.openhours.Claim;
import jollyroster.core.openhours.OpenHours;
import jollyroster.core.openhours.OpenHoursText;
import jollyroster.core.openhours.OpenTimes;
import jollyroster.core.openhours.TimeRules;
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

/** Measures how long it takes to work out which times of a year may be picked: ten hosts with thousands of busy blocks each. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class OpenTimesBench {

    private static final ZoneId ZONE = ZoneId.of("America/Halifax");
    private static final LocalDate FROM = LocalDate.of(2027, 1, 1);
    private static final LocalDate UNTIL = LocalDate.of(2028, 1, 1);
    private static final Instant NOW = Instant.parse("2026-12-31T00:00:00Z");
    private static final int HOSTS = 10;
    private static final int BLOCKS = 5_000;

    private final OpenHours hours =
            OpenHoursText.read("Mon–Fri 9-12, 13-17; Sat 10-14", FROM, 8).hours();
    private final TimeRules rules = TimeRules.of(Duration.ofMinutes(20))
            .every(Duration.ofMinutes(10))
            .buffered(Duration.ofMinutes(5), Duration.ofMinutes(15));
    private final List<List<Claim>> busy = hosts(BLOCKS);
    private final List<List<Claim>> twiceAsBusy = hosts(2 * BLOCKS);

    private static List<List<Claim>> hosts(int blocks) {
        List<List<Claim>> hosts = new ArrayList<>();
        for (int host = 0; host < HOSTS; host++) {
            Random random = new Random(host);
            List<Claim> claims = new ArrayList<>();
            for (int i = 0; i < blocks; i++) {
                Instant start = NOW.plusSeconds(300L * random.nextInt(12 * 24 * 366));
                claims.add(Claim.busy(
                        Claim.Owner.host(host),
                        i,
                        new Interval(start, start.plusSeconds(300L * (1 + random.nextInt(6))))));
            }
            hosts.add(List.copyOf(claims));
        }
        return hosts;
    }

    private OpenTimes times(List<Claim> claims) {
        return new OpenTimes(hours, ZONE, rules, OpenTimes.Host.takenUpBy(claims), NOW);
    }

    private long offered(List<List<Claim>> hosts) {
        return hosts.stream()
                .flatMap(claims -> times(claims).between(FROM, UNTIL).stream())
                .filter(OpenTimes.Start::isOffered)
                .count();
    }

    @Benchmark
    public long openTimesOfAYear() {
        return offered(busy);
    }

    @Benchmark
    public long openTimesWithTwiceTheBlocks() {
        return offered(twiceAsBusy);
    }

    /** Every start against every block, as the definition says; what sorting saves. */
    @Benchmark
    public long openTimesByTrying() {
        List<OpenTimes.Start> starts = times(List.of()).between(FROM, UNTIL);
        long offered = 0;
        for (List<Claim> claims : busy) {
            for (OpenTimes.Start start : starts) {
                Instant at = start.at().toInstant();
                Interval padded = new Interval(
                        at.minus(rules.before()), at.plus(rules.length()).plus(rules.after()));
                offered += claims.stream().noneMatch(claim -> claim.padded().overlaps(padded)) ? 1 : 0;
            }
        }
        return offered;
    }

    static void print(Collection<RunResult> results) {
        double year = CoreBench.milliseconds(results, "openTimesOfAYear");
        CoreBench.print("open times: a year, 10 hosts", year, "5,000 busy blocks each");
        CoreBench.ratio(
                "twice the blocks", CoreBench.milliseconds(results, "openTimesWithTwiceTheBlocks") / year, "bar 2.20");
        CoreBench.ratio("trying each : sorting", CoreBench.milliseconds(results, "openTimesByTrying") / year, "bar 50");
    }
}
