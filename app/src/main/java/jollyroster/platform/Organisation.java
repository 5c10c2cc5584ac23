package jollyroster.platform;

import java.time.ZoneId;

/**
 * Who runs this installation.
 *
 * @param zone the home zone, in which dates are typed and shown on the desk
 * @param region two-letter country whose phone numbers may be typed without a country code
 * @param colour a hexadecimal colour such as {@code #1f5c4d} that has contrast of at least 4.5 on white
 * @param dayBegins the hour at which working hours begin; a typed time without am or pm is read in the twelve hours after
 * @param logo the name of its picture; empty for none
 * @param banner the name of a picture across the public list; empty for none
 * @param phone,website as people read them; empty for none
 */
public record Organisation(
        String name,
        ZoneId zone,
        String region,
        String contactEmail,
        String colour,
        String welcomeText,
        int dayBegins,
        String logo,
        String phone,
        String website,
        String banner) {

    /** What is shown before the first organiser has set anything up. */
    static final Organisation UNNAMED = new Organisation("Jolly Roster", ZoneId.of("UTC"), "GB", "", "#14212b", "");

    /** With working hours from 8 and nothing that may be left out. */
    public Organisation(
            String name, ZoneId zone, String region, String contactEmail, String colour, String welcomeText) {
        this(name, zone, region, contactEmail, colour, welcomeText, 8, "", "", "", "");
    }

    public Organisation withLogo(String picture) {
        return new Organisation(
                name, zone, region, contactEmail, colour, welcomeText, dayBegins, picture, phone, website, banner);
    }

    public Organisation withBanner(String picture) {
        return new Organisation(
                name, zone, region, contactEmail, colour, welcomeText, dayBegins, logo, phone, website, picture);
    }
}
