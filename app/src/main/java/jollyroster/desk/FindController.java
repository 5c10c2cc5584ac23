package jollyroster.desk;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
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

    private static final int MOST = 30;
    private final ProgrammeQueries programme;
    private final PersonQueries people;
    private final Clock clock;

    FindController(ProgrammeQueries programme, PersonQueries people, Clock clock) {
        this.programme = programme;
        this.people = people;
        this.clock = clock;
    }

    record Hit(String address, String text, String detail) {}

    @GetMapping("/desk/find")
    String find(@RequestParam(defaultValue = "") String q, Model model) {
        String sought = q.strip().substring(0, Math.min(q.strip().length(), 100));
        model.addAttribute("q", sought);
        model.addAttribute("offerings", sought.isEmpty() ? List.of() : offerings(Text.folded(sought)));
        model.addAttribute("sessions", sought.isEmpty() ? List.of() : sessions(Text.folded(sought)));
        model.addAttribute("people", sought.isEmpty() ? List.of() : people(sought));
        return "desk/find";
    }

    private List<Hit> offerings(String sought) {
        return programme.offerings().stream()
                .filter(o -> o.mentions(sought))
                .limit(MOST)
                .map(o -> new Hit(
                        "/desk/offerings/" + o.id(), o.title(), o.status().word()))
                .toList();
    }

    private List<Hit> sessions(String sought) {
        Instant now = clock.instant();
        return programme.coming(now).stream()
                .filter(s -> s.offering().mentions(sought)
                        || Text.folded(Times.longDay(s.zonedStart())).contains(sought))
                .limit(MOST)
                .map(s -> new Hit(
                        "/desk/sessions/" + s.id(), s.offering().title(), Times.dayAndTime(s.start(), s.zone())))
                .toList();
    }

    private List<Hit> people(String sought) {
        return people.people(sought, 0, MOST).stream()
                .map(p -> new Hit("/desk/people/" + p.id(), p.name(), p.email()))
                .toList();
    }
}
