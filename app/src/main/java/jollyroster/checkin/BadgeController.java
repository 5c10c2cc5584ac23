package jollyroster.checkin;

import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import jollyroster.door.DoorKeepers;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Paper;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;
import org.thymeleaf.context.Context;

/** The badges of one party, printed when they arrive: a label each, 90 by 54 mm. */
@DeskPage
class BadgeController {

    private final DoorKeepers keepers;
    private final RegistrationQueries roster;
    private final OrganisationQueries organisation;
    private final Paper paper;

    BadgeController(DoorKeepers keepers, RegistrationQueries roster, OrganisationQueries organisation, Paper paper) {
        this.keepers = keepers;
        this.roster = roster;
        this.organisation = organisation;
        this.paper = paper;
    }

    @GetMapping("/desk/check-in/{session}/badge/{registration}")
    ResponseEntity<byte[]> badge(@PathVariable long session, @PathVariable long registration, Actor actor) {
        Session at = keepers.visible(session, actor).orElseThrow(BadgeController::unknown);
        Registration whose = roster.registration(registration)
                .filter(r -> r.session() == at.book() && r.state().takesSeats())
                .orElseThrow(BadgeController::unknown);
        Context model = new Context(Locale.ENGLISH);
        model.setVariable("title", at.offering().title());
        model.setVariable("organisation", organisation.organisation().name());
        model.setVariable("names", names(whose));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Cache-Control", "no-store")
                .header("Content-Disposition", "inline; filename=\"badge-" + registration + ".pdf\"")
                .body(paper.pdf("checkin/badge", model));
    }

    private static ResponseStatusException unknown() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }

    /** Everybody of a party; empty for a companion who is not known by name, who gets a line to write on. */
    private static List<String> names(Registration whose) {
        List<String> companions = whose.remarks().companions().stream()
                .filter(name -> !name.isEmpty())
                .toList();
        return Stream.of(
                        Stream.of(whose.name()),
                        companions.stream(),
                        IntStream.range(companions.size() + 1, whose.party()).mapToObj(i -> ""))
                .flatMap(names -> names)
                .toList();
    }
}
