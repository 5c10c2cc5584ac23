package jollyroster.platform;

import java.time.ZoneId;

/**
 * Who runs this installation.
 *
 * @param zone the home zone, in which dates are typed and shown on the desk
 * @param region two-letter country whose phone numbers may be typed without a country code
 * @param colour a hexadecimal colour such as {@code #1f5c4d} that has contrast of at least 4.5 on white
 */
public record Organisation(
        String name, ZoneId zone, String region, String contactEmail, String colour, String welcomeText) {

    /** What is shown before the first organiser has set anything up. */
    static final Organisation UNNAMED = new Organisation("Jolly Roster", ZoneId.of("UTC"), "GB", "", "#14212b", "");
}
