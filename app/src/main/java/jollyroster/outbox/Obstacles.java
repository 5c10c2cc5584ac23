package jollyroster.outbox;

import java.time.Instant;
import java.util.Optional;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.dates.Interval;
import jollyroster.core.messages.Anchor;
import org.springframework.stereotype.Component;

/** Says why a message does not go any more, as things may have changed since it was planned. */
@Component
class Obstacles {

    private final Attendances attendances;

    Obstacles(Attendances attendances) {
        this.attendances = attendances;
    }

    /** Why it does not go, in words; empty when it goes. */
    String of(DispatchCommands.Claim claim, Letters.Facts facts, Instant now) {
        String standing = facts.obstacle(claim.anchor(), now);
        if (!standing.isEmpty()) {
            return standing;
        }
        if (claim.anchor() == Anchor.NOT_IN) {
            return notIn(claim, facts);
        }
        return claim.anchor()
                .verdict()
                .map(wanted -> verdict(claim, facts, wanted, now))
                .orElse("");
    }

    private String notIn(DispatchCommands.Claim claim, Letters.Facts facts) {
        if (!facts.online()) {
            return "who is there is not known where it is held in person";
        }
        return attendances.hasBeenIn(claim.session(), claim.registration()) ? "is in already" : "";
    }

    private String verdict(DispatchCommands.Claim claim, Letters.Facts facts, Verdict wanted, Instant now) {
        if (facts.end().isAfter(now)) {
            return "";
        }
        Interval span = new Interval(facts.start(), facts.end());
        Optional<Verdict> was = attendances.verdict(claim.session(), claim.registration(), span, now);
        if (was.isEmpty()) {
            return "nobody is marked as having been there";
        }
        return was.get() == wanted ? "" : word(was.get());
    }

    private static String word(Verdict was) {
        return switch (was) {
            case ATTENDED -> "attended";
            case PART -> "was there in part";
            case ABSENT -> "was absent";
        };
    }
}
