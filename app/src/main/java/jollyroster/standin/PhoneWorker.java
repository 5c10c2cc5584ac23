package jollyroster.standin;

import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Tells the program what happens on the phones, in order, until it has been taken: as a gateway would, across restarts. */
@Component
class PhoneWorker {

    private static final int MOST = 50;
    private final PhoneQueries phones;
    private final PhoneCommands commands;
    private final Reporter reporter;

    PhoneWorker(PhoneQueries phones, PhoneCommands commands, Reporter reporter) {
        this.phones = phones;
        this.commands = commands;
        this.reporter = reporter;
    }

    @Scheduled(fixedDelay = 1000)
    void turn() {
        for (PhoneQueries.News news : phones.unreported(MOST)) {
            if (!reporter.told(news)) {
                return;
            }
            commands.reported(news.id());
        }
    }
}
