package jollyroster.live;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.live.LiveQueries.Kept;
import jollyroster.live.LiveQueries.Material;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.SafeFile;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/**
 * Files that are laid out for a session. A crowd asks for the same one at once: it is read once and handed to all of them, and only so much
 * is held in memory.
 */
@Component
class MaterialFiles {

    private static final int MOST_BYTES = 16_000_000;
    private static final Duration KEPT_FOR = Duration.ofMinutes(5);
    private final LoadingCache<Long, Optional<Kept>> kept;
    private final PersonalLinks links;
    private final ProgrammeQueries programme;
    private final Clock clock;

    MaterialFiles(LiveQueries queries, PersonalLinks links, ProgrammeQueries programme, Clock clock) {
        this.kept = Caffeine.newBuilder()
                .maximumWeight(MOST_BYTES)
                .weigher((Long id, Optional<Kept> file) ->
                        file.map(f -> f.file().content().length).orElse(1))
                .expireAfterAccess(KEPT_FOR)
                .build(queries::file);
        this.links = links;
        this.programme = programme;
        this.clock = clock;
    }

    /** What is laid out, each with the address it is had from. */
    List<Material> shown(List<Material> materials) {
        return materials.stream()
                .map(m -> m.size() == 0 ? m : new Material(m.id(), m.title(), address(m), m.opens(), m.size()))
                .toList();
    }

    private String address(Material material) {
        return "/materials/" + links.issue(Purpose.MATERIAL, new Link(material.id(), 1));
    }

    /** The file, once it may be had; the team sees it before. Empty for any other token, and for what was removed. */
    Optional<SafeFile> file(String token, boolean team) {
        return links.read(Purpose.MATERIAL, token)
                .flatMap(link -> kept.get(link.id()))
                .filter(file -> programme
                        .session(file.session())
                        .filter(s -> team || isOpen(file, s))
                        .isPresent())
                .map(Kept::file);
    }

    private boolean isOpen(Kept file, Session session) {
        return !session.cancelled() && file.opens().isOpen(session.start(), session.end(), clock.instant());
    }

    /** What was removed is not handed out any more. */
    void forget(long material) {
        kept.invalidate(material);
    }
}
