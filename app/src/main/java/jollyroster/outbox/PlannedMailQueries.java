package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Channel;
import jollyroster.platform.Reads;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Component;

/** Letters that have not gone, as they would be written now: by the writer that will write them. */
@Component
public class PlannedMailQueries {

    private final Reads reads;
    private final LetterWriter writer;
    private final TextWriter texts;
    private final Letters letters;
    private final Obstacles obstacles;
    private final Clock clock;

    PlannedMailQueries(
            Reads reads,
            LetterWriter writer,
            TextWriter texts,
            @Lazy Letters letters,
            Obstacles obstacles,
            Clock clock) {
        this.reads = reads;
        this.texts = texts;
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
                .fetchOptional(Claim::of)
                .flatMap(claim -> planned(claim, now));
    }

    private Optional<Planned> planned(Claim claim, Instant now) {
        if (claim.anchor() == Anchor.LETTER && claim.channel() == Channel.TEXT) {
            return Optional.of(new Planned(text(claim, letters.sender().organisation(), claim.body()), ""));
        }
        if (claim.anchor() == Anchor.LETTER) {
            return Optional.of(new Planned(mail(writer.standing(claim, letters.sender(), now), claim.due()), ""));
        }
        return letters.facts(claim.registration(), claim.session())
                .map(facts -> new Planned(mail(claim, facts, now), obstacles.of(claim, facts, now)));
    }

    private SentMail.Mail mail(Claim claim, Letters.Facts facts, Instant now) {
        if (claim.channel() == Channel.EMAIL) {
            return mail(writer.about(claim, facts, now), claim.due());
        }
        return text(claim, facts.organisation(), texts.preview(claim, facts));
    }

    private static SentMail.Mail text(Claim claim, String from, String words) {
        return new SentMail.Mail(from, claim.recipient(), claim.subject(), "", claim.due(), words, "", "", List.of());
    }

    private static SentMail.Mail mail(Letter letter, Instant due) {
        List<String> files = Stream.concat(
                        Stream.ofNullable(letter.calendar()).map(calendar -> "session.ics"),
                        letter.enclosures().stream().map(Enclosures.Enclosure::name))
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
