package jollyroster.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A store of the first release comes up to today's with everything in it. */
class MigrationTest {

    @TempDir
    Path folder;

    private String url;

    @BeforeEach
    void where() {
        url = "jdbc:sqlite:" + folder.resolve("old.db") + "?foreign_keys=true&journal_mode=WAL";
    }

    private void migrate(String to) {
        Flyway.configure()
                .dataSource(url, null, null)
                .locations("classpath:db/migration")
                .target(to)
                .load()
                .migrate();
    }

    @Test
    void what_the_first_release_kept_is_still_there() throws Exception {
        migrate("1");
        try (Connection c = DriverManager.getConnection(url);
                Statement s = c.createStatement()) {
            for (String line : firstRelease().split(";\n")) {
                s.execute(line);
            }
        }
        migrate("latest");
        assertThat(one("SELECT name || kind || is_retired FROM venue")).isEqualTo("Rope loftPLACE0");
        assertThat(one("SELECT o.style || v.name FROM offering o JOIN venue v ON v.id = o.venue_id"))
                .isEqualTo("ANY_DATERope loft");
        assertThat(one("SELECT length(short_code) FROM offering")).isEqualTo("8");
        assertThat(one("SELECT link_state FROM session WHERE id = 7")).isEqualTo("MADE");
        assertThat(one("SELECT verdict FROM hand_mark WHERE registration_id = 9 AND session_id = 7"))
                .isEqualTo("ATTENDED");
        assertThat(one("SELECT freed_seats || phone_rule FROM offering")).isEqualTo("SEAT_AT_ONCEOPTIONAL");
        assertThat(one("SELECT key || kind || is_retired FROM question")).isEqualTo("left_handedYES_NO0");
        assertThat(one("SELECT person || value FROM answer WHERE question_id = 4"))
                .isEqualTo("0yes");
        assertThat(one("SELECT waiting_since FROM registration WHERE id = 10")).isEqualTo("2027-01-02T00:00:00.000Z");
        assertThat(one("SELECT seated_at FROM registration WHERE id = 9")).isEqualTo("2027-01-01T00:00:00.000Z");
        assertThat(one("SELECT taken FROM seat_count WHERE session_id = 7")).isEqualTo("2");
        assertThat(one("SELECT count(*) FROM pragma_foreign_key_check")).isEqualTo("0");
        assertThat(one("PRAGMA integrity_check")).isEqualTo("ok");
    }

    private String one(String query) throws SQLException {
        try (Connection c = DriverManager.getConnection(url);
                ResultSet r = c.createStatement().executeQuery(query)) {
            return r.getString(1);
        }
    }

    private static String firstRelease() throws Exception {
        return Files.readString(Path.of("src/test/resources/first-release.sql"));
    }
}
