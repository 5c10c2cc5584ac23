package jollyroster.guests;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.seats.RegistrationState;
import jollyroster.exchange.CalendarReplies.Replied;
import jollyroster.platform.Actor;
import jollyroster.platform.Address;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Application;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/**
 * Applies what calendar programs reply (RFC 5546). A reply counts only for the entry it names, and only from the address
 * that entry was sent to.
 */
@Component
public class CalendarAnswers {

    /** The generation was not part of it at first; all were 1 then. */
    private static final Pattern INVITEE = Pattern.compile("invitee-(\\d{1,15})(?:\\.(\\d{1,9}))?-(\\d{1,15})@(.+)");

    private static final Pattern REGISTRATION = Pattern.compile("registration-(\\d{1,15})(?:-\\d{1,15})?@(.+)");
    private final GuestQueries guests;
    private final RegistrationQueries roster;
    private final ProgrammeQueries programme;
    private final ReplyCommands replies;
    private final ChangeSeatCommands changes;
    private final Address address;

    CalendarAnswers(
            GuestQueries guests,
            RegistrationQueries roster,
            ProgrammeQueries programme,
            ReplyCommands replies,
            ChangeSeatCommands changes,
            Address address) {
        this.guests = guests;
        this.roster = roster;
        this.programme = programme;
        this.replies = replies;
        this.changes = changes;
        this.address = address;
    }

    /** What came of a reply. */
    public enum Came {
        TAKEN,
        /** The entry is not one of ours, or no longer. */
        UNKNOWN,
        /** It comes from somebody else than the entry was sent to. */
        NOT_THEIRS,
        /** Too late, or no room. */
        REFUSED
    }

    public Came apply(Replied replied) {
        Matcher invitee = INVITEE.matcher(replied.uid());
        if (invitee.matches() && invitee.group(4).equals(address.host())) {
            int generation = invitee.group(2) == null ? 1 : Integer.parseInt(invitee.group(2));
            Link link = new Link(Long.parseLong(invitee.group(1)), generation);
            return ofInvitee(link, Long.parseLong(invitee.group(3)), replied);
        }
        Matcher registration = REGISTRATION.matcher(replied.uid());
        return registration.matches() && registration.group(2).equals(address.host())
                ? ofRegistration(Long.parseLong(registration.group(1)), replied)
                : Came.UNKNOWN;
    }

    private Came ofInvitee(Link link, long session, Replied replied) {
        Optional<GuestQueries.Invitee> found = guests.invitee(link);
        Optional<Session> date = programme
                .session(session)
                .filter(s ->
                        found.isPresent() && s.offering().id() == found.get().offering());
        if (found.isEmpty() || date.isEmpty()) {
            return Came.UNKNOWN;
        }
        GuestQueries.Invitee invitee = found.get();
        if (!invitee.email().equals(replied.email())) {
            return Came.NOT_THEIRS;
        }
        String name = invitee.name().isEmpty() ? invitee.email() : invitee.name();
        int party = Math.max(1, invitee.party());
        Application asked = new Application(
                session, name, invitee.email(), "", party, date.get().zone(), List.of(), List.of(), "");
        return came(replies.answer(asked, reply(replied), Optional.of(link), Actor.visitor(name)));
    }

    private Came ofRegistration(long id, Replied replied) {
        Optional<Registration> found = roster.registration(id);
        if (found.isEmpty()) {
            return Came.UNKNOWN;
        }
        Registration r = found.get();
        if (!r.email().equals(replied.email())) {
            return Came.NOT_THEIRS;
        }
        boolean rsvp = programme
                .session(r.session())
                .filter(s -> s.offering().signUp().rsvp())
                .isPresent();
        if (rsvp) {
            return came(
                    replies.change(new ReplyCommands.Registered(id, r.session(), r.name()), reply(replied), r.self()));
        }
        boolean givesBack = reply(replied) == Reply.NO && RegistrationState.ACTIVE.contains(r.state());
        if (givesBack) {
            return changes.cancel(id, "declined in the calendar", r.self()) ? Came.TAKEN : Came.REFUSED;
        }
        return reply(replied) == Reply.YES && r.state() == RegistrationState.REGISTERED ? Came.TAKEN : Came.REFUSED;
    }

    private static Came came(Registering registering) {
        return registering instanceof Registering.Done ? Came.TAKEN : Came.REFUSED;
    }

    private static Reply reply(Replied replied) {
        return switch (replied.answer()) {
            case ACCEPTED -> Reply.YES;
            case TENTATIVE -> Reply.MAYBE;
            case DECLINED -> Reply.NO;
        };
    }
}
