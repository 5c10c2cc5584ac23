package jollyroster.platform;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * A page as it was written once, in UTF-8, with gaps for what is each reader's own: the token of its forms and the like.
 * What was put into a gap must be unguessable, or somebody could have it written elsewhere on the page and get a reader's own
 * there.
 *
 * <p>{@code of("<p>a1</p><p>b2</p>", List.of("1", "2"))} written for {@code List.of("x", "y")} is
 * {@code <p>ax</p><p>by</p>}.
 */
public final class WrittenPage {

    private static final int END = -1;
    private final List<Part> parts;

    /** Text, and the number of the gap after it. */
    private record Part(byte[] text, int gap) {}

    private WrittenPage(List<Part> parts) {
        this.parts = List.copyOf(parts);
    }

    /** @param own what was written for its first reader; each becomes a gap wherever it stands; none is empty */
    public static WrittenPage of(String page, List<String> own) {
        List<Part> parts = new ArrayList<>();
        int from = 0;
        for (Place next = next(page, own, from); next.gap() != END; next = next(page, own, from)) {
            parts.add(part(page, from, next));
            from = next.at() + own.get(next.gap()).length();
        }
        parts.add(part(page, from, new Place(page.length(), END)));
        return new WrittenPage(parts);
    }

    private record Place(int at, int gap) {}

    private static Place next(String page, List<String> own, int from) {
        Place nearest = new Place(page.length(), END);
        for (int gap = 0; gap < own.size(); gap++) {
            int at = page.indexOf(own.get(gap), from);
            nearest = at >= 0 && at < nearest.at() ? new Place(at, gap) : nearest;
        }
        return nearest;
    }

    private static Part part(String page, int from, Place to) {
        return new Part(page.substring(from, to.at()).getBytes(StandardCharsets.UTF_8), to.gap());
    }

    /** @param own as many as there are gaps */
    public void writeTo(OutputStream out, List<String> own) throws IOException {
        List<byte[]> filling =
                own.stream().map(s -> s.getBytes(StandardCharsets.UTF_8)).toList();
        for (Part part : parts) {
            out.write(part.text());
            if (part.gap() != END) {
                out.write(filling.get(part.gap()));
            }
        }
    }
}
