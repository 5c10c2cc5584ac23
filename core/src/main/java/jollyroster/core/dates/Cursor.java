package jollyroster.core.dates;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A place in a typed line, moved on by what is recognised there, and the notes made on the way. */
final class Cursor {

    private static final Pattern GAP = Pattern.compile("[\\s,;]*");
    private final String line;
    private final List<TypedLine.Note> notes = new ArrayList<>();
    private int at;

    Cursor(String line) {
        this.line = line;
    }

    /** Where something begins, from 0. */
    int at() {
        return at;
    }

    boolean atEnd() {
        return at >= line.length();
    }

    void skipGap() {
        take(GAP);
    }

    /** Takes the pattern if it stands right here. */
    Optional<Matcher> take(Pattern pattern) {
        Matcher matcher = matcher(pattern);
        if (!matcher.lookingAt()) {
            return Optional.empty();
        }
        at = matcher.end();
        return Optional.of(matcher);
    }

    boolean looksAt(Pattern pattern) {
        return matcher(pattern).lookingAt();
    }

    private Matcher matcher(Pattern pattern) {
        return pattern.matcher(line).region(at, line.length()).useTransparentBounds(true);
    }

    void backTo(int index) {
        at = index;
    }

    String rest() {
        return line.substring(at).strip();
    }

    String since(int index) {
        return line.substring(index, at).strip();
    }

    /** Notes a reading once for each detail. */
    void note(TypedLine.Reading reading, int index, String detail) {
        boolean known = notes.stream()
                .anyMatch(n -> n.reading() == reading && n.detail().equals(detail));
        if (!known) {
            notes.add(new TypedLine.Note(reading, index + 1, detail));
        }
    }

    List<TypedLine.Note> notes() {
        return notes;
    }

    Unreadable unreadable(int index, TypedLine.Problem problem, String detail) {
        return new Unreadable(index + 1, problem, detail);
    }

    /** Ends the reading of a line. */
    static final class Unreadable extends RuntimeException {
        final int column;
        final TypedLine.Problem problem;
        final String detail;

        Unreadable(int column, TypedLine.Problem problem, String detail) {
            super(null, null, false, false);
            this.column = column;
            this.problem = problem;
            this.detail = detail;
        }
    }
}
