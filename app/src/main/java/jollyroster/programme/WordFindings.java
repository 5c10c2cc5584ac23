package jollyroster.programme;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.readiness.Finding;
import jollyroster.outbox.LetterCheck;
import jollyroster.outbox.NamedTextQueries;
import jollyroster.outbox.WordingQueries;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.programme.HostQueries.Host;
import org.springframework.stereotype.Component;

/** What is odd about the words of messages: names of what is no more, and texts that whoever leads has not. */
@Component
class WordFindings {

    private static final String HOST = "host.";
    private final WordingQueries wordings;
    private final LetterCheck letters;
    private final NamedTextQueries texts;
    private final HostQueries hosts;
    private final Remembered<Integer, Map<Long, Set<String>>> used;

    WordFindings(
            WordingQueries wordings,
            LetterCheck letters,
            NamedTextQueries texts,
            HostQueries hosts,
            TableChanges changes) {
        this.used = new Remembered<>(changes, 1, "wording");
        this.wordings = wordings;
        this.letters = letters;
        this.texts = texts;
        this.hosts = hosts;
    }

    /** The names of other things that words use, by whose words they are. */
    private Map<Long, Set<String>> used() {
        return used.get(0, any -> readUsed());
    }

    private Map<Long, Set<String>> readUsed() {
        return wordings.current().values().stream()
                .collect(Collectors.groupingBy(
                        version -> version.of().offering(),
                        Collectors.flatMapping(
                                version -> LetterCheck.named(version.words()).stream(), Collectors.toSet())));
    }

    /** The findings of each offering whose words, or those of the house, name something. */
    Map<Long, List<Finding>> of(Collection<Long> offerings) {
        Map<Long, Set<String>> used = used();
        if (used.values().stream().allMatch(Set::isEmpty)) {
            return Map.of();
        }
        Set<String> house = used.getOrDefault(WordingQueries.HOUSE, Set.of());
        return offerings.stream()
                .filter(id ->
                        !house.isEmpty() || !used.getOrDefault(id, Set.of()).isEmpty())
                .collect(Collectors.toMap(id -> id, id -> of(id, house, used.getOrDefault(id, Set.of()))));
    }

    private List<Finding> of(long offering, Set<String> house, Set<String> own) {
        Set<String> known = letters.names(offering);
        return Stream.concat(house.stream(), own.stream())
                .distinct()
                .sorted()
                .flatMap(name -> known.contains(name)
                        ? withoutText(offering, name)
                        : Stream.of(finding(Finding.Kind.NAME_GONE, name)))
                .toList();
    }

    private Stream<Finding> withoutText(long offering, String name) {
        if (!name.startsWith(HOST)) {
            return Stream.empty();
        }
        String text = name.substring(HOST.length());
        Set<Long> have = texts.all().stream()
                .filter(named -> named.name().equals(text))
                .map(NamedTextQueries.Named::host)
                .collect(Collectors.toSet());
        return hosts.ofOffering(offering).stream()
                .filter(host -> !have.contains(host.id()))
                .map(Host::name)
                .map(who -> finding(Finding.Kind.HOST_WITHOUT_TEXT, who + " has no text “" + text + "”"));
    }

    private static Finding finding(Finding.Kind kind, String detail) {
        return new Finding(kind, null, null, 0, detail);
    }
}
