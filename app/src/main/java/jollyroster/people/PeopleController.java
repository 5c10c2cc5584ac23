package jollyroster.people;

import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import jollyroster.chart.PersonLine;
import jollyroster.chart.StateMark;
import jollyroster.core.intake.Text;
import jollyroster.exchange.Cards;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** People: found by name or address, each with the sessions they registered for. */
@DeskPage
class PeopleController {

    private static final int PAGE = 25;
    private static final int SHOWN = 12;
    private static final int MOST_MESSAGES = 200;
    private static final int LAST_PAGE = 10_000;
    private final PersonalHistory history;
    private final PersonalMoney money;
    private final PersonalMessages messages;
    private final PersonQueries people;
    private final ProgrammeQueries programme;
    private final OrganisationQueries organisation;
    private final Clock clock;

    PeopleController(
            PersonalHistory history,
            PersonalMoney money,
            PersonalMessages messages,
            PersonQueries people,
            ProgrammeQueries programme,
            OrganisationQueries organisation,
            Clock clock) {
        this.history = history;
        this.money = money;
        this.messages = messages;
        this.people = people;
        this.programme = programme;
        this.organisation = organisation;
        this.clock = clock;
    }

    public record Line(long id, String name, String email, String phone, String city, int registrations, String last) {}

    /** @param paid what was paid, in words; empty for nothing */
    public record Seat(
            long session,
            long registration,
            String title,
            String when,
            String state,
            String stateWord,
            int party,
            String paid) {
        /** The state, drawn. */
        public String mark() {
            return StateMark.of(state, stateWord);
        }
    }

    @GetMapping("/desk/people")
    String people(@RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "0") int page, Model model) {
        String sought = Text.oneLine(q, 100);
        int at = Math.max(0, Math.min(page, LAST_PAGE));
        List<PersonQueries.Person> found = people.people(sought, at, PAGE + 1);
        model.addAttribute("q", sought);
        model.addAttribute("page", at);
        model.addAttribute("more", found.size() > PAGE);
        model.addAttribute("total", people.count());
        model.addAttribute("people", found.stream().limit(PAGE).map(this::line).toList());
        return "people/people";
    }

    private Line line(PersonQueries.Person p) {
        String last = Optional.ofNullable(p.last())
                .map((Instant at) ->
                        Times.day(at.atZone(organisation.organisation().zone())))
                .orElse("");
        return new Line(p.id(), p.name(), p.email(), p.phone(), Times.city(p.zone()), p.registrations(), last);
    }

    /** The contact card of one person (vCard 4). */
    @GetMapping("/desk/people/{id}.vcf")
    ResponseEntity<String> card(@PathVariable long id) {
        PersonQueries.Person person = known(id);
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/vcard; charset=UTF-8"))
                .header("Content-Disposition", "attachment; filename=\"person-" + id + ".vcf\"")
                .body(Cards.write(List.of(new Cards.Contact(person.name(), person.email(), person.phone(), ""))));
    }

    private PersonQueries.Person known(long id) {
        return people.person(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/people/{id}")
    String person(@PathVariable long id, @RequestParam(required = false) String all, Model model) {
        PersonQueries.Person person = known(id);
        List<PersonalHistory.Held> held = history.heldBy(id);
        int most = all == null ? SHOWN : Integer.MAX_VALUE;
        Map<Long, Session> sessions =
                programme
                        .sessions(
                                held.stream().map(PersonalHistory.Held::session).toList())
                        .stream()
                        .collect(Collectors.toMap(Session::id, Function.identity()));
        Map<Long, String> paid = money.inWords(
                held.stream().map(PersonalHistory.Held::registration).toList());
        model.addAttribute("person", person);
        model.addAttribute("city", Times.city(person.zone()));
        model.addAttribute("more", Math.max(0, held.size() - most));
        model.addAttribute("number", held.size());
        List<PersonalMessages.Line> written = messages.of(
                held.stream().map(PersonalHistory.Held::registration).toList(), sessions, MOST_MESSAGES);
        model.addAttribute("messages", written.stream().limit(most).toList());
        model.addAttribute("earlier", written.size() > most);
        model.addAttribute("replies", messages.replies(person.id()));
        model.addAttribute("bounced", messages.bounced(person.email()));
        model.addAttribute(
                "silent",
                messages.silent(
                        held.stream().map(PersonalHistory.Held::registration).toList()));
        model.addAttribute(
                "seats",
                held.stream()
                        .limit(most)
                        .map(h -> seat(h, sessions.get(h.session()), paid.getOrDefault(h.registration(), "")))
                        .toList());
        model.addAttribute("line", held.isEmpty() ? "" : line(held, sessions));
        return "people/person";
    }

    private String line(List<PersonalHistory.Held> held, Map<Long, Session> sessions) {
        List<PersonLine.Entry> entries = held.stream()
                .map(h -> entry(h, sessions.get(h.session())))
                .sorted(Comparator.comparing(PersonLine.Entry::start))
                .toList();
        return PersonLine.markup(
                entries, clock.instant(), organisation.organisation().zone());
    }

    private static PersonLine.Entry entry(PersonalHistory.Held held, Session s) {
        String mark = switch (held.state()) {
            case REGISTERED, MAYBE -> "taken";
            case WAITLISTED -> "waiting";
            case CALLED_UP -> "called";
            case UNCONFIRMED -> "held";
            case CANCELLED, DECLINED -> "gone";
        };
        String words = s.offering().title() + ", " + Times.dayAndTime(s.start(), s.zone()) + ": "
                + s.offering().word(held.state());
        return new PersonLine.Entry(s.id(), s.start(), mark, words);
    }

    private static Seat seat(PersonalHistory.Held held, Session s, String paid) {
        return new Seat(
                s.id(),
                held.registration(),
                s.offering().title(),
                Times.dayAndTime(s.start(), s.zone()),
                held.state().code(),
                s.offering().word(held.state()),
                held.party(),
                paid);
    }
}
