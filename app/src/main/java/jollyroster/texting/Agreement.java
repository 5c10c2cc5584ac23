package jollyroster.texting;

/** What people agree to who want texts. */
public final class Agreement {

    /** As the form has it; kept with whoever agrees, so that later words change nothing for them. */
    public static final String WORDS =
            "Text me about this at this number: my link, reminders and changes. I can answer STOP at any time.";

    private Agreement() {}
}
