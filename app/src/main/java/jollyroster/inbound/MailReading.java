package jollyroster.inbound;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import jollyroster.exchange.CalendarReplies;
import jollyroster.exchange.IncomingMail;
import jollyroster.guests.CalendarAnswers;
import jollyroster.inbound.MailReceivedCommands.About;
import jollyroster.people.PersonQueries;
import jollyroster.people.ReceivedQueries;
import jollyroster.platform.Address;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** Makes of a mail what it means: an answer of a calendar program, something that came back, or words for somebody to read. */
@Component
public class MailReading {

    /** The key of a message about a registration begins with that. */
    private static final Pattern OURS = Pattern.compile("r(\\d{1,15})-[a-z_]{2,30}-[^@]{1,120}@(.+)");

    private final MailReceivedCommands commands;
    private final ReceivedQueries received;
    private final RegistrationQueries roster;
    private final PersonQueries people;
    private final CalendarAnswers calendars;
    private final Address address;

    MailReading(
            MailReceivedCommands commands,
            ReceivedQueries received,
            RegistrationQueries roster,
            PersonQueries people,
            CalendarAnswers calendars,
            Address address) {
        this.commands = commands;
        this.received = received;
        this.roster = roster;
        this.people = people;
        this.calendars = calendars;
        this.address = address;
    }

    /** Takes a mail as it came; the same one counts once, what cannot be read is left alone. */
    public void take(byte[] source) {
        IncomingMail.read(source).filter(mail -> !received.isKept(mail.key())).ifPresent(this::take);
    }

    private void take(IncomingMail mail) {
        if (mail.bounce().isPresent()) {
            cameBack(mail, mail.bounce().get());
            return;
        }
        if (mail.automatic()) {
            commands.keep(mail, about(mail), "a program answered by itself", false);
            return;
        }
        List<CalendarReplies.Replied> replies =
                mail.calendar().isEmpty() ? List.of() : CalendarReplies.read(mail.calendar());
        if (replies.isEmpty()) {
            commands.keep(mail, about(mail), "", true);
        } else {
            answered(mail, replies);
        }
    }

    private void cameBack(IncomingMail mail, IncomingMail.Bounce bounce) {
        String why = "it came back: " + words(bounce);
        if (bounce.lasting()) {
            commands.bounced(bounce, why);
        }
        commands.keep(mail, about(bounce.original(), bounce.recipient()), why, false);
    }

    private static String words(IncomingMail.Bounce bounce) {
        if (!bounce.lasting()) {
            return "delayed, the mail server goes on trying";
        }
        return switch (bounce.status()) {
            case "5.1.1", "5.1.0", "5.1.2", "5.1.10" -> "there is no such mailbox";
            case "5.2.2" -> "the mailbox is full";
            default -> "the mail server refused it" + (bounce.status().isEmpty() ? "" : ", " + bounce.status());
        };
    }

    /** An answer counts only where the mail itself comes from whoever answers. */
    private void answered(IncomingMail mail, List<CalendarReplies.Replied> replies) {
        boolean theirs = replies.stream().allMatch(reply -> reply.email().equals(mail.sender()));
        boolean taken =
                theirs && replies.stream().map(calendars::apply).allMatch(came -> came == CalendarAnswers.Came.TAKEN);
        String answer = replies.get(0).answer().name().toLowerCase(Locale.ROOT);
        commands.keep(
                mail,
                about(mail),
                taken
                        ? "answered in the calendar: " + answer
                        : "an answer in the calendar could not be taken: " + answer,
                !taken);
    }

    private About about(IncomingMail mail) {
        return Stream.of(mail.answers())
                .flatMap(List::stream)
                .flatMap(id -> registration(id).stream())
                .filter(r -> r.email().equals(mail.sender()))
                .findFirst()
                .map(r -> new About(r.id(), r.person()))
                .orElseGet(() -> byAddress(mail.sender()));
    }

    private About about(String message, String recipient) {
        return registration(message).map(r -> new About(r.id(), r.person())).orElseGet(() -> byAddress(recipient));
    }

    private About byAddress(String email) {
        return email.isEmpty()
                ? About.NOBODY
                : people.byEmail(email).map(person -> new About(0, person)).orElse(About.NOBODY);
    }

    private Optional<Registration> registration(String message) {
        Matcher ours = OURS.matcher(message);
        return ours.matches() && ours.group(2).equals(address.host())
                ? roster.registration(Long.parseLong(ours.group(1)))
                : Optional.empty();
    }
}
