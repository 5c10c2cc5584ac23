package jollyroster.guests;

import static jollyroster.platform.tables.Tables.INVITEE;
import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.PLEA;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.InviteeRecord;
import jollyroster.platform.tables.tables.records.PleaRecord;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import jollyroster.seating.Invitations;
import org.jooq.Condition;
import org.jooq.TableField;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The guest list of an offering: who is invited, and who asks to come. */
@Component
public class GuestCommands implements Invitations {

    private final Writes writes;
    private final SessionCommands programme;
    private final InvitationLetters letters;
    private final Clock clock;

    GuestCommands(Writes writes, SessionCommands programme, InvitationLetters letters, Clock clock) {
        this.writes = writes;
        this.programme = programme;
        this.letters = letters;
        this.clock = clock;
    }

    /** Somebody to be invited. @param email in lower case */
    public record Guest(String name, String email) {}

    @Override
    public Optional<Invitee> of(Link invitation) {
        return writes.sql()
                .selectFrom(INVITEE)
                .where(INVITEE.ID.eq(invitation.id()))
                .and(INVITEE.GENERATION.eq(invitation.generation()))
                .fetchOptional(i -> new Invitee(i.getOfferingId(), i.getEmail()));
    }

    /** Puts people on the list; whoever is on it stays as they are. @return how many were new */
    @Transactional
    public int invite(long offering, Collection<Guest> people, Actor actor) {
        actor.requireOrganiser();
        Instant now = clock.instant();
        int added = 0;
        for (Guest guest : people) {
            added += add(offering, guest, now);
        }
        return added;
    }

    private int add(long offering, Guest guest, Instant now) {
        return writes.sql()
                .insertInto(INVITEE)
                .set(INVITEE.OFFERING_ID, offering)
                .set(INVITEE.EMAIL, guest.email())
                .set(INVITEE.NAME, guest.name())
                .set(INVITEE.GENERATION, PersonalLinks.firstGeneration(now))
                .set(INVITEE.ADDED_AT, now)
                .onConflictDoNothing()
                .execute();
    }

    /** Takes somebody off the list; their link is worth nothing from then on. */
    @Transactional
    public void uninvite(long offering, long invitee, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .deleteFrom(INVITEE)
                .where(INVITEE.ID.eq(invitee))
                .and(INVITEE.OFFERING_ID.eq(offering))
                .execute();
    }

    /** Writes to everybody on the list who has not been written to. @return how many; nobody while no date is to come */
    @Transactional
    public int sendInvitations(long offering, Actor actor) {
        return sendInvitations(offering, "", actor);
    }

    /** The same with the organiser's own words. @param words empty for none */
    @Transactional
    public int sendInvitations(long offering, String words, Actor actor) {
        actor.requireOrganiser();
        return inviteThose(offering, INVITEE.INVITED_AT.isNull(), words, clock.instant());
    }

    private int inviteThose(long offering, Condition whom, String words, Instant now) {
        return write(offering, whom, (to, dates, at) -> letters.invite(to, dates, words, at), INVITEE.INVITED_AT, now);
    }

    /** One of the letters that people on the list get. */
    private interface Writing {
        void to(InvitationLetters.Addressee invitee, List<Session> dates, Instant now);
    }

    /** @param stamp where it is kept that they were written to. @return how many were */
    private int write(
            long offering, Condition whom, Writing letter, TableField<InviteeRecord, Instant> stamp, Instant now) {
        List<Session> dates = coming(offering, now);
        if (dates.isEmpty()) {
            return 0;
        }
        Condition those = INVITEE.OFFERING_ID.eq(offering).and(whom);
        List<InviteeRecord> people =
                writes.sql().selectFrom(INVITEE).where(those).fetch();
        people.forEach(invitee -> letter.to(addressee(invitee), dates, now));
        writes.sql().update(INVITEE).set(stamp, now).where(those).execute();
        return people.size();
    }

    private static InvitationLetters.Addressee addressee(InviteeRecord invitee) {
        return new InvitationLetters.Addressee(
                new Link(invitee.getId(), invitee.getGeneration()),
                invitee.getName(),
                invitee.getEmail(),
                invitee.getInvitedAt() != null);
    }

    private String title(long offering) {
        return writes.sql()
                .select(OFFERING.TITLE)
                .from(OFFERING)
                .where(OFFERING.ID.eq(offering))
                .fetchSingle(OFFERING.TITLE);
    }

    /** So long after they were last written to nobody is reminded again. */
    static final Duration REST = Duration.ofHours(20);

    /** Writes once more to those of these invitees who were left in peace for a while. @param words the organiser's own. @return how many */
    @Transactional
    public int remind(long offering, Collection<Long> invitees, String words, Actor actor) {
        actor.requireOrganiser();
        Instant now = clock.instant();
        return write(
                offering,
                INVITEE.ID
                        .in(invitees)
                        .and(INVITEE.INVITED_AT.le(now.minus(REST)))
                        .and(INVITEE.REMINDED_AT.isNull().or(INVITEE.REMINDED_AT.le(now.minus(REST)))),
                (to, dates, at) -> letters.remind(to, dates, words, at),
                INVITEE.REMINDED_AT,
                now);
    }

    /** The dates that people can be invited to. */
    private List<Session> coming(long offering, Instant now) {
        return programme.ofOffering(offering).stream()
                .filter(s -> !s.cancelled() && s.start().isAfter(now))
                .toList();
    }

    /** Keeps what somebody says who is not invited and would like to come; asking again changes nothing. */
    @Transactional
    public void ask(long offering, Guest guest, String words, Actor actor) {
        writes.sql()
                .insertInto(PLEA)
                .set(PLEA.OFFERING_ID, offering)
                .set(PLEA.EMAIL, guest.email())
                .set(PLEA.NAME, guest.name())
                .set(PLEA.WORDS, words)
                .set(PLEA.ASKED_AT, clock.instant())
                .set(PLEA.IS_GRANTED, false)
                .set(PLEA.DECIDED_BY, "")
                .onConflictDoNothing()
                .execute();
    }

    /**
     * Says yes or no to somebody who asked. A yes puts them on the list and writes to them.
     *
     * @return whether they are told; not if they were told before, or invited while no date is to come
     */
    @Transactional
    public boolean decide(long offering, long plea, boolean yes, Actor actor) {
        actor.requireOrganiser();
        Instant now = clock.instant();
        Optional<PleaRecord> open = writes.sql()
                .selectFrom(PLEA)
                .where(PLEA.ID.eq(plea))
                .and(PLEA.OFFERING_ID.eq(offering))
                .and(PLEA.DECIDED_AT.isNull())
                .fetchOptional();
        open.ifPresent(asked -> {
            asked.setDecidedAt(now);
            asked.setIsGranted(yes);
            asked.setDecidedBy(actor.name());
            asked.store();
        });
        return open.map(asked -> yes ? letIn(offering, asked, now) : turnAway(offering, asked, now))
                .orElse(false);
    }

    private boolean letIn(long offering, PleaRecord asked, Instant now) {
        add(offering, new Guest(asked.getName(), asked.getEmail()), now);
        return inviteThose(offering, INVITEE.EMAIL.eq(asked.getEmail()), "", now) > 0;
    }

    private boolean turnAway(long offering, PleaRecord asked, Instant now) {
        letters.refuse(
                asked.getId(),
                asked.getName(),
                asked.getEmail(),
                new InvitationLetters.Offered(offering, title(offering)),
                now);
        return true;
    }
}
