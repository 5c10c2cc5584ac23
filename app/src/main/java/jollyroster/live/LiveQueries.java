package jollyroster.live;

import static jollyroster.platform.tables.Tables.LIVE_POLL;
import static jollyroster.platform.tables.Tables.LIVE_QUESTION;
import static jollyroster.platform.tables.Tables.LIVE_SECOND;
import static jollyroster.platform.tables.Tables.LIVE_SESSION;
import static jollyroster.platform.tables.Tables.LIVE_VOTE;
import static jollyroster.platform.tables.Tables.MATERIAL;
import static jollyroster.platform.tables.Tables.MATERIAL_FILE;
import static org.jooq.impl.DSL.count;

import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import jollyroster.core.door.MaterialOpens;
import jollyroster.platform.Reads;
import jollyroster.platform.SafeFile;
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

    record Settings(Questions questions, String now) {}

    /** @param address of a link; empty for a file @param size of a file, in bytes; 0 for a link */
    record Material(long id, String title, String address, MaterialOpens opens, int size) {

        /** {@code 1.4 MB}, {@code 12 KB}; empty for a link. */
        public String sizeWords() {
            if (size == 0) {
                return "";
            }
            return size < 100_000
                    ? Math.max(1, Math.round(size / 1000.0)) + " KB"
                    : String.format(Locale.ROOT, "%.1f MB", size / 1_000_000.0);
        }
    }

    /** A file and the session it is for. */
    record Kept(long session, MaterialOpens opens, SafeFile file) {}

    Optional<Kept> file(long material) {
        return reads.sql()
                .select(
                        MATERIAL.SESSION_ID,
                        MATERIAL.OPENS,
                        MATERIAL_FILE.NAME,
                        MATERIAL_FILE.TYPE,
                        MATERIAL_FILE.CONTENT)
                .from(MATERIAL)
                .join(MATERIAL_FILE)
                .on(MATERIAL_FILE.MATERIAL_ID.eq(MATERIAL.ID))
                .where(MATERIAL.ID.eq(material))
                .fetchOptional(r -> new Kept(
                        r.get(MATERIAL.SESSION_ID),
                        MaterialOpens.valueOf(r.get(MATERIAL.OPENS)),
                        new SafeFile(
                                r.get(MATERIAL_FILE.NAME), r.get(MATERIAL_FILE.TYPE), r.get(MATERIAL_FILE.CONTENT))));
    }

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
                .fetch(row -> new Material(
                        row.getId(),
                        row.getTitle(),
                        row.getAddress(),
                        MaterialOpens.valueOf(row.getOpens()),
                        row.getSize()));
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
