package jollyroster.door;

import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * A service that holds online meetings. One ships with the program as a stand-in; a real one stands behind the same lines.
 *
 * <p>What a real one must do, and {@code MeetingProviderContract} tries on any implementation:
 *
 * <ul>
 *   <li><b>Rooms.</b> {@link #makeRoom} is asked for the same name again after a failure, a restart, or by two browsers at once. It may
 *       give the same room or one more, never the room of another name. Nobody can guess the name of a room.
 *   <li><b>Ways in.</b> {@link #entry} gives an address for one person and one browser: an https address, or a path on this server. It
 *       shows them under the name given, whatever letters are in it, and asks them for nothing: no account, nothing to install.
 *   <li><b>Reports.</b> Whoever came in with a pass is reported: a JSON object with {@code type} ({@code joined} or {@code left}),
 *       {@code visit} (at most 80 characters, the same in both, of no other stay), {@code guest} (the pass as it was given) and
 *       {@code at} (an instant, ISO 8601, UTC), posted to {@code /hooks/meeting} and signed as Standard Webhooks describes. A report may
 *       come late, more than once and in any order; it is taken (2xx) or is to be sent again. An empty pass is never reported.
 *   <li><b>The end.</b> At {@code closes} everybody is out, and ways in are worth nothing any more.
 *   <li><b>Trouble.</b> What the service says no to is an answer; what does not work is an exception. A call that takes longer than the
 *       limit of its {@code OutsideService} counts as one, and the service is left alone for a while.
 *   <li><b>Permission.</b> Nothing is asked of the service before it has been granted through {@link #consent}, and nothing after
 *       {@link #revoke}.
 * </ul>
 */
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
     * @param name letters, digits and hyphens; the same for the same session, turn or meeting
     * @param title as people in it read it
     */
    Answer makeRoom(String name, String title);

    /**
     * Lets one person in.
     *
     * @param room by the name {@link #makeRoom} gave
     * @param closes when the room shuts
     * @return where to send the person's browser, good for this one person; empty where the service lets nobody in now
     */
    Optional<String> entry(String room, String title, Coming who, Instant closes);

    /**
     * Whether {@link #entry} makes its addresses here, without a call to anybody, and so never waits: then a crowd at a door is not led
     * through the threads that guard against a slow service.
     */
    default boolean entersAtOnce() {
        return false;
    }

    /** Ends what goes on in a room: everybody is out, and is reported as having left. Nothing for a room that is empty or unknown. */
    void end(String room);

    /**
     * Somebody who comes in.
     *
     * @param name as the others see it; up to 120 characters
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

    /** The service's name, for organisers. */
    String name();

    /** What the program has to be allowed at the service, in words that go on from "Jolly Roster may". */
    List<String> permissions();

    /** Who may grant that, in words. */
    String grantedBy();

    /**
     * Where an organiser grants it.
     *
     * @param state comes back with the browser, to {@code /desk/setup/connections/meetings/granted} as {@code state}, with {@code grant}
     *     where it was granted
     */
    String consent(String state);

    /** Takes what came back as {@code grant}. @return whether it is one */
    boolean take(String grant);

    /** Gives back what was granted. */
    void revoke();

    /** Whether it works: a call that changes nothing. @return what is wrong, in words for an organiser; empty where all is well */
    Optional<String> trouble();
}
