package jollyroster.outbox;

/** Takes letters to people. The mail tray that ships with the program is one; a mail server is another. */
public interface MailChannel {

    /**
     * Hands a letter over. When it returns, the channel has taken responsibility for the letter.
     *
     * @throws NotDelivered if the letter was not taken
     */
    void deliver(Letter letter) throws NotDelivered;

    /** Why a letter was not taken. */
    class NotDelivered extends Exception {
        private final boolean lasting;

        /**
         * @param why in words for the organiser; never holds a token
         * @param lasting whether trying again is pointless
         */
        public NotDelivered(String why, boolean lasting) {
            super(why);
            this.lasting = lasting;
        }

        public boolean isLasting() {
            return lasting;
        }
    }
}
