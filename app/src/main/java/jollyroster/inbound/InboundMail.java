package jollyroster.inbound;

import java.util.function.Consumer;

/**
 * Where mail to the organiser arrives. The tray that ships with the program is one; an IMAP mailbox is another. A mail that is
 * handed over and not taken, as the program stopped meanwhile, is handed over again.
 */
public interface InboundMail {

    /**
     * Hands over what has come, the oldest first, each once it is taken.
     *
     * @param take is given a mail as it came over the line
     * @throws NotReached if the mailbox does not answer
     */
    void each(int most, Consumer<byte[]> take) throws NotReached;

    /** The mailbox does not answer, or refuses the sign-in. */
    class NotReached extends Exception {
        private static final long serialVersionUID = 1L;

        /** @param why in words for the organiser; never holds a password */
        public NotReached(String why) {
            super(why);
        }
    }
}
