package jollyroster.programme;

/** Whether people are asked for a phone number on registering. */
public enum PhoneRule {
    NOT_ASKED("not asked"),
    OPTIONAL("optional"),
    REQUIRED("required");

    private final String words;

    PhoneRule(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
