package jollyroster.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Arrays;
import jollyroster.AppTest;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.Status;
import org.springframework.transaction.support.TransactionTemplate;

/** What the store says of itself when it cannot do its work. */
@AppTest
class StoreHealthTest {

    @Autowired
    Writes writes;

    @Autowired
    Reads reads;

    @Autowired
    TransactionTemplate transaction;

    @Autowired
    Clock clock;

    @Value("${jolly.data}")
    String folder;

    @TempDir
    Path elsewhere;

    private Health health(Reads file, String where) {
        return new StoreHealth(writes, file, transaction, where, clock).health();
    }

    @Test
    void a_store_that_can_be_written_is_up() {
        assertThat(health(reads, folder).getStatus()).isEqualTo(Status.UP);
    }

    @Test
    void one_without_space_is_down() {
        Health full = health(reads, elsewhere.resolve("nowhere").toString());
        assertThat(full.getStatus()).isEqualTo(Status.DOWN);
        assertThat(full.getDetails()).containsEntry("problem", "The disk is nearly full.");
    }

    @Test
    void one_that_somebody_keeps_locked_is_down_and_up_again_after() {
        Health locked = transaction.execute(status -> health(reads, folder));
        assertThat(locked).isNotNull();
        assertThat(locked.getDetails()).containsEntry("problem", "The store cannot be written: it is locked.");
        assertThat(health(reads, folder).getStatus()).isEqualTo(Status.UP);
    }

    @Test
    void a_damaged_one_is_down() throws IOException {
        Path file = elsewhere.resolve("damaged.db");
        try (var sound = DSL.using("jdbc:sqlite:" + file)) {
            sound.execute("create table pennant (name text)");
            for (int i = 0; i < 1000; i++) {
                sound.execute("insert into pennant values (?)", "x".repeat(50) + i);
            }
            assertThat(health(new Reads(sound), folder).getStatus()).isEqualTo(Status.UP);
        }
        byte[] bytes = Files.readAllBytes(file);
        Arrays.fill(bytes, 8192, 16384, (byte) 0x5a);
        Files.write(file, bytes);
        try (var damaged = DSL.using("jdbc:sqlite:" + file)) {
            assertThat(health(new Reads(damaged), folder).getStatus()).isEqualTo(Status.DOWN);
        }
    }
}
