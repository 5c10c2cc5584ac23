package jollyroster.core.door;

import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import jollyroster.core.intake.Text;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;

/**
 * Who somebody probably is who typed a name: the same e-mail address, else the same name whatever its capitals, accents and order, else
 * one that is written nearly so (Winkler 1990) with no other near it.
 */
public final class NameMatch {

    private static final double NEAR = 0.92;
    private static final double APART = 0.03;
    private static final JaroWinklerSimilarity WINKLER = new JaroWinklerSimilarity();

    private NameMatch() {}

    /** Somebody who is known. */
    public record Known(long id, String name, String email) {}

    private record Candidate(Known who, double likeness) {}

    /** @param email empty where none was given */
    public static Optional<Known> of(String name, String email, Collection<Known> known) {
        Optional<Known> byAddress = known.stream()
                .filter(k -> !email.isEmpty() && k.email().equalsIgnoreCase(email))
                .findFirst();
        if (byAddress.isPresent()) {
            return byAddress;
        }
        String wanted = sorted(name);
        List<Known> same =
                known.stream().filter(k -> sorted(k.name()).equals(wanted)).toList();
        return same.isEmpty() ? nearest(name, known) : Optional.of(same.get(0)).filter(only -> same.size() == 1);
    }

    private static Optional<Known> nearest(String name, Collection<Known> known) {
        List<Candidate> near = known.stream()
                .map(k -> new Candidate(k, likeness(name, k.name())))
                .filter(c -> c.likeness() >= NEAR - APART)
                .sorted(Comparator.comparingDouble(Candidate::likeness).reversed())
                .toList();
        boolean clear = !near.isEmpty()
                && near.get(0).likeness() >= NEAR
                && (near.size() == 1 || near.get(0).likeness() - near.get(1).likeness() >= APART);
        return clear ? Optional.of(near.get(0).who()) : Optional.empty();
    }

    /** From 0 to 1, of two names in whichever order their words stand. */
    static double likeness(String one, String other) {
        return Math.max(WINKLER.apply(Text.folded(one), Text.folded(other)), WINKLER.apply(sorted(one), sorted(other)));
    }

    private static String sorted(String name) {
        return Arrays.stream(Text.folded(name).replace(",", " ").strip().split("\\s+"))
                .sorted()
                .collect(Collectors.joining(" "));
    }
}
