package jollyroster.ledger;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.intake.Text;
import jollyroster.core.seats.Outlook;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import org.jspecify.annotations.Nullable;

/**
 * What part of the programme is asked for. Empty text asks for everything.
 *
 * @param when {@code coming} or {@code past}
 * @param q text in title, host, venue or label
 * @param state one of {@link #STATES}
 * @param month such as {@code 2027-03}; empty for all
 * @param page from 1, of what is left of all that
 */
record LedgerFilter(
        String when,
        String q,
        String host,
        String venue,
        String state,
        @Nullable String month,
        @Nullable String page) {

    /** The states that can be asked for. */
    static final List<String> STATES =
            List.of("published", "closed", "draft", "full", "waiting", "free seats", "at risk", "no host", "cancelled");

    LedgerFilter {
        when = "past".equals(when) ? "past" : "coming";
        q = shortened(q);
        host = number(host);
        venue = number(venue);
        state = "called off".equals(state) ? "cancelled" : state; // as it stands in views that were saved long ago
        state = state != null && STATES.contains(state) ? state : "";
        month = month != null && month.matches("\\d{4}-(0[1-9]|1[0-2])") ? month : "";
        page = page != null && page.matches("[1-9]\\d{0,3}") ? page : "1";
    }

    private static String shortened(@Nullable String text) {
        return text == null ? "" : Text.oneLine(text, 100);
    }

    private static String number(@Nullable String text) {
        return text != null && text.matches("\\d{1,9}") ? text : "";
    }

    public boolean isPast() {
        return when.equals("past");
    }

    public boolean isEmpty() {
        return (q + host + venue + state).isEmpty();
    }

    /** Whether the session is asked for. @param now for what is at risk */
    boolean asksFor(Session s, List<Host> hosts, SeatCount count, java.time.Instant now) {
        return matchesText(s, hosts)
                && (host.isEmpty()
                        || hosts.stream().anyMatch(h -> String.valueOf(h.id()).equals(host)))
                && (venue.isEmpty()
                        || s.venue()
                                .filter(v -> String.valueOf(v.id()).equals(venue))
                                .isPresent())
                && isInState(s, hosts, count, now);
    }

    private boolean matchesText(Session s, List<Host> hosts) {
        Offering o = s.offering();
        String text = Stream.of(
                        o.title(),
                        HostQueries.names(hosts, o.hostName()),
                        s.place(),
                        String.join(" ", o.front().labels()))
                .collect(Collectors.joining(" "));
        return Text.folded(text).contains(Text.folded(q));
    }

    private boolean isInState(Session s, List<Host> hosts, SeatCount count, java.time.Instant now) {
        int free = s.seats() - s.keptBack() - count.taken();
        Outlook outlook = s.outlook(count.taken(), now);
        return switch (state) {
            case "" -> true;
            case "full" -> free <= 0 && !s.cancelled();
            case "waiting" -> count.waitingParties() > 0;
            case "free seats" -> free > 0 && !s.cancelled();
            case "at risk" -> outlook != Outlook.OPEN && outlook != Outlook.RUNS && !s.cancelled();
            case "no host" -> hosts.isEmpty() && s.offering().hostName().isEmpty() && !s.cancelled();
            case "cancelled" -> s.cancelled();
            default -> s.offering().status().word().equals(state) && !s.cancelled();
        };
    }

    /** As it stands in an address, after the question mark. */
    public String query() {
        return Stream.of("when=" + when, part("q", q), part("host", host), part("venue", venue), part("state", state))
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining("&"));
    }

    /** Where this month is, or all where it is empty. @param number of the page, from 1 */
    String address(String of, int number) {
        return Stream.of(query(), part("month", of), number > 1 ? "page=" + number : "")
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining("&", "/desk/programme?", ""));
    }

    int pageNumber() {
        return Integer.parseInt(page);
    }

    private static String part(String name, String value) {
        return value.isEmpty() ? "" : name + "=" + URLEncoder.encode(value, StandardCharsets.UTF_8);
    }
}
