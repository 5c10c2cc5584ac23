package jollyroster.door;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import jollyroster.platform.Actor;
import jollyroster.platform.TableChanges;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells door desks that something has changed, by server-sent events (WHATWG HTML, 9.2). What has changed they ask the page for, so that
 * nothing is missed by a desk that was cut off for a while.
 */
@Component
public class DoorStream {

    private static final Duration LONGEST = Duration.ofMinutes(30);
    private static final int MOST = 200;
    private static final int BEATS = 100;
    private final TableChanges changes;
    private final Map<SseEmitter, Standing> desks = new ConcurrentHashMap<>();
    private volatile boolean moved;
    private long told;
    private int quiet;

    DoorStream(TableChanges changes) {
        this.changes = changes;
    }

    /** Somebody at a desk. @param desk at which */
    private record Standing(String desk, String name) {}

    /** Who else stands at a desk, by name. */
    List<String> others(String desk, String name) {
        return desks.values().stream()
                .filter(s -> s.desk().equals(desk) && !s.name().equals(name))
                .map(Standing::name)
                .distinct()
                .sorted()
                .toList();
    }

    private void gone(SseEmitter desk) {
        if (desks.remove(desk) != null) {
            moved = true;
        }
    }

    /** Empty where too many listen already. */
    private Optional<SseEmitter> open(Standing who) {
        if (desks.size() >= MOST) {
            return Optional.empty();
        }
        SseEmitter desk = new SseEmitter(LONGEST.toMillis());
        desk.onCompletion(() -> gone(desk));
        desk.onTimeout(desk::complete);
        desk.onError(broken -> gone(desk));
        desks.put(desk, who);
        moved = true;
        tell(desk, "door");
        return Optional.of(desk);
    }

    /** Events for somebody at a desk, as an answer to their browser. */
    public ResponseEntity<SseEmitter> answer(String desk, Actor actor) {
        return open(new Standing(desk, actor.name()))
                .map(stream -> ResponseEntity.ok()
                        .contentType(MediaType.TEXT_EVENT_STREAM)
                        .header("Cache-Control", "no-store")
                        .header("X-Accel-Buffering", "no")
                        .body(stream))
                .orElseGet(() ->
                        ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE).build());
    }

    /** A comment now and then keeps proxies from closing what is silent. */
    @Scheduled(fixedDelay = 150)
    void look() {
        long now = changes.generation(
                "arrival",
                "connection",
                "registration",
                "guest_link",
                "turn",
                "live_question",
                "live_second",
                "live_vote",
                "live_poll",
                "session",
                "second_room_person",
                "room_visit",
                "room_stay",
                "room_meeting");
        boolean changed = now != told || moved;
        moved = false;
        quiet = changed ? 0 : quiet + 1;
        told = now;
        if (changed || quiet % BEATS == 0) {
            Set.copyOf(desks.keySet()).forEach(desk -> tell(desk, changed ? "door" : "beat"));
        }
    }

    private void tell(SseEmitter desk, String what) {
        try {
            desk.send(SseEmitter.event().name(what).data(told).reconnectTime(2000));
        } catch (IOException | IllegalStateException gone) {
            gone(desk);
        }
    }

    /** Open streams would hold up the end of the program. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        Set.copyOf(desks.keySet()).forEach(SseEmitter::complete);
    }
}
