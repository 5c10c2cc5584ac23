package jollyroster.exchange;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.parameter.ParticipationStatus;
import biweekly.property.Attendee;
import jakarta.mail.BodyPart;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Part;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Properties;

/** Reads replies to calendar invitations (RFC 5546, METHOD:REPLY), from a calendar file or a whole mail. */
public final class CalendarReplies {

    /** In characters. */
    public static final int LONGEST = 1_000_000;

    private static final int DEEPEST = 6;

    private CalendarReplies() {}

    /** What an attendee answers. */
    public enum Answer {
        ACCEPTED,
        TENTATIVE,
        DECLINED
    }

    /** @param uid of the entry that was replied to @param email of the attendee, in lower case */
    public record Replied(String uid, String email, Answer answer) {}

    /** The replies in a text; empty when it holds none. */
    public static List<Replied> read(String text) {
        if (text.length() > LONGEST) {
            return List.of();
        }
        String calendar = text.stripLeading().startsWith("BEGIN:VCALENDAR")
                ? text
                : fromMail(text).orElse("");
        List<Replied> replies = new ArrayList<>();
        for (ICalendar one : Biweekly.parse(calendar).all()) {
            boolean reply = one.getMethod() != null
                    && "REPLY".equalsIgnoreCase(one.getMethod().getValue());
            if (reply) {
                one.getEvents().forEach(event -> addReplies(event, replies));
            }
        }
        return List.copyOf(replies);
    }

    private static void addReplies(VEvent event, List<Replied> replies) {
        if (event.getUid() == null) {
            return;
        }
        for (Attendee attendee : event.getAttendees()) {
            String email = email(attendee);
            answer(attendee.getParticipationStatus())
                    .filter(a -> !email.isEmpty())
                    .ifPresent(a -> replies.add(new Replied(event.getUid().getValue(), email, a)));
        }
    }

    private static String email(Attendee attendee) {
        String raw = attendee.getEmail() != null ? attendee.getEmail() : attendee.getUri();
        return raw == null ? "" : raw.replaceFirst("(?i)^mailto:", "").strip().toLowerCase(Locale.ROOT);
    }

    private static Optional<Answer> answer(ParticipationStatus status) {
        if (status == ParticipationStatus.ACCEPTED) {
            return Optional.of(Answer.ACCEPTED);
        }
        if (status == ParticipationStatus.TENTATIVE) {
            return Optional.of(Answer.TENTATIVE);
        }
        return status == ParticipationStatus.DECLINED ? Optional.of(Answer.DECLINED) : Optional.empty();
    }

    private static Optional<String> fromMail(String text) {
        try {
            MimeMessage mail = new MimeMessage(
                    Session.getInstance(new Properties()),
                    new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)));
            return calendarPart(mail, 0);
        } catch (MessagingException | IOException | RuntimeException notAMail) {
            return Optional.empty();
        }
    }

    private static Optional<String> calendarPart(Part part, int depth) throws MessagingException, IOException {
        if (part.isMimeType("text/calendar")) {
            return Optional.of(new String(part.getInputStream().readAllBytes(), StandardCharsets.UTF_8));
        }
        if (depth < DEEPEST && part.getContent() instanceof Multipart parts) {
            for (int i = 0; i < parts.getCount(); i++) {
                BodyPart inner = parts.getBodyPart(i);
                Optional<String> found = calendarPart(inner, depth + 1);
                if (found.isPresent()) {
                    return found;
                }
            }
        }
        return Optional.empty();
    }
}
