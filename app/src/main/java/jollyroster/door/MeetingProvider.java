package jollyroster.door;

import java.time.Instant;

/** A service that holds online meetings. One ships with the program; a real one can stand behind the same lines. */
public interface MeetingProvider {

    /** Makes a room. @return the name the service knows it by */
    String makeRoom(long session, String title);

    /**
     * Lets one person in.
     *
     * @param pass opaque to the service, which hands it back when it reports who joined and left
     * @param closes when the room shuts
     * @return where to send the person's browser; good for this one person
     */
    String entry(String room, String title, String name, String pass, Instant closes);
}
