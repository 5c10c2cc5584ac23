package jollyroster.signup;

import java.time.Duration;
import jollyroster.core.seats.Leave;
import jollyroster.platform.Times;

/** What people may do about their seats themselves, in words. */
final class LeaveWords {

    private LeaveWords() {}

    /** Said beside the button that registers. */
    static String before(Leave cancels) {
        if (!cancels.given()) {
            return "To cancel later, ask the organiser.";
        }
        String until = cancels.minutes() == 0
                ? ""
                : " until " + Times.length(Duration.ofMinutes(cancels.minutes())) + " before the start";
        return "You can cancel your registration on your own page" + until + ".";
    }
}
