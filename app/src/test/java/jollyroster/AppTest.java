package jollyroster;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.ContextConfiguration;

/**
 * A test of the whole application on an empty data folder of its own, with a clock that stands still and jobs that are
 * cranked by hand.
 */
@Tag("server")
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@SpringBootTest(
        classes = JollyRoster.class,
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {"jolly.jobs.auto=false", "jolly.limits.letters=1000000"})
@ContextConfiguration(initializers = FreshFolder.class)
@ExtendWith(TestClock.WoundBack.class)
@Import({TestClock.Config.class, Saltmarrow.class, Mailbox.class})
public @interface AppTest {}
