package jollyroster.desk;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import jollyroster.core.messages.Anchor;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.Letters;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.MessageWords;
import jollyroster.outbox.OutboxBatchQueries;
import jollyroster.outbox.OutboxQueries.Item;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import org.springframework.stereotype.Component;

/** Messages as the outbox lists them: those of one sending together, each with the name of whoever gets it. */
@Component
class OutboxLines {

    private static final int SENDINGS = 12;
    private static final int NAMES = 6;
    private static final int LAST_PAGE = 10_000;
    private static final Set<Anchor> NEWS = EnumSet.of(Anchor.CHANGED, Anchor.CALLED_OFF, Anchor.RESTORED);
    private final OutboxBatchQueries batches;
    private final Letters letters;
    private final OrganisationQueries organisation;
    private final Clock clock;

    OutboxLines(OutboxBatchQueries batches, Letters letters, OrganisationQueries organisation, Clock clock) {
        this.batches = batches;
        this.letters = letters;
        this.organisation = organisation;
        this.clock = clock;
    }

    /**
     * A message in the list.
     *
     * @param who by name; the address where no name is known
     * @param address of what it is about; empty for nothing
     * @param moved what quiet hours did to it; empty for nothing
     */
    public record Line(
            long id,
            long session,
            String at,
            String ahead,
            String what,
            String anchor,
            String who,
            String recipient,
            String title,
            String address,
            String state,
            String reason,
            String moved,
            boolean canRetry) {

        /** For a list that says of all at once how they were moved. */
        Line notMoved() {
            return new Line(
                    id, session, at, ahead, what, anchor, who, recipient, title, address, state, reason, "", canRetry);
        }
    }

    /**
     * Lines that say the same of several people: sent at one time, about one thing.
     *
     * @param lines the first of them
     * @param moved what quiet hours did to all of them; empty for nothing, or where it differs
     * @param more how many more there are
     * @param all the address that lists them all
     */
    public record Sending(
            String at,
            String ahead,
            String what,
            String title,
            String address,
            String people,
            String moved,
            List<Line> lines,
            int more,
            String all,
            Batch batch) {

        public boolean one() {
            return lines.size() + more == 1;
        }
    }

    /** What all of a sending have in common. @param planned whether they may be withdrawn together @param early whether they may be sent now */
    public record Batch(
            long session, String what, int amount, String unit, String channel, boolean planned, boolean early) {}

    /** One page of sendings. @param next the number of the next page; 0 when there is none */
    public record Page(List<Sending> sendings, int next) {}

    /** A page of all messages in some states, batch by batch. @param show which of the lists of the outbox it is */
    Page page(Collection<MessageState> states, String show, int asked) {
        int from = Math.max(0, Math.min(asked, LAST_PAGE)) * SENDINGS;
        List<OutboxBatchQueries.Batch> found = batches.batches(states, from, SENDINGS + 1, NAMES);
        List<OutboxBatchQueries.Batch> shown = found.stream().limit(SENDINGS).toList();
        Map<Long, Letters.Line> people = people(shown.stream().flatMap(some -> some.first().stream()));
        return new Page(
                shown.stream()
                        .map(some -> sending(some.first(), some.messages(), show, people))
                        .toList(),
                found.size() > SENDINGS ? from / SENDINGS + 1 : 0);
    }

    /** A page of messages that were looked for, all of them named. @param show which of the lists of the outbox it is */
    Page page(List<Item> items, String show, int asked) {
        List<List<Item>> all = together(items);
        int from = Math.max(0, Math.min(asked, all.size() / SENDINGS)) * SENDINGS;
        List<List<Item>> shown = all.stream().skip(from).limit(SENDINGS).toList();
        Map<Long, Letters.Line> people = people(shown.stream().flatMap(List::stream));
        return new Page(
                shown.stream()
                        .map(some -> sending(some, some.size(), show, people))
                        .toList(),
                from + SENDINGS < all.size() ? from / SENDINGS + 1 : 0);
    }

    private Map<Long, Letters.Line> people(Stream<Item> items) {
        return letters.lines(items.map(Item::registration).distinct().toList());
    }

    Line line(Item item) {
        return line(item, people(Stream.of(item)));
    }

    /** What is said of all messages of a sending. */
    private record Occasion(Instant at, String what, String address) {}

    private static List<List<Item>> together(List<Item> items) {
        Map<Occasion, List<Item>> sendings = new LinkedHashMap<>();
        for (Item item : items) {
            Occasion occasion =
                    new Occasion(at(item).truncatedTo(ChronoUnit.MINUTES), MessageWords.of(item), address(item));
            sendings.computeIfAbsent(occasion, first -> new ArrayList<>()).add(item);
        }
        return List.copyOf(sendings.values());
    }

    private static Instant at(Item item) {
        return item.done().orElse(item.due());
    }

    /** @param messages how many there are; more than the items where only the first are named */
    private Sending sending(List<Item> items, int messages, String show, Map<Long, Letters.Line> known) {
        Line first = line(items.get(0), known);
        boolean alike = items.stream().map(this::moved).distinct().count() == 1;
        List<Line> named = items.stream()
                .map(item -> line(item, known))
                .map(l -> alike ? l.notMoved() : l)
                .toList();
        return new Sending(
                first.at(),
                first.ahead(),
                first.what(),
                first.title(),
                first.address(),
                messages == 1 ? "one person" : messages + " people",
                alike ? first.moved() : "",
                named,
                messages - named.size(),
                "/desk/outbox?show=" + show + "&session=" + first.session() + "&what=" + first.anchor(),
                batch(items.get(0)));
    }

    /** Whether it can be sent early or withdrawn by itself; the news of a change leaves with the change. */
    static boolean mayDepart(Item item) {
        return item.state() == MessageState.PLANNED && !NEWS.contains(item.anchor());
    }

    /** Whether it can be sent now. */
    static boolean mayGoEarly(Item item) {
        return mayDepart(item) && !item.anchor().isDecidedLater();
    }

    private static Batch batch(Item item) {
        return new Batch(
                item.session(),
                item.anchor().name(),
                item.offset().amount(),
                item.offset().unit().name(),
                item.channel().name(),
                mayDepart(item) && item.session() > 0,
                mayGoEarly(item));
    }

    private Line line(Item item, Map<Long, Letters.Line> people) {
        Instant at = at(item);
        Optional<Letters.Line> about = Optional.ofNullable(people.get(item.registration()));
        boolean ahead = item.state() == MessageState.PLANNED && at.isAfter(clock.instant());
        return new Line(
                item.id(),
                item.session(),
                Times.dayAndTime(at, home()),
                ahead ? Times.ahead(clock.instant(), at, home()) : "",
                MessageWords.of(item),
                item.anchor().name(),
                about.map(Letters.Line::name).orElseGet(() -> addressee(item)),
                item.recipient(),
                about.map(Letters.Line::title).orElseGet(() -> item.given().text("title")),
                address(item),
                item.state().name().toLowerCase(Locale.ROOT),
                item.reason(),
                moved(item),
                item.state() == MessageState.FAILED);
    }

    /** Of a letter about no registration: by the name it was given, else by the address. */
    private static String addressee(Item item) {
        boolean toTeam = item.kind().filter(LetterKind::isToTeam).isPresent();
        String name = item.given().text("name");
        return toTeam || name.isEmpty() ? item.recipient() : name;
    }

    private static String address(Item item) {
        if (item.session() > 0) {
            return "/desk/sessions/" + item.session();
        }
        int time = item.given().number("session");
        if (time > 0) {
            return "/desk/sessions/" + time;
        }
        int offering = item.given().number("offering");
        return offering > 0 ? "/desk/offerings/" + offering + "/guests" : "";
    }

    private String moved(Item item) {
        boolean earlier = item.state() == MessageState.PLANNED && item.due().isBefore(item.nominal());
        return earlier ? "before quiet hours, instead of " + Times.dayAndTime(item.nominal(), home()) : "";
    }

    ZoneId home() {
        return organisation.organisation().zone();
    }
}
