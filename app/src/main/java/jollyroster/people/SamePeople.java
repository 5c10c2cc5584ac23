package jollyroster.people;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import jollyroster.core.intake.Contact;
import jollyroster.people.PersonQueries.Named;

/** Finds people who are probably one: the same name whatever its accents, case and order, or the same phone. */
final class SamePeople {

    private SamePeople() {}

    /** @param why what they share @param people their numbers */
    record Group(String why, List<Long> people) {}

    /** Two people, the smaller number first. */
    record Pair(long one, long other) {
        static Pair of(long a, long b) {
            return new Pair(Math.min(a, b), Math.max(a, b));
        }
    }

    /** @param different those of whom somebody said that they are two */
    static List<Group> among(List<Named> people, Set<Pair> different) {
        Map<String, List<Long>> byName = new LinkedHashMap<>();
        Map<String, List<Long>> byPhone = new LinkedHashMap<>();
        for (Named person : people) {
            byName.computeIfAbsent(Contact.folded(person.name()), n -> new ArrayList<>())
                    .add(person.id());
            if (!person.phone().isEmpty()) {
                byPhone.computeIfAbsent(person.phone(), p -> new ArrayList<>()).add(person.id());
            }
        }
        List<Group> groups = new ArrayList<>();
        byName.values().forEach(g -> add(groups, "the same name", g, different));
        byPhone.values().stream()
                .filter(g -> groups.stream().noneMatch(known -> known.people().containsAll(g)))
                .toList()
                .forEach(g -> add(groups, "the same phone", g, different));
        return groups;
    }

    /** Leaves out whoever is known to differ from all the others. */
    private static void add(List<Group> groups, String why, List<Long> alike, Set<Pair> different) {
        List<Long> open = alike.stream()
                .filter(a -> alike.stream().anyMatch(b -> !a.equals(b) && !different.contains(Pair.of(a, b))))
                .toList();
        if (open.size() > 1) {
            groups.add(new Group(why, open));
        }
    }
}
