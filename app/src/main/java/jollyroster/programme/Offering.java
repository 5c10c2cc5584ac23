package jollyroster.programme;

import java.time.ZoneId;
import java.util.Optional;
import jollyroster.core.dates.Offset;
import jollyroster.core.intake.Text;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SignUpStyle;

/**
 * What is published.
 *
 * @param slug its name in addresses
 * @param description Markdown as typed
 * @param bring what to bring; empty for nothing said
 * @param hostName who leads it beside the hosts of the team; empty for nobody
 * @param zone in which its dates are typed
 * @param minutes the usual length of a session
 * @param seats the usual number of seats of a new session, 0 for not given yet
 * @param cutOff how long before the start registration closes
 * @param version counts up with each change, so that two people do not overwrite each other
 */
public record Offering(
        long id,
        String slug,
        String title,
        String summary,
        String description,
        String bring,
        Format format,
        Optional<Venue> venue,
        String hostName,
        ZoneId zone,
        int minutes,
        int seats,
        boolean waitlistAllowed,
        int largestParty,
        Offset cutOff,
        DoorRules door,
        OfferingStatus status,
        int version,
        OfferingRules rules,
        SignUpRules signUp,
        OfferingFront front) {

    public int doorMinutes() {
        return door.minutes();
    }

    public int overrunMinutes() {
        return door.overrun();
    }

    public SignUpStyle style() {
        return rules.style();
    }

    public boolean isSeries() {
        return rules.style() == SignUpStyle.WHOLE_SERIES;
    }

    /** A state as people read it; for one that is held, what it waits for. */
    public String word(RegistrationState state) {
        return state != RegistrationState.UNCONFIRMED
                ? state.word()
                : signUp.isPaid() ? "awaiting payment" : "awaiting confirmation";
    }

    /** Whether a text stands in its title, guest host, place or labels. @param sought as {@link Text#folded} gives it */
    public boolean mentions(String sought) {
        String all = title + " " + hostName + " " + place() + " " + String.join(" ", front.labels());
        return Text.folded(all).contains(sought);
    }

    /** Where it usually is, in one line; empty when nobody has said. */
    public String place() {
        return venue.map(Venue::inOneLine).orElse("");
    }
}
