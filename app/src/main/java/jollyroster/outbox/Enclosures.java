package jollyroster.outbox;

import java.util.List;
import jollyroster.core.messages.Anchor;
import jollyroster.platform.Facts;

/** Files that go with letters, made when the letter leaves. */
public interface Enclosures {

    /** A file. @param type its media type */
    record Enclosure(String name, String type, byte[] content) {}

    /** What goes with a letter; nothing with most. @param given what the letter was given when it was queued */
    List<Enclosure> of(Anchor anchor, Facts given);
}
