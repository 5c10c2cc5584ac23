package jollyroster.ledger;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
 */
record LedgerFilter(String when, String q, String host, String venue, String state) {

    /** The states that can be asked for. */
    static final List<String> STATES = List.of(
            "published", "closed", "draft", "full", "waiting", "free seats", "at risk", "no host", "called off");

    LedgerFilter {
        when = "past".equals(when) ? "past" : "coming";
        q = shortened(q);
        host = number(host);
        venue = number(venue);
        state = state != null && STATES.contains(state) ? state : "";
    }

    private static String shortened(@Nullable String text) {
        return text == null
                ? ""
                : text.strip().substring(0, Math.min(text.strip().length(), 100));
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
                .collect(Collectors.joining(" "))
                .toLowerCase(Locale.ROOT);
        return text.contains(q.toLowerCase(Locale.ROOT));
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
            case "called off" -> s.cancelled();
            default -> s.offering().status().word().equals(state) && !s.cancelled();
        };
    }

    /** As it stands in an address, after the question mark. */
    public String query() {
        return Stream.of("when=" + when, part("q", q), part("host", host), part("venue", venue), part("state", state))
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining("&"));
    }

    private static String part(String name, String value) {
        return value.isEmpty() ? "" : name + "=" + URLEncoder.encode(value, StandardCharsets.UTF_8);
    }
}
