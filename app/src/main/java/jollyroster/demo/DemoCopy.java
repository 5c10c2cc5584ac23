package jollyroster.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** Keeps a copy of the store once the demo's past has been lived, so that the next demo begins with it. */
@Component
@Profile("demo")
class DemoCopy {

    private final Path folder;
    private final String copy;

    /** @param copy where to; empty for nowhere */
    DemoCopy(@Value("${jolly.data}") String folder, @Value("${jolly.demo.copy:}") String copy) {
        this.folder = Path.of(folder);
        this.copy = copy;
    }

    /** The copy is there as a whole or not at all. */
    void keep() {
        if (copy.isEmpty()) {
            return;
        }
        Path whole = Path.of(copy);
        Path part = Path.of(copy + ".part");
        try (Connection store = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("jolly-roster.db"));
                Statement statement = store.createStatement()) {
            Files.deleteIfExists(part);
            statement.execute("VACUUM INTO '" + part.toString().replace("'", "''") + "'");
            Files.move(part, whole, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
