package jollyroster.people;

import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.flywaydb.core.api.MigrationVersion;
import org.flywaydb.core.api.migration.Context;
import org.flywaydb.core.api.migration.JavaMigration;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Gives people who were kept before names were folded what a search compares. Part of the store's coming up to date. */
@Component
class FoldPeople implements JavaMigration {

    @Override
    public MigrationVersion getVersion() {
        return MigrationVersion.fromVersion("15");
    }

    @Override
    public String getDescription() {
        return "fold people";
    }

    @Override
    public @Nullable Integer getChecksum() {
        return null;
    }

    @Override
    public boolean canExecuteInTransaction() {
        return true;
    }

    @Override
    public void migrate(Context context) throws SQLException {
        try (Statement read = context.getConnection().createStatement();
                ResultSet people = read.executeQuery("SELECT id, name, email FROM person WHERE folded = ''");
                PreparedStatement write =
                        context.getConnection().prepareStatement("UPDATE person SET folded = ? WHERE id = ?")) {
            while (people.next()) {
                write.setString(1, PersonCommands.folded(people.getString("name"), people.getString("email")));
                write.setLong(2, people.getLong("id"));
                write.addBatch();
            }
            write.executeBatch();
        }
    }
}
