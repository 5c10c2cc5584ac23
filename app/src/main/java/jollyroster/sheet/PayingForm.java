package jollyroster.sheet;

import java.util.Optional;
import jollyroster.core.prices.Price;

/** What a seat costs, paid on registering. @param amount as typed; empty for nothing */
public record PayingForm(String amount, String currency) {
    public PayingForm {
        amount = Typed.orEmpty(amount).strip();
        currency = Typed.orEmpty(currency).isEmpty() ? "CAD" : currency;
    }

    public static PayingForm nothing() {
        return new PayingForm("", "");
    }

    Optional<Price> price() {
        return Price.typed(amount, currency);
    }
}
