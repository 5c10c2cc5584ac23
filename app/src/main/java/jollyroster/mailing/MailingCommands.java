package jollyroster.mailing;

import static jollyroster.platform.tables.Tables.MAILING;
import static jollyroster.platform.tables.Tables.MAILING_FILE;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.SafeFile;
import jollyroster.platform.Writes;
import jollyroster.seating.RemarkCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Makes letters to many, and takes back what has not gone of them. */
@Component
class MailingCommands {

    /** In bytes, of all files of a letter together. */
    static final int LARGEST_FILES = 5_000_000;

    static final int MOST_FILES = 5;

    private final Writes writes;
    private final RemarkCommands remarks;
    private final OutboxCommands outbox;
    private final Clock clock;

    MailingCommands(Writes writes, RemarkCommands remarks, OutboxCommands outbox, Clock clock) {
        this.writes = writes;
        this.remarks = remarks;
        this.outbox = outbox;
        this.clock = clock;
    }

    /** Begins a letter to many. @param whom in words @return its number */
    @Transactional
    public long begin(String subject, String whom, Instant due, List<SafeFile> files, Actor actor) {
        actor.requireOrganiser();
        long id = writes.sql()
                .insertInto(MAILING)
                .set(MAILING.SUBJECT, subject)
                .set(MAILING.WHOM, whom)
                .set(MAILING.DUE_AT, due)
                .set(MAILING.MADE_AT, clock.instant())
                .set(MAILING.MADE_BY, actor.name())
                .returningResult(MAILING.ID)
                .fetchSingle()
                .value1();
        files.forEach(file -> writes.sql()
                .insertInto(MAILING_FILE)
                .set(MAILING_FILE.MAILING_ID, id)
                .set(MAILING_FILE.NAME, file.name())
                .set(MAILING_FILE.TYPE, file.type())
                .set(MAILING_FILE.CONTENT, file.content())
                .execute());
        return id;
    }

    /** Queues a letter to many for some of them. @return how many get it */
    @Transactional
    public int mail(RemarkCommands.Mailed letter, Collection<MailingPeople.Chosen> people, Actor actor) {
        actor.requireOrganiser();
        Map<Long, List<Long>> bySession = people.stream()
                .collect(Collectors.groupingBy(
                        MailingPeople.Chosen::session,
                        Collectors.mapping(MailingPeople.Chosen::registration, Collectors.toList())));
        return bySession.entrySet().stream()
                .mapToInt(some -> remarks.mail(some.getKey(), some.getValue(), letter, actor))
                .sum();
    }

    /** Takes back what has not gone. @return how many */
    @Transactional
    public int takeBack(long mailing, Actor actor) {
        actor.requireOrganiser();
        return outbox.withdrawMailing(mailing, "taken back by " + actor.name(), clock.instant());
    }
}
