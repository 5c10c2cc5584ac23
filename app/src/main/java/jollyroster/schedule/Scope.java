package jollyroster.schedule;

import java.util.Arrays;
import java.util.List;
import jollyroster.programme.Session;

/** Which sessions of an offering a change is about. */
public enum Scope {
    THIS,
    /** This one and those that start after it. */
    LATER,
    /** All that have not ended. */
    ALL;

    /** The scope of this name; {@link #THIS} for any other text. */
    static Scope of(String name) {
        return Arrays.stream(values())
                .filter(s -> s.name().equals(name))
                .findFirst()
                .orElse(THIS);
    }

    /** @param all the sessions of the offering that have not ended, in order of time */
    List<Session> of(Session session, List<Session> all) {
        return switch (this) {
            case THIS -> List.of(session);
            case LATER ->
                all.stream().filter(s -> !s.start().isBefore(session.start())).toList();
            case ALL -> all;
        };
    }
}
