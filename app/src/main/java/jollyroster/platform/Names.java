package jollyroster.platform;

import java.util.Optional;
import java.util.regex.Pattern;
import jollyroster.core.intake.Contact;

/** What somebody is called. */
public final class Names {

    private static final Pattern SPACE = Pattern.compile("\\s");

    private Names() {}

    /** What is wrong with it as somebody's name, in words for whoever typed it; empty when nothing is. */
    public static Optional<String> problem(String entered) {
        return Contact.nameFault(entered).map(fault -> switch (fault) {
            case MISSING -> "Please give a name.";
            case TOO_LONG -> "This name is too long: at most " + Contact.LONGEST_NAME + " characters.";
            case HOLDS_AN_ADDRESS -> "Please give a name without a web or e-mail address in it.";
        });
    }

    /** By what they are greeted: the first word of the name, without a comma after it. */
    public static String first(String name) {
        String first = SPACE.split(name.strip(), 2)[0];
        return first.length() > 1 && first.endsWith(",") ? first.substring(0, first.length() - 1) : first;
    }

    /** The first name and the first letter of the last: {@code Bao H.}; one name as it is. */
    public static String shortened(String name) {
        int last = name.lastIndexOf(' ');
        return last < 0 ? name : name.substring(0, name.indexOf(' ')) + " " + name.substring(last + 1, last + 2) + ".";
    }
}
