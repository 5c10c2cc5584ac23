package jollyroster.sheet;

import java.time.Instant;
import java.util.Locale;
import jollyroster.core.seats.Outlook;
import jollyroster.platform.Times;
import jollyroster.programme.Session;

/** Whether a session that needs a minimum will run, in words. */
public final class OutlookWords {

    private OutlookWords() {}

    /** {@code at risk: 2 of 4, decide by Sat 13 Mar}; empty when it needs no minimum. */
    public static String of(Session s, int taken, Instant now) {
        Outlook outlook = s.outlook(taken, now);
        String of = taken + " of " + s.minimum();
        String day = Times.day(
                Outlook.decideBy(s.start(), s.zone(), s.offering().rules().decideDays())
                        .atStartOfDay(s.zone()));
        return switch (outlook) {
            case OPEN -> "";
            case RUNS -> "runs";
            case AT_RISK -> "at risk: " + of + ", decide by " + day;
            case DECIDE_TODAY -> "decide today: " + of;
            case OVERDUE -> "undecided since " + day + ": " + of;
        };
    }

    /** As style sheets read it: {@code at-risk}. */
    public static String code(Session s, int taken, Instant now) {
        return s.outlook(taken, now).name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
