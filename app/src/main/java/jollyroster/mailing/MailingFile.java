package jollyroster.mailing;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.Text;

/** A file that goes with a letter to many. @param type its media type, by what it is and not by what it is called */
record MailingFile(String name, String type, byte[] content) {

    /** In bytes, of all files of a letter together. */
    static final int LARGEST = 5_000_000;

    static final int MOST = 5;
    private static final int LONGEST_NAME = 120;
    private static final Map<String, String> TEXTS =
            Map.of("txt", "text/plain", "csv", "text/csv", "ics", "text/calendar");

    /** The file as it may be sent; empty when it is none of those that may: PDF, PNG, JPEG, plain text, CSV, calendars. */
    static Optional<MailingFile> of(String name, byte[] content) {
        String clean = Text.oneLine(name.replaceAll("[\\\\/:*?\"<>|]", "-"), LONGEST_NAME);
        int dot = clean.lastIndexOf('.');
        String ending = dot < 0 ? "" : clean.substring(dot + 1).toLowerCase(Locale.ROOT);
        return type(ending, content).map(type -> new MailingFile(clean, type, content));
    }

    private static Optional<String> type(String ending, byte[] content) {
        if (ending.equals("pdf") && begins(content, "%PDF-")) {
            return Optional.of("application/pdf");
        }
        if (ending.equals("png") && begins(content, "\u0089PNG")) {
            return Optional.of("image/png");
        }
        if ((ending.equals("jpg") || ending.equals("jpeg")) && begins(content, "\u00ff\u00d8\u00ff")) {
            return Optional.of("image/jpeg");
        }
        return Optional.ofNullable(TEXTS.get(ending)).filter(type -> isText(content));
    }

    private static boolean begins(byte[] content, String with) {
        byte[] wanted = with.getBytes(StandardCharsets.ISO_8859_1);
        for (int i = 0; i < wanted.length; i++) {
            if (i >= content.length || content[i] != wanted[i]) {
                return false;
            }
        }
        return true;
    }

    private static boolean isText(byte[] content) {
        for (byte b : content) {
            if (b == 0) {
                return false;
            }
        }
        return content.length > 0;
    }
}
