package jollyroster.core.intake;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Optional;

/**
 * Limits to an answer, as typed: the least and most of a number, the first and last of a date ({@code 2027-03-16}), the
 * fewest and most characters of a text or options chosen. Empty means no limit.
 */
public record Bounds(String least, String most) {

    public static final Bounds NONE = new Bounds("", "");

    /** Whether these limits make sense for answers of a kind. */
    public boolean fit(Question.Kind kind) {
        return switch (kind) {
            case NUMBER -> isOrdered(number(least), number(most));
            case DATE -> isOrdered(date(least), date(most));
            case SHORT_TEXT, LONG_TEXT, CHOOSE_SEVERAL -> isOrdered(count(least), count(most));
            case CHOOSE_ONE, YES_NO, AGREEMENT, PHONE, EMAIL, WEB_ADDRESS -> least.isEmpty() && most.isEmpty();
        };
    }

    private <T extends Comparable<? super T>> boolean isOrdered(Optional<T> low, Optional<T> high) {
        boolean bothRead = low.isPresent() == !least.isEmpty() && high.isPresent() == !most.isEmpty();
        return bothRead && (low.isEmpty() || high.isEmpty() || low.get().compareTo(high.get()) <= 0);
    }

    boolean holdsNumber(BigDecimal value) {
        return isWithin(value, number(least), number(most));
    }

    boolean holdsDate(LocalDate value) {
        return isWithin(value, date(least), date(most));
    }

    boolean holdsCount(int value) {
        return isWithin(value, count(least), count(most));
    }

    private static <T extends Comparable<? super T>> boolean isWithin(T value, Optional<T> low, Optional<T> high) {
        return low.map(l -> l.compareTo(value) <= 0).orElse(true)
                && high.map(h -> h.compareTo(value) >= 0).orElse(true);
    }

    /** A plain decimal number of at most 20 characters; a comma may stand for the point. */
    static Optional<BigDecimal> number(String text) {
        String plain = text.strip().replace(',', '.').replace('−', '-');
        return plain.matches("[+-]?\\d{1,15}(\\.\\d{1,6})?") ? Optional.of(new BigDecimal(plain)) : Optional.empty();
    }

    private static Optional<Integer> count(String text) {
        return text.matches("\\d{1,5}") ? Optional.of(Integer.valueOf(text)) : Optional.empty();
    }

    /** A date as a browser sends it, in the years 1000 to 9999. */
    public static Optional<LocalDate> date(String text) {
        try {
            return text.matches("[1-9]\\d{3}-\\d\\d-\\d\\d") ? Optional.of(LocalDate.parse(text)) : Optional.empty();
        } catch (DateTimeParseException noSuchDay) {
            return Optional.empty();
        }
    }
}
