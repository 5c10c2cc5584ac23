package jollyroster.plans;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.Rehearsal.Played;
import jollyroster.core.messages.Rehearsal.Player;
import jollyroster.outbox.LetterCheck;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.MessageWords;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.Times;
import jollyroster.team.TeamQueries;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Sends a rehearsal to whoever plays it: each message as it would arrive, marked, its links leading back. */
@Component
class RehearsalCommands {

    private static final int MOST = 60;
    private final OutboxCommands outbox;
    private final LetterCheck check;
    private final RehearsalFacts facts;
    private final TeamQueries team;
    private final Clock clock;

    RehearsalCommands(OutboxCommands outbox, LetterCheck check, RehearsalFacts facts, TeamQueries team, Clock clock) {
        this.outbox = outbox;
        this.check = check;
        this.facts = facts;
        this.team = team;
        this.clock = clock;
    }

    /** @param words what came of it */
    record Sent(int messages, String words) {}

    /** @param lane who of the cast, from 0; all of them where it is beyond */
    @Transactional
    public Sent send(RehearsalRun.Run run, int lane, String back, Actor actor) {
        actor.requireOrganiser();
        TeamQueries.Mate me =
                actor instanceof Actor.Team who ? team.member(who.id()).orElse(null) : null;
        if (me == null) {
            return new Sent(0, "Nothing was sent: you have no address here.");
        }
        List<Integer> lanes = lane < run.cast().size()
                ? List.of(lane)
                : IntStream.range(0, run.cast().size()).boxed().toList();
        Instant now = clock.instant();
        int mails = 0;
        int texts = 0;
        for (int who : lanes) {
            for (Played m : run.parts().get(who).messages().stream()
                    .filter(Played::goes)
                    .toList()) {
                boolean text = m.channel() == Channel.TEXT;
                boolean goes = mails + texts < MOST && !(text && me.phone().isEmpty());
                if (goes) {
                    send(
                            run,
                            run.cast().get(who),
                            m,
                            back,
                            me,
                            "rehearsed-" + now.toEpochMilli() + "-" + mails + "-" + texts);
                    mails += text ? 0 : 1;
                    texts += text ? 1 : 0;
                }
            }
        }
        return new Sent(mails + texts, words(me, mails, texts));
    }

    private static String words(TeamQueries.Mate me, int mails, int texts) {
        String to = (mails == 1 ? "1 e-mail goes" : mails + " e-mails go") + " to " + me.email();
        return texts == 0
                ? to + "."
                : to + ", " + (texts == 1 ? "1 text" : texts + " texts") + " to " + me.phone() + ".";
    }

    private void send(RehearsalRun.Run run, Player player, Played m, String back, TeamQueries.Mate me, String key) {
        Instant now = clock.instant();
        LetterCheck.Mail mail = check.rehearse(m.line().anchor(), facts.of(run.offering(), player, m.state(), back));
        String when = Times.dayAndTime(m.at(), player.zone()) + " " + Times.city(player.zone()) + " time";
        String mark = "Rehearsal: to " + player.name() + ", " + when;
        if (m.channel() == Channel.TEXT) {
            outbox.text(key, me.phone(), mark, mark + ": " + mail.asText(), now);
            return;
        }
        Facts given = Facts.of(
                        "subject",
                        MessageWords.of(m.line().anchor(), m.line().offset()) + " to " + player.name() + ": "
                                + mail.subject())
                .and("text", mark + "\n\n" + mail.text())
                .and("html", WordingPage.marked(mail.html(), mark));
        outbox.letter(LetterKind.REHEARSED, key, me.email(), given, "", now);
    }
}
