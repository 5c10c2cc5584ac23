package jollyroster.till;

import jollyroster.core.prices.Price;

/** A service that takes money. One ships with the program; a real one can stand behind the same lines. */
public interface TillProvider {

    /**
     * Opens a payment. Doing so twice with one reference gives the same payment.
     *
     * @param reference names the payment; handed back when its outcome is reported
     * @param what is paid for, as the payer reads it
     * @param back where the payer's browser goes afterwards
     * @return where to send the payer's browser
     */
    String open(String reference, String what, Price amount, String back);

    /**
     * Gives money back, the way it was paid. Doing so twice with one reference of a refund gives it back once.
     *
     * @param payment names the payment, as it was opened
     * @param reference names the refund
     */
    void refund(String payment, String reference, Price amount);
}
