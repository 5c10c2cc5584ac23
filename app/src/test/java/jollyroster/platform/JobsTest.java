package jollyroster.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.test.system.CapturedOutput;
import org.springframework.boot.test.system.OutputCaptureExtension;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;

/** A job that meets trouble says so in one line and goes on. */
@ExtendWith(OutputCaptureExtension.class)
class JobsTest {

    private final CountDownLatch rounds = new CountDownLatch(3);

    private void meetTrouble() {
        rounds.countDown();
        throw new IllegalStateException("the store is locked");
    }

    @Test
    void a_job_goes_on_after_trouble_and_says_which_it_was(CapturedOutput said) throws InterruptedException {
        ThreadPoolTaskScheduler scheduler = new ThreadPoolTaskScheduler();
        new Jobs().goingOn().customize(scheduler);
        scheduler.initialize();
        try {
            scheduler.scheduleWithFixedDelay(this::meetTrouble, Duration.ofMillis(1));
            assertThat(rounds.await(30, TimeUnit.SECONDS)).isTrue();
        } finally {
            scheduler.shutdown();
        }
        assertThat(said.getAll())
                .contains("JobsTest paused and is tried again: java.lang.IllegalStateException: the store is locked");
    }
}
