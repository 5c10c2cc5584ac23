package jollyroster.inbound;

import java.util.Optional;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.TextReply;
import jollyroster.guests.Reply;
import jollyroster.guests.ReplyCommands;
import jollyroster.outbox.OutboxQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.seating.HoldCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.texting.AgreementQueries;
import jollyroster.texting.TextLogCommands.Received;
import jollyroster.texting.TextLogQueries;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Makes of what somebody wrote from their phone what they mean: no more texts, an answer, or words for somebody to read. */
@Component
public class TextReplies {

    private final TextReplyCommands commands;
    private final TextLogQueries log;
    private final AgreementQueries agreed;
    private final OutboxQueries messages;
    private final RegistrationQueries roster;
    private final ProgrammeQueries programme;
    private final HoldCommands holds;
    private final ReplyCommands replies;

    TextReplies(
            TextReplyCommands commands,
            TextLogQueries log,
            AgreementQueries agreed,
            OutboxQueries messages,
            RegistrationQueries roster,
            ProgrammeQueries programme,
            HoldCommands holds,
            ReplyCommands replies) {
        this.commands = commands;
        this.log = log;
        this.agreed = agreed;
        this.messages = messages;
        this.roster = roster;
        this.programme = programme;
        this.holds = holds;
        this.replies = replies;
    }

    /** What somebody wrote; the same text counts once. @return false where the number cannot be one */
    public boolean take(String outside, String number, String words) {
        if (!number.matches("\\+[1-9]\\d{6,14}")) {
            return false;
        }
        if (log.wasReceived(outside)) {
            return true;
        }
        Optional<OutboxQueries.Item> asked = log.lastTo(number).flatMap(messages::item);
        Optional<Registration> who = asked.map(OutboxQueries.Item::registration)
                .filter(registration -> registration > 0)
                .or(() -> agreed.registrationsOf(number).stream().findFirst())
                .flatMap(roster::registration);
        Made made = made(TextReply.of(words), number, asked, who);
        Received text = new Received(
                outside,
                number,
                words,
                who.map(Registration::id).orElse(0L),
                who.map(Registration::person).orElse(0L));
        commands.keep(text, made.outcome(), made.open());
        return true;
    }

    /** What was made of a reply. @param open whether somebody has to read it */
    private record Made(String outcome, boolean open) {}

    private Made made(TextReply reply, String number, Optional<OutboxQueries.Item> asked, Optional<Registration> who) {
        switch (reply) {
            case STOP -> {
                commands.stop(number);
                return new Made("no more texts to this number", false);
            }
            case START -> {
                commands.start(number);
                return new Made("texts are welcome again", false);
            }
            case HELP -> {
                commands.help(number);
                return new Made("told who writes and how it ends", false);
            }
            case YES, NO -> {
                return who.map(r -> answered(reply == TextReply.YES, asked.orElse(null), r))
                        .orElse(new Made("nobody with this number was asked", true));
            }
            default -> {
                return new Made("", true);
            }
        }
    }

    /** A call-up is accepted or declined, an invitation answered; to anything else nothing was asked. */
    private Made answered(boolean yes, OutboxQueries.@Nullable Item asked, Registration r) {
        boolean calledUp = asked != null && asked.anchor() == Anchor.CALLED_UP;
        if (calledUp) {
            HoldCommands.Replied came = yes ? holds.accept(r.id(), r.self()) : holds.decline(r.id(), r.self());
            return switch (came) {
                case SEATED, TO_PAY, TO_CONFIRM -> new Made("accepted the seats", false);
                case DECLINED -> new Made("declined the seats", false);
                case TOO_LATE -> new Made("answered too late: the seats are offered to others", true);
                case OUTRUN -> new Made("somebody else was faster", false);
                case NOTHING_OFFERED -> new Made("nothing was offered any more", true);
            };
        }
        boolean rsvp = programme
                .session(r.session())
                .filter(s -> s.offering().signUp().rsvp())
                .isPresent();
        if (!rsvp) {
            return new Made("nothing was asked", true);
        }
        Registering came = replies.change(
                new ReplyCommands.Registered(r.id(), r.session(), r.name()), yes ? Reply.YES : Reply.NO, r.self());
        return came instanceof Registering.Done
                ? new Made(yes ? "answered yes" : "answered no", false)
                : new Made("the answer could not be taken", true);
    }
}
