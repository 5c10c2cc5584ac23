package jollyroster.desk;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import jollyroster.core.intake.Text;
import jollyroster.people.PersonQueries;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeQueries;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** One field that finds people, offerings and sessions. */
@DeskPage
class FindController {

    private static final int MOST = 10;
    private final ProgrammeQueries programme;
    private final PersonQueries people;
    private final Clock clock;

    FindController(ProgrammeQueries programme, PersonQueries people, Clock clock) {
        this.programme = programme;
        this.people = people;
        this.clock = clock;
    }

    record Hit(String address, String text, String detail) {}

    /** @param all the page that has every one of them */
    record Part(String title, List<Hit> hits, String all, boolean more) {

        static Part of(String title, List<Hit> found, String all) {
            return new Part(title, found.stream().limit(MOST).toList(), all, found.size() > MOST);
        }
    }

    @GetMapping("/desk/find")
    String find(@RequestParam(defaultValue = "") String q, Model model) {
        String sought = Text.oneLine(q, 100);
        model.addAttribute("q", sought);
        model.addAttribute(
                "parts",
                (sought.isEmpty() ? Stream.<Part>empty() : parts(sought))
                        .filter(part -> !part.hits().isEmpty())
                        .toList());
        return "desk/find";
    }

    private Stream<Part> parts(String sought) {
        String folded = Text.folded(sought);
        return Stream.of(
                Part.of("Offerings", offerings(folded), "/desk/offerings"),
                Part.of("Coming sessions", sessions(folded), "/desk/programme"),
                Part.of("People", people(sought), "/desk/people"));
    }

    private List<Hit> offerings(String sought) {
        return programme.offerings().stream()
                .filter(o -> o.mentions(sought))
                .limit(MOST + 1)
                .map(o -> new Hit(
                        "/desk/offerings/" + o.id(), o.title(), o.status().word()))
                .toList();
    }

    private List<Hit> sessions(String sought) {
        Instant now = clock.instant();
        return programme.coming(now).stream()
                .filter(s -> s.offering().mentions(sought)
                        || Text.folded(Times.longDay(s.zonedStart())).contains(sought))
                .limit(MOST + 1)
                .map(s -> new Hit(
                        "/desk/sessions/" + s.id(), s.offering().title(), Times.dayAndTime(s.start(), s.zone())))
                .toList();
    }

    private List<Hit> people(String sought) {
        return people.people(sought, 0, MOST + 1).stream()
                .map(p -> new Hit("/desk/people/" + p.id(), p.name(), p.email()))
                .toList();
    }
}
