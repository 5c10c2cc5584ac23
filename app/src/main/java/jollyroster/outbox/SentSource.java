package jollyroster.outbox;

import jakarta.mail.BodyPart;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Part;
import jakarta.mail.Session;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Properties;

/** The source of a letter that was sent, read as a mail program would. */
final class SentSource {

    private SentSource() {}

    static SentMail.Mail read(byte[] source, Instant arrived) {
        try {
            MimeMessage mail = new MimeMessage(Session.getInstance(new Properties()), new ByteArrayInputStream(source));
            return new SentMail.Mail(
                    ((InternetAddress) mail.getFrom()[0]).toUnicodeString(),
                    ((InternetAddress) mail.getAllRecipients()[0]).toUnicodeString(),
                    mail.getSubject(),
                    mail.getMessageID(),
                    arrived,
                    find(mail, "text/plain"),
                    find(mail, "text/html"),
                    find(mail, "text/calendar"),
                    files(mail));
        } catch (MessagingException e) {
            throw new IllegalStateException("A letter that was sent cannot be read", e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<String> files(Part part) throws MessagingException, IOException {
        List<String> files = new ArrayList<>();
        if (part.getFileName() != null) {
            files.add(part.getFileName());
        } else if (part.getContent() instanceof Multipart parts) {
            for (int i = 0; i < parts.getCount(); i++) {
                files.addAll(files(parts.getBodyPart(i)));
            }
        }
        return files;
    }

    private static String find(Part part, String type) throws MessagingException, IOException {
        if (part.isMimeType(type)) {
            Object content = part.getContent();
            return content instanceof String text
                    ? text
                    : new String(part.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
        if (part.getContent() instanceof Multipart parts) {
            for (int i = 0; i < parts.getCount(); i++) {
                BodyPart inner = parts.getBodyPart(i);
                String found = find(inner, type);
                if (!found.isEmpty()) {
                    return found;
                }
            }
        }
        return "";
    }
}
