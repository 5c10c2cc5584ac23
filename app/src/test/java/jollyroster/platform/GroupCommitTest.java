package jollyroster.platform;

import static jollyroster.platform.tables.Tables.PERSON;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import jollyroster.AppTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;

/** Writes that share a commit are as apart from each other as those that do not. */
@AppTest
class GroupCommitTest {

    private static final int CROWD = 24;

    @Autowired
    GroupCommit together;

    @Autowired
    TransactionTemplate transaction;

    @Autowired
    Writes writes;

    @Autowired
    Reads reads;

    private int add(String email) {
        return writes.sql()
                .insertInto(PERSON)
                .set(PERSON.EMAIL, email)
                .set(PERSON.NAME, "Crew Member")
                .set(PERSON.PHONE, "")
                .set(PERSON.ZONE, "UTC")
                .set(PERSON.CREATED_AT, Instant.EPOCH)
                .execute();
    }

    private int kept(String ending) {
        return reads.sql().fetchCount(reads.sql().selectFrom(PERSON).where(PERSON.EMAIL.endsWith(ending)));
    }

    @Test
    void who_fails_leaves_no_trace_and_disturbs_nobody() throws Exception {
        ExecutorService crowd = Executors.newFixedThreadPool(CROWD);
        CountDownLatch holding = new CountDownLatch(1);
        try {
            Future<?> first = crowd.submit(() -> together.run(() -> holdUp(holding)));
            List<Future<Integer>> rest = new ArrayList<>();
            for (int i = 1; i < CROWD; i++) {
                int who = i;
                rest.add(crowd.submit(() -> together.run(() -> addOrFail(who))));
            }
            holding.countDown();
            first.get(20, TimeUnit.SECONDS);
            for (int i = 1; i < CROWD; i++) {
                Future<Integer> one = rest.get(i - 1);
                if (i % 3 == 0) {
                    assertThatThrownBy(() -> one.get(20, TimeUnit.SECONDS))
                            .hasRootCauseInstanceOf(i % 2 == 0 ? Error.class : IllegalArgumentException.class)
                            .hasRootCauseMessage("third");
                } else {
                    assertThat(one.get(20, TimeUnit.SECONDS)).isOne();
                }
            }
        } finally {
            crowd.shutdownNow();
        }
        assertThat(kept("@group.example")).isEqualTo(CROWD - 1 - (CROWD - 1) / 3);
    }

    private static int holdUp(CountDownLatch until) {
        try {
            assertThat(until.await(20, TimeUnit.SECONDS)).isTrue();
            return 0;
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private int addOrFail(int who) {
        int added = add(who + "@group.example");
        if (who % 3 == 0) {
            if (who % 2 == 0) {
                throw new Error("third");
            }
            throw new IllegalArgumentException("third");
        }
        return added;
    }

    @Test
    void what_was_answered_can_be_read_at_once() {
        for (int i = 0; i < 20; i++) {
            String email = i + "@at-once.example";
            together.run(() -> add(email));
            assertThat(kept("@at-once.example")).isEqualTo(i + 1);
        }
    }

    @Test
    void a_part_of_a_larger_write_is_lost_with_it() {
        transaction.executeWithoutResult(status -> {
            together.run(() -> add("part@larger.example"));
            status.setRollbackOnly();
        });
        assertThat(kept("@larger.example")).isZero();
    }

    @Test
    void nothing_is_written_outside_of_a_transaction() {
        assertThatIllegalStateException().isThrownBy(() -> add("stray@stray.example"));
        assertThat(kept("@stray.example")).isZero();
    }
}
