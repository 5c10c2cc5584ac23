package jollyroster.door;

import static jollyroster.platform.tables.Tables.GUEST_LINK;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import jollyroster.core.door.DoorHours;
import jollyroster.core.door.Invited;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.Address;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Reads;
import jollyroster.platform.tables.tables.records.GuestLinkRecord;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** Links for whoever has them. */
@Component
public class GuestLinkQueries {

    private final Reads reads;
    private final PersonalLinks links;
    private final ProgrammeQueries programme;
    private final Address address;

    GuestLinkQueries(Reads reads, PersonalLinks links, ProgrammeQueries programme, Address address) {
        this.reads = reads;
        this.links = links;
        this.programme = programme;
        this.address = address;
    }

    /** @param session 0 for one that leads to whichever session of the offering has its door open @param agreement what guests agree to */
    public record GuestLink(
            long id,
            long offering,
            long session,
            int generation,
            boolean emailAsked,
            Invited invited,
            String agreement) {

        /** Whoever has to be among certain people says their address. */
        public boolean asksEmail() {
            return emailAsked || !invited.isEverybody();
        }

        private static GuestLink of(GuestLinkRecord row) {
            return new GuestLink(
                    row.getId(),
                    row.getOfferingId(),
                    Objects.requireNonNullElse(row.getSessionId(), 0L),
                    row.getGeneration(),
                    row.getIsEmailAsked(),
                    Invited.read(row.getWhoMay()).invited(),
                    row.getAgreement());
        }
    }

    public Optional<GuestLink> ofSession(long session) {
        return reads.sql()
                .selectFrom(GUEST_LINK)
                .where(GUEST_LINK.SESSION_ID.eq(session))
                .fetchOptional(GuestLink::of);
    }

    public Optional<GuestLink> ofOffering(long offering) {
        return reads.sql()
                .selectFrom(GUEST_LINK)
                .where(GUEST_LINK.OFFERING_ID.eq(offering))
                .and(GUEST_LINK.SESSION_ID.isNull())
                .fetchOptional(GuestLink::of);
    }

    /** As it is given away. */
    public String address(GuestLink link) {
        return address.of("/g/" + links.issue(Purpose.GUEST, new Link(link.id(), link.generation())));
    }

    /** Empty for one that was renewed since, or was never given. */
    Optional<GuestLink> read(String token) {
        return links.read(Purpose.GUEST, token)
                .flatMap(link -> reads.sql()
                        .selectFrom(GUEST_LINK)
                        .where(GUEST_LINK.ID.eq(link.id()))
                        .and(GUEST_LINK.GENERATION.eq(link.generation()))
                        .fetchOptional(GuestLink::of));
    }

    /** The session it leads to: the one whose door is open, else the next, else the last. */
    Optional<Session> leadsTo(GuestLink link, Instant now) {
        if (link.session() != 0) {
            return programme.session(link.session());
        }
        List<Session> all = programme.sessionsOf(link.offering()).stream()
                .filter(s -> !s.cancelled())
                .sorted(Comparator.comparing(Session::start))
                .toList();
        return all.stream()
                .filter(s -> s.doorHours().at(now) == DoorHours.Phase.OPEN)
                .findFirst()
                .or(() -> all.stream()
                        .filter(s -> s.doorHours().at(now) == DoorHours.Phase.BEFORE)
                        .findFirst())
                .or(() -> all.stream().reduce((earlier, later) -> later));
    }
}
