package jollyroster.door;

import java.time.Instant;

/** A service that holds online meetings. One ships with the program; a real one can stand behind the same lines. */
public interface MeetingProvider {

    /** What the service says when it is asked for a room. */
    sealed interface Answer {
        /** @param room the name the service knows it by */
        record Made(String room) implements Answer {}

        /** Not now; ask again later. @param why in words for an organiser */
        record NotYet(String why) implements Answer {}
    }

    /**
     * Asks for a room. Asking twice for one thing gives the same room, or one more that is never used.
     *
     * @param name letters, digits and hyphens; the same for the same session or turn
     */
    Answer makeRoom(String name, String title);

    /**
     * Lets one person in.
     *
     * @param closes when the room shuts
     * @return where to send the person's browser; good for this one person
     */
    String entry(String room, String title, Coming who, Instant closes);

    /**
     * Somebody who comes in.
     *
     * @param name as the others see it
     * @param pass opaque to the service, which hands it back when it reports who joined and left; empty for somebody of whom nothing
     *     need be reported
     * @param leads whether they lead the meeting
     */
    record Coming(String name, String pass, boolean leads) {

        /** Somebody who leads. */
        public static Coming leading(String name) {
            return new Coming(name, "", true);
        }
    }
}
