package jollyroster.platform;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.jooq.SQLDialect;
import org.jooq.conf.Settings;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.DependsOn;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;
import org.sqlite.SQLiteConnection;
import org.sqlite.SQLiteDataSource;

/**
 * One SQLite file. All writes go through one connection whose transactions begin as writes; pages read through a pool of
 * their own (write-ahead log), so a slow page never holds up a registration.
 */
@Configuration
class StoreConfiguration {

    private static final String SHARED = "journal_mode=WAL&busy_timeout=5000&foreign_keys=true&synchronous=FULL";
    private static final int READERS = 4;

    @Bean
    @Primary
    HikariDataSource writingDataSource(@Value("${jolly.data}") String folder, TableChanges changes) {
        HikariConfig config = pool("writer", 1);
        config.setDataSource(new ToldOfChanges(url(folder) + "?" + SHARED + "&transaction_mode=IMMEDIATE", changes));
        return lazy(config);
    }

    /** Connections that tell of each row they change. */
    private static final class ToldOfChanges extends SQLiteDataSource {
        private final TableChanges changes;

        ToldOfChanges(String url, TableChanges changes) {
            setUrl(url);
            this.changes = changes;
        }

        @Override
        public SQLiteConnection getConnection(@Nullable String user, @Nullable String password) throws SQLException {
            SQLiteConnection connection = super.getConnection(user, password);
            connection.addUpdateListener((type, database, table, row) -> changes.changed(table));
            return connection;
        }
    }

    @Bean
    @DependsOn("flyway")
    HikariDataSource readingDataSource(@Value("${jolly.data}") String folder) {
        HikariConfig config = pool("readers", READERS);
        config.setJdbcUrl(url(folder) + "?" + SHARED);
        return readersOnly(lazy(config));
    }

    @Bean
    @DependsOn("flyway")
    Writes writes(DataSource writing) {
        return new Writes(DSL.using(new TransactionAwareDataSourceProxy(writing), SQLDialect.SQLITE, settings()));
    }

    @Bean
    Reads reads(@Qualifier("readingDataSource") DataSource reading) {
        return new Reads(DSL.using(reading, SQLDialect.SQLITE, settings()));
    }

    private static String url(String folder) {
        return "jdbc:sqlite:" + folder + "/jolly-roster.db";
    }

    private static Settings settings() {
        return new Settings().withExecuteLogging(false).withRenderSchema(false);
    }

    private static HikariDataSource readersOnly(HikariDataSource pool) {
        pool.setConnectionInitSql("PRAGMA query_only = 1");
        return pool;
    }

    private static HikariConfig pool(String name, int size) {
        HikariConfig config = new HikariConfig();
        config.setPoolName(name);
        config.setMaximumPoolSize(size);
        config.setConnectionTimeout(20_000);
        return config;
    }

    /** A pool that connects when it is first asked. */
    private static HikariDataSource lazy(HikariConfig config) {
        HikariDataSource pool = new HikariDataSource();
        config.copyStateTo(pool);
        return pool;
    }
}
