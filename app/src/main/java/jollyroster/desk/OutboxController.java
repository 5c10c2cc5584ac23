package jollyroster.desk;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.core.messages.Anchor;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.Letters;
import jollyroster.outbox.MailChannel;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxCommands;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxQueries.Item;
import jollyroster.outbox.SentMail;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The outbox: every message, planned, sent, failed or withdrawn, and each as it would arrive. */
@DeskPage
class OutboxController {

    private static final int MOST_SHOWN = 200;
    private static final int SENDINGS = 10;
    private static final int NAMES = 8;
    private final OutboxQueries outbox;
    private final OutboxCommands commands;
    private final MailChannel mail;
    private final Letters letters;
    private final SentMail sent;
    private final OrganisationQueries organisation;
    private final Clock clock;

    OutboxController(
            OutboxQueries outbox,
            OutboxCommands commands,
            MailChannel mail,
            Letters letters,
            SentMail sent,
            OrganisationQueries organisation,
            Clock clock) {
        this.outbox = outbox;
        this.commands = commands;
        this.mail = mail;
        this.letters = letters;
        this.sent = sent;
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
    record Line(
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
    record Sending(
            String at,
            String ahead,
            String what,
            String title,
            String address,
            String people,
            String moved,
            List<Line> lines,
            int more,
            String all) {}

    record Total(String show, String word, int messages, boolean lit) {}

    @GetMapping("/desk/outbox")
    String outbox(
            @RequestParam(defaultValue = "planned") String show,
            @RequestParam(defaultValue = "0") long session,
            @RequestParam(defaultValue = "") String what,
            @RequestParam(defaultValue = "0") int page,
            Model model) {
        Optional<Anchor> anchor =
                Stream.of(Anchor.values()).filter(a -> a.name().equals(what)).findFirst();
        boolean whole = session > 0 || anchor.isPresent();
        List<Item> items = outbox.list(states(show), session, anchor, MOST_SHOWN);
        Map<Long, Letters.Line> people =
                letters.lines(items.stream().map(Item::registration).distinct().toList());
        model.addAttribute("show", show);
        model.addAttribute("totals", totals(show));
        List<Line> lines = items.stream().map(i -> line(i, people)).toList();
        List<Sending> all = together(lines, show, whole ? MOST_SHOWN : NAMES);
        int from = Math.max(0, Math.min(page, all.size() / SENDINGS)) * SENDINGS;
        model.addAttribute("shown", lines.size());
        model.addAttribute("sendings", all.stream().skip(from).limit(SENDINGS).toList());
        model.addAttribute("next", from + SENDINGS < all.size() ? from / SENDINGS + 1 : 0);
        model.addAttribute("whole", whole);
        model.addAttribute("about", session);
        model.addAttribute("what", what);
        model.addAttribute("most", MOST_SHOWN);
        model.addAttribute("trayOnly", !mail.reachesPeople());
        return "desk/outbox";
    }

    private List<Total> totals(String show) {
        Map<MessageState, Integer> totals = outbox.totals();
        int planned = totals.getOrDefault(MessageState.PLANNED, 0) + totals.getOrDefault(MessageState.SENDING, 0);
        return List.of(
                total("planned", "planned", planned, show),
                total("sent", "sent", totals.getOrDefault(MessageState.SENT, 0), show),
                total("failed", "failed", totals.getOrDefault(MessageState.FAILED, 0), show),
                total("withdrawn", "withdrawn", totals.getOrDefault(MessageState.WITHDRAWN, 0), show));
    }

    private static List<Sending> together(List<Line> lines, String show, int names) {
        Map<String, List<Line>> groups = new LinkedHashMap<>();
        lines.forEach(l -> groups.computeIfAbsent(l.at() + "|" + l.what() + "|" + l.address(), key -> new ArrayList<>())
                .add(l));
        return groups.values().stream().map(some -> sending(some, show, names)).toList();
    }

    private static Sending sending(List<Line> lines, String show, int names) {
        Line first = lines.get(0);
        String people = lines.size() == 1 ? "one person" : lines.size() + " people";
        boolean alike = lines.stream().allMatch(l -> l.moved().equals(first.moved()));
        List<Line> named =
                lines.stream().limit(names).map(l -> alike ? l.notMoved() : l).toList();
        String all = "/desk/outbox?show=" + show + "&session=" + first.session() + "&what=" + first.anchor();
        return new Sending(
                first.at(),
                first.ahead(),
                first.what(),
                first.title(),
                first.address(),
                people,
                alike ? first.moved() : "",
                named,
                lines.size() - named.size(),
                all);
    }

    private static Total total(String show, String word, int messages, String shown) {
        return new Total(show, word, messages, show.equals(shown));
    }

    private static List<MessageState> states(String show) {
        return switch (show) {
            case "sent" -> List.of(MessageState.SENT);
            case "failed" -> List.of(MessageState.FAILED);
            case "withdrawn" -> List.of(MessageState.WITHDRAWN);
            default -> List.of(MessageState.PLANNED, MessageState.SENDING);
        };
    }

    private Line line(Item item, Map<Long, Letters.Line> people) {
        ZoneId home = organisation.organisation().zone();
        Instant at = item.done().orElse(item.due());
        Optional<Letters.Line> about = Optional.ofNullable(people.get(item.registration()));
        boolean ahead = item.state() == MessageState.PLANNED && at.isAfter(clock.instant());
        return new Line(
                item.id(),
                item.session(),
                Times.dayAndTime(at, home),
                ahead ? "in " + Times.length(java.time.Duration.between(clock.instant(), at)) : "",
                MessageWords.of(item),
                item.anchor().name(),
                about.map(Letters.Line::name).orElseGet(() -> addressee(item)),
                item.recipient(),
                about.map(Letters.Line::title).orElseGet(() -> item.given().text("title")),
                address(item),
                item.state().name().toLowerCase(Locale.ROOT),
                item.reason(),
                moved(item, home),
                item.state() == MessageState.FAILED);
    }

    /** Of a letter about no registration: by the name it was given, else by the address. */
    private static String addressee(Item item) {
        boolean toTeam = item.kind()
                .filter(k -> k == LetterKind.ANSWERED || k == LetterKind.ANSWERS)
                .isPresent();
        String name = item.given().text("name");
        return toTeam || name.isEmpty() ? item.recipient() : name;
    }

    private static String address(Item item) {
        if (item.session() > 0) {
            return "/desk/sessions/" + item.session();
        }
        int offering = item.given().number("offering");
        return offering > 0 ? "/desk/offerings/" + offering + "/guests" : "";
    }

    private static String moved(Item item, ZoneId home) {
        boolean earlier = item.state() == MessageState.PLANNED && item.due().isBefore(item.nominal());
        return earlier ? "before quiet hours, instead of " + Times.dayAndTime(item.nominal(), home) : "";
    }

    @GetMapping("/desk/outbox/{id}")
    String message(@PathVariable long id, Model model) {
        Item item = known(id);
        model.addAttribute("line", line(item, letters.lines(List.of(item.registration()))));
        model.addAttribute("subject", item.subject());
        model.addAttribute("attempts", item.attempts());
        model.addAttribute("mail", sent.byKey(item.key()).orElse(null));
        return "desk/message";
    }

    private Item known(long id) {
        return outbox.item(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private SentMail.Mail mail(long id) {
        return sent.byKey(known(id).key()).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    /** The HTML part alone, shown in a frame that can run nothing. */
    @GetMapping("/desk/outbox/{id}/body.html")
    ResponseEntity<String> html(@PathVariable long id) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "html", java.nio.charset.StandardCharsets.UTF_8))
                .body(mail(id).html());
    }

    @GetMapping("/desk/outbox/{id}/session.ics")
    ResponseEntity<String> calendar(@PathVariable long id) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "calendar", java.nio.charset.StandardCharsets.UTF_8))
                .header("Content-Disposition", "attachment; filename=\"session.ics\"")
                .body(mail(id).calendar());
    }

    @PostMapping("/desk/outbox/{id}/retry")
    String retry(@PathVariable long id, RedirectAttributes flash, Actor actor) {
        boolean again = commands.retry(id, clock.instant(), actor);
        flash.addFlashAttribute(again ? "said" : "warned", again ? "It goes again now." : "It had not failed.");
        return "redirect:/desk/outbox";
    }
}
