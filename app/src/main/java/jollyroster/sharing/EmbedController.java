package jollyroster.sharing;

import jakarta.servlet.http.HttpServletResponse;
import java.net.URI;
import java.net.URISyntaxException;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import jollyroster.chart.SeatStrip;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.owntime.TimesQueries;
import jollyroster.owntime.Viewer;
import jollyroster.platform.Address;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.SeatsLeft;
import jollyroster.programme.Session;
import jollyroster.programme.Visibility;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;

/**
 * An offering as other sites may show it: its dates and seats, and a way to the page where one registers. Only sites the
 * organiser has named may frame it (Content Security Policy, {@code frame-ancestors}).
 */
@Controller
class EmbedController {

    private static final int MOST_DATES = 6;
    private static final int DAYS_AHEAD = 31;
    private final TimesQueries times;
    private final ProgrammeQueries queries;
    private final SeatCounts counts;
    private final Address address;
    private final Clock clock;

    EmbedController(TimesQueries times, ProgrammeQueries queries, SeatCounts counts, Address address, Clock clock) {
        this.times = times;
        this.queries = queries;
        this.counts = counts;
        this.address = address;
        this.clock = clock;
    }

    /**
     * @param strip {@code null} where numbers are not told
     * @param address of the form for it; empty where the page asks which
     */
    record Date(String when, String left, @Nullable SeatStrip strip, String address) {}

    record View(
            String title,
            String summary,
            String city,
            String page,
            String tint,
            String button,
            List<Date> dates,
            int more) {}

    @GetMapping("/embed/{slug}")
    String embed(
            @PathVariable String slug,
            @RequestHeader(name = "Sec-Fetch-Dest", defaultValue = "") String into,
            @RequestHeader(name = "Referer", defaultValue = "") String from,
            Model model,
            HttpServletResponse response) {
        Optional<Offering> found = queries.shown(slug).filter(o -> o.rules().visibility() != Visibility.INVITED);
        List<String> origins = found.map(o -> o.front().embedOrigins()).orElse(List.of());
        response.setHeader("Content-Security-Policy", policy(origins));
        if (found.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        boolean elsewhere = into.equals("iframe") && !from.isEmpty() && !origins.contains(originOf(from));
        if (origins.isEmpty() || elsewhere) {
            response.setHeader("Content-Security-Policy", policy(List.of("*")));
            model.addAttribute("title", found.get().title());
            model.addAttribute("page", address.of("/p/" + slug));
            return "sharing/embed-link";
        }
        model.addAttribute("embed", view(found.get()));
        return "sharing/embed";
    }

    /** A site that was not named would show a broken frame; it shows a link instead, and nothing else. */
    private static String originOf(String address) {
        try {
            URI uri = new URI(address);
            return uri.getScheme() + "://" + uri.getAuthority();
        } catch (URISyntaxException notAnAddress) {
            return "";
        }
    }

    private static String policy(List<String> origins) {
        String framers = origins.isEmpty() ? "'none'" : String.join(" ", origins);
        return "default-src 'self'; object-src 'none'; base-uri 'none'; form-action 'none'; frame-ancestors " + framers;
    }

    private View view(Offering o) {
        Instant now = clock.instant();
        if (o.style() == SignUpStyle.OWN_TIME) {
            return view(o, times(o, now), 0);
        }
        List<Session> open = queries.sessionsOf(o.id()).stream()
                .filter(s -> !s.cancelled() && s.start().isAfter(now))
                .toList();
        Map<Long, SeatCount> taken = counts.of(open.stream().map(Session::id).toList());
        List<Date> dates = open.stream()
                .limit(MOST_DATES)
                .map(s -> date(s, taken.get(s.id()), now))
                .toList();
        return view(o, dates, Math.max(0, open.size() - MOST_DATES));
    }

    /** The next times that are free; which were picked is nobody's business. */
    private List<Date> times(Offering o, Instant now) {
        LocalDate today = now.atZone(o.zone()).toLocalDate();
        return times.between(o, today, today.plusDays(DAYS_AHEAD), Set.of(), Viewer.anybody(now)).stream()
                .limit(MOST_DATES)
                .map(t -> new Date(
                        Times.dayAndTime(t.start().toInstant(), o.zone()),
                        "",
                        null,
                        address.of("/p/" + o.slug() + "?start="
                                + DateTimeFormatter.ISO_OFFSET_DATE_TIME
                                        .format(t.start())
                                        .replace("+", "%2B")
                                + "#ask")))
                .toList();
    }

    private View view(Offering o, List<Date> dates, int more) {
        return new View(
                o.title(),
                o.summary(),
                Times.city(o.zone()),
                address.of("/p/" + o.slug()),
                o.front().tint().code(),
                button(o),
                dates,
                more);
    }

    /** What the button of an offering says. */
    static String button(Offering o) {
        String otherwise = o.style() == SignUpStyle.OWN_TIME ? "Pick a time" : "Register";
        return o.front().button().isEmpty() ? otherwise : o.front().button();
    }

    private static Date date(Session s, SeatCount count, Instant now) {
        SeatsLeft left = SeatsLeft.of(s, count);
        return new Date(
                Times.range(s.start(), s.end(), s.zone(), now.atZone(s.zone()).toLocalDate()),
                left.words(),
                left.told() ? SeatStrip.ofCounts(s.seats(), s.keptBack(), count.taken(), 0, 5) : null,
                "");
    }
}
