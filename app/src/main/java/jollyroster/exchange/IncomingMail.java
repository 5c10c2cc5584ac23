package jollyroster.exchange;

import jakarta.mail.BodyPart;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Part;
import jakarta.mail.Session;
import jakarta.mail.internet.ContentType;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.InternetHeaders;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Properties;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A mail that came, as far as it matters: whom it is from, what it answers, and whether a person wrote it, a program in their
 * absence (RFC 3834), or a mail server that could not deliver something (RFC 3464).
 *
 * @param key its Message-ID, or what can stand for it
 * @param sender in lower case; empty where it cannot be read
 * @param answers the Message-IDs of what it answers, without their brackets
 * @param automatic whether a program wrote it by itself
 * @param text as plain text
 * @param calendar a calendar file in it; empty for none
 */
public record IncomingMail(
        String key,
        String sender,
        String subject,
        List<String> answers,
        boolean automatic,
        Optional<Bounce> bounce,
        String text,
        String calendar) {

    /** In bytes. */
    public static final int LARGEST = 2_000_000;

    private static final int MOST_PARTS = 100;
    private static final int DEEPEST = 8;
    private static final int LONGEST_TEXT = 20_000;
    private static final int MOST_IDS = 20;
    private static final Pattern ID = Pattern.compile("<([^<>\\s]{1,250})>");
    private static final List<String> BY_PROGRAMS = List.of("bulk", "list", "junk", "auto_reply");

    /**
     * What a mail server could not deliver.
     *
     * @param recipient in lower case
     * @param status such as {@code 5.1.1}
     * @param lasting whether trying again is pointless
     * @param original the Message-ID of what came back, without its brackets; empty where it is not said
     */
    public record Bounce(String recipient, String status, boolean lasting, String original) {}

    /** Reads a mail; empty when it is too large, or none at all. */
    public static Optional<IncomingMail> read(byte[] source) {
        if (source.length == 0 || source.length > LARGEST) {
            return Optional.empty();
        }
        try {
            MimeMessage mail = new MimeMessage(Session.getInstance(new Properties()), new ByteArrayInputStream(source));
            Parts parts = new Parts();
            parts.walk(mail, 0);
            Optional<Bounce> bounce = parts.bounce();
            return Optional.of(new IncomingMail(
                    key(mail, source),
                    sender(mail),
                    orEmpty(mail.getSubject()),
                    answers(mail),
                    bounce.isEmpty() && isAutomatic(mail),
                    bounce,
                    parts.text,
                    parts.calendar));
        } catch (MessagingException | IOException | RuntimeException unreadable) {
            return Optional.empty();
        }
    }

    private static String key(MimeMessage mail, byte[] source) throws MessagingException {
        Matcher id = ID.matcher(orEmpty(mail.getMessageID()));
        return id.find() ? id.group(1) : "none-" + UUID.nameUUIDFromBytes(source);
    }

    private static String sender(MimeMessage mail) {
        try {
            return mail.getFrom() != null
                            && mail.getFrom().length > 0
                            && mail.getFrom()[0] instanceof InternetAddress from
                    ? orEmpty(from.getAddress()).toLowerCase(Locale.ROOT)
                    : "";
        } catch (MessagingException unreadable) {
            return "";
        }
    }

    private static List<String> answers(MimeMessage mail) throws MessagingException {
        List<String> ids = new ArrayList<>();
        for (String header : List.of("In-Reply-To", "References")) {
            Matcher id = ID.matcher(orEmpty(mail.getHeader(header, " ")));
            while (id.find() && ids.size() < MOST_IDS) {
                ids.add(id.group(1));
            }
        }
        return ids;
    }

    /** RFC 3834, 2 and 5, and the headers programs set that do not know it. */
    private static boolean isAutomatic(MimeMessage mail) throws MessagingException {
        String submitted =
                orEmpty(mail.getHeader("Auto-Submitted", ",")).strip().toLowerCase(Locale.ROOT);
        String precedence = orEmpty(mail.getHeader("Precedence", ",")).strip().toLowerCase(Locale.ROOT);
        boolean nobody = "<>".equals(orEmpty(mail.getHeader("Return-Path", ",")).strip());
        return !submitted.isEmpty() && !submitted.startsWith("no")
                || BY_PROGRAMS.contains(precedence)
                || mail.getHeader("List-Id") != null
                || nobody;
    }

    private static String orEmpty(@Nullable String text) {
        return text == null ? "" : text;
    }

    /** What the parts of a mail hold; of many only the first are looked at. */
    private static final class Parts {

        private int seen;
        private String text = "";
        private String calendar = "";
        private String status = "";
        private String original = "";

        void walk(Part part, int depth) throws MessagingException, IOException {
            if (depth > DEEPEST || ++seen > MOST_PARTS) {
                return;
            }
            if (part.isMimeType("text/calendar")) {
                calendar = calendar.isEmpty() ? words(part) : calendar;
            } else if (part.isMimeType("message/delivery-status")) {
                status = words(part);
            } else if (part.isMimeType("text/rfc822-headers") || part.isMimeType("message/rfc822")) {
                original = words(part);
            } else if (part.isMimeType("text/plain")) {
                text = text.isEmpty() ? words(part) : text;
            } else if (part.isMimeType("multipart/*") && part.getContent() instanceof Multipart inner) {
                for (int i = 0; i < inner.getCount() && seen <= MOST_PARTS; i++) {
                    BodyPart next = inner.getBodyPart(i);
                    walk(next, depth + 1);
                }
            }
        }

        private static String words(Part part) throws MessagingException, IOException {
            try (InputStream in = part.getInputStream()) {
                byte[] bytes = in.readNBytes(LONGEST_TEXT);
                return new String(bytes, charset(part)).replace("\r\n", "\n");
            }
        }

        private static Charset charset(Part part) {
            try {
                String named = new ContentType(part.getContentType()).getParameter("charset");
                return named == null ? StandardCharsets.UTF_8 : Charset.forName(named);
            } catch (MessagingException | IllegalArgumentException unknown) {
                return StandardCharsets.UTF_8;
            }
        }

        /** RFC 3464, 2.3: of the first recipient that is told of. */
        Optional<Bounce> bounce() throws MessagingException {
            if (status.isEmpty()) {
                return Optional.empty();
            }
            String recipient = "";
            String code = "";
            String action = "";
            for (String group : status.split("\n\\s*\n")) {
                InternetHeaders fields = headers(group);
                if (recipient.isEmpty() && fields.getHeader("Final-Recipient", ",") != null) {
                    recipient = afterType(fields.getHeader("Final-Recipient", ","));
                    code = orEmpty(fields.getHeader("Status", ",")).strip();
                    action = orEmpty(fields.getHeader("Action", ",")).strip().toLowerCase(Locale.ROOT);
                }
            }
            Matcher id = ID.matcher(orEmpty(headers(original).getHeader("Message-ID", ",")));
            boolean lasting = action.equals("failed") && !code.startsWith("4");
            return recipient.isEmpty()
                    ? Optional.empty()
                    : Optional.of(new Bounce(recipient, code, lasting, id.find() ? id.group(1) : ""));
        }

        private static InternetHeaders headers(String text) throws MessagingException {
            byte[] bytes = (text + "\n\n").getBytes(StandardCharsets.UTF_8);
            return new InternetHeaders(new ByteArrayInputStream(bytes));
        }

        /** {@code rfc822; somebody@crew.example} */
        private static String afterType(String field) {
            return field.substring(field.indexOf(';') + 1)
                    .replaceAll("[<>\\s]", "")
                    .toLowerCase(Locale.ROOT);
        }
    }
}
