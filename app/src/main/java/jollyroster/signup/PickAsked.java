package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import java.util.regex.Pattern;

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
        try {
            return Optional.of(OffsetDateTime.parse(start.replace(' ', '+')))
                    .filter(at -> isMeant(at.getYear()))
                    .map(OffsetDateTime::toInstant);
        } catch (DateTimeParseException none) {
            return Optional.empty();
        }
    }

    /** What nobody means is not worked out. */
    private static boolean isMeant(int year) {
        return year >= 2000 && year < 2200;
    }

    Optional<Long> hostNumber() {
        return NUMBER.matcher(host).matches() ? Optional.of(Long.parseLong(host)) : Optional.empty();
    }

    Optional<LocalDate> firstDay() {
        return date(from);
    }

    Optional<LocalDate> openDay() {
        return date(day);
    }

    private static Optional<LocalDate> date(String text) {
        try {
            return Optional.of(LocalDate.parse(text)).filter(d -> isMeant(d.getYear()));
        } catch (DateTimeParseException none) {
            return Optional.empty();
        }
    }
}
