package jollyroster.attendance;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.ServiceSignature;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Where the meeting service reports who joined and who left, signed as Standard Webhooks describes. */
@RestController
class MeetingReports {

    private static final Actor ACTOR = new Actor.Program("meeting reports");
    private static final int LONGEST_VISIT = 80;
    private final AttendanceCommands commands;
    private final RegistrationQueries roster;
    private final ProgrammeQueries programme;
    private final PersonalLinks links;
    private final List<GuestPasses> guests;
    private final ServiceSignature signature;
    private final JsonMapper json;

    MeetingReports(
            AttendanceCommands commands,
            RegistrationQueries roster,
            ProgrammeQueries programme,
            PersonalLinks links,
            List<GuestPasses> guests,
            ServiceSignature signature,
            JsonMapper json) {
        this.commands = commands;
        this.roster = roster;
        this.programme = programme;
        this.links = links;
        this.guests = guests;
        this.signature = signature;
        this.json = json;
    }

    /**
     * @param type {@code joined} or {@code left}
     * @param visit names one stay of one person
     * @param guest the pass that was given for that person
     * @param at when it was so; reports may come late, twice and in any order
     */
    record Report(String type, String visit, String guest, Instant at) {}

    @PostMapping("/hooks/meeting")
    ResponseEntity<Void> report(
            @RequestHeader("webhook-id") String id,
            @RequestHeader("webhook-timestamp") String timestamp,
            @RequestHeader("webhook-signature") String signed,
            @RequestBody String body) {
        if (!signature.matches(id, timestamp, body, signed)) {
            return ResponseEntity.status(HttpStatus.UNAUTHORIZED).build();
        }
        try {
            return take(json.readValue(body, Report.class));
        } catch (JacksonException notAReport) {
            return ResponseEntity.badRequest().build();
        }
    }

    private ResponseEntity<Void> take(Report report) {
        boolean came = "joined".equals(report.type());
        if (!came && !"left".equals(report.type())
                || report.visit() == null
                || report.visit().length() > LONGEST_VISIT
                || report.at() == null) {
            return ResponseEntity.badRequest().build();
        }
        String pass = String.valueOf(report.guest());
        for (GuestPasses theirs : guests) {
            OptionalLong registration = theirs.registration(pass);
            if (registration.isPresent()) {
                if (came) {
                    theirs.joined(pass, report.visit(), report.at(), ACTOR);
                } else {
                    theirs.left(pass, report.visit(), report.at(), ACTOR);
                }
                roster.registration(registration.getAsLong()).ifPresent(r -> keep(report, came, r));
                return ResponseEntity.noContent().build();
            }
        }
        Optional<Registration> own =
                links.read(Purpose.MEETING_PASS, pass).flatMap(link -> roster.registration(link.id()));
        own.ifPresent(r -> keep(report, came, r));
        return (own.isPresent() ? ResponseEntity.noContent() : ResponseEntity.badRequest()).build();
    }

    private void keep(Report report, boolean came, Registration who) {
        long date =
                programme.dateAt(who.session(), report.at()).map(Session::id).orElse(who.session());
        if (came) {
            commands.joined(report.visit(), who.id(), date, report.at(), ACTOR);
        } else {
            commands.left(report.visit(), who.id(), date, report.at(), ACTOR);
        }
    }
}
