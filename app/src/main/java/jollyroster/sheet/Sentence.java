package jollyroster.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** A sentence to be read, some of it in bold. */
public record Sentence(List<Piece> pieces) {

    /** A run of text. */
    public record Piece(String text, boolean strong) {}

    public Sentence {
        pieces = List.copyOf(pieces);
    }

    static Sentence of(String text) {
        return new Sentence(List.of()).and(text);
    }

    /** In bold from the start. */
    static Sentence strong(String text) {
        return new Sentence(List.of()).andStrong(text);
    }

    Sentence and(String text) {
        return with(new Piece(text, false));
    }

    Sentence andStrong(String text) {
        return with(new Piece(text, true));
    }

    /** Followed by this where it is so, else as it is. */
    Sentence andIf(boolean so, String text) {
        return so ? and(text) : this;
    }

    Sentence and(Sentence other) {
        List<Piece> all = new ArrayList<>(pieces);
        all.addAll(other.pieces);
        return new Sentence(all);
    }

    private Sentence with(Piece piece) {
        return piece.text().isEmpty() ? this : and(new Sentence(List.of(piece)));
    }

    /** {@code a}, {@code a and b}, {@code a, b and c}, each in bold where it was. Empty for none. */
    static Sentence list(List<Sentence> items) {
        Sentence all = new Sentence(List.of());
        for (int i = 0; i < items.size(); i++) {
            String before = i == 0 ? "" : i == items.size() - 1 ? " and " : ", ";
            all = all.and(before).and(items.get(i));
        }
        return all;
    }

    /** The same without bold. */
    public String text() {
        return pieces.stream().map(Piece::text).collect(Collectors.joining());
    }
}
