package jollyroster.till;

import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import jollyroster.core.prices.Price;
import jollyroster.till.PaymentQueries.Payment;
import org.jspecify.annotations.Nullable;

/**
 * The money of one registration.
 *
 * @param paid all that came
 * @param open what is due while seats are held for it
 * @param back all that has gone back
 * @param owed what is on its way back
 */
public record Money(Price paid, Price open, Price back, Price owed) {

    /** @param due what is open, if anything is. @return empty where there is no money at all */
    static Optional<Money> of(List<Payment> payments, @Nullable Price due) {
        if (payments.isEmpty() && due == null) {
            return Optional.empty();
        }
        Currency currency =
                payments.isEmpty() ? due.currency() : payments.get(0).amount().currency();
        return Optional.of(new Money(
                sum(payments, Payment::amount, currency),
                due == null ? new Price(0, currency) : due,
                sum(payments, Payment::back, currency),
                sum(payments, Payment::owed, currency)));
    }

    /** Payments in another currency, of a time before the price changed, are left out. */
    private static Price sum(List<Payment> payments, Function<Payment, Price> of, Currency currency) {
        return new Price(
                payments.stream()
                        .map(of)
                        .filter(p -> p.currency().equals(currency))
                        .mapToLong(Price::minor)
                        .sum(),
                currency);
    }

    /** What is paid and stays. */
    public Price kept() {
        return new Price(paid.minor() - back.minor() - owed.minor(), paid.currency());
    }

    /** {@code paid CAD 180.00, CAD 90.00 to go back}. */
    public String inWords() {
        List<String> words = new ArrayList<>();
        if (!open.isFree()) {
            words.add(open.inWords() + " open");
        }
        if (!paid.isFree()) {
            words.add("paid " + paid.inWords());
        }
        if (!back.isFree()) {
            words.add(back.inWords() + " refunded");
        }
        if (!owed.isFree()) {
            words.add(owed.inWords() + " being refunded");
        }
        return String.join(", ", words);
    }
}
