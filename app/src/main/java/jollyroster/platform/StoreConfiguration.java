package jollyroster.platform;

import java.sql.SQLException;
import java.time.Duration;
import java.util.List;
import javax.sql.DataSource;
import org.apache.commons.dbcp2.DataSourceConnectionFactory;
import org.apache.commons.dbcp2.PoolableConnection;
import org.apache.commons.dbcp2.PoolableConnectionFactory;
import org.apache.commons.dbcp2.PoolingDataSource;
import org.apache.commons.pool2.impl.GenericObjectPool;
import org.apache.commons.pool2.impl.GenericObjectPoolConfig;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.conf.Settings;
import org.jooq.impl.DSL;
import org.jooq.impl.DefaultExecuteListenerProvider;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.DependsOn;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteConnection;
import org.sqlite.SQLiteDataSource;

/**
 * One SQLite file. All writes go through one connection whose transactions begin as writes; pages read through a pool of
 * their own (write-ahead log), so a slow page never holds up a registration.
 */
@Configuration
class StoreConfiguration {

    private static final int READERS = 4;
    private static final int BUSY_MILLIS = 5000;
    private static final int CHECKPOINT_PAGES = 4000;
    private static final int KEPT_STATEMENTS = 250;
    private static final Duration LONGEST_WAIT = Duration.ofSeconds(20);

    @Bean
    @Primary
    PoolingDataSource<PoolableConnection> writingDataSource(
            @Value("${jolly.data}") String folder, TableChanges changes) {
        SQLiteConfig config = config();
        config.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
        config.setGetGeneratedKeys(false);
        config.setWalAutocheckpoint(CHECKPOINT_PAGES);
        return pool(new ToldOfChanges(config, url(folder), changes), 1, List.of());
    }

    /** Connections that tell of each row they change. */
    private static final class ToldOfChanges extends SQLiteDataSource {
        private final TableChanges changes;

        ToldOfChanges(SQLiteConfig config, String url, TableChanges changes) {
            super(config);
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
    PoolingDataSource<PoolableConnection> readingDataSource(@Value("${jolly.data}") String folder) {
        SQLiteDataSource file = Folded.source(config());
        file.setUrl(url(folder));
        return pool(file, READERS, List.of("PRAGMA query_only = 1"));
    }

    @Bean
    @DependsOn("flyway")
    Writes writes(DataSource writing) {
        return new Writes(
                DSL.using(new TransactionAwareDataSourceProxy(writing), SQLDialect.SQLITE, settings()),
                new JdbcTemplate(writing));
    }

    @Bean
    Reads reads(@Qualifier("readingDataSource") DataSource reading) {
        DSLContext sql = DSL.using(reading, SQLDialect.SQLITE, settings());
        sql.configuration().set(new DefaultExecuteListenerProvider(new TablesRead()));
        return new Reads(sql);
    }

    private static String url(String folder) {
        return "jdbc:sqlite:" + folder + "/jolly-roster.db";
    }

    private static SQLiteConfig config() {
        SQLiteConfig config = new SQLiteConfig();
        config.setJournalMode(SQLiteConfig.JournalMode.WAL);
        config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
        config.enforceForeignKeys(true);
        config.setBusyTimeout(BUSY_MILLIS);
        return config;
    }

    private static Settings settings() {
        return new Settings().withExecuteLogging(false).withRenderSchema(false);
    }

    /** A pool that connects when it is first asked, and whose connections keep the statements they have prepared. */
    private static PoolingDataSource<PoolableConnection> pool(DataSource file, int size, List<String> first) {
        PoolableConnectionFactory connections =
                new PoolableConnectionFactory(new DataSourceConnectionFactory(file), null);
        connections.setConnectionInitSql(first);
        connections.setPoolStatements(true);
        connections.setMaxOpenPreparedStatements(KEPT_STATEMENTS);
        GenericObjectPoolConfig<PoolableConnection> config = new GenericObjectPoolConfig<>();
        config.setMaxTotal(size);
        config.setMaxIdle(size);
        config.setMaxWait(LONGEST_WAIT);
        config.setJmxEnabled(false);
        GenericObjectPool<PoolableConnection> pool = new GenericObjectPool<>(connections, config);
        connections.setPool(pool);
        return new PoolingDataSource<>(pool);
    }
}
