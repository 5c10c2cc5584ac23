package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.regex.Pattern;
import jollyroster.core.dates.Meant;

/**
 * What is asked for of the times of an offering, as it came.
 *
 * @param from the first day to show
 * @param day the day that is shown where there is room for one
 * @param host the number of a host
 * @param start a time, ISO 8601 with offset
 * @param once the token of a link that gives one person one time
 */
record PickAsked(String from, String day, String host, String start, String once) {

    private static final int LONGEST = 100;
    private static final Pattern NUMBER = Pattern.compile("\\d{1,15}");

    static PickAsked by(HttpServletRequest request) {
        return new PickAsked(
                text(request, "from"),
                text(request, "day"),
                text(request, "host"),
                text(request, "start"),
                text(request, "once"));
    }

    /** Asks for a time and nothing else. */
    static PickAsked at(String start) {
        return new PickAsked("", "", "", start, "");
    }

    private static String text(HttpServletRequest request, String name) {
        String value = request.getParameter(name);
        return value == null || value.length() > LONGEST ? "" : value;
    }

    Optional<Instant> moment() {
        return Meant.moment(start);
    }

    Optional<Long> hostNumber() {
        return NUMBER.matcher(host).matches() ? Optional.of(Long.parseLong(host)) : Optional.empty();
    }

    Optional<LocalDate> firstDay() {
        return Meant.day(from);
    }

    Optional<LocalDate> openDay() {
        return Meant.day(day);
    }
}
