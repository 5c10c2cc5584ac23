package jollyroster.sheet;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import jollyroster.core.prices.Price;
import jollyroster.programme.Offering;
import jollyroster.programme.Section;

/** What a seat costs. @param amount paid on registering, as typed; empty for nothing @param said as people read it */
record PriceForm(String amount, String currency, String said) implements PartForm {

    static final List<String> CURRENCIES =
            List.of("CAD", "USD", "EUR", "GBP", "NOK", "SEK", "DKK", "CHF", "AUD", "NZD", "SGD", "JPY");

    PriceForm {
        amount = Typed.orEmpty(amount).strip();
        currency = Objects.requireNonNullElse(currency, "CAD");
        said = Typed.line(said);
    }

    static PriceForm of(Offering o) {
        Price price = o.signUp().price();
        return new PriceForm(
                price.amount(), price.currency().getCurrencyCode(), o.front().price());
    }

    @Override
    public Map<String, String> problems() {
        return new Checks()
                .that(
                        Price.typed(amount, currency).isPresent(),
                        "amount",
                        "A seat costs: an amount from 0 to 100,000, such as 12.50.")
                .atMost(120, "said", "As people read it", said)
                .problems();
    }

    @Override
    public Section section() {
        return new Section.Cost(Price.typed(amount, currency).orElseThrow(), said);
    }
}
