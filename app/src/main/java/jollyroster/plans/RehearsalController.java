package jollyroster.plans;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.core.intake.Text;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.messages.Rehearsal;
import jollyroster.core.messages.Rehearsal.Played;
import jollyroster.core.messages.Rehearsal.Player;
import jollyroster.core.messages.WritingHours;
import jollyroster.outbox.HoursQueries;
import jollyroster.outbox.LetterCheck;
import jollyroster.outbox.MessageWords;
import jollyroster.outbox.PlanQueries;
import jollyroster.plans.RehearsalView.Open;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Venue;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.util.UriComponentsBuilder;

/** A dry run of the messages of an offering, published or not: nothing is stored and nothing is sent. */
@DeskPage
class RehearsalController {

    private static final int LONGEST = 60;
    private static final Pattern OPEN = Pattern.compile("(\\d{1,2})-(\\d{1,2})");
    private final ProgrammeQueries programme;
    private final PlanQueries plans;
    private final HoursQueries hours;
    private final LetterCheck check;
    private final RehearsalFacts facts;
    private final Clock clock;

    RehearsalController(
            ProgrammeQueries programme,
            PlanQueries plans,
            HoursQueries hours,
            LetterCheck check,
            RehearsalFacts facts,
            Clock clock) {
        this.programme = programme;
        this.plans = plans;
        this.hours = hours;
        this.check = check;
        this.facts = facts;
        this.clock = clock;
    }

    /** The whole run. */
    private record Run(
            Offering offering,
            PlanView.Drawn drawn,
            WritingHours hours,
            List<Player> cast,
            List<List<Played>> messages) {

        Optional<Played> message(Open open) {
            boolean exists = open.who() < cast.size()
                    && open.which() < messages.get(open.who()).size();
            return exists ? Optional.of(messages.get(open.who()).get(open.which())) : Optional.empty();
        }
    }

    private Run run(long id, Cast.Own own) {
        Offering o = programme.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        Instant now = clock.instant();
        PlanView.Drawn drawn = programme.sessionsOf(id).stream()
                .filter(s -> !s.cancelled() && s.start().isAfter(now))
                .findFirst()
                .map(DrawnDates::of)
                .orElseGet(() -> DrawnDates.madeUp(o, now));
        boolean online = o.venue().map(Venue::isOnline).orElse(false);
        List<PlanLine> lines = plans.plan(id).lines();
        WritingHours counting = hours.of(id).hours();
        List<Player> cast = Cast.of(o.zone(), drawn.timing().hours().start(), own);
        List<List<Played>> messages = cast.stream()
                .map(player -> Rehearsal.play(player, lines, drawn.timing(), counting, online))
                .toList();
        return new Run(o, drawn, counting, cast, messages);
    }

    private static Open open(String said) {
        Matcher read = OPEN.matcher(said);
        return read.matches()
                ? new Open(Integer.parseInt(read.group(1)), Integer.parseInt(read.group(2)))
                : new Open(0, 0);
    }

    /** @param open which message is open, as {@code 2-1} */
    @GetMapping("/desk/offerings/{id}/rehearsal")
    String rehearsal(
            @PathVariable long id,
            @RequestParam(defaultValue = "0-0") String open,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String zone,
            @RequestParam(defaultValue = "48") int hours,
            Model model) {
        Cast.Own own = new Cast.Own(Text.oneLine(name, LONGEST), zone, hours);
        Run run = run(id, own);
        Open wanted = open(open);
        Open opened = run.message(wanted).isPresent() ? wanted : new Open(0, 0);
        Played message = run.message(opened).orElseThrow();
        String at = address(id, own);
        RehearsalView view = new RehearsalView(run.drawn().timing(), run.hours(), run.cast(), run.messages(), at);
        Player player = run.cast().get(opened.who());
        model.addAttribute("offering", run.offering().title());
        model.addAttribute("at", "/desk/offerings/" + id);
        model.addAttribute("date", run.drawn().words());
        model.addAttribute("drawing", view.drawing(opened, message.at()));
        model.addAttribute("lanes", view.lanes(opened));
        model.addAttribute("findings", view.findings());
        model.addAttribute("moment", view.at(message.at()));
        model.addAttribute("own", own);
        model.addAttribute("zones", Times.ZONES_OFFERED);
        model.addAttribute("goes", message.goes());
        model.addAttribute(
                "letter",
                at.replace("/rehearsal?", "/rehearsal/body.html?") + "&open=" + opened.who() + "-" + opened.which());
        model.addAttribute(
                "head",
                MessageWords.of(message.line().anchor(), message.line().offset(), message.channel()) + " to "
                        + player.name() + ", " + Times.dayAndTime(message.at(), player.zone()) + " "
                        + Times.city(player.zone()) + " time");
        model.addAttribute("why", RehearsalView.why(message, player.zone()));
        return "plans/rehearsal";
    }

    private static String address(long id, Cast.Own own) {
        return UriComponentsBuilder.fromPath("/desk/offerings/" + id + "/rehearsal")
                .queryParam("name", "{name}")
                .queryParam("zone", "{zone}")
                .queryParam("hours", own.hours())
                .encode()
                .buildAndExpand(own.name(), own.zone())
                .toUriString();
    }

    /** A message of the rehearsal as it would arrive, alone. */
    @GetMapping("/desk/offerings/{id}/rehearsal/body.html")
    ResponseEntity<String> body(
            @PathVariable long id,
            @RequestParam(defaultValue = "0-0") String open,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String zone,
            @RequestParam(defaultValue = "48") int hours) {
        Run run = run(id, new Cast.Own(Text.oneLine(name, LONGEST), zone, hours));
        Open wanted = open(open);
        Played message = run.message(wanted).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        LetterCheck.Mail mail = check.rehearse(
                message.line().anchor(),
                facts.of(run.offering(), run.drawn().timing(), run.cast().get(wanted.who())));
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "html", StandardCharsets.UTF_8))
                .body(message.channel() == Channel.TEXT ? WordingPage.phone(mail.asText()) : WordingPage.subject(mail));
    }
}
