package jollyroster.guests;

import static jollyroster.platform.tables.Tables.DIGEST;
import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.SESSION;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Address;
import jollyroster.platform.Facts;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.platform.Writes;
import jollyroster.programme.Offering;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Tells organisers how people answer: each at once, or many together. */
@Component
public class TellCommands {

    private final Writes writes;
    private final OutboxCommands outbox;
    private final OrganisationQueries organisation;
    private final Address address;
    private final Clock clock;

    TellCommands(Writes writes, OutboxCommands outbox, OrganisationQueries organisation, Address address, Clock clock) {
        this.writes = writes;
        this.outbox = outbox;
        this.organisation = organisation;
        this.address = address;
        this.clock = clock;
    }

    /** Writes to the organiser about one answer. */
    void ofOne(Session book, String name, Reply reply, Instant now) {
        Facts given = Facts.of("name", name)
                .and("reply", reply.code())
                .and("title", book.offering().title())
                .and("starts", Times.dayAndTime(book.start(), book.zone()))
                .and("offering", book.offering().id())
                .and("answers_link", answers(book.offering()));
        outbox.letter(
                LetterKind.ANSWERED,
                "told-" + book.id() + "-" + now.toEpochMilli() + "-" + Math.abs(name.hashCode()),
                contact(book.offering()),
                given,
                "",
                now);
    }

    private String answers(Offering offering) {
        return address.of("/desk/offerings/" + offering.id() + "/guests");
    }

    private String contact(Offering offering) {
        return offering.front().contactOr(organisation.organisation().contactEmail());
    }

    /**
     * Writes to the organiser how answers stand, once for each occasion.
     *
     * @param summary in words
     * @param upTo until when the organiser has then been told
     */
    @Transactional
    public void ofMany(Offering offering, String summary, Instant upTo, Actor actor) {
        actor.requireTeam();
        write(LetterKind.ANSWERS, offering, occasion(offering, upTo), contact(offering), summary, answers(offering));
        told(offering, upTo);
    }

    /**
     * Writes to the organiser which times were picked, and to hosts which of theirs.
     *
     * @param all in words
     * @param byHost what each is told, by e-mail address
     */
    @Transactional
    public void ofPicked(Offering offering, String all, Map<String, String> byHost, Instant upTo, Actor actor) {
        actor.requireTeam();
        String occasion = occasion(offering, upTo);
        String contact = contact(offering);
        String times = address.of("/desk/offerings/" + offering.id() + "/times");
        write(LetterKind.TIMES_PICKED, offering, occasion, contact, all, times);
        byHost.forEach((host, theirs) -> {
            if (!host.equals(contact)) {
                String key = occasion + "-" + Integer.toUnsignedString(host.hashCode());
                write(LetterKind.TIMES_PICKED, offering, key, host, theirs, address.of("/desk/programme"));
            }
        });
        told(offering, upTo);
    }

    private static String occasion(Offering offering, Instant upTo) {
        return "told-" + offering.id() + "-" + upTo.getEpochSecond();
    }

    private void told(Offering offering, Instant upTo) {
        writes.sql()
                .insertInto(DIGEST)
                .set(DIGEST.OFFERING_ID, offering.id())
                .set(DIGEST.TOLD_AT, upTo)
                .onDuplicateKeyUpdate()
                .set(DIGEST.TOLD_AT, upTo)
                .execute();
    }

    private void write(LetterKind kind, Offering offering, String key, String to, String summary, String link) {
        Facts given = Facts.of("title", offering.title())
                .and("offering", offering.id())
                .and("summary", summary)
                .and("answers_link", link);
        outbox.letter(kind, key, to, given, "", clock.instant());
    }

    /** The offerings whose organisers are told of many answers at once, with the time they were told last. */
    @Transactional(readOnly = true)
    public List<Long> telling() {
        return writes.sql()
                .selectDistinct(OFFERING.ID)
                .from(OFFERING)
                .join(SESSION)
                .on(SESSION.OFFERING_ID.eq(OFFERING.ID))
                .where(OFFERING.TELL.in("DAILY", "DEADLINE"))
                .and(OFFERING.STATUS.eq("PUBLISHED"))
                .fetch(OFFERING.ID);
    }
}
