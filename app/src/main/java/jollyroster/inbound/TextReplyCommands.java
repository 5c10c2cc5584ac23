package jollyroster.inbound;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import jollyroster.outbox.AddressingCommands;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.OrganisationQueries;
import jollyroster.seating.AmendCommands;
import jollyroster.texting.AgreementCommands;
import jollyroster.texting.AgreementQueries;
import jollyroster.texting.TextLogCommands;
import jollyroster.texting.TextLogCommands.Received;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what the text gateway reports: what became of texts, who wants none any more, and what was answered. */
@Component
public class TextReplyCommands {

    /** By how a gateway says that no text will ever reach a number. */
    private static final String GONE = "no-such-number";

    /** On whose word the program acts. */
    private static final Actor BY_TEXT = new Actor.Program("by text");

    private final TextLogCommands log;
    private final AgreementCommands agreements;
    private final AgreementQueries agreed;
    private final OutboxCommands outbox;
    private final AddressingCommands addressing;
    private final AmendCommands amend;
    private final OrganisationQueries organisation;
    private final Clock clock;

    TextReplyCommands(
            TextLogCommands log,
            AgreementCommands agreements,
            AgreementQueries agreed,
            OutboxCommands outbox,
            AddressingCommands addressing,
            AmendCommands amend,
            OrganisationQueries organisation,
            Clock clock) {
        this.log = log;
        this.agreements = agreements;
        this.agreed = agreed;
        this.outbox = outbox;
        this.addressing = addressing;
        this.amend = amend;
        this.organisation = organisation;
        this.clock = clock;
    }

    /**
     * What became of a text. A number that does not exist any more is not tried again.
     *
     * @param why in the gateway's words
     * @param at when; now where it is not said
     * @return false where the text is not known
     */
    @Transactional
    boolean reported(String outside, boolean delivered, String why, @Nullable Instant at) {
        Instant now = clock.instant();
        String reason = delivered ? "" : words(why);
        Instant then = at == null || at.isAfter(now) ? now : at;
        Optional<TextLogCommands.Settled> settled = log.settle(outside, delivered, reason, then);
        settled.filter(text -> !delivered).ifPresent(text -> {
            addressing.notArrived(text.message(), reason, now);
            if (why.equals(GONE)) {
                agreements.silence(text.number(), false, reason, now);
            }
        });
        return settled.isPresent() || log.knows(outside);
    }

    private static String words(String why) {
        return switch (why) {
            case GONE -> "the number does not exist any more";
            case "unreachable" -> "the phone could not be reached";
            default -> "the text did not arrive";
        };
    }

    /** The owner of a number wants no more texts. */
    @Transactional
    void stop(String number) {
        agreements.silence(number, true, "asked for no more texts", clock.instant());
        agreed.registrationsOf(number).forEach(r -> amend.followTexts(r, BY_TEXT));
    }

    /** The owner of a number wants texts again. */
    @Transactional
    void start(String number) {
        agreements.welcome(number);
        agreed.registrationsOf(number).forEach(r -> amend.followTexts(r, BY_TEXT));
    }

    /** Says who writes, and how it ends. */
    @Transactional
    void help(String number) {
        String words = organisation.organisation().name() + ": texts about what you registered for. Questions: "
                + organisation.organisation().contactEmail() + ". Reply STOP for no more texts.";
        Instant now = clock.instant();
        outbox.text("help-" + now.toEpochMilli() + number, number, "Answer to HELP", words, now);
    }

    @Transactional
    void keep(Received text, String outcome, boolean open) {
        log.received(text, outcome, open, clock.instant());
    }

    /** Somebody of the team has read what came. @return whether nobody had */
    @Transactional
    public boolean read(long text, Actor actor) {
        actor.requireOrganiser();
        return log.read(text);
    }
}
