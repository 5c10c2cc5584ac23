package jollyroster;

import jollyroster.platform.StartChecks;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** Starts Jolly Roster: one process, one data folder. */
@SpringBootApplication
public class JollyRoster {

    public static void main(String[] args) {
        StartChecks.complaint(args).ifPresent(JollyRoster::giveUp);
        SpringApplication.run(JollyRoster.class, args);
    }

    private static void giveUp(String complaint) {
        System.err.println("jolly: " + complaint);
        System.exit(2);
    }
}
