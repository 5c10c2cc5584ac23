package jollyroster.owntime;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import jollyroster.chart.DayStrip;
import jollyroster.core.dates.Meant;
import jollyroster.core.openhours.DayHours;
import jollyroster.core.openhours.OpenTimes;
import jollyroster.core.openhours.Unoffered;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.ProgrammeQueries;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** Shows the team one day of open hours: what may be picked, and why the rest may not. */
@DeskPage
class DayController {

    private static final int SOON = 14;

    private final ProgrammeQueries programme;
    private final OwnTimeQueries ownTime;
    private final DayQueries days;
    private final UsageQueries usage;
    private final TimesQueries times;
    private final Clock clock;

    DayController(
            ProgrammeQueries programme,
            OwnTimeQueries ownTime,
            DayQueries days,
            UsageQueries usage,
            TimesQueries times,
            Clock clock) {
        this.programme = programme;
        this.ownTime = ownTime;
        this.days = days;
        this.usage = usage;
        this.times = times;
        this.clock = clock;
    }

    /** @param hours of the day, in words @param iso the day, as a form sends it @param at the time asked about, as typed */
    public record View(
            long offering,
            String title,
            String day,
            String iso,
            String before,
            String after,
            String hours,
            String city,
            String at,
            String problem,
            List<HostView> hosts) {}

    /** @param drawing the day as a strip @param answer to the time that was asked about; {@code null} for none */
    public record HostView(
            String name, String drawing, int offered, List<Run> runs, DayWords.@Nullable Reason answer) {}

    /** Starts that follow one another and fare alike. @param when {@code 10:00} or {@code 10:00–11:30} */
    public record Run(String when, int starts, boolean offered, String words, String action, String address) {}

    @GetMapping("/desk/offerings/{id}/times")
    String day(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String day,
            @RequestParam(defaultValue = "") String at,
            Model model) {
        Offering o = programme.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        if (o.style() != SignUpStyle.OWN_TIME) {
            return "redirect:/desk/offerings/" + id;
        }
        Instant now = clock.instant();
        LocalDate shown = Meant.day(day).orElseGet(() -> firstFree(o, now));
        Optional<LocalTime> asked = time(at);
        Optional<Instant> moment =
                asked.map(time -> shown.atTime(time).atZone(o.zone()).toInstant());
        DayQueries.Day found = days.of(o, shown, moment, now);
        DayHours hours = ownTime.of(o.id()).hours().on(shown);
        model.addAttribute(
                "view",
                new View(
                        o.id(),
                        o.title(),
                        Times.dayAndYear(shown),
                        shown.toString(),
                        shown.minusDays(1).toString(),
                        shown.plusDays(1).toString(),
                        hours.toString(),
                        Times.city(o.zone()),
                        at.length() > 20 ? "" : at,
                        at.isEmpty() || asked.isPresent() ? "" : "A time is written like 14:00.",
                        found.starts().keySet().stream()
                                .map(host -> host(o, host, found, hours, moment))
                                .toList()));
        model.addAttribute("usage", UsageView.of(usage.of(o, now)));
        return "owntime/day";
    }

    /** The first day with a time that may be picked, as that is what there is to look at; today where there is none soon. */
    private LocalDate firstFree(Offering o, Instant now) {
        LocalDate today = now.atZone(o.zone()).toLocalDate();
        return times.between(o, today, today.plusDays(SOON), Set.of(), Viewer.anybody(now)).stream()
                .findFirst()
                .map(time -> time.start().toLocalDate())
                .orElse(today);
    }

    private static Optional<LocalTime> time(String text) {
        try {
            return Optional.of(LocalTime.parse(text.strip().length() == 4 ? "0" + text.strip() : text.strip()));
        } catch (DateTimeParseException none) {
            return Optional.empty();
        }
    }

    private static HostView host(Offering o, Host host, DayQueries.Day found, DayHours hours, Optional<Instant> asked) {
        List<OpenTimes.Start> starts = found.starts().get(host);
        DayWords words = new DayWords(o.id(), o.zone(), found.names());
        int offered = (int) starts.stream().filter(OpenTimes.Start::isOffered).count();
        DayStrip strip = new DayStrip(
                hours.stretches().stream()
                        .map(some -> new DayStrip.Stretch(some.from(), some.until()))
                        .toList(),
                starts.stream()
                        .map(s -> new DayStrip.Start(s.at().toLocalTime().toSecondOfDay() / 60, s.isOffered()))
                        .toList());
        return new HostView(
                host.name(),
                strip.markup(offered + " of " + starts.size() + " starts may be picked"),
                offered,
                runs(starts, words),
                asked.map(at -> answer(found.asked(), host, at, words)).orElse(null));
    }

    private static DayWords.Reason answer(Map<Host, Optional<Unoffered>> asked, Host host, Instant at, DayWords words) {
        return asked.get(host)
                .map(why -> words.of(why, at))
                .orElseGet(() -> new DayWords.Reason("It may be picked.", "", ""));
    }

    /** Starts in a row with the same reason are one. */
    private static List<Run> runs(List<OpenTimes.Start> starts, DayWords words) {
        List<Run> runs = new ArrayList<>();
        for (int i = 0; i < starts.size(); ) {
            int end = i;
            Object reason = reason(starts.get(i));
            while (end + 1 < starts.size() && reason(starts.get(end + 1)).equals(reason)) {
                end++;
            }
            runs.add(run(starts.subList(i, end + 1), words));
            i = end + 1;
        }
        return runs;
    }

    /** What makes two starts fare alike: nothing in the way, the same thing, or the same rule. */
    private static Object reason(OpenTimes.Start start) {
        return start.why()
                .<Object>map(
                        why -> DayWords.claim(why).<Object>map(claim -> why).orElse(why.getClass()))
                .orElse("");
    }

    private static Run run(List<OpenTimes.Start> starts, DayWords words) {
        OpenTimes.Start first = starts.get(0);
        String from = Times.time(first.at());
        String when = starts.size() == 1
                ? from
                : from + "–" + Times.time(starts.get(starts.size() - 1).at());
        return first.why()
                .map(why -> words.of(why, first.at().toInstant()))
                .map(r -> new Run(when, starts.size(), false, r.words(), r.action(), r.address()))
                .orElseGet(() -> new Run(when, starts.size(), true, free(starts), "", ""));
    }

    private static String free(List<OpenTimes.Start> starts) {
        return starts.size() == 1 ? "May be picked." : "Each may be picked.";
    }
}
