package jollyroster.roster;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Paper;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import jollyroster.roster.RosterPageQueries.Filter;
import jollyroster.roster.RosterPageQueries.Sort;
import jollyroster.seating.Registration;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;
import org.thymeleaf.context.Context;

/** The roster on paper: a list, a sheet to sign, and badges. */
@DeskPage
class PrintController {

    private static final int MOST = 2000;
    private final RollAssembler assembler;
    private final RosterPageQueries pages;
    private final OrganisationQueries organisation;
    private final Paper paper;
    private final Clock clock;

    PrintController(
            RollAssembler assembler,
            RosterPageQueries pages,
            OrganisationQueries organisation,
            Paper paper,
            Clock clock) {
        this.assembler = assembler;
        this.pages = pages;
        this.organisation = organisation;
        this.paper = paper;
        this.clock = clock;
    }

    /** A person on paper. @param with whom they come; empty for nobody */
    record Line(int number, String name, String with, int party, String phone, String state) {}

    @GetMapping("/desk/sessions/{id}/roster.pdf")
    ResponseEntity<byte[]> roster(@PathVariable long id) {
        return paper(id, "roster", List.of());
    }

    @GetMapping("/desk/sessions/{id}/sign-in.pdf")
    ResponseEntity<byte[]> signIn(@PathVariable long id) {
        return paper(id, "sign-in", List.of(RegistrationState.REGISTERED));
    }

    @GetMapping("/desk/sessions/{id}/badges.pdf")
    ResponseEntity<byte[]> badges(@PathVariable long id) {
        return paper(id, "badges", List.of(RegistrationState.REGISTERED));
    }

    /** @param states whom to show; empty for everybody who is on */
    private ResponseEntity<byte[]> paper(long id, String kind, List<RegistrationState> states) {
        Session s = assembler.session(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        List<RegistrationState> shown = states.isEmpty() ? RegistrationState.ACTIVE : states;
        List<Registration> people =
                pages.page(s.book(), new Filter("", false, shown, 0, "", false, Sort.NAME), 0, MOST);
        Context model = new Context(Locale.ENGLISH);
        model.setVariable("title", s.offering().title());
        model.setVariable(
                "when",
                Times.longDay(s.zonedStart()) + ", "
                        + Times.hours(s.zonedStart(), s.end().atZone(s.zone())));
        model.setVariable("place", s.place());
        model.setVariable("organisation", organisation.organisation().name());
        model.setVariable("printed", Times.dayAndTime(clock.instant(), s.zone()));
        model.setVariable("people", lines(people));
        model.setVariable("badges", kind.equals("badges") ? badges(people) : List.of());
        model.setVariable("kind", kind);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Content-Disposition", "inline; filename=\"" + kind + "-" + id + ".pdf\"")
                .body(paper.pdf("roster/paper", model));
    }

    private static List<Line> lines(List<Registration> people) {
        return IntStream.range(0, people.size())
                .mapToObj(i -> {
                    Registration r = people.get(i);
                    String with = String.join(", ", names(r));
                    return new Line(
                            i + 1,
                            r.name(),
                            with,
                            r.party(),
                            r.phone(),
                            r.state().word());
                })
                .toList();
    }

    private static List<String> names(Registration r) {
        return r.remarks().companions().stream().filter(n -> !n.isEmpty()).toList();
    }

    /** A name for each badge, two in a row: everybody known by name, and a blank one for each companion who is not. */
    private static List<List<String>> badges(List<Registration> people) {
        List<String> names = new ArrayList<>();
        for (Registration r : people) {
            names.add(r.name());
            names.addAll(names(r));
            IntStream.range(names(r).size() + 1, r.party()).forEach(i -> names.add(""));
        }
        return IntStream.range(0, (names.size() + 1) / 2)
                .mapToObj(i -> names.subList(i * 2, Math.min(names.size(), i * 2 + 2)))
                .toList();
    }
}
