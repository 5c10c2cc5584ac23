package jollyroster.outbox;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class HandedOverTest {

    private static final HandedOver.Taken FIRST = new HandedOver.Taken(
            7, "r7-registered-1", "Your seat on 3 December", Instant.parse("2026-11-03T11:50:00Z"));
    private static final HandedOver.Taken SECOND =
            new HandedOver.Taken(8, "r8-registered-1", "Märzkurs – 海", Instant.parse("2026-11-03T11:50:01Z"));

    @TempDir
    Path folder;

    private HandedOver opened() throws IOException {
        return new HandedOver(folder.toString());
    }

    @Test
    void what_a_process_that_died_had_handed_over_is_known_to_the_next() throws IOException {
        HandedOver died = opened();
        died.note(FIRST);
        died.note(SECOND);

        assertThat(opened().open()).containsExactly(FIRST, SECOND);
    }

    @Test
    void a_note_that_is_not_whole_is_none_and_spoils_no_later_one() throws IOException {
        HandedOver died = opened();
        died.note(FIRST);
        died.note(SECOND);
        died.destroy();
        Path file = folder.resolve("handed-over.log");
        byte[] all = Files.readAllBytes(file);
        Files.write(file, Arrays.copyOf(all, all.length - 3));

        HandedOver next = opened();
        assertThat(next.open()).containsExactly(FIRST);
        next.note(SECOND);
        assertThat(opened().open()).containsExactly(FIRST, SECOND);
    }

    @Test
    void what_is_kept_is_forgotten_and_what_came_meanwhile_is_not() throws IOException {
        HandedOver noted = opened();
        noted.note(FIRST);
        List<HandedOver.Taken> kept = noted.open();
        noted.note(SECOND);
        noted.kept(kept);
        assertThat(noted.open()).containsExactly(SECOND);

        noted.kept(noted.open());
        assertThat(opened().open()).isEmpty();
        assertThat(Files.size(folder.resolve("handed-over.log"))).isZero();
    }
}
