package jollyroster.outbox;

import jollyroster.platform.NotDelivered;

/** Takes letters to people. The mail tray that ships with the program is one; a mail server is another. */
public interface MailChannel {

    /**
     * Hands a letter over. When it returns, the channel has taken responsibility for the letter.
     *
     * @throws NotDelivered if the letter was not taken
     */
    void deliver(Letter letter) throws NotDelivered;

    /** Whether letters go to the people they are for; false where they are only kept to be looked at. */
    default boolean reachesPeople() {
        return true;
    }
}
