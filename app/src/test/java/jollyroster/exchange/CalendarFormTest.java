package jollyroster.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;

/** What is written once for many is, for each of them, what would have been written for them alone. */
class CalendarFormTest {

    private static final CalendarOrganiser OFFICE =
            new CalendarOrganiser("Saltmarrow \"Sea\" School", "office@saltmarrow.example");
    private static final Instant NOW = Instant.parse("2027-03-11T08:00:00Z");
    private static final List<String> WORDS = List.of(
            "",
            "Rope loft",
            "Rope; loft, \\ \"quay\": ^1",
            "one\r\ntwo\nthree\rfour\n\nfive",
            "99980101T000000Z\nLAST-MODIFIED:99990101T000001Z",
            "\uE000 and \uE003",
            "مرحبا 🚣 \u2028 \u0007",
            " spaces   about ",
            "long ".repeat(40),
            "https://localhost/r/abc.d-_e?x=1&y=2,3;4");
    private static final List<String> LINKS = List.of("", "https://localhost/r/abc.d-_e?x=1&y=2,3;4");
    private static final List<String> ZONES = List.of("America/Halifax", "Asia/Kathmandu", "UTC", "Pacific/Auckland");

    private static final Random CHANCE = new Random(27);

    private static <T> T any(List<T> of) {
        return of.get(CHANCE.nextInt(of.size()));
    }

    private static CalendarEntry entry(ZoneId zone) {
        Instant start = Instant.ofEpochSecond(1_700_000_000L + CHANCE.nextInt(200_000_000));
        return new CalendarEntry(
                "registration-" + CHANCE.nextInt(99) + "@localhost",
                CHANCE.nextInt(3),
                any(WORDS),
                any(WORDS),
                any(WORDS),
                any(LINKS),
                start,
                start.plusSeconds(3600),
                zone,
                start.minusSeconds(CHANCE.nextInt(900_000)),
                CHANCE.nextInt(5) == 0);
    }

    @RepeatedTest(40)
    void it_is_as_written_for_one_alone() {
        String name = any(WORDS);
        ZoneId zone = ZoneId.of(any(ZONES)); // of two, which comes first is left to chance
        CalendarEntry first = entry(zone);
        CalendarEntry second = entry(zone);
        for (List<CalendarEntry> entries : List.of(List.of(first), List.of(first, second), List.of(second))) {
            assertThat(CalendarForm.publish(name, OFFICE, entries, NOW))
                    .isEqualTo(Calendars.publish(name, OFFICE, entries, NOW));
        }
    }
}
