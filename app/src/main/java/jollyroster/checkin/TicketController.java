package jollyroster.checkin;

import java.time.Clock;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Paper;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.QrCode;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.thymeleaf.context.Context;

/** The ticket of somebody who comes in person: its QR code, and on paper. */
@Controller
class TicketController {

    private static final int PIXELS_A_MODULE = 8;
    private final PersonalLinks links;
    private final RegistrationQueries roster;
    private final ProgrammeQueries programme;
    private final OrganisationQueries organisation;
    private final Tickets tickets;
    private final Paper paper;
    private final Clock clock;

    TicketController(
            PersonalLinks links,
            RegistrationQueries roster,
            ProgrammeQueries programme,
            OrganisationQueries organisation,
            Tickets tickets,
            Paper paper,
            Clock clock) {
        this.links = links;
        this.roster = roster;
        this.programme = programme;
        this.organisation = organisation;
        this.tickets = tickets;
        this.paper = paper;
        this.clock = clock;
    }

    private record Holder(Registration who, Session session) {}

    private Optional<Holder> holder(String token) {
        return links.read(Purpose.OWN_PAGE, token)
                .flatMap(link -> roster.registration(link.id()).filter(r -> r.generation() == link.generation()))
                .filter(r -> r.state().mayJoin())
                .flatMap(r -> programme.dateAt(r.session(), clock.instant()).map(s -> new Holder(r, s)))
                .filter(h -> !h.session().isOnline() && !h.session().cancelled());
    }

    @GetMapping("/my/{token}/ticket.png")
    ResponseEntity<byte[]> code(@PathVariable String token) {
        return holder(token)
                .map(h -> ResponseEntity.ok()
                        .cacheControl(CacheControl.noStore())
                        .contentType(MediaType.IMAGE_PNG)
                        .body(QrCode.of(tickets.text(h.who())).png(PIXELS_A_MODULE)))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    @GetMapping("/my/{token}/ticket.pdf")
    ResponseEntity<byte[]> paper(@PathVariable String token) {
        return holder(token)
                .map(h -> ResponseEntity.ok()
                        .cacheControl(CacheControl.noStore())
                        .contentType(MediaType.APPLICATION_PDF)
                        .header("Content-Disposition", "inline; filename=\"ticket.pdf\"")
                        .body(paper.pdf("checkin/ticket", model(h))))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    private Context model(Holder h) {
        Session s = h.session();
        List<String> companions = h.who().remarks().companions().stream()
                .filter(n -> !n.isEmpty())
                .toList();
        Context model = new Context(Locale.ENGLISH);
        model.setVariable("organisation", organisation.organisation().name());
        model.setVariable("title", s.offering().title());
        model.setVariable(
                "when",
                Times.longDay(s.zonedStart()) + ", "
                        + Times.hours(s.zonedStart(), s.end().atZone(s.zone())));
        model.setVariable("place", s.place());
        model.setVariable("note", s.venue().map(v -> v.accessNote()).orElse(""));
        model.setVariable("bring", s.offering().bring());
        model.setVariable("name", h.who().name());
        model.setVariable("with", String.join(", ", companions));
        model.setVariable("seats", h.who().party() == 1 ? "1 seat" : h.who().party() + " seats");
        model.setVariable(
                "code",
                "data:image/png;base64,"
                        + Base64.getEncoder()
                                .encodeToString(QrCode.of(tickets.text(h.who())).png(PIXELS_A_MODULE)));
        return model;
    }
}
