package jollyroster.checkin;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.PersonalLinks;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** What is in the QR code of a ticket: no address, so that a camera that is no check-in leads nowhere. */
@Component
public class Tickets {

    private static final String MARK = "JR1:";
    private final PersonalLinks links;
    private final RegistrationQueries roster;

    Tickets(PersonalLinks links, RegistrationQueries roster) {
        this.links = links;
        this.roster = roster;
    }

    public String text(Registration r) {
        return MARK + links.issue(Purpose.TICKET, new Link(r.id(), r.generation()));
    }

    /** By what a device knows a ticket without being able to make one: SHA-256 (FIPS 180-4), the first 16 bytes in hexadecimal. */
    String trace(Registration r) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(text(r).getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(hash, 0, 16);
        } catch (NoSuchAlgorithmException everyPlatformHasIt) {
            throw new IllegalStateException(everyPlatformHasIt);
        }
    }

    /** Whose ticket it is, of whichever session. */
    Optional<Registration> read(String text) {
        return Optional.of(text.strip())
                .filter(ticket -> ticket.startsWith(MARK))
                .flatMap(ticket -> links.read(Purpose.TICKET, ticket.substring(MARK.length())))
                .flatMap(link -> roster.registration(link.id()).filter(r -> r.generation() == link.generation()));
    }
}
