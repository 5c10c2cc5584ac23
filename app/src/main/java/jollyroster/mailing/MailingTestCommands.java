package jollyroster.mailing;

import java.time.Clock;
import java.time.Instant;
import jollyroster.outbox.LetterCheck;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.team.TeamQueries;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Sends a letter to many to whoever writes it, as one of them would read it. */
@Component
class MailingTestCommands {

    private final LetterCheck check;
    private final OutboxCommands outbox;
    private final TeamQueries team;
    private final Clock clock;

    MailingTestCommands(LetterCheck check, OutboxCommands outbox, TeamQueries team, Clock clock) {
        this.check = check;
        this.outbox = outbox;
        this.team = team;
        this.clock = clock;
    }

    /** @return what came of it, in words */
    @Transactional
    public String send(MailingForm form, MailingPeople.Chosen as, Actor actor) {
        actor.requireOrganiser();
        TeamQueries.Mate me =
                actor instanceof Actor.Team who ? team.member(who.id()).orElse(null) : null;
        String html =
                check.preview(form.text(), as.registration(), as.session()).orElse("");
        if (me == null || html.isEmpty()) {
            return "It could not be tried.";
        }
        Instant now = clock.instant();
        Facts given = Facts.of("subject", form.line())
                .and("text", "As " + as.name() + " would read it:\n\n" + form.text())
                .and(
                        "html",
                        "<!DOCTYPE html><html lang=\"en\"><head><meta charset=\"UTF-8\"><title>Trial</title></head><body>"
                                + html + "</body></html>");
        outbox.letter(LetterKind.REHEARSED, "trial-" + now.toEpochMilli(), me.email(), given, "", now);
        return "Sent to " + me.email() + ", as " + as.name() + " would read it.";
    }
}
