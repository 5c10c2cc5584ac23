package jollyroster.platform;

import static jollyroster.platform.tables.Tables.MENDING;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Says once in the log what migrations mended in the store, and how many rows. */
@Component
class Mendings implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(Mendings.class);
    private final Writes writes;
    private final TransactionTemplate transaction;

    Mendings(Writes writes, TransactionTemplate transaction) {
        this.writes = writes;
        this.transaction = transaction;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        transaction.executeWithoutResult(status -> {
            writes.sql()
                    .selectFrom(MENDING)
                    .where(MENDING.IS_TOLD.isFalse())
                    .orderBy(MENDING.ID)
                    .forEach(m -> LOG.warn("Mended {} rows: {}", m.getRowCount(), m.getWhat()));
            writes.sql().update(MENDING).set(MENDING.IS_TOLD, true).execute();
        });
    }
}
