package jollyroster.core.door;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import jollyroster.core.intake.Contact;

/**
 * Whom a link is for: named addresses, and everybody with an address at given domains.
 *
 * @param entries addresses, and domains with an @ before them, in small letters; none for everybody
 */
public record Invited(List<String> entries) {

    private static final Pattern DOMAIN = Pattern.compile("@[a-z0-9](?:[a-z0-9.-]{0,250}[a-z0-9])?");
    private static final int MOST = 200;

    /** What was typed. @param odd what is neither an address nor a domain, or more than can be named */
    public record Typed(Invited invited, List<String> odd) {}

    /** Reads what was typed, with commas, semicolons, spaces or lines between. */
    public static Typed read(String typed) {
        Set<String> entries = new LinkedHashSet<>();
        Set<String> odd = new LinkedHashSet<>();
        Arrays.stream(typed.toLowerCase(Locale.ROOT).split("[\\s,;]+"))
                .filter(word -> !word.isEmpty())
                .forEach(word -> (isKnown(word) && entries.size() < MOST ? entries : odd).add(word));
        return new Typed(new Invited(List.copyOf(entries)), List.copyOf(odd));
    }

    private static boolean isKnown(String word) {
        return word.startsWith("@")
                ? DOMAIN.matcher(word).matches() && word.contains(".")
                : Contact.email(word).isPresent();
    }

    public boolean isEverybody() {
        return entries.isEmpty();
    }

    /** Whether an address is among them; a domain holds for itself, not for what is below it. */
    public boolean holds(String email) {
        String address = email.toLowerCase(Locale.ROOT);
        return isEverybody()
                || entries.contains(address)
                || entries.contains(address.substring(Math.max(0, address.lastIndexOf('@'))));
    }
}
