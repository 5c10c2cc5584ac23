package jollyroster.live;

import static jollyroster.platform.tables.Tables.LIVE_POLL;
import static jollyroster.platform.tables.Tables.LIVE_QUESTION;
import static jollyroster.platform.tables.Tables.LIVE_SECOND;
import static jollyroster.platform.tables.Tables.LIVE_SESSION;
import static jollyroster.platform.tables.Tables.LIVE_VOTE;

import java.time.Clock;
import java.util.List;
import jollyroster.door.Attenders.Attender;
import jollyroster.door.DoorKeepers;
import jollyroster.live.LiveQueries.Questions;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What is asked, seconded, voted and shown beside a meeting. */
@Component
class LiveCommands {

    private static final List<String> OPEN = List.of("HIDDEN", "SHOWN");
    /** Of one person that nobody has answered yet. */
    static final int MOST_OF_ONE = 5;

    static final int MOST_POLLS = 50;
    private final DoorKeepers keepers;
    private final LiveQueries queries;
    private final Writes writes;
    private final Clock clock;

    LiveCommands(DoorKeepers keepers, LiveQueries queries, Writes writes, Clock clock) {
        this.keepers = keepers;
        this.queries = queries;
        this.writes = writes;
        this.clock = clock;
    }

    /** By what somebody is known who asks or votes. */
    static String key(Attender who) {
        return who.registration() != 0 ? "r" + who.registration() : "a" + who.arrival();
    }

    /** @return whether it was taken; not where nobody is asked, or somebody has asked a lot already */
    @Transactional
    public boolean ask(Attender who, String words, Actor actor) {
        long session = who.session().id();
        Questions how = queries.settings(session).questions();
        int open = writes.sql()
                .fetchCount(
                        LIVE_QUESTION,
                        LIVE_QUESTION.SESSION_ID.eq(session),
                        LIVE_QUESTION.ASKER.eq(key(who)),
                        LIVE_QUESTION.STATE.in(OPEN));
        if (how != Questions.OFF && hasAsked(who, words)) {
            return true;
        }
        if (how == Questions.OFF || open >= MOST_OF_ONE) {
            return false;
        }
        writes.sql()
                .insertInto(LIVE_QUESTION)
                .set(LIVE_QUESTION.SESSION_ID, session)
                .set(LIVE_QUESTION.ASKER, key(who))
                .set(LIVE_QUESTION.NAME, who.name())
                .set(LIVE_QUESTION.WORDS, words)
                .set(LIVE_QUESTION.STATE, how == Questions.OPEN ? "SHOWN" : "HIDDEN")
                .set(LIVE_QUESTION.ASKED_AT, clock.instant())
                .execute();
        return true;
    }

    /** The same words once more, as of a double press, are the same question. */
    private boolean hasAsked(Attender who, String words) {
        return writes.sql()
                .fetchExists(
                        LIVE_QUESTION,
                        LIVE_QUESTION.SESSION_ID.eq(who.session().id()),
                        LIVE_QUESTION.ASKER.eq(key(who)),
                        LIVE_QUESTION.WORDS.eq(words),
                        LIVE_QUESTION.STATE.in(OPEN));
    }

    /** Somebody would have asked the same. */
    @Transactional
    public void second(Attender who, long question, Actor actor) {
        boolean shown = writes.sql()
                .fetchExists(
                        LIVE_QUESTION,
                        LIVE_QUESTION.ID.eq(question),
                        LIVE_QUESTION.SESSION_ID.eq(who.session().id()),
                        LIVE_QUESTION.STATE.eq("SHOWN"),
                        LIVE_QUESTION.ASKER.ne(key(who)));
        if (shown) {
            writes.sql()
                    .insertInto(LIVE_SECOND)
                    .set(LIVE_SECOND.QUESTION_ID, question)
                    .set(LIVE_SECOND.SECONDER, key(who))
                    .onConflictDoNothing()
                    .execute();
        }
    }

    /** A vote can be changed while the poll is open. */
    @Transactional
    public void vote(Attender who, long poll, int choice, Actor actor) {
        boolean there = writes.sql()
                .select(LIVE_POLL.CHOICES)
                .from(LIVE_POLL)
                .where(LIVE_POLL.ID.eq(poll))
                .and(LIVE_POLL.SESSION_ID.eq(who.session().id()))
                .and(LIVE_POLL.IS_OPEN.isTrue())
                .fetchOptional(LIVE_POLL.CHOICES)
                .filter(choices -> choice >= 0 && choice < choices.lines().count())
                .isPresent();
        if (there) {
            writes.sql()
                    .insertInto(LIVE_VOTE)
                    .set(LIVE_VOTE.POLL_ID, poll)
                    .set(LIVE_VOTE.VOTER, key(who))
                    .set(LIVE_VOTE.CHOICE, choice)
                    .onConflict(LIVE_VOTE.POLL_ID, LIVE_VOTE.VOTER)
                    .doUpdate()
                    .set(LIVE_VOTE.CHOICE, choice)
                    .execute();
        }
    }

    /** @param now what of the agenda is under way; empty for nothing */
    @Transactional
    public void set(long session, Questions questions, String now, Actor actor) {
        keepers.session(session, actor, clock.instant());
        writes.sql()
                .insertInto(LIVE_SESSION)
                .set(LIVE_SESSION.SESSION_ID, session)
                .set(LIVE_SESSION.QUESTIONS, questions.name())
                .set(LIVE_SESSION.AGENDA_NOW, now)
                .onConflict(LIVE_SESSION.SESSION_ID)
                .doUpdate()
                .set(LIVE_SESSION.QUESTIONS, questions.name())
                .set(LIVE_SESSION.AGENDA_NOW, now)
                .execute();
    }

    /** @param state {@code SHOWN}, {@code ANSWERED} or {@code REMOVED} */
    @Transactional
    public void settle(long session, long question, String state, Actor actor) {
        keepers.session(session, actor, clock.instant());
        writes.sql()
                .update(LIVE_QUESTION)
                .set(LIVE_QUESTION.STATE, state)
                .where(LIVE_QUESTION.ID.eq(question))
                .and(LIVE_QUESTION.SESSION_ID.eq(session))
                .execute();
    }

    /** Begins a poll; the one before is over. @return whether it has begun */
    @Transactional
    public boolean poll(long session, String words, List<String> choices, Actor actor) {
        keepers.session(session, actor, clock.instant());
        if (writes.sql().fetchCount(LIVE_POLL, LIVE_POLL.SESSION_ID.eq(session)) >= MOST_POLLS) {
            return false;
        }
        closePolls(session);
        writes.sql()
                .insertInto(LIVE_POLL)
                .set(LIVE_POLL.SESSION_ID, session)
                .set(LIVE_POLL.WORDS, words)
                .set(LIVE_POLL.CHOICES, String.join("\n", choices))
                .set(LIVE_POLL.IS_OPEN, true)
                .set(LIVE_POLL.ASKED_AT, clock.instant())
                .execute();
        return true;
    }

    @Transactional
    public void endPoll(long session, Actor actor) {
        keepers.session(session, actor, clock.instant());
        closePolls(session);
    }

    private void closePolls(long session) {
        writes.sql()
                .update(LIVE_POLL)
                .set(LIVE_POLL.IS_OPEN, false)
                .where(LIVE_POLL.SESSION_ID.eq(session))
                .execute();
    }
}
