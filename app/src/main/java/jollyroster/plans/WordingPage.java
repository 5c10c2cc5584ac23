package jollyroster.plans;

import java.util.List;
import java.util.regex.Matcher;
import java.util.stream.Collectors;
import jollyroster.outbox.LetterCheck;
import org.springframework.web.util.HtmlUtils;

/** What stands in the frame in which a message is read. */
final class WordingPage {

    private static final String HEAD = "<!DOCTYPE html><html lang=\"en\"><head><meta charset=\"UTF-8\">"
            + "<title>Message</title></head><body style=\"margin:0;padding:12px 16px;color:#14212b;"
            + "font:15px/1.5 'Libre Franklin',Helvetica,Arial,sans-serif\">";
    private static final String TAIL = "</body></html>";

    private WordingPage() {}

    static String faults(List<String> faults) {
        return HEAD
                + faults.stream()
                        .map(fault -> "<p style=\"margin:0 0 8px;color:#b3261e\">" + escaped(fault) + "</p>")
                        .collect(Collectors.joining())
                + TAIL;
    }

    static String nobody() {
        return HEAD + "<p>Nobody is registered yet whose message could be shown.</p>" + TAIL;
    }

    static String text(String subject, String text) {
        return HEAD + "<p><b>" + escaped(subject)
                + "</b></p><pre style=\"white-space:pre-wrap;font:14px/1.5 monospace\">" + escaped(text) + "</pre>"
                + TAIL;
    }

    /** The message with its subject above it, as mail programs show it. */
    static String subject(LetterCheck.Mail mail) {
        String beside = mail.preheader().isEmpty()
                ? ""
                : " <span style=\"color:#4b5a66\">" + escaped(mail.preheader()) + "</span>";
        String line = "<p style=\"margin:0 0 14px;padding-bottom:8px;border-bottom:1px solid #d9c99f\"><b>"
                + escaped(mail.subject()) + "</b>" + beside + "</p>";
        return mail.html().replaceFirst("(<body[^>]*>)", "$1" + Matcher.quoteReplacement(line));
    }

    private static String escaped(String text) {
        return HtmlUtils.htmlEscape(text);
    }
}
