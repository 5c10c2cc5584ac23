package jollyroster.plans;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.intake.Text;
import jollyroster.core.messages.Rehearsal.Player;
import jollyroster.platform.Times;

/** Who plays in a rehearsal: six people on six clocks, and one of one's own. */
final class Cast {

    private static final int LONGEST_NAME = 60;
    private static final int FARTHEST_HOURS = 24 * 365;

    private static final List<ZoneId> FAR = Stream.of(
                    "Europe/Lisbon",
                    "Asia/Singapore",
                    "Pacific/Auckland",
                    "America/Vancouver",
                    "Asia/Kathmandu",
                    "America/Halifax")
            .map(ZoneId::of)
            .toList();

    private Cast() {}

    /** What somebody does. */
    enum Doing {
        ATTENDS("attends", true, Verdict.ATTENDED),
        PART("leaves early", true, Verdict.PART),
        ABSENT("does not come", true, Verdict.ABSENT),
        WAITS("waits", false, Verdict.ABSENT);

        private final String words;
        private final boolean seated;
        private final Verdict was;

        Doing(String words, boolean seated, Verdict was) {
            this.words = words;
            this.seated = seated;
            this.was = was;
        }

        public String words() {
            return words;
        }

        static Doing of(String code) {
            return Stream.of(values())
                    .filter(one -> one.name().equals(code))
                    .findFirst()
                    .orElse(ATTENDS);
        }

        private static Doing of(Player player) {
            return player.seated()
                    ? Stream.of(values())
                            .filter(one -> one.was == player.was())
                            .findFirst()
                            .orElseThrow()
                    : WAITS;
        }
    }

    /** Somebody of one's own. @param hours before the start at which they register */
    record Own(String name, String zone, int hours, Doing doing) {

        static final Own NOBODY = new Own("", "", 0, Doing.ATTENDS);

        Optional<ZoneId> clock() {
            return Times.zone(zone);
        }
    }

    /** @param clocks of people who are registered; they come before those that are made up */
    static List<Player> of(ZoneId home, Instant start, List<ZoneId> clocks, Own own) {
        List<ZoneId> zones = Stream.of(Stream.of(home), clocks.stream(), FAR.stream())
                .flatMap(some -> some)
                .distinct()
                .toList();
        List<Player> cast = new ArrayList<>(List.of(
                player("Wren Skerry", zones.get(0), start, Duration.ofDays(14), Doing.ATTENDS),
                player("Teo Vance", zones.get(1), start, Duration.ofDays(5), Doing.PART),
                player("Mei Harrow", zones.get(2), start, Duration.ofDays(3), Doing.ABSENT),
                player("Aroha Pike", zones.get(3), start, Duration.ofHours(30), Doing.ATTENDS),
                player("Dag Strand", zones.get(4), start, Duration.ofMinutes(90), Doing.ATTENDS),
                player("Prem Kestrel", zones.get(5), start, Duration.ofDays(6), Doing.WAITS)));
        own.clock()
                .ifPresent(zone -> cast.add(player(
                        own.name().isEmpty() ? "You" : Text.oneLine(own.name(), LONGEST_NAME),
                        zone,
                        start,
                        Duration.ofHours(Math.max(0, Math.min(FARTHEST_HOURS, own.hours()))),
                        own.doing())));
        return List.copyOf(cast);
    }

    private static Player player(String name, ZoneId zone, Instant start, Duration before, Doing doing) {
        return new Player(name, zone, start.minus(before), doing.seated, doing.was, doing.was == Verdict.ATTENDED);
    }

    /** What somebody does, in words. */
    static String doing(Player player) {
        return Doing.of(player).words();
    }
}
