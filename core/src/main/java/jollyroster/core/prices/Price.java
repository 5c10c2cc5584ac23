package jollyroster.core.prices;

import java.math.BigDecimal;
import java.util.Currency;
import java.util.Locale;
import java.util.Optional;

/**
 * An amount of money.
 *
 * @param minor in the smallest unit of the currency, cents mostly; 0 to {@value #MOST_MINOR}
 * @param currency by ISO 4217
 */
public record Price(long minor, Currency currency) {

    /** Ten million of the smallest unit for each of a hundred people. */
    public static final long MOST_MINOR = 1_000_000_000;

    private static final long MOST_TYPED = 10_000_000;

    /** @throws IllegalArgumentException if the amount is negative or larger than the most */
    public Price {
        if (minor < 0 || minor > MOST_MINOR) {
            throw new IllegalArgumentException("Not a price: " + minor);
        }
    }

    /**
     * Reads a price for one seat as typed: {@code 180}, {@code 12.50}, {@code 12,5}. Empty text is free of charge.
     *
     * @return empty when it is not an amount, is negative, has more decimals than the currency, or is absurdly large
     */
    public static Optional<Price> typed(String amount, String currency) {
        Optional<Currency> known = Currency.getAvailableCurrencies().stream()
                .filter(c -> c.getCurrencyCode().equals(currency) && c.getDefaultFractionDigits() >= 0)
                .findFirst();
        String plain = amount.strip().replace(',', '.');
        String digits = plain.isEmpty() ? "0" : plain;
        if (known.isEmpty() || !digits.matches("\\d{1,8}(\\.\\d{1,3})?")) {
            return Optional.empty();
        }
        BigDecimal minor = new BigDecimal(digits).movePointRight(known.get().getDefaultFractionDigits());
        boolean whole = minor.stripTrailingZeros().scale() <= 0;
        return whole && minor.longValueExact() <= MOST_TYPED
                ? Optional.of(new Price(minor.longValueExact(), known.get()))
                : Optional.empty();
    }

    public boolean isFree() {
        return minor == 0;
    }

    /** For several people. */
    public Price times(int people) {
        return new Price(minor * people, currency);
    }

    /** The amount as it is typed: {@code 12.50}; empty when it is free. */
    public String amount() {
        int digits = currency.getDefaultFractionDigits();
        return isFree() ? "" : BigDecimal.valueOf(minor, digits).toPlainString();
    }

    /** As people read it: {@code CAD 12.50}. */
    public String inWords() {
        int digits = currency.getDefaultFractionDigits();
        return String.format(
                Locale.ENGLISH, "%s %,." + digits + "f", currency.getCurrencyCode(), BigDecimal.valueOf(minor, digits));
    }
}
