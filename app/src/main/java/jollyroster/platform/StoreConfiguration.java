package jollyroster.platform;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import javax.sql.DataSource;
import org.jooq.SQLDialect;
import org.jooq.conf.Settings;
import org.jooq.impl.DSL;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.DependsOn;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.datasource.TransactionAwareDataSourceProxy;

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
    HikariDataSource writingDataSource(@Value("${jolly.data}") String folder) {
        return pool("writer", url(folder) + "?" + SHARED + "&transaction_mode=IMMEDIATE", 1);
    }

    @Bean
    @DependsOn("flyway")
    HikariDataSource readingDataSource(@Value("${jolly.data}") String folder) {
        return readersOnly(pool("readers", url(folder) + "?" + SHARED, READERS));
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

    private static HikariDataSource pool(String name, String url, int size) {
        HikariConfig config = new HikariConfig();
        config.setPoolName(name);
        config.setJdbcUrl(url);
        config.setMaximumPoolSize(size);
        config.setConnectionTimeout(20_000);
        HikariDataSource pool = new HikariDataSource();
        config.copyStateTo(pool);
        return pool;
    }
}
