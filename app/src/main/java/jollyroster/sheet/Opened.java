package jollyroster.sheet;

import java.util.Map;
import java.util.Optional;
import jollyroster.programme.Part;
import org.jspecify.annotations.Nullable;

/**
 * The section of a sheet that is open for editing, and what stands in it.
 *
 * @param part empty when all are closed
 * @param form {@code null} when all are closed
 * @param problems of the form, by field
 * @param read how often the section had been kept when what stands in it was read; empty for just now
 */
record Opened(Optional<Part> part, @Nullable PartForm form, Map<String, String> problems, Optional<Integer> read) {

    static final Opened NOTHING = new Opened(Optional.empty(), null, Map.of(), Optional.empty());

    /** As it is kept. */
    static Opened kept(Part part, PartForm form) {
        return new Opened(Optional.of(part), form, Map.of(), Optional.empty());
    }

    /** As it was typed, with what is wrong. */
    static Opened typed(Part part, PartForm form, Map<String, String> problems, int read) {
        return new Opened(Optional.of(part), form, problems, Optional.of(read));
    }

    boolean is(Part other) {
        return part.filter(other::equals).isPresent();
    }

    /** What to send back as read, when this part is open. */
    Optional<Integer> seen(Part other) {
        return is(other) ? read : Optional.empty();
    }
}
