package jollyroster.live;

import static jollyroster.platform.tables.Tables.LIVE_POLL;
import static jollyroster.platform.tables.Tables.LIVE_QUESTION;
import static jollyroster.platform.tables.Tables.LIVE_SECOND;
import static jollyroster.platform.tables.Tables.LIVE_SESSION;
import static jollyroster.platform.tables.Tables.LIVE_VOTE;
import static jollyroster.platform.tables.Tables.MATERIAL;
import static org.jooq.impl.DSL.count;

import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads what stands on the page beside a meeting. */
@Component
class LiveQueries {

    private static final int MOST = 200;
    private final Reads reads;

    LiveQueries(Reads reads) {
        this.reads = reads;
    }

    /** Whether questions are asked, and who sees them. */
    enum Questions {
        OFF,
        /** Everybody sees them at once. */
        OPEN,
        /** The host lets them through first. */
        CHECKED
    }

    /** When a material opens. */
    enum Opens {
        AT_ONCE,
        FROM_START,
        AFTER
    }

    record Settings(Questions questions, String now) {}

    record Material(long id, String title, String address, Opens opens) {}

    /** @param state as the store names it @param seconds how many others ask the same */
    record Question(long id, String name, String words, String state, int seconds, Instant at) {}

    /** @param votes for each of the choices, in their order */
    record Poll(long id, String words, List<String> choices, List<Integer> votes, boolean open) {

        int all() {
            return votes.stream().mapToInt(Integer::intValue).sum();
        }
    }

    Settings settings(long session) {
        return reads.sql()
                .selectFrom(LIVE_SESSION)
                .where(LIVE_SESSION.SESSION_ID.eq(session))
                .fetchOptional(row -> new Settings(Questions.valueOf(row.getQuestions()), row.getAgendaNow()))
                .orElse(new Settings(Questions.CHECKED, ""));
    }

    List<Material> materials(long session) {
        return reads.sql()
                .selectFrom(MATERIAL)
                .where(MATERIAL.SESSION_ID.eq(session))
                .orderBy(MATERIAL.ID)
                .fetch(row ->
                        new Material(row.getId(), row.getTitle(), row.getAddress(), Opens.valueOf(row.getOpens())));
    }

    /** Those that are not removed, the most seconded first and what is answered last. */
    List<Question> questions(long session) {
        Map<Long, Integer> seconds = reads.sql()
                .select(LIVE_SECOND.QUESTION_ID, count())
                .from(LIVE_SECOND)
                .join(LIVE_QUESTION)
                .on(LIVE_QUESTION.ID.eq(LIVE_SECOND.QUESTION_ID))
                .where(LIVE_QUESTION.SESSION_ID.eq(session))
                .groupBy(LIVE_SECOND.QUESTION_ID)
                .fetchMap(LIVE_SECOND.QUESTION_ID, count());
        return reads
                .sql()
                .selectFrom(LIVE_QUESTION)
                .where(LIVE_QUESTION.SESSION_ID.eq(session))
                .and(LIVE_QUESTION.STATE.ne("REMOVED"))
                .fetch(row -> new Question(
                        row.getId(),
                        row.getName(),
                        row.getWords(),
                        row.getState(),
                        seconds.getOrDefault(row.getId(), 0),
                        row.getAskedAt()))
                .stream()
                .sorted(Comparator.comparing((Question q) -> q.state().equals("ANSWERED"))
                        .thenComparing(Question::seconds, Comparator.reverseOrder())
                        .thenComparing(Question::id))
                .limit(MOST)
                .toList();
    }

    /** The latest first. */
    List<Poll> polls(long session) {
        Map<Long, Map<Integer, Integer>> votes = new HashMap<>();
        reads.sql()
                .select(LIVE_VOTE.POLL_ID, LIVE_VOTE.CHOICE, count())
                .from(LIVE_VOTE)
                .join(LIVE_POLL)
                .on(LIVE_POLL.ID.eq(LIVE_VOTE.POLL_ID))
                .where(LIVE_POLL.SESSION_ID.eq(session))
                .groupBy(LIVE_VOTE.POLL_ID, LIVE_VOTE.CHOICE)
                .forEach(row -> votes.computeIfAbsent(row.value1(), id -> new HashMap<>())
                        .put(row.value2(), row.value3()));
        return reads.sql()
                .selectFrom(LIVE_POLL)
                .where(LIVE_POLL.SESSION_ID.eq(session))
                .orderBy(LIVE_POLL.ID.desc())
                .fetch(row -> {
                    List<String> choices = row.getChoices().lines().toList();
                    Map<Integer, Integer> of = votes.getOrDefault(row.getId(), Map.of());
                    return new Poll(
                            row.getId(),
                            row.getWords(),
                            choices,
                            IntStream.range(0, choices.size())
                                    .mapToObj(i -> of.getOrDefault(i, 0))
                                    .toList(),
                            row.getIsOpen());
                });
    }

    /** What somebody has asked, seconded and voted for: {@code q12}, {@code p3-0}. */
    Set<String> done(long session, String who) {
        Set<String> done = new TreeSet<>();
        reads.sql()
                .select(LIVE_QUESTION.ID)
                .from(LIVE_QUESTION)
                .where(LIVE_QUESTION.SESSION_ID.eq(session))
                .and(LIVE_QUESTION.ASKER.eq(who))
                .forEach(row -> done.add("q" + row.value1()));
        reads.sql()
                .select(LIVE_SECOND.QUESTION_ID)
                .from(LIVE_SECOND)
                .join(LIVE_QUESTION)
                .on(LIVE_QUESTION.ID.eq(LIVE_SECOND.QUESTION_ID))
                .where(LIVE_QUESTION.SESSION_ID.eq(session))
                .and(LIVE_SECOND.SECONDER.eq(who))
                .forEach(row -> done.add("q" + row.value1()));
        reads.sql()
                .select(LIVE_VOTE.POLL_ID, LIVE_VOTE.CHOICE)
                .from(LIVE_VOTE)
                .join(LIVE_POLL)
                .on(LIVE_POLL.ID.eq(LIVE_VOTE.POLL_ID))
                .where(LIVE_POLL.SESSION_ID.eq(session))
                .and(LIVE_VOTE.VOTER.eq(who))
                .forEach(row -> done.add("p" + row.value1() + "-" + row.value2()));
        return done;
    }
}
