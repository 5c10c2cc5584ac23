package jollyroster.core.dates;

import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.Optional;

/** Days and moments as an address or a form sends them. Those in years that nobody means are none: they are not worked out. */
public final class Meant {

    private static final int FIRST_YEAR = 2000;
    private static final int LAST_YEAR = 2199;
    private static final int LONGEST = 40;

    private Meant() {}

    /** A day like {@code 2027-03-29}; empty for any other text. */
    public static Optional<LocalDate> day(String text) {
        try {
            return text.length() > LONGEST
                    ? Optional.empty()
                    : Optional.of(LocalDate.parse(text.strip())).filter(day -> isYear(day.getYear()));
        } catch (DateTimeParseException none) {
            return Optional.empty();
        }
    }

    /** A moment like {@code 2027-03-29T14:00+02:00}, its plus perhaps turned into a space on the way; empty for any other text. */
    public static Optional<Instant> moment(String text) {
        try {
            return text.length() > LONGEST
                    ? Optional.empty()
                    : Optional.of(OffsetDateTime.parse(text.strip().replace(' ', '+')))
                            .filter(at -> isYear(at.getYear()))
                            .map(OffsetDateTime::toInstant);
        } catch (DateTimeParseException none) {
            return Optional.empty();
        }
    }

    private static boolean isYear(int year) {
        return year >= FIRST_YEAR && year <= LAST_YEAR;
    }
}
