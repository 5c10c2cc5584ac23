package jollyroster.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PlatformTest {

    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");

    @TempDir
    Path folder;

    @Test
    void a_taken_port_is_one_clear_line() throws IOException {
        try (ServerSocket taken = new ServerSocket(0)) {
            assertThat(complaint("--server.port=" + taken.getLocalPort()))
                    .isEqualTo("port " + taken.getLocalPort() + " is taken; choose another with --port N.");
        }
        assertThat(complaint("--server.port=harbour"))
                .isEqualTo("'harbour' is not a port; use a number from 1 to 65535.");
    }

    @Test
    void a_folder_that_cannot_be_written_is_one_clear_line() throws IOException {
        Path file = Files.createFile(folder.resolve("file"));
        assertThat(StartChecks.complaint(new String[] {"--jolly.data=" + file.resolve("below")})
                        .orElseThrow())
                .startsWith("cannot write in the data folder ");
        assertThat(complaint("--server.port=0")).isEmpty();
    }

    private String complaint(String option) {
        return StartChecks.complaint(new String[] {"--jolly.data=" + folder, option})
                .orElse("");
    }

    @Test
    void times_read_like_people_write_them() {
        Instant start = Instant.parse("2027-03-16T22:00:00Z");
        LocalDate today = LocalDate.of(2027, 3, 10);
        assertThat(Times.range(start, start.plusSeconds(5400), HALIFAX, today)).isEqualTo("Tue 16 Mar, 19:00–20:30");
        assertThat(Times.range(start, start.plusSeconds(5400), HALIFAX, today.minusYears(1)))
                .isEqualTo("Tue 16 Mar 2027, 19:00–20:30");
        assertThat(Times.range(start, start.plusSeconds(7200), ZoneId.of("Europe/Lisbon"), today))
                .isEqualTo("Tue 16 Mar, 22:00–00:00");
        assertThat(Times.range(start, start.plusSeconds(54_000), HALIFAX, today))
                .isEqualTo("Tue 16 Mar, 19:00–Wed 17 Mar 10:00");
        assertThat(Times.length(Duration.ofMinutes(90))).isEqualTo("1 h 30 min");
        assertThat(Times.length(Duration.ofDays(6))).isEqualTo("6 days");
        Instant wednesday = Instant.parse("2027-03-10T22:00:00Z");
        ZoneId halifax = ZoneId.of("America/Halifax");
        assertThat(Times.ahead(wednesday, Instant.parse("2027-03-11T00:30:00Z"), halifax))
                .isEqualTo("in 2 h 30 min");
        assertThat(Times.ahead(wednesday, Instant.parse("2027-03-15T13:00:00Z"), halifax))
                .isEqualTo("in 5 days");
        assertThat(Times.city(ZoneId.of("America/Port_of_Spain"))).isEqualTo("Port of Spain");
        assertThat(Times.zone("+01:00")).isEmpty();
        assertThat(Times.zone("Europe/Lisbon")).isPresent();
    }

    @Test
    void stored_instants_sort_as_text() {
        InstantConverter converter = new InstantConverter();
        Instant early = Instant.parse("2027-03-10T13:40:00Z");
        assertThat(converter.to(early)).isEqualTo("2027-03-10T13:40:00.000Z");
        assertThat(converter.to(early)).isLessThan(converter.to(early.plusMillis(1)));
        assertThat(converter.from(converter.to(early))).isEqualTo(early);
        new Random(7)
                .longs(500, 0, Instant.parse("9999-12-31T23:59:59.999Z").toEpochMilli())
                .mapToObj(Instant::ofEpochMilli)
                .forEach(at -> {
                    assertThat(Instant.parse(converter.to(at))).isEqualTo(at);
                    assertThat(converter.from(converter.to(at))).isEqualTo(at);
                    assertThat(converter.to(at.plusNanos(999_999))).hasSize(24).isEqualTo(converter.to(at));
                });
    }

    @Test
    void markdown_is_made_safe() {
        String html = Markdown.toSafeHtml(
                "## Hi\n\n<script>alert(1)</script>\n\n**bold** [x](javascript:alert(1)) [y](https://a.example)");
        assertThat(html)
                .contains("<h2>", "<strong>bold</strong>", "https://a.example")
                .doesNotContain("<script>", "javascript:");
    }
}
