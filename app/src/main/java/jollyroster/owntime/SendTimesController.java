package jollyroster.owntime;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.intake.Text;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Actor;
import jollyroster.platform.Address;
import jollyroster.platform.DeskPage;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Visibility;
import jollyroster.seating.RegistrationQueries;
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
    private final TimesQueries times;
    private final TimeLinkQueries onceLinks;
    private final TimeLinkCommands commands;
    private final RegistrationQueries roster;
    private final PersonalLinks links;
    private final Address address;
    private final Clock clock;

    SendTimesController(
            ProgrammeQueries programme,
            HostQueries hosts,
            TimesQueries times,
            TimeLinkQueries onceLinks,
            TimeLinkCommands commands,
            RegistrationQueries roster,
            PersonalLinks links,
            Address address,
            Clock clock) {
        this.programme = programme;
        this.hosts = hosts;
        this.times = times;
        this.onceLinks = onceLinks;
        this.commands = commands;
        this.roster = roster;
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
        LocalDate first = day(from).filter(day -> !day.isBefore(today)).orElse(today);
        List<OpenTime> open = times.between(o, first, first.plusDays(WEEK), Optional.empty(), Viewer.anybody(now));
        List<Instant> chosen = chosen(t);
        List<SendTimesView.Day> days = SendTimesView.days(first, open, chosen);
        boolean right = chosen.size() >= SendTimesView.FEWEST && chosen.size() <= SendTimesView.MOST;
        String kept = chosen.stream()
                .map(at -> "&t=" + sent(o, at).replace("+", "%2B"))
                .reduce("", String::concat);
        model.addAttribute(
                "view",
                new SendTimesView(
                        o.id(),
                        o.title(),
                        Times.city(o.zone()),
                        o.rules().visibility() == Visibility.INVITED,
                        days,
                        first.isAfter(today) ? "?from=" + first.minusDays(WEEK) + kept : "",
                        "?from=" + first.plusDays(WEEK) + kept,
                        chosen.stream()
                                .filter(at -> open.stream()
                                        .noneMatch(
                                                time -> time.start().toInstant().equals(at)))
                                .map(at -> sent(o, at))
                                .toList(),
                        right ? SendTimesView.text(o, chosen, address) : "",
                        right ? SendTimesView.html(o, chosen, address) : "",
                        t.isEmpty() || right ? "" : "Choose two to five times.",
                        onceLinks.ofOffering(id).stream()
                                .map(link -> given(o, link))
                                .toList(),
                        hosts.ofOffering(id).stream()
                                .map(host -> new SendTimesView.Leader(host.id(), host.name()))
                                .toList()));
        model.addAttribute("from", first.toString());
        return "owntime/send";
    }

    private static String sent(Offering o, Instant at) {
        return SENT.format(at.atZone(o.zone()).toOffsetDateTime());
    }

    /** In order of time, each once; whatever is no time is left out. */
    private static List<Instant> chosen(List<String> typed) {
        TreeSet<Instant> chosen = new TreeSet<>();
        for (String text : typed.subList(0, Math.min(typed.size(), 2 * SendTimesView.MOST))) {
            try {
                OffsetDateTime at = OffsetDateTime.parse(text.replace(' ', '+'));
                if (at.getYear() >= 2000 && at.getYear() < 2200) {
                    chosen.add(at.toInstant());
                }
            } catch (DateTimeParseException none) {
                continue;
            }
        }
        return List.copyOf(chosen);
    }

    private SendTimesView.Given given(Offering o, TimeLink link) {
        String within = link.first()
                        .map(day -> "from " + Times.dayAndMonth(day))
                        .orElse("")
                + link.last().map(day -> " to " + Times.dayAndMonth(day)).orElse("")
                + link.host()
                        .flatMap(id -> hosts.ofOffering(o.id()).stream()
                                .filter(host -> host.id() == id)
                                .map(Host::name)
                                .findFirst())
                        .map(name -> " with " + name)
                        .orElse("");
        String state = link.revoked()
                ? "taken back"
                : link.registration()
                        .map(r -> "used by "
                                + roster.registration(r).map(one -> one.name()).orElse("somebody"))
                        .orElse("not used yet");
        String session = link.registration()
                .flatMap(roster::registration)
                .map(r -> "/desk/sessions/" + r.session())
                .orElse("");
        return new SendTimesView.Given(
                link.link().id(),
                link.label(),
                within.strip(),
                state,
                link.isGood() ? links.oneTime(o.slug(), link.link()) : "",
                link.isGood(),
                session);
    }

    /** Makes a link that gives one person one time. */
    @PostMapping("/desk/offerings/{id}/times/links")
    String make(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String label,
            @RequestParam(defaultValue = "") String first,
            @RequestParam(defaultValue = "") String last,
            @RequestParam(defaultValue = "0") long host,
            RedirectAttributes flash,
            Actor actor) {
        Offering o = known(id);
        Optional<LocalDate> from = day(first);
        Optional<LocalDate> until = day(last);
        boolean ordered = from.isEmpty() || until.isEmpty() || !until.get().isBefore(from.get());
        if (!picks(o) || !ordered || !first.isBlank() && from.isEmpty() || !last.isBlank() && until.isEmpty()) {
            flash.addFlashAttribute("warned", "No link was made: the days are not in order, or none.");
            return back(id);
        }
        Optional<Long> leader = hosts.ofOffering(o.id()).stream()
                .map(Host::id)
                .filter(one -> one == host)
                .findFirst();
        String whom = Text.oneLine(label.substring(0, Math.min(label.length(), LONGEST_LABEL)));
        Link made = commands.make(new TimeLinkCommands.Wish(id, whom, leader, from, until), actor);
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

    private static Optional<LocalDate> day(String text) {
        try {
            return Optional.of(LocalDate.parse(text.strip())).filter(d -> d.getYear() >= 2000 && d.getYear() < 2200);
        } catch (DateTimeParseException none) {
            return Optional.empty();
        }
    }
}
