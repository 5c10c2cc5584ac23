package jollyroster.platform;

import java.text.Normalizer;
import java.util.Collection;
import java.util.Locale;

/** Names for addresses, made from titles: {@code Knots & splicing} becomes {@code knots-splicing}. */
public final class Slugs {

    private static final int LONGEST = 60;

    private Slugs() {}

    /** Lower-case ASCII letters, digits and single hyphens, 1 to 60; {@code offering} when nothing is left. */
    public static String of(String title) {
        return of(title, "offering");
    }

    /** The same with another word where nothing is left. */
    public static String of(String title, String otherwise) {
        String ascii = Normalizer.normalize(title, Normalizer.Form.NFD).replaceAll("\\p{M}+", "");
        String slug =
                ascii.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-+|-+$", "");
        String cut = slug.substring(0, Math.min(slug.length(), LONGEST)).replaceAll("-+$", "");
        return cut.isEmpty() ? otherwise : cut;
    }

    /** The slug itself, or with the first number from 2 that is not taken. */
    public static String free(String slug, Collection<String> taken) {
        String candidate = slug;
        for (int n = 2; taken.contains(candidate) || taken.contains(candidate.replace('-', '_')); n++) {
            candidate = slug + "-" + n;
        }
        return candidate;
    }
}
