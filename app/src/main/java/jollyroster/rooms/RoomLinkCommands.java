package jollyroster.rooms;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Address;
import jollyroster.platform.Facts;
import jollyroster.platform.PersonalLinks;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Mails people the link to the meetings they were in. */
@Component
public class RoomLinkCommands {

    private static final Duration ONCE_IN = Duration.ofMinutes(10);
    private final RoomVisitQueries visits;
    private final OutboxCommands outbox;
    private final PersonalLinks links;
    private final Address address;
    private final Clock clock;

    RoomLinkCommands(
            RoomVisitQueries visits, OutboxCommands outbox, PersonalLinks links, Address address, Clock clock) {
        this.visits = visits;
        this.outbox = outbox;
        this.links = links;
        this.address = address;
        this.clock = clock;
    }

    /** To an address somebody has come with, once in ten minutes; nothing to any other. */
    @Transactional
    public void send(StandingRoom room, String email, Actor actor) {
        Instant now = clock.instant();
        visits.latest(room.id(), email)
                .ifPresent(visit -> outbox.letter(
                        LetterKind.ROOM_MEETINGS,
                        "room-meetings-" + room.id() + "-" + visit.email() + "-"
                                + now.getEpochSecond() / ONCE_IN.toSeconds(),
                        visit.email(),
                        Facts.of("title", room.name()).and("meetings_link", address.of(path(room, visit))),
                        "",
                        now));
    }

    private String path(StandingRoom room, RoomVisit visit) {
        return "/rooms/" + room.slug() + "/mine/" + links.issue(Purpose.ROOM_PAST, visit.link());
    }
}
