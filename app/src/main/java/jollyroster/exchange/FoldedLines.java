package jollyroster.exchange;

/**
 * Content lines of no more than 75 octets, without the line break (RFC 5545, section 3.1). A character is never split, and
 * no line is folded before a space, which some programs take for part of the fold.
 */
final class FoldedLines {

    private static final int LONGEST = 75;
    private static final String FOLD = "\r\n ";

    private FoldedLines() {}

    /** @param unfolded lines that end with CRLF */
    static String of(String unfolded) {
        StringBuilder folded = new StringBuilder(unfolded.length() + unfolded.length() / LONGEST * FOLD.length());
        unfolded.lines().forEach(line -> {
            fold(line, folded);
            folded.append("\r\n");
        });
        return folded.toString();
    }

    private static void fold(String line, StringBuilder to) {
        int from = 0;
        int room = LONGEST;
        while (octets(line, from, line.length()) > room) {
            int end = end(line, from, room);
            to.append(line, from, end).append(FOLD);
            from = end;
            room = LONGEST - 1;
        }
        to.append(line, from, line.length());
    }

    /** Of a text in UTF-8. */
    private static int octets(String line, int from, int to) {
        int octets = 0;
        for (int i = from; i < to; i++) {
            char c = line.charAt(i);
            octets += c < 0x80 ? 1 : c < 0x800 || Character.isSurrogate(c) ? 2 : 3;
        }
        return octets;
    }

    /** As many characters as fit, ending so that no space comes next where there is anything else to end before. */
    private static int end(String line, int from, int room) {
        int end = from;
        int used = 0;
        while (end < line.length()) {
            int next = end + Character.charCount(line.codePointAt(end));
            used += octets(line, end, next);
            if (used > room) {
                break;
            }
            end = next;
        }
        int fit = end;
        while (end > from + 1 && line.charAt(end) == ' ') {
            end--;
        }
        return end > from + 1 ? end : fit;
    }
}
