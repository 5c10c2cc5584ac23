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
     * Asks for a room. Asking twice for one session gives the same room, or one more that is never used.
     *
     * @param session its number, to name the room after
     */
    Answer makeRoom(long session, String title);

    /**
     * Lets one person in.
     *
     * @param pass opaque to the service, which hands it back when it reports who joined and left
     * @param closes when the room shuts
     * @return where to send the person's browser; good for this one person
     */
    String entry(String room, String title, String name, String pass, Instant closes);
}
