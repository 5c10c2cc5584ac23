package jollyroster.owntime;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import jollyroster.core.dates.Meant;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Visibility;
import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** Tells programs which times of an offering may be picked. */
@Controller
class TimesController {

    private static final int MOST_DAYS = 62;
    private static final Pattern DAYS = Pattern.compile("[1-9]\\d?");
    private static final Pattern NUMBER = Pattern.compile("\\d{1,15}");
    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ISO_OFFSET_DATE_TIME;
    private final ProgrammeQueries programme;
    private final TimesQueries times;
    private final Clock clock;

    TimesController(ProgrammeQueries programme, TimesQueries times, Clock clock) {
        this.programme = programme;
        this.times = times;
        this.clock = clock;
    }

    /** @param zone of the offering @param times in order */
    record Times(String zone, List<Time> times) {}

    /**
     * @param start ISO 8601 with the offset of the offering's zone
     * @param end likewise
     * @param free seats
     */
    record Time(String start, String end, List<Host> hosts, int free) {}

    /**
     * The times that may be picked.
     *
     * @param from the first day, in the zone of the offering; empty for today
     * @param days how many, 1 to {@value #MOST_DAYS}
     * @param host the number of the one who is to lead it; empty for anybody
     */
    @GetMapping("/p/{slug}/times")
    ResponseEntity<?> times(
            @PathVariable String slug,
            @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "7") String days,
            @RequestParam(defaultValue = "") String host) {
        Optional<Offering> offering = programme
                .shown(slug)
                .filter(o -> o.style() == SignUpStyle.OWN_TIME)
                .filter(o -> o.rules().visibility() != Visibility.INVITED);
        if (offering.isEmpty()) {
            return ResponseEntity.notFound().build();
        }
        Offering o = offering.get();
        Instant now = clock.instant();
        Optional<LocalDate> first =
                from.isEmpty() ? Optional.of(now.atZone(o.zone()).toLocalDate()) : Meant.day(from);
        if (first.isEmpty()) {
            return wrong("from", "a date such as 2027-03-11, from 2000 to 2199");
        }
        if (!DAYS.matcher(days).matches() || Integer.parseInt(days) > MOST_DAYS) {
            return wrong("days", "a whole number from 1 to " + MOST_DAYS);
        }
        if (!host.isEmpty() && !NUMBER.matcher(host).matches()) {
            return wrong("host", "the number of a host");
        }
        LocalDate until = first.get().plusDays(Integer.parseInt(days));
        Set<Long> only = host.isEmpty() ? Set.of() : Set.of(Long.parseLong(host));
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .body(new Times(
                        o.zone().getId(),
                        o.status() == OfferingStatus.PUBLISHED
                                ? times.between(o, first.get(), until, only, Viewer.anybody(now)).stream()
                                        .map(TimesController::time)
                                        .toList()
                                : List.of()));
    }

    private static ResponseEntity<?> wrong(String parameter, String wanted) {
        return ResponseEntity.badRequest().body(Map.of("parameter", parameter, "wanted", wanted));
    }

    private static Time time(OpenTime time) {
        return new Time(MOMENT.format(time.start()), MOMENT.format(time.end()), time.hosts(), time.free());
    }
}
