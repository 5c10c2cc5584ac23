package jollyroster.platform;

import java.time.Clock;
import java.time.Duration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The services outside of the program, each with its own limit and threads. */
@Configuration
class OutsideServices {

    @Bean
    OutsideService mailServer(Clock clock) {
        return new OutsideService("mail server", Duration.ofSeconds(30), 4, clock);
    }

    @Bean
    OutsideService textGatewayService(Clock clock) {
        return new OutsideService("text gateway", Duration.ofSeconds(30), 4, clock);
    }

    @Bean
    OutsideService mailboxService(Clock clock) {
        return new OutsideService("mailbox", Duration.ofMinutes(2), 1, clock);
    }

    @Bean
    OutsideService meetingService(Clock clock) {
        return new OutsideService("meeting service", Duration.ofSeconds(10), 16, clock);
    }

    @Bean
    OutsideService paymentService(Clock clock) {
        return new OutsideService("payment service", Duration.ofSeconds(10), 16, clock);
    }

    @Bean
    OutsideService otherCalendars(Clock clock) {
        return new OutsideService("calendars of others", Duration.ofSeconds(30), 4, clock);
    }
}
