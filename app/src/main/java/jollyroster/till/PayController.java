package jollyroster.till;

import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.Actor;
import jollyroster.platform.OutsideService;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.ServiceSignature;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** From a person's own page to the till, and from the till back: its reports are signed as Standard Webhooks describes. */
@Controller
class PayController {

    private static final Actor ACTOR = new Actor.Program("till");
    private final PaymentCommands payments;
    private final OutsideService service;
    private final TillProvider till;
    private final RegistrationQueries roster;
    private final PersonalLinks links;
    private final ServiceSignature signature;
    private final JsonMapper json;

    PayController(
            PaymentCommands payments,
            @Qualifier("paymentService") OutsideService service,
            TillProvider till,
            RegistrationQueries roster,
            PersonalLinks links,
            ServiceSignature signature,
            JsonMapper json) {
        this.payments = payments;
        this.service = service;
        this.till = till;
        this.roster = roster;
        this.links = links;
        this.signature = signature;
        this.json = json;
    }

    @PostMapping("/my/{token}/pay")
    String pay(@PathVariable String token) {
        Optional<Registration> found = links.read(Purpose.OWN_PAGE, token)
                .flatMap(link -> roster.registration(link.id()).filter(r -> r.generation() == link.generation()));
        return "redirect:"
                + found.flatMap(r -> payments.start(r, r.self()).map(started -> atTheTill(started, r, token)))
                        .orElse("/my/" + token);
    }

    /** Where to pay; back to the own page, which says so, while the payment service does not answer. */
    private String atTheTill(PaymentCommands.Started started, Registration r, String token) {
        String back = links.ownPage(new Link(r.id(), r.generation()));
        return service.ask(() -> till.open(started.reference(), started.what(), started.amount(), back))
                .orElse("/my/" + token + "?till=silent");
    }

    /** @param outcome {@code PAID} or {@code FAILED} */
    record Report(String reference, PaymentCommands.Outcome outcome) {}

    @PostMapping("/hooks/till")
    ResponseEntity<Void> report(
            @RequestHeader("webhook-id") String id,
            @RequestHeader("webhook-timestamp") String timestamp,
            @RequestHeader("webhook-signature") String signed,
            @RequestBody String body) {
        if (!signature.matches(id, timestamp, body, signed)) {
            return ResponseEntity.status(HttpStatus.UNAUTHORIZED).build();
        }
        try {
            Report report = json.readValue(body, Report.class);
            boolean known = report.reference() != null
                    && report.outcome() != null
                    && payments.settle(report.reference(), report.outcome(), ACTOR);
            return known
                    ? ResponseEntity.noContent().build()
                    : ResponseEntity.badRequest().build();
        } catch (JacksonException notAReport) {
            return ResponseEntity.badRequest().build();
        }
    }
}
