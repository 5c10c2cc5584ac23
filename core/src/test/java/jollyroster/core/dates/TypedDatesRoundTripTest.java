package jollyroster.core.dates;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.OptionalInt;
import jollyroster.core.dates.TypedDatesText.Entry;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Text → sessions → text: what is written reads to the same. */
class TypedDatesRoundTripTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private final TypedDates dates = new TypedDates(LocalDate.of(2027, 3, 10), HALIFAX, Duration.ofMinutes(90));

    @ParameterizedTest
    @ValueSource(
            strings = {
                "every Tue until 13 Apr 19:00-20:30 @ Chart room with Ottoline Marsh, 16 seats",
                "Tue 6 Apr 10-10:30, 13:45-14:15 x5",
                "6 Apr 10:00-12:00 every 10 min",
                "14 Mar 2027 00:30-04:00\n14 Mar 2027 02:30\n7 Nov 2027 01:30-02:30\n7 Nov 2027 00:30 for 3 h",
                "6 Apr 22:00-01:00\n6 Apr 9:00 for 1500 min",
                "6 Apr 10-11 @ \"Quay, with steps\" with \"Mar 7\" and \"Bo \"\"Buoy\"\" Lind\"",
            })
    void reading_what_was_written_gives_the_same(String text) {
        List<Entry> entries = entries(text);
        assertThat(entries).isNotEmpty();
        assertThat(entries(TypedDatesText.write(entries))).isEqualTo(entries);
    }

    @Test
    void weeks_running_are_written_on_one_line() {
        String text = TypedDatesText.write(entries("weekly x6 from 16 Mar 19:00-20:30 @ Chart room, 16 seats"));
        assertThat(text).isEqualTo("Tue 16 Mar 2027 19:00-20:30 x6 @ Chart room, 16 seats\n");
    }

    @Property
    void what_is_written_reads_to_the_same(@ForAll("sessions") List<Entry> sessions) {
        List<Entry> once = entries(TypedDatesText.write(sessions));
        assertThat(once).containsExactlyInAnyOrderElementsOf(sessions);
        assertThat(entries(TypedDatesText.write(once))).isEqualTo(once);
    }

    @Provide
    Arbitrary<List<Entry>> sessions() {
        Arbitrary<LocalDateTime> starts = Combinators.combine(
                        Arbitraries.integers().between(0, 400),
                        Arbitraries.integers().between(0, 24 * 60 - 1))
                .as((day, minute) ->
                        LocalDate.of(2027, 1, 1).plusDays(day).atStartOfDay().plusMinutes(minute));
        Arbitrary<Integer> lengths = Arbitraries.integers().between(1, 3000);
        Arbitrary<OptionalInt> seats =
                Arbitraries.integers().between(0, 40).map(n -> n == 0 ? OptionalInt.empty() : OptionalInt.of(n));
        Arbitrary<String> names = Arbitraries.oneOf(
                Arbitraries.of("Chart room", "Rope loft", "Quay 7", "Marine and Sons", "x2", "Tue bench", "9"),
                Arbitraries.strings().withChars("aZé \",@-x3&").ofMinLength(1).ofMaxLength(12));
        Arbitrary<String> clean =
                names.map(n -> n.strip().replaceAll("\\s+", " ")).filter(n -> !n.isEmpty());
        return Combinators.combine(
                        starts,
                        lengths,
                        seats,
                        clean.injectNull(0.5),
                        clean.list().ofMaxSize(2))
                .as((start, minutes, n, venue, hosts) -> new Entry(
                        SessionTime.resolve(start, HALIFAX, Duration.ofMinutes(minutes)),
                        n,
                        venue == null ? "" : venue,
                        hosts))
                .map(TypedDatesRoundTripTest::settled)
                .list()
                .ofMaxSize(8)
                .map(list -> list.stream().distinct().toList());
    }

    /** A start that was moved out of a gap is typed as where it was moved to. */
    private static Entry settled(Entry e) {
        LocalDateTime at = e.time().start().toLocalDateTime();
        return new Entry(SessionTime.resolve(at, HALIFAX, e.time().length()), e.seats(), e.venue(), e.hosts());
    }

    private List<Entry> entries(String text) {
        List<TypedLine> lines = dates.read(text);
        assertThat(lines).allSatisfy(line -> assertThat(line.error()).isNull());
        return lines.stream()
                .flatMap(TypedLine::typed)
                .map(Entry::of)
                .map(TypedDatesRoundTripTest::settled)
                .sorted(java.util.Comparator.comparing(e -> e.time().start()))
                .toList();
    }
}
