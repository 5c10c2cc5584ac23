package jollyroster.team;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.platform.Role;
import jollyroster.platform.Slugs;

/**
 * The names of members in addresses: given by hand, or made from their own.
 *
 * @param byName whom a name leads to
 * @param current the name of each that is used now
 */
record HostNames(Map<String, Long> byName, Map<Long, String> current) {

    /** A name given by hand. @param current whether it is still used, or leads on */
    record Given(String slug, long account, boolean current) {}

    /** Whoever has no name of their own has one made, in the order of the team; two of one name are told apart by number. */
    static HostNames of(List<TeamQueries.Mate> team, List<Given> given) {
        Map<String, Long> byName = new HashMap<>();
        Map<Long, String> current = new HashMap<>();
        for (Given name : given) {
            byName.put(name.slug(), name.account());
            if (name.current()) {
                current.put(name.account(), name.slug());
            }
        }
        team.stream()
                .filter(mate -> !current.containsKey(mate.id()))
                .sorted((a, b) -> Long.compare(a.id(), b.id()))
                .forEach(mate -> {
                    String made = Slugs.free(Slugs.of(mate.name()), byName.keySet());
                    byName.put(made, mate.id());
                    current.put(mate.id(), made);
                });
        return new HostNames(byName, current);
    }

    /** Those who may have a page: all who can lead a session. */
    static boolean hasPage(TeamQueries.Mate mate) {
        return mate.active() && mate.role() != Role.HELPER;
    }

    Optional<Long> account(String name) {
        return Optional.ofNullable(byName.get(name));
    }
}
