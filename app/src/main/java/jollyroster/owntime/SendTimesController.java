package jollyroster.owntime;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.core.dates.DayRange;
import jollyroster.core.dates.Meant;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.intake.Text;
import jollyroster.core.openhours.HostChoice;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Actor;
import jollyroster.platform.Address;
import jollyroster.platform.DeskPage;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Visibility;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Times to put into a letter, which hold nothing, and links that give one person one time. */
@DeskPage
class SendTimesController {

    private static final int WEEK = 7;
    private static final int LONGEST_LABEL = 120;
    private static final DateTimeFormatter SENT = DateTimeFormatter.ISO_OFFSET_DATE_TIME;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final OwnTimeQueries ownTime;
    private final TimesQueries times;
    private final GivenLinks given;
    private final TimeLinkCommands commands;
    private final PersonalLinks links;
    private final Address address;
    private final Clock clock;

    SendTimesController(
            ProgrammeQueries programme,
            HostQueries hosts,
            OwnTimeQueries ownTime,
            TimesQueries times,
            GivenLinks given,
            TimeLinkCommands commands,
            PersonalLinks links,
            Address address,
            Clock clock) {
        this.programme = programme;
        this.hosts = hosts;
        this.ownTime = ownTime;
        this.times = times;
        this.given = given;
        this.commands = commands;
        this.links = links;
        this.address = address;
        this.clock = clock;
    }

    private Offering known(long id) {
        return programme.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static boolean picks(Offering o) {
        return o.style() == SignUpStyle.OWN_TIME;
    }

    /** @param from the first day to choose from @param t the times that are chosen */
    @GetMapping("/desk/offerings/{id}/times/send")
    String send(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String from,
            @RequestParam(defaultValue = "") List<String> t,
            Model model) {
        Offering o = known(id);
        if (!picks(o)) {
            return "redirect:/desk/offerings/" + id;
        }
        Instant now = clock.instant();
        LocalDate today = now.atZone(o.zone()).toLocalDate();
        LocalDate first = Meant.day(from).filter(day -> !day.isBefore(today)).orElse(today);
        List<OpenTime> open = times.between(o, first, first.plusDays(WEEK), Set.of(), Viewer.anybody(now));
        List<Instant> chosen = chosen(t);
        model.addAttribute("view", view(o, today, first, open, chosen, t.isEmpty()));
        model.addAttribute("from", first.toString());
        return "owntime/send";
    }

    private SendTimesView view(
            Offering o, LocalDate today, LocalDate first, List<OpenTime> open, List<Instant> chosen, boolean fresh) {
        boolean right = chosen.size() >= SendTimesView.FEWEST && chosen.size() <= SendTimesView.MOST;
        String kept = chosen.stream()
                .map(at -> "&t=" + sent(o, at).replace("+", "%2B"))
                .collect(Collectors.joining());
        return new SendTimesView(
                o.id(),
                o.title(),
                Times.city(o.zone()),
                o.rules().visibility() == Visibility.INVITED,
                SendTimesView.days(first, open, chosen),
                first.isAfter(today) ? "?from=" + first.minusDays(WEEK) + kept : "",
                "?from=" + first.plusDays(WEEK) + kept,
                elsewhere(o, open, chosen),
                right ? SendTimesView.text(o, chosen, address) : "",
                right ? SendTimesView.html(o, chosen, address) : "",
                fresh || right ? "" : "Choose two to five times.",
                given.of(o),
                leaders(o));
    }

    /** Whom a link may name: nobody where all lead together. */
    private List<SendTimesView.Leader> leaders(Offering o) {
        return ownTime.of(o.id()).choice() == HostChoice.ALL_TOGETHER
                ? List.of()
                : hosts.ofOffering(o.id()).stream()
                        .map(host -> new SendTimesView.Leader(host.id(), host.name()))
                        .toList();
    }

    /** What was chosen on other weeks, so that it stays chosen. */
    private static List<String> elsewhere(Offering o, List<OpenTime> open, List<Instant> chosen) {
        Set<Instant> here = open.stream().map(time -> time.start().toInstant()).collect(Collectors.toSet());
        return chosen.stream()
                .filter(at -> !here.contains(at))
                .map(at -> sent(o, at))
                .toList();
    }

    private static String sent(Offering o, Instant at) {
        return SENT.format(at.atZone(o.zone()).toOffsetDateTime());
    }

    /** In order of time, each once; whatever is no time is left out. */
    private static List<Instant> chosen(List<String> typed) {
        return typed.stream()
                .limit(2 * SendTimesView.MOST)
                .flatMap(text -> Meant.moment(text).stream())
                .sorted()
                .distinct()
                .toList();
    }

    /** What was typed for a link that was not made. */
    public record Typed(String label, String first, String last, Set<Long> hosts) {}

    private Optional<String> problem(String first, String last, DayRange days, Offering o) {
        boolean read = first.isBlank() == days.first().isEmpty()
                && last.isBlank() == days.last().isEmpty();
        if (!read) {
            return Optional.of("a day is written like 2027-03-20");
        }
        if (!days.isOrdered()) {
            return Optional.of("the first day is after the last");
        }
        LocalDate today = clock.instant().atZone(o.zone()).toLocalDate();
        return days.last().filter(today::isAfter).map(past -> "its last day has passed");
    }

    /** Makes a link that gives one person one time. */
    @PostMapping("/desk/offerings/{id}/times/links")
    String make(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String label,
            @RequestParam(defaultValue = "") String first,
            @RequestParam(defaultValue = "") String last,
            @RequestParam(name = "host", defaultValue = "") Set<Long> named,
            RedirectAttributes flash,
            Actor actor) {
        Offering o = known(id);
        DayRange days = new DayRange(Meant.day(first), Meant.day(last));
        String whom = Text.oneLine(label, LONGEST_LABEL);
        Optional<String> problem = picks(o) ? problem(first, last, days, o) : Optional.of("people pick no times here");
        if (problem.isPresent()) {
            flash.addFlashAttribute("warned", "No link was made: " + problem.get() + ".");
            flash.addFlashAttribute("typed", new Typed(whom, first, last, named));
            return back(id);
        }
        Set<Long> leaders = hosts.ofOffering(o.id()).stream()
                .map(Host::id)
                .filter(named::contains)
                .collect(Collectors.toSet());
        Link made = commands.make(new TimeLinkCommands.Wish(id, whom, leaders, days), actor);
        flash.addFlashAttribute("made", links.oneTime(o.slug(), made));
        return back(id);
    }

    @PostMapping("/desk/offerings/{id}/times/links/{link}/revoke")
    String revoke(@PathVariable long id, @PathVariable long link, RedirectAttributes flash, Actor actor) {
        known(id);
        commands.revoke(id, link, actor);
        flash.addFlashAttribute("said", "The link is taken back.");
        return back(id);
    }

    private static String back(long id) {
        return "redirect:/desk/offerings/" + id + "/times/send#once";
    }
}
