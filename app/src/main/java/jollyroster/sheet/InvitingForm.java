package jollyroster.sheet;

import jollyroster.programme.Tell;
import org.jspecify.annotations.Nullable;

/** Whether people answer an invitation, what they see of each other, and when the organiser hears of it. */
public record InvitingForm(@Nullable Boolean rsvp, @Nullable Boolean companyShown, String tell) {
    public InvitingForm {
        rsvp = Boolean.TRUE.equals(rsvp);
        companyShown = Boolean.TRUE.equals(companyShown);
        tell = Typed.orEmpty(tell).isEmpty() ? Tell.NEVER.name() : tell;
    }

    /** People register rather than answer. */
    public static InvitingForm nobody() {
        return new InvitingForm(false, false, "");
    }
}
