package jollyroster.roster;

import static jollyroster.platform.tables.Tables.INVITEE;
import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.PLEA;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.exchange.CalendarEntry;
import jollyroster.exchange.Calendars;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Address;
import jollyroster.platform.Markdown;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Permissions;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.InviteeRecord;
import jollyroster.programme.Offering;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.Visibility;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The guest list of an offering: who is invited, and who asks to come. */
@Component
public class GuestCommands {

    private final Writes writes;
    private final SessionCommands programme;
    private final OutboxCommands outbox;
    private final OrganisationQueries organisation;
    private final PersonalLinks links;
    private final Calendars calendars;
    private final Address address;
    private final Permissions permissions;
    private final Clock clock;

    GuestCommands(
            Writes writes,
            SessionCommands programme,
            OutboxCommands outbox,
            OrganisationQueries organisation,
            PersonalLinks links,
            Calendars calendars,
            Address address,
            Permissions permissions,
            Clock clock) {
        this.writes = writes;
        this.programme = programme;
        this.outbox = outbox;
        this.organisation = organisation;
        this.links = links;
        this.calendars = calendars;
        this.address = address;
        this.permissions = permissions;
        this.clock = clock;
    }

    /** Somebody to be invited. @param email in lower case */
    public record Guest(String name, String email) {}

    /** Whether somebody may register: always, unless only those who are invited may. */
    boolean mayCome(Offering offering, String email, Optional<Link> invitation) {
        if (offering.rules().visibility() != Visibility.INVITED || permissions.isOrganiser()) {
            return true;
        }
        return invitation
                .flatMap(this::invitee)
                .filter(i -> i.getOfferingId() == offering.id())
                .filter(i -> i.getEmail().equals(email))
                .isPresent();
    }

    private Optional<InviteeRecord> invitee(Link link) {
        return writes.sql()
                .selectFrom(INVITEE)
                .where(INVITEE.ID.eq(link.id()))
                .and(INVITEE.GENERATION.eq(link.generation()))
                .fetchOptional();
    }

    /** Puts people on the list; whoever is on it stays as they are. @return how many were new */
    @Transactional
    public int invite(long offering, Collection<Guest> people) {
        permissions.requireOrganiser();
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
                .set(INVITEE.GENERATION, 1)
                .set(INVITEE.ADDED_AT, now)
                .onConflictDoNothing()
                .execute();
    }

    /** Takes somebody off the list; their link is worth nothing from then on. */
    @Transactional
    public void uninvite(long offering, long invitee) {
        permissions.requireOrganiser();
        writes.sql()
                .deleteFrom(INVITEE)
                .where(INVITEE.ID.eq(invitee))
                .and(INVITEE.OFFERING_ID.eq(offering))
                .execute();
    }

    /** Writes to everybody on the list who has not been written to. @return how many */
    @Transactional
    public int sendInvitations(long offering) {
        permissions.requireOrganiser();
        Instant now = clock.instant();
        List<InviteeRecord> waiting = writes.sql()
                .selectFrom(INVITEE)
                .where(INVITEE.OFFERING_ID.eq(offering))
                .and(INVITEE.INVITED_AT.isNull())
                .fetch();
        waiting.forEach(invitee -> write(invitee, "invite", now));
        writes.sql()
                .update(INVITEE)
                .set(INVITEE.INVITED_AT, now)
                .where(INVITEE.OFFERING_ID.eq(offering))
                .and(INVITEE.INVITED_AT.isNull())
                .execute();
        return waiting.size();
    }

    /** Writes once more to these invitees. @return how many */
    @Transactional
    public int remind(long offering, Collection<Long> invitees) {
        permissions.requireOrganiser();
        Instant now = clock.instant();
        List<InviteeRecord> silent = writes.sql()
                .selectFrom(INVITEE)
                .where(INVITEE.OFFERING_ID.eq(offering))
                .and(INVITEE.ID.in(invitees))
                .and(INVITEE.INVITED_AT.isNotNull())
                .fetch();
        silent.forEach(invitee -> write(invitee, "invite-again-" + now.getEpochSecond(), now));
        writes.sql()
                .update(INVITEE)
                .set(INVITEE.REMINDED_AT, now)
                .where(INVITEE.ID.in(silent.stream().map(InviteeRecord::getId).toList()))
                .execute();
        return silent.size();
    }

    private void write(InviteeRecord invitee, String occasion, Instant now) {
        List<Session> dates = programme.ofOffering(invitee.getOfferingId()).stream()
                .filter(s -> !s.cancelled() && s.start().isAfter(now))
                .toList();
        if (dates.isEmpty()) {
            return;
        }
        Session first = dates.get(0);
        String link = links.invited(new Link(invitee.getId(), invitee.getGeneration()));
        String body = "Hello " + firstName(invitee.getName()) + ",\n\n"
                + organisation.organisation().name()
                + " invites you to **" + Markdown.plain(first.offering().title()) + "**.\n\n**When:** "
                + Times.longDay(first.zonedStart()) + ", "
                + Times.hours(first.zonedStart(), first.end().atZone(first.zone()))
                + " " + Times.city(first.zone()) + " time" + (dates.size() > 1 ? ", and on other dates" : "")
                + "\n\n**Where:** " + Markdown.plain(first.isOnline() ? "online" : first.place())
                + "\n\n**Please answer here:** <" + link + ">\n\nThe link is yours alone. Please answer by "
                + Times.dayAndTime(first.cutOff(), first.zone()) + ".\n\n"
                + organisation.organisation().name() + "\n";
        outbox.letter(
                occasion + "-" + invitee.getId(),
                invitee.getEmail(),
                "You are invited: " + first.offering().title(),
                body,
                dates.size() == 1 ? calendar(invitee, first, link) : "",
                now);
    }

    private String calendar(InviteeRecord invitee, Session s, String link) {
        CalendarEntry entry = new CalendarEntry(
                "invitee-" + invitee.getId() + "-" + s.id() + "@" + address.host(),
                s.sequence(),
                s.offering().title(),
                s.offering().summary() + "\n\nYour answer: " + link,
                s.place(),
                link,
                s.start(),
                s.end(),
                s.createdAt(),
                false);
        return calendars.request(entry, invitee.getName(), invitee.getEmail());
    }

    private static String firstName(String name) {
        String first = name.split(" ", 2)[0];
        return first.isEmpty() ? "" : Markdown.plain(first);
    }

    /** Keeps what somebody says who is not invited and would like to come; asking again changes nothing. */
    @Transactional
    public void ask(long offering, Guest guest, String words) {
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

    /** Says yes or no to somebody who asked. A yes puts them on the list and writes to them. */
    @Transactional
    public void decide(long offering, long plea, boolean yes, String actor) {
        permissions.requireOrganiser();
        Instant now = clock.instant();
        writes.sql()
                .selectFrom(PLEA)
                .where(PLEA.ID.eq(plea))
                .and(PLEA.OFFERING_ID.eq(offering))
                .and(PLEA.DECIDED_AT.isNull())
                .fetchOptional()
                .ifPresent(asked -> {
                    asked.setDecidedAt(now);
                    asked.setIsGranted(yes);
                    asked.setDecidedBy(actor);
                    asked.store();
                    if (yes) {
                        add(offering, new Guest(asked.getName(), asked.getEmail()), now);
                        sendInvitations(offering);
                    } else {
                        refuse(asked.getId(), asked.getName(), asked.getEmail(), offering, now);
                    }
                });
    }

    private void refuse(long plea, String name, String email, long offering, Instant now) {
        String title = writes.sql()
                .select(OFFERING.TITLE)
                .from(OFFERING)
                .where(OFFERING.ID.eq(offering))
                .fetchSingle(OFFERING.TITLE);
        outbox.letter(
                "plea-" + plea,
                email,
                "About " + title,
                "Hello " + firstName(name) + ",\n\nthank you for asking about **" + Markdown.plain(title)
                        + "**. We are sorry, this time there is no room for you.\n\n"
                        + organisation.organisation().name() + "\n",
                "",
                now);
    }
}
