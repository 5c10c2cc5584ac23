package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.NAMED_TEXT;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import org.springframework.stereotype.Component;

/** Reads texts that are kept once and used by name: {@code {{text.parking}}}, {@code {{host.link}}}. */
@Component
public class NamedTextQueries {

    /** The house, in the place of a host. */
    public static final long HOUSE = 0;

    static final String TEXT = "text.";
    static final String HOST = "host.";
    private final Reads reads;
    private final Remembered<Integer, List<Named>> all;

    NamedTextQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.all = new Remembered<>(changes, 1, "named_text");
    }

    /** A text. @param host whose it is; {@link #HOUSE} for everybody's */
    public record Named(long id, long host, String name, String body) {}

    /** All texts by name, the house's before those of hosts. */
    public List<Named> all() {
        return all.get(
                0,
                any -> reads.sql()
                        .selectFrom(NAMED_TEXT)
                        .orderBy(NAMED_TEXT.NAME, NAMED_TEXT.ACCOUNT_ID)
                        .fetch(r -> new Named(r.getId(), r.getAccountId(), r.getName(), r.getBody())));
    }

    /** The names that words may use: every text of the house, and of each name the host's. */
    Set<String> names() {
        return all().stream()
                .flatMap(named -> named.host() == HOUSE
                        ? Stream.of(TEXT + named.name(), HOST + named.name())
                        : Stream.of(HOST + named.name()))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** The texts of the house by name. */
    Map<String, String> house() {
        return of(List.of(HOUSE));
    }

    /**
     * The texts of whoever leads a session by name; what a host has not is the house's.
     *
     * @param hosts who lead it, in order
     */
    Map<String, String> host(Collection<Long> hosts) {
        Map<String, String> texts = new LinkedHashMap<>();
        all().forEach(named -> texts.put(named.name(), ""));
        texts.putAll(house());
        hosts.stream().findFirst().ifPresent(first -> texts.putAll(of(List.of(first))));
        return texts;
    }

    private Map<String, String> of(List<Long> whose) {
        return all().stream()
                .filter(named -> whose.contains(named.host()))
                .collect(Collectors.toMap(Named::name, Named::body));
    }
}
