package jollyroster.plans;

import java.util.List;
import java.util.regex.Matcher;
import java.util.stream.Collectors;
import jollyroster.core.messages.Segments;
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

    /** A message as a text, as a phone shows it, with what it counts. */
    static String phone(String text) {
        return phone(text, List.of());
    }

    /** The same. @param longer for whom it has more parts, by name */
    static String phone(String text, List<String> longer) {
        Segments counted = Segments.of(text);
        String parts = counted.parts() == 1 ? "1 part" : counted.parts() + " parts";
        List<String> wide = Segments.wide(text);
        String why = wide.isEmpty()
                ? ""
                : " A part holds less than half because of "
                        + String.join(" ", wide.subList(0, Math.min(5, wide.size()))) + ".";
        return HEAD
                + "<div style=\"max-width:320px;margin:0 auto;padding:18px 14px;border:1px solid #8a8577;border-radius:22px;"
                + "background:#f2eee3\"><p style=\"margin:0;padding:10px 13px;border-radius:4px 14px 14px 14px;background:#fff;"
                + "white-space:pre-wrap;overflow-wrap:anywhere\">" + escaped(text) + "</p></div>"
                + "<p style=\"max-width:320px;margin:8px auto;color:#4b5a66;font-size:13px\">" + parts + ", "
                + counted.units() + " counted, " + counted.left() + " left." + escaped(why) + escaped(more(longer))
                + "</p>"
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

    private static String more(List<String> longer) {
        String names = longer.stream().limit(3).collect(Collectors.joining(", "));
        int others = longer.size() - 3;
        return longer.isEmpty() ? "" : " A part more for " + names + (others > 0 ? " and " + others + " others." : ".");
    }

    /** A message with a line above it that says what it is. */
    static String marked(String html, String mark) {
        String line = "<p style=\"margin:0 0 14px;padding:4px 8px;background:#a01a63;color:#ffffff\">" + escaped(mark)
                + "</p>";
        return html.replaceFirst("(<body[^>]*>)", "$1" + Matcher.quoteReplacement(line));
    }

    private static String escaped(String text) {
        return HtmlUtils.htmlEscape(text);
    }
}
