package jollyroster.desk;

/** What can be done about messages that failed, by their cause. */
final class FailureWords {

    private FailureWords() {}

    /** @param cause as the outbox keeps it */
    static String remedy(String cause) {
        if (cause.contains("address") || cause.contains("mailbox")) {
            return "Correct the address on the person’s page; what has not gone goes to the new one.";
        }
        if (cause.contains("phone") || cause.contains("number") || cause.contains("text did not")) {
            return "Their e-mails go all the same. A number that does not exist any more gets no other text.";
        }
        if (cause.contains("sign-in")) {
            return "Look at the name and password of the mail server, then try again.";
        }
        if (cause.contains("did not answer")) {
            return "Nothing to do once the mail server is back: try again.";
        }
        return cause.contains("written")
                ? "Open one to see it, change its words, then try again."
                : "Open one to see more.";
    }
}
