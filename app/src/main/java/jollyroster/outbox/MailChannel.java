package jollyroster.outbox;

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

    /** Why a letter was not taken. */
    class NotDelivered extends Exception {
        private static final long serialVersionUID = 1L;
        private final Kind kind;

        /** How far the trouble goes. */
        public enum Kind {
            /** Trying this letter again is pointless. */
            LASTING,
            /** This letter may go later. */
            FOR_NOW,
            /** No letter goes at the moment. */
            OUTAGE
        }

        /** @param why in words for the organiser; never holds a token */
        public NotDelivered(String why, Kind kind) {
            super(why);
            this.kind = kind;
        }

        public Kind kind() {
            return kind;
        }
    }
}
