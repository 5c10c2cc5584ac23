package jollyroster.people;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import jollyroster.core.intake.Contact;
import jollyroster.people.PersonQueries.Person;

/** Finds people who are probably one: the same name whatever its accents, case and order, or the same phone. */
final class SamePeople {

    private SamePeople() {}

    /** @param why what they share */
    record Group(String why, List<Person> people) {}

    static List<Group> among(List<Person> people) {
        Map<String, List<Person>> byName = new LinkedHashMap<>();
        Map<String, List<Person>> byPhone = new LinkedHashMap<>();
        for (Person person : people) {
            byName.computeIfAbsent(Contact.folded(person.name()), n -> new ArrayList<>())
                    .add(person);
            if (!person.phone().isEmpty()) {
                byPhone.computeIfAbsent(person.phone(), p -> new ArrayList<>()).add(person);
            }
        }
        List<Group> groups = new ArrayList<>();
        byName.values().stream().filter(g -> g.size() > 1).forEach(g -> groups.add(new Group("the same name", g)));
        byPhone.values().stream()
                .filter(g -> g.size() > 1)
                .filter(g -> groups.stream().noneMatch(known -> known.people().containsAll(g)))
                .forEach(g -> groups.add(new Group("the same phone", g)));
        return groups;
    }
}
