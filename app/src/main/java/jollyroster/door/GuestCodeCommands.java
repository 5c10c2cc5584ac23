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
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.CodeLimit;
import jollyroster.platform.Facts;
import jollyroster.platform.PersonalLinks;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Codes that show that a guest's address is theirs. */
@Component
public class GuestCodeCommands {

    /** What a code is for: a code for one thing is worthless for another. */
    public record Scope(Purpose purpose, long id, int generation) {

        private String key() {
            return purpose == Purpose.GUEST ? String.valueOf(id) : purpose + "-" + id;
        }
    }

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
    public void send(Scope scope, String title, String email, Actor actor) {
        Instant until = until(clock.instant());
        outbox.letter(
                LetterKind.GUEST_CODE,
                "guest-code-" + scope.key() + "-" + email + "-" + until.getEpochSecond(),
                email,
                Facts.of("code", code(scope, email, until)).and("title", title).and("minutes", WINDOW.toMinutes()),
                "",
                clock.instant());
    }

    public boolean isRight(Scope scope, String email, String code) {
        Instant until = until(clock.instant());
        return limit.mayTry("guest-" + scope.key() + "-" + email.toLowerCase(Locale.ROOT))
                && Stream.of(until, until.minus(WINDOW))
                        .anyMatch(end -> code(scope, email, end).equals(code.strip()));
    }

    /** The end of the present window; a code of the one before still holds. */
    private static Instant until(Instant now) {
        long window = WINDOW.toSeconds();
        return Instant.ofEpochSecond((now.getEpochSecond() / window + 1) * window);
    }

    private String code(Scope scope, String email, Instant until) {
        CRC32 sum = new CRC32();
        sum.update(email.toLowerCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8));
        return links.code(scope.purpose(), new Link(scope.id() << 32 | sum.getValue(), scope.generation()), until);
    }
}
