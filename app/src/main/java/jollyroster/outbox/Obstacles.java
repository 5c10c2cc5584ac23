package jollyroster.outbox;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.dates.Interval;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Audience;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.MessagePlan;
import jollyroster.texting.AgreementQueries;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Component;

/** Says why a message does not go any more, as things may have changed since it was planned. */
@Component
class Obstacles {

    /** Of a letter to many: whether somebody had cancelled when it was written. */
    static final String GONE = "gone";

    private final Attendances attendances;
    private final AgreementQueries agreements;
    private final AnswersGiven answers;

    Obstacles(Attendances attendances, AgreementQueries agreements, @Lazy AnswersGiven answers) {
        this.attendances = attendances;
        this.agreements = agreements;
        this.answers = answers;
    }

    /** Why it does not go, in words; empty when it goes. */
    String of(Claim claim, Letters.Facts facts, Instant now) {
        String standing = facts.obstacle(claim.anchor(), now);
        if (!standing.isEmpty()) {
            return standing;
        }
        if (claim.channel() == Channel.TEXT
                && agreements.numberFor(claim.registration()).isEmpty()) {
            return Reasons.of(MessagePlan.Reason.NO_TEXTS);
        }
        boolean toMany = claim.given().number("mailing") > 0;
        if (toMany && !claim.given().is(GONE) && facts.standing() == Letters.Standing.GONE) {
            return "was cancelled meanwhile";
        }
        if (!isAmong(claim, facts)) {
            return "is not among those it goes to";
        }
        if (claim.anchor() == Anchor.UNPAID) {
            return facts.offer().until().isPresent() ? "" : "nothing is due any more";
        }
        if (claim.anchor() == Anchor.NOT_IN) {
            return notIn(claim, facts);
        }
        return claim.anchor()
                .verdict()
                .map(wanted -> verdict(claim, facts, wanted, now))
                .orElse("");
    }

    private boolean isAmong(Claim claim, Letters.Facts facts) {
        Audience audience = claim.audience();
        return audience.isEverybody()
                || audience.holds(
                        facts.about().firstTime(),
                        audience.kind() == Audience.Kind.ANSWERED
                                ? answers.of(claim.registration(), facts.about().offering())
                                : Map.of());
    }

    private String notIn(Claim claim, Letters.Facts facts) {
        if (!facts.online()) {
            return "who is there is not known where it is held in person";
        }
        return attendances.hasBeenIn(claim.session(), claim.registration()) ? "is in already" : "";
    }

    private String verdict(Claim claim, Letters.Facts facts, Verdict wanted, Instant now) {
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
