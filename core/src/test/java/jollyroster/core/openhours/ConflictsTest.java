package jollyroster.core.openhours;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.core.dates.Interval;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;

class ConflictsTest {

    private static final Claim.Owner OTTOLINE = Claim.Owner.host(1);
    private static final Claim.Owner BARNABY = Claim.Owner.host(2);

    @Test
    void sessions_that_abut_do_not_collide() {
        assertThat(Conflicts.among(
                        List.of(session(OTTOLINE, 1, "10:00", "11:00", 0), session(OTTOLINE, 2, "11:00", "12:00", 0))))
                .isEmpty();
    }

    @Test
    void buffers_of_both_sides_count() {
        List<Conflict> found = Conflicts.among(
                List.of(session(OTTOLINE, 1, "10:00", "11:00", 15), session(OTTOLINE, 2, "11:00", "12:00", 15)));
        assertThat(found).hasSize(1);
        assertThat(found.get(0).minutes()).isEqualTo(30);
        assertThat(found.get(0).wayOut()).isEqualTo(Duration.ofMinutes(30));
        assertThat(found.get(0).movable().id()).isEqualTo(2);
    }

    @Test
    void a_busy_block_stays_where_it_is_and_the_session_moves() {
        Claim busy = Claim.busy(OTTOLINE, 7, span("10:30", "11:30"));
        Conflict found = Conflicts.among(List.of(session(OTTOLINE, 1, "10:00", "11:00", 0), busy))
                .get(0);
        assertThat(found.minutes()).isEqualTo(30);
        assertThat(found.movable().id()).isEqualTo(1);
        assertThat(found.wayOut()).isEqualTo(Duration.ofMinutes(-30));
        assertThat(found.concerns(7)).isFalse();
        assertThat(found.concerns(1)).isTrue();
    }

    @Test
    void two_hosts_and_two_busy_blocks_do_not_collide() {
        assertThat(Conflicts.among(List.of(
                        session(OTTOLINE, 1, "10:00", "11:00", 0),
                        session(BARNABY, 2, "10:00", "11:00", 0),
                        session(Claim.Owner.venue(1), 2, "10:00", "11:00", 0),
                        Claim.busy(BARNABY, 1, span("12:00", "13:00")),
                        Claim.busy(BARNABY, 2, span("12:30", "13:30")))))
                .isEmpty();
    }

    @Test
    void one_long_session_collides_with_each_it_covers() {
        assertThat(Conflicts.among(List.of(
                        session(OTTOLINE, 1, "09:00", "17:00", 0),
                        session(OTTOLINE, 2, "10:00", "11:00", 0),
                        session(OTTOLINE, 3, "12:00", "13:00", 0))))
                .extracting(Conflict::minutes)
                .containsExactly(60L, 60L);
    }

    /** The definition itself: every pair of one owner is tried. */
    @Property
    void the_sweep_finds_what_trying_every_pair_finds(@ForAll("claims") List<Claim> claims) {
        Set<Set<Claim>> tried = pairs(claims);
        List<Conflict> found = Conflicts.among(claims);
        assertThat(found.stream().map(c -> Set.of(c.first(), c.second())).collect(Collectors.toSet()))
                .isEqualTo(tried);
        assertThat(found).hasSize(tried.size());
    }

    @Property
    void order_does_not_matter(@ForAll("claims") List<Claim> claims) {
        List<Claim> reversed = new ArrayList<>(claims);
        Collections.reverse(reversed);
        assertThat(Conflicts.among(reversed).stream()
                        .map(c -> Set.of(c.first(), c.second()))
                        .collect(Collectors.toSet()))
                .isEqualTo(Conflicts.among(claims).stream()
                        .map(c -> Set.of(c.first(), c.second()))
                        .collect(Collectors.toSet()));
    }

    @Property
    void after_the_way_out_the_two_are_free_of_each_other(@ForAll("claims") List<Claim> claims) {
        for (Conflict conflict : Conflicts.among(claims)) {
            Claim moved = move(conflict.movable(), conflict.wayOut());
            Claim other = conflict.movable() == conflict.second() ? conflict.first() : conflict.second();
            assertThat(Conflicts.among(List.of(moved, other))).isEmpty();
        }
    }

    private static Claim move(Claim claim, Duration by) {
        Interval span =
                new Interval(claim.span().start().plus(by), claim.span().end().plus(by));
        return new Claim(claim.owner(), claim.id(), claim.kind(), span, claim.before(), claim.after());
    }

    private static Set<Set<Claim>> pairs(List<Claim> claims) {
        return claims.stream()
                .flatMap(a -> claims.stream().filter(b -> collide(a, b)).map(b -> Set.of(a, b)))
                .collect(Collectors.toSet());
    }

    private static boolean collide(Claim a, Claim b) {
        boolean session = a.kind() == Claim.Kind.SESSION || b.kind() == Claim.Kind.SESSION;
        boolean same = a.kind() == b.kind() && a.id() == b.id();
        return session && !same && a.owner().equals(b.owner()) && a.padded().overlaps(b.padded());
    }

    @Provide
    Arbitrary<List<Claim>> claims() {
        Arbitrary<Integer> minute = Arbitraries.integers().between(0, 600);
        Arbitrary<Integer> length = Arbitraries.integers().between(1, 120);
        return Combinators.combine(
                        Arbitraries.integers().between(1, 3),
                        Arbitraries.of(Claim.Kind.values()),
                        minute,
                        length,
                        Arbitraries.integers().between(0, 20))
                .as((owner, kind, start, minutes, pad) -> {
                    Instant from = at("06:00").plusSeconds(60L * start);
                    Duration buffer = Duration.ofMinutes(kind == Claim.Kind.BUSY ? 0 : pad);
                    Interval span = new Interval(from, from.plusSeconds(60L * minutes));
                    return new Claim(Claim.Owner.host(owner), 0, kind, span, buffer, buffer);
                })
                .list()
                .ofMaxSize(25)
                .map(ConflictsTest::numbered);
    }

    private static List<Claim> numbered(List<Claim> claims) {
        List<Claim> numbered = new ArrayList<>();
        for (Claim c : claims) {
            numbered.add(new Claim(c.owner(), numbered.size() + 1L, c.kind(), c.span(), c.before(), c.after()));
        }
        return numbered;
    }

    private static Claim session(Claim.Owner owner, long id, String from, String to, int buffer) {
        return Claim.session(owner, id, span(from, to), Duration.ofMinutes(buffer), Duration.ofMinutes(buffer));
    }

    private static Interval span(String from, String to) {
        return new Interval(at(from), at(to));
    }

    private static Instant at(String time) {
        return Instant.parse("2027-03-16T" + time + ":00Z");
    }
}
