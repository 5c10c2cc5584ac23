package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.core.messages.Anchor;
import jollyroster.platform.Reads;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Component;

/** Letters that have not gone, as they would be written now: by the writer that will write them. */
@Component
public class PlannedMailQueries {

    private final Reads reads;
    private final LetterWriter writer;
    private final Letters letters;
    private final Obstacles obstacles;
    private final Clock clock;

    PlannedMailQueries(Reads reads, LetterWriter writer, @Lazy Letters letters, Obstacles obstacles, Clock clock) {
        this.reads = reads;
        this.writer = writer;
        this.letters = letters;
        this.obstacles = obstacles;
        this.clock = clock;
    }

    /** @param mail as it would arrive @param obstacle why it would not go, in words; empty when it would */
    public record Planned(SentMail.Mail mail, String obstacle) {}

    /** The letter with this number; empty when there is none, or it is about a registration that is no more. */
    public Optional<Planned> of(long id) {
        Instant now = clock.instant();
        return reads.sql()
                .selectFrom(MESSAGE)
                .where(MESSAGE.ID.eq(id))
                .fetchOptional(DispatchCommands.Claim::of)
                .flatMap(claim -> planned(claim, now));
    }

    private Optional<Planned> planned(DispatchCommands.Claim claim, Instant now) {
        if (claim.anchor() == Anchor.LETTER) {
            return Optional.of(new Planned(mail(writer.standing(claim, letters.sender(), now), claim.due()), ""));
        }
        return letters.facts(claim.registration(), claim.session())
                .map(facts -> new Planned(
                        mail(writer.about(claim, facts, now), claim.due()), obstacles.of(claim, facts, now)));
    }

    private static SentMail.Mail mail(Letter letter, Instant due) {
        List<String> files = Stream.of(
                        letter.calendar() == null ? "" : "session.ics",
                        letter.enclosure() == null ? "" : letter.enclosure().name())
                .filter(name -> !name.isEmpty())
                .toList();
        return new SentMail.Mail(
                letter.fromName() + " <" + letter.fromAddress() + ">",
                letter.to(),
                letter.subject(),
                "<" + letter.key() + "@" + letter.host() + ">",
                due,
                letter.text(),
                letter.html(),
                letter.calendar() == null ? "" : letter.calendar(),
                files);
    }
}
