package jollyroster.standin;

import java.nio.charset.StandardCharsets;
import java.util.UUID;
import jollyroster.outbox.SentMail;
import jollyroster.platform.OrganisationQueries;
import org.springframework.stereotype.Component;

/** Mail to the organiser as people, their calendar programs and mail servers write it. */
@Component
class InboxLetters {

    private final OrganisationQueries organisation;

    InboxLetters(OrganisationQueries organisation) {
        this.organisation = organisation;
    }

    /** What is written. */
    enum Kind {
        WORDS,
        ABSENT,
        BOUNCE,
        ACCEPT,
        DECLINE
    }

    /** @param letter that is answered */
    byte[] write(Kind kind, SentMail.Mail letter, String words) {
        String mail = switch (kind) {
            case WORDS -> plain(letter, words, "");
            case ABSENT -> plain(letter, "I am at sea until Monday.", "Auto-Submitted: auto-replied\r\n");
            case BOUNCE -> bounce(letter);
            case ACCEPT -> calendar(letter, "ACCEPTED");
            case DECLINE -> calendar(letter, "DECLINED");
        };
        return mail.getBytes(StandardCharsets.UTF_8);
    }

    private String head(String from, String subject) {
        return "From: <" + from + ">\r\nTo: <" + organisation.organisation().contactEmail() + ">\r\nSubject: "
                + oneLine(subject) + "\r\nMessage-ID: <" + UUID.randomUUID()
                + "@tray.example>\r\nMIME-Version: 1.0\r\n";
    }

    private static String oneLine(String text) {
        return text.replaceAll("[\\r\\n]+", " ");
    }

    private String plain(SentMail.Mail letter, String words, String more) {
        return head(letter.to(), "Re: " + letter.subject()) + "In-Reply-To: " + letter.messageId() + "\r\n" + more
                + "Content-Type: text/plain; charset=UTF-8\r\n\r\n" + words + "\r\n";
    }

    private String calendar(SentMail.Mail letter, String answer) {
        String uid = letter.calendar()
                .replace("\r\n ", "")
                .lines()
                .filter(line -> line.startsWith("UID:"))
                .findFirst()
                .orElse("UID:none");
        return head(letter.to(), answer) + "Content-Type: text/calendar; method=REPLY; charset=UTF-8\r\n\r\n"
                + "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Tray//EN\r\nMETHOD:REPLY\r\nBEGIN:VEVENT\r\n" + uid
                + "\r\nDTSTAMP:20270310T120000Z\r\nATTENDEE;PARTSTAT=" + answer + ":mailto:" + letter.to()
                + "\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
    }

    private String bounce(SentMail.Mail letter) {
        String seam = "seam-" + UUID.randomUUID();
        return head("postmaster@tray.example", "Undelivered mail") + "Auto-Submitted: auto-replied\r\n"
                + "Content-Type: multipart/report; report-type=delivery-status; boundary=\"" + seam + "\"\r\n\r\n--"
                + seam
                + "\r\nContent-Type: text/plain\r\n\r\nYour mail could not be delivered.\r\n--" + seam
                + "\r\nContent-Type: message/delivery-status\r\n\r\nReporting-MTA: dns; tray.example\r\n\r\n"
                + "Final-Recipient: rfc822; " + letter.to() + "\r\nAction: failed\r\nStatus: 5.1.1\r\n--" + seam
                + "\r\nContent-Type: text/rfc822-headers\r\n\r\nMessage-ID: " + letter.messageId() + "\r\n--" + seam
                + "--\r\n";
    }
}
