package jollyroster.live;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ConcurrentMap;
import java.util.stream.IntStream;
import jollyroster.door.Heads;
import jollyroster.live.LiveQueries.Material;
import jollyroster.live.LiveQueries.Poll;
import jollyroster.live.LiveQueries.Question;
import jollyroster.live.LiveQueries.Questions;
import jollyroster.live.LiveQueries.Settings;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** What everybody sees beside a meeting: put together once for all of them, and again when something has changed. */
@Component
class Beside {

    private static final String[] TABLES = {
        "live_session", "material", "live_question", "live_second", "live_poll", "live_vote"
    };
    /** Stands for the address of whoever reads it; nothing that people write can look like it. */
    private static final String ANYBODYS = "/live/\u0001";

    private static final int SHORTEST_PAUSE = 4;
    private static final int LONGEST_PAUSE = 30;
    private static final int LOOKS_A_SECOND = 300;

    /** How many are inside is counted every few seconds, not at every look. */
    private final Cache<Long, Integer> crowd = Caffeine.newBuilder()
            .maximumSize(100)
            .expireAfterWrite(Duration.ofSeconds(5))
            .build();

    private final ConcurrentMap<Long, Written> pages = Caffeine.newBuilder()
            .maximumSize(20)
            .expireAfterAccess(Duration.ofMinutes(10))
            .<Long, Written>build()
            .asMap();

    private final ITemplateEngine templates;
    private final LiveQueries queries;
    private final MaterialFiles files;
    private final Heads heads;
    private final Clock clock;
    private final TableChanges changes;
    private final Remembered<Long, Raw> kept;

    Beside(
            ITemplateEngine templates,
            LiveQueries queries,
            MaterialFiles files,
            Heads heads,
            TableChanges changes,
            Clock clock) {
        this.templates = templates;
        this.files = files;
        this.queries = queries;
        this.heads = heads;
        this.changes = changes;
        this.clock = clock;
        this.kept = new Remembered<>(changes, 100, TABLES);
    }

    /** What was written of a session. */
    private record Written(String version, String text) {}

    private record Raw(Settings settings, List<Material> materials, List<Question> questions, List<Poll> polls) {}

    /** A question that everybody sees. */
    record Asked(long id, String name, String words, int seconds, boolean answered) {}

    /** @param share of the votes, in per cent */
    record Choice(int number, String words, int votes, int share) {}

    /** A poll that is open, or the last one. */
    record Shown(long id, String words, boolean open, int all, List<Choice> choices) {}

    /** What is the same for all. @param agenda what is to come, with what is under way @param polls at most one */
    record View(
            boolean asks,
            List<String> agenda,
            String now,
            List<Material> materials,
            List<Asked> questions,
            List<Shown> polls) {

        public boolean isEmpty() {
            return !asks && agenda.isEmpty() && materials.isEmpty() && questions.isEmpty() && polls.isEmpty();
        }
    }

    /** Seconds between two looks: the more look, the longer, for a few hundred looks a second at most. */
    int pause(Session session) {
        int inside = crowd.get(session.id(), id -> heads.inside(session));
        return Math.max(SHORTEST_PAUSE, Math.min(LONGEST_PAUSE, inside / LOOKS_A_SECOND));
    }

    /** A number that changes with what is seen. */
    String version(Session session) {
        Instant now = clock.instant();
        int phase = now.isBefore(session.start()) ? 0 : now.isBefore(session.end()) ? 1 : 2;
        return changes.generation(TABLES) + "-" + phase;
    }

    View view(Session session) {
        Raw raw = kept.get(
                session.id(),
                id -> new Raw(
                        queries.settings(id),
                        files.shown(queries.materials(id)),
                        queries.questions(id),
                        queries.polls(id)));
        return new View(
                raw.settings().questions() != Questions.OFF,
                agenda(session),
                raw.settings().now(),
                raw.materials().stream().filter(m -> isOpen(m, session)).toList(),
                raw.questions().stream()
                        .filter(q -> !q.state().equals("HIDDEN"))
                        .map(q -> new Asked(
                                q.id(),
                                q.name(),
                                q.words(),
                                q.seconds(),
                                q.state().equals("ANSWERED")))
                        .toList(),
                raw.polls().stream().limit(1).map(Beside::shown).toList());
    }

    /** The same as it stands in a page; written once for all of them. @param address of whoever reads it, in which their actions begin */
    String markup(Session session, String address) {
        String version = version(session);
        Written written = pages.compute(
                session.id(),
                (id, before) -> before != null && before.version().equals(version)
                        ? before
                        : new Written(version, write(session, version)));
        return written.text().replace(ANYBODYS, address);
    }

    private String write(Session session, String version) {
        Context model = new Context(Locale.ENGLISH);
        model.setVariable("beside", view(session));
        model.setVariable("address", ANYBODYS);
        model.setVariable("version", version);
        return templates.process("live/fresh", model);
    }

    static Shown shown(Poll poll) {
        return new Shown(
                poll.id(),
                poll.words(),
                poll.open(),
                poll.all(),
                IntStream.range(0, poll.choices().size())
                        .mapToObj(i -> new Choice(
                                i,
                                poll.choices().get(i),
                                poll.votes().get(i),
                                poll.all() == 0
                                        ? 0
                                        : Math.round(100f * poll.votes().get(i) / poll.all())))
                        .toList());
    }

    /** The points of the welcome are the agenda. */
    static List<String> agenda(Session session) {
        return session.offering()
                .door()
                .welcome()
                .lines()
                .filter(line -> line.startsWith("- ") || line.startsWith("* "))
                .map(line -> line.substring(2).strip())
                .filter(line -> !line.isEmpty())
                .toList();
    }

    private boolean isOpen(Material material, Session session) {
        return material.opens().isOpen(session.start(), session.end(), clock.instant());
    }
}
