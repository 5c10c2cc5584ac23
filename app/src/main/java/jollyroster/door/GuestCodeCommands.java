package jollyroster.door;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.stream.Stream;
import java.util.zip.CRC32;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.door.GuestLinkQueries.GuestLink;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.CodeLimit;
import jollyroster.platform.Facts;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Codes that show that a guest's address is theirs. */
@Component
class GuestCodeCommands {

    private static final Duration WINDOW = Duration.ofMinutes(10);
    private final OutboxCommands outbox;
    private final PersonalLinks links;
    private final CodeLimit limit;
    private final Clock clock;

    GuestCodeCommands(OutboxCommands outbox, PersonalLinks links, CodeLimit limit, Clock clock) {
        this.outbox = outbox;
        this.links = links;
        this.limit = limit;
        this.clock = clock;
    }

    /** Mails a code, which is good for ten minutes at least; once in ten minutes to each address. */
    @Transactional
    public void send(GuestLink link, Session session, String email, Actor actor) {
        Instant until = until(clock.instant());
        outbox.letter(
                LetterKind.GUEST_CODE,
                "guest-code-" + link.id() + "-" + email + "-" + until.getEpochSecond(),
                email,
                Facts.of("code", code(link, email, until))
                        .and("title", session.offering().title())
                        .and("minutes", WINDOW.toMinutes()),
                "",
                clock.instant());
    }

    boolean isRight(GuestLink link, String email, String code) {
        Instant until = until(clock.instant());
        return limit.mayTry("guest-" + link.id() + "-" + email.toLowerCase(Locale.ROOT))
                && Stream.of(until, until.minus(WINDOW))
                        .anyMatch(end -> code(link, email, end).equals(code.strip()));
    }

    /** The end of the present window; a code of the one before still holds. */
    private static Instant until(Instant now) {
        long window = WINDOW.toSeconds();
        return Instant.ofEpochSecond((now.getEpochSecond() / window + 1) * window);
    }

    private String code(GuestLink link, String email, Instant until) {
        CRC32 sum = new CRC32();
        sum.update(email.toLowerCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8));
        return links.code(Purpose.GUEST, new Link(link.id() << 32 | sum.getValue(), link.generation()), until);
    }
}
