package jollyroster.platform;

import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Profile;

/** The one clock. The demo brings its own, which can be moved. */
@Configuration
class ClockConfiguration {

    @Bean
    @Profile("!demo")
    Clock clock() {
        return Clock.systemUTC();
    }
}
