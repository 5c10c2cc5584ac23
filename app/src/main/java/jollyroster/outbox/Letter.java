package jollyroster.outbox;

import jakarta.activation.DataHandler;
import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeBodyPart;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeMultipart;
import jakarta.mail.util.ByteArrayDataSource;
import jakarta.mail.util.StreamProvider;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UnsupportedEncodingException;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import java.util.Properties;
import java.util.stream.Stream;
import java.util.zip.GZIPOutputStream;
import org.jspecify.annotations.Nullable;

/**
 * A letter ready to go.
 *
 * @param key part of the Message-ID, the same each time the letter is tried
 * @param host the domain of the Message-ID
 * @param calendar an iCalendar file to attach, or {@code null}
 * @param enclosures other files to attach
 * @param unsubscribe an address for one-click unsubscribing (RFC 8058), or {@code null} on answers
 */
public record Letter(
        String key,
        String host,
        String fromName,
        String fromAddress,
        String to,
        String subject,
        String text,
        String html,
        @Nullable String calendar,
        List<Enclosures.Enclosure> enclosures,
        @Nullable String unsubscribe,
        Instant writtenAt) {

    static {
        // Every part of a mail asks which provider of streams there is; without an answer it looks through the class
        // path.
        System.setProperty(
                StreamProvider.class.getName(),
                StreamProvider.provider().getClass().getName());
    }

    /** The letter as multipart mail: text and HTML as alternatives, the calendar as a file beside them. */
    public MimeMessage toMime() throws MessagingException {
        MimeMessage mail = new Identified("<" + key + "@" + host + ">");
        try {
            mail.setFrom(new InternetAddress(fromAddress, fromName, "UTF-8"));
        } catch (UnsupportedEncodingException everyPlatformHasUtf8) {
            throw new IllegalStateException(everyPlatformHasUtf8);
        }
        mail.setRecipient(MimeMessage.RecipientType.TO, new InternetAddress(to, true));
        mail.setSubject(subject, "UTF-8");
        mail.setSentDate(Date.from(writtenAt));
        if (unsubscribe != null) {
            mail.setHeader("List-Unsubscribe", "<" + unsubscribe + ">");
            mail.setHeader("List-Unsubscribe-Post", "List-Unsubscribe=One-Click");
        }
        mail.setContent(body());
        mail.saveChanges();
        return mail;
    }

    /** The letter as mail, compressed, to be kept. */
    byte[] packed() {
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (GZIPOutputStream out = new GZIPOutputStream(packed)) {
            toMime().writeTo(out);
        } catch (MessagingException | IOException neverInMemory) {
            throw new IllegalStateException("A letter that was sent cannot be kept", neverInMemory);
        }
        return packed.toByteArray();
    }

    private MimeMultipart body() throws MessagingException {
        MimeMultipart alternatives = new MimeMultipart("alternative");
        MimeBodyPart plain = new MimeBodyPart();
        plain.setText(text, "UTF-8");
        MimeBodyPart rich = new MimeBodyPart();
        rich.setText(html, "UTF-8", "html");
        alternatives.addBodyPart(plain);
        alternatives.addBodyPart(rich);
        MimeBodyPart words = new MimeBodyPart();
        words.setContent(alternatives);
        MimeMultipart mixed = new MimeMultipart("mixed", words);
        if (calendar != null) {
            mixed.addBodyPart(calendarFile(calendar));
        }
        for (Enclosures.Enclosure enclosure : enclosures) {
            mixed.addBodyPart(file(enclosure));
        }
        return mixed;
    }

    private static MimeBodyPart file(Enclosures.Enclosure enclosure) throws MessagingException {
        MimeBodyPart file = new MimeBodyPart();
        file.setDataHandler(new DataHandler(new ByteArrayDataSource(enclosure.content(), enclosure.type())));
        file.setFileName(enclosure.name());
        return file;
    }

    private static MimeBodyPart calendarFile(String calendar) throws MessagingException {
        MimeBodyPart file = new MimeBodyPart();
        file.setText(calendar, "UTF-8", "calendar");
        file.setHeader("Content-Type", "text/calendar; charset=UTF-8; method=" + method(calendar));
        file.setFileName("session.ics");
        return file;
    }

    /** As the calendar itself says it (RFC 6047, 2.4). */
    private static String method(String calendar) {
        return Stream.of("REQUEST", "CANCEL")
                .filter(method -> calendar.contains("\nMETHOD:" + method + "\r"))
                .findFirst()
                .orElse("PUBLISH");
    }

    /** Keeps its Message-ID, so that a letter that is sent twice can be recognised. */
    private static final class Identified extends MimeMessage {
        /** One for all letters: making it looks through the class path. */
        private static final Session PLAIN = Session.getInstance(new Properties());

        private final String id;

        Identified(String id) {
            super(PLAIN);
            this.id = id;
        }

        @Override
        protected void updateMessageID() throws MessagingException {
            setHeader("Message-ID", id);
        }
    }
}
