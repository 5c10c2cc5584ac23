package jollyroster.platform;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.Text;

/** A file from outside that may go to people. @param type its media type, by what it is and not by what it is called */
public record SafeFile(String name, String type, byte[] content) {

    private static final int LONGEST_NAME = 120;
    private static final Map<String, String> TEXTS =
            Map.of("txt", "text/plain", "csv", "text/csv", "ics", "text/calendar");

    /** The file as it may be sent; empty when it is none of those that may: PDF, PNG, JPEG, plain text, CSV, calendars. */
    public static Optional<SafeFile> of(String name, byte[] content) {
        String clean = Text.oneLine(name.replaceAll("[\\\\/:*?\"<>|]", "-"), LONGEST_NAME);
        int dot = clean.lastIndexOf('.');
        String ending = dot < 0 ? "" : clean.substring(dot + 1).toLowerCase(Locale.ROOT);
        return type(ending, content).map(type -> new SafeFile(clean, type, content));
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
