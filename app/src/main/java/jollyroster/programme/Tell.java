package jollyroster.programme;

/** When an organiser is written to about answers. */
public enum Tell {
    NEVER("never"),
    EACH("of each one"),
    DAILY("once a day"),
    /** When registration closes. */
    DEADLINE("when answers are due");

    private final String words;

    Tell(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
