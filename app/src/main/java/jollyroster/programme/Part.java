package jollyroster.programme;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** The parts of an offering that are changed and kept on their own, in the order in which they are read. */
public enum Part {
    WORDS("Description"),
    DATES("Dates"),
    HOURS("Open hours"),
    PLACE("Where, with whom"),
    ACCESS("Who may come"),
    SEATS("Seats and waitlist"),
    ASKING("What we ask"),
    PRICE("Price"),
    MESSAGES("What we send"),
    DOOR("Door"),
    LOOK("Look"),
    SHARING("Address");

    private final String title;

    Part(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }

    /** Its name in addresses: {@code words}. */
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The part with this code; empty for any other text. */
    public static Optional<Part> of(String code) {
        return Stream.of(values()).filter(part -> part.code().equals(code)).findFirst();
    }
}
