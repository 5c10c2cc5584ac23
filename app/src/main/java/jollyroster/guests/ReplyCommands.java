package jollyroster.guests;

import java.time.Clock;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.platform.Actor;
import jollyroster.platform.GroupCommit;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.Tell;
import jollyroster.seating.Application;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.springframework.stereotype.Component;

/**
 * Takes answers to invitations: yes, maybe or no, changed as often as people like until answers are due, and tells the
 * organiser. What an answer makes of seats is decided where all seats are given.
 */
@Component
public class ReplyCommands {

    private final GroupCommit together;
    private final RegistrationCommands registrations;
    private final SessionCommands programme;
    private final TellCommands tell;
    private final Clock clock;

    ReplyCommands(
            GroupCommit together,
            RegistrationCommands registrations,
            SessionCommands programme,
            TellCommands tell,
            Clock clock) {
        this.together = together;
        this.registrations = registrations;
        this.programme = programme;
        this.tell = tell;
        this.clock = clock;
    }

    /**
     * Takes an answer, also in the place of an earlier one by the same address.
     *
     * @param invitation of the invitee who answers; empty for somebody who came by the public page
     */
    public Registering answer(Application asked, Reply reply, Optional<Link> invitation, Actor actor) {
        return together.run(() -> {
            Registering came = registrations.answer(asked, reply.event(), invitation, actor);
            tell(came, asked.session(), asked.name(), reply);
            return came;
        });
    }

    /** Changes the answer of a registration, as its own page or a calendar program asks. */
    public Registering change(Registered who, Reply reply, Actor actor) {
        return together.run(() -> {
            Registering came = registrations.change(who.registration(), reply.event(), actor);
            tell(came, who.session(), who.name(), reply);
            return came;
        });
    }

    /** Whose answer is changed. */
    public record Registered(long registration, long session, String name) {}

    private void tell(Registering came, long session, String name, Reply reply) {
        if (came instanceof Registering.Done done && !done.again()) {
            Session book = programme.session(session).orElseThrow();
            if (book.offering().signUp().tell() == Tell.EACH) {
                tell.ofOne(book, name, reply, clock.instant());
            }
        }
    }
}
