package jollyroster.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** People who were kept before names were folded are found like those who come after. */
class FoldPeopleTest {

    @TempDir
    Path folder;

    @Test
    void people_of_an_older_release_are_found_without_accents_and_capitals() throws SQLException {
        String url = "jdbc:sqlite:" + folder.resolve("older.db");
        migrate(url, "14");
        try (Connection store = DriverManager.getConnection(url)) {
            store.createStatement()
                    .execute("INSERT INTO person (id, email, name, phone, zone, created_at, generation) VALUES"
                            + " (1, 'emile@crew.example', 'Émile Ångholm', '', 'UTC', '2027-01-01T00:00:00.000Z', 1),"
                            + " (2, '', 'Wren Skerry', '', 'UTC', '2027-01-01T00:00:00.000Z', 1)");
        }
        migrate(url, "latest");
        try (Connection store = DriverManager.getConnection(url);
                var rows = store.createStatement().executeQuery("SELECT folded FROM person ORDER BY id")) {
            assertThat(rows.next()).isTrue();
            assertThat(rows.getString(1)).isEqualTo("emile angholm\nemile@crew.example");
            assertThat(rows.next()).isTrue();
            assertThat(rows.getString(1)).isEqualTo("wren skerry\n");
        }
    }

    private static void migrate(String url, String to) {
        Flyway.configure()
                .dataSource(url, null, null)
                .locations("classpath:db/migration")
                .javaMigrations(new FoldPeople())
                .target(to)
                .load()
                .migrate();
    }
}
