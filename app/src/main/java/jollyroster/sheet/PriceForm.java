package jollyroster.sheet;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import jollyroster.core.prices.Price;
import jollyroster.core.prices.RefundRule;
import jollyroster.programme.Offering;
import jollyroster.programme.Section;
import org.jspecify.annotations.Nullable;

/**
 * What a seat costs.
 *
 * @param amount paid on registering, as typed; empty for nothing
 * @param said as people read it
 * @param refundable whether whoever cancels in time has the money back
 * @param refundHours until how long before the start
 * @param fixed whether people can change nothing themselves once they have paid
 */
record PriceForm(
        String amount,
        String currency,
        String said,
        @Nullable Boolean refundable,
        String refundHours,
        @Nullable Boolean fixed)
        implements PartForm {

    private static final int MOST_HOURS = 8760;
    private static final int DEFAULT_HOURS = 48;

    static final List<String> CURRENCIES =
            List.of("CAD", "USD", "EUR", "GBP", "NOK", "SEK", "DKK", "CHF", "AUD", "NZD", "SGD", "JPY");

    PriceForm {
        amount = Typed.orEmpty(amount).strip();
        currency = Objects.requireNonNullElse(currency, "CAD");
        said = Typed.line(said);
        refundable = Boolean.TRUE.equals(refundable);
        refundHours = Typed.number(refundHours, "48");
        fixed = Boolean.TRUE.equals(fixed);
    }

    static PriceForm of(Offering o) {
        Price price = o.signUp().price();
        return new PriceForm(
                price.amount(),
                price.currency().getCurrencyCode(),
                o.front().price(),
                o.signUp().refund().gives(),
                String.valueOf(o.signUp().refund().minutes().orElse(DEFAULT_HOURS * 60) / 60),
                o.signUp().fixedOncePaid());
    }

    @Override
    public Map<String, String> problems() {
        return new Checks()
                .that(
                        Price.typed(amount, currency).isPresent(),
                        "amount",
                        "A seat costs: an amount from 0 to 100,000, such as 12.50.")
                .atMost(120, "said", "As people read it", said)
                .number("refundHours", "Refund, in hours before the start", refundHours, 0, MOST_HOURS)
                .problems();
    }

    @Override
    public Section section() {
        RefundRule refund = Boolean.TRUE.equals(refundable)
                ? RefundRule.until(Integer.parseInt(refundHours) * 60)
                : RefundRule.NONE;
        return new Section.Cost(Price.typed(amount, currency).orElseThrow(), said, refund, Boolean.TRUE.equals(fixed));
    }
}
