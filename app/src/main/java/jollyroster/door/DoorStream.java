package jollyroster.door;

import java.io.IOException;
import java.time.Duration;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
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
    private static final int BEATS = 40;
    private final TableChanges changes;
    private final Set<SseEmitter> desks = ConcurrentHashMap.newKeySet();
    private long told;
    private int quiet;

    DoorStream(TableChanges changes) {
        this.changes = changes;
    }

    /** Empty where too many listen already. */
    Optional<SseEmitter> open() {
        if (desks.size() >= MOST) {
            return Optional.empty();
        }
        SseEmitter desk = new SseEmitter(LONGEST.toMillis());
        desk.onCompletion(() -> desks.remove(desk));
        desk.onTimeout(desk::complete);
        desk.onError(gone -> desks.remove(desk));
        desks.add(desk);
        tell(desk, "door");
        return Optional.of(desk);
    }

    /** The same as an answer to a browser. */
    public ResponseEntity<SseEmitter> answer() {
        return open().map(desk -> ResponseEntity.ok()
                        .contentType(MediaType.TEXT_EVENT_STREAM)
                        .header("Cache-Control", "no-store")
                        .header("X-Accel-Buffering", "no")
                        .body(desk))
                .orElseGet(() ->
                        ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE).build());
    }

    /** A comment now and then keeps proxies from closing what is silent. */
    @Scheduled(fixedDelay = 400)
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
        boolean changed = now != told;
        quiet = changed ? 0 : quiet + 1;
        told = now;
        if (changed || quiet % BEATS == 0) {
            Set.copyOf(desks).forEach(desk -> tell(desk, changed ? "door" : "beat"));
        }
    }

    private void tell(SseEmitter desk, String what) {
        try {
            desk.send(SseEmitter.event().name(what).data(told).reconnectTime(2000));
        } catch (IOException | IllegalStateException gone) {
            desks.remove(desk);
        }
    }

    /** Open streams would hold up the end of the program. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        Set.copyOf(desks).forEach(SseEmitter::complete);
    }
}
