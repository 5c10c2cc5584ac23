package jollyroster.standin;

import static jollyroster.platform.tables.Tables.TRAY_MAIL;

import jakarta.mail.BodyPart;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Part;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import jollyroster.outbox.SentMail;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads mail from the tray, parsed from its source as a mail program would. */
@Component
public class TrayQueries implements SentMail {

    private final Reads reads;

    TrayQueries(Reads reads) {
        this.reads = reads;
    }

    @Override
    public Optional<Mail> byKey(String key) {
        return reads.sql()
                .selectFrom(TRAY_MAIL)
                .where(TRAY_MAIL.MESSAGE_KEY.eq(key))
                .orderBy(TRAY_MAIL.ID.desc())
                .limit(1)
                .fetchOptional(r -> parse(r.getSource(), r.getArrivedAt()));
    }

    /** The latest letter to an address. */
    public Optional<Mail> latestTo(String recipient) {
        return reads.sql()
                .selectFrom(TRAY_MAIL)
                .where(TRAY_MAIL.RECIPIENT.eq(recipient))
                .orderBy(TRAY_MAIL.ID.desc())
                .limit(1)
                .fetchOptional(r -> parse(r.getSource(), r.getArrivedAt()));
    }

    private static Mail parse(byte[] source, Instant arrived) {
        try {
            MimeMessage mail = new MimeMessage(Session.getInstance(new Properties()), new ByteArrayInputStream(source));
            return new Mail(
                    ((jakarta.mail.internet.InternetAddress) mail.getFrom()[0]).toUnicodeString(),
                    ((jakarta.mail.internet.InternetAddress) mail.getAllRecipients()[0]).toUnicodeString(),
                    mail.getSubject(),
                    mail.getMessageID(),
                    arrived,
                    find(mail, "text/plain"),
                    find(mail, "text/html"),
                    find(mail, "text/calendar"),
                    files(mail));
        } catch (MessagingException e) {
            throw new IllegalStateException("A letter in the tray cannot be read", e);
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
                    : new String(part.getInputStream().readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
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
