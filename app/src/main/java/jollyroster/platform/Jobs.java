package jollyroster.platform;

import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.task.ThreadPoolTaskSchedulerCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.EnableScheduling;

/**
 * The program's jobs go on by themselves, each again and again whatever it met before. Tests switch them off and do each by hand.
 */
@Configuration
@EnableScheduling
@ConditionalOnProperty(name = "jolly.jobs.auto", havingValue = "true", matchIfMissing = true)
class Jobs {

    private static final Logger LOG = LoggerFactory.getLogger(Jobs.class);

    @Bean
    ThreadPoolTaskSchedulerCustomizer goingOn() {
        return scheduler -> scheduler.setErrorHandler(Jobs::paused);
    }

    static void paused(Throwable trouble) {
        LOG.error("{} paused and is tried again: {}", job(trouble), trouble.toString());
    }

    /** Which it was: the last of the program's own that called for what went wrong. */
    private static String job(Throwable trouble) {
        return Stream.of(trouble.getStackTrace())
                .map(StackTraceElement::getClassName)
                .filter(name -> name.startsWith("jollyroster.") && !name.contains("$$"))
                .reduce((inner, outer) -> outer)
                .map(name -> name.substring(name.lastIndexOf('.') + 1))
                .orElse("A job");
    }
}
