package jollyroster.standin;

import static jollyroster.platform.tables.Tables.MEETING_VISIT;

import java.security.SecureRandom;
import java.time.Instant;
import java.util.Base64;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReference;
import jollyroster.door.MeetingProvider;
import jollyroster.platform.ServiceSignature;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The meeting stand-in: rooms, and tickets by which one person each comes in. */
@Component
public class MeetingCommands implements MeetingProvider {

    private static final SecureRandom RANDOM = new SecureRandom();
    private final Writes writes;
    private final ServiceSignature signature;
    private final AtomicReference<Mood> mood = new AtomicReference<>(Mood.PROMPT);
    private final Set<String> askedBefore = ConcurrentHashMap.newKeySet();

    /** How the stand-in behaves, to see what the program makes of a service that is slow or broken. */
    public enum Mood {
        PROMPT,
        /** The first time it is asked for a room it says to come back later. */
        LATE,
        /** It makes no rooms. */
        FAILING
    }

    public Mood mood() {
        return mood.get();
    }

    public void setMood(Mood wanted) {
        mood.set(wanted);
    }

    MeetingCommands(Writes writes, ServiceSignature signature) {
        this.writes = writes;
        this.signature = signature;
    }

    @Override
    public Answer makeRoom(String name, String title) {
        boolean first = askedBefore.add(name);
        return switch (mood.get()) {
            case FAILING -> new Answer.NotYet("The meeting service is out of order.");
            case LATE -> first ? new Answer.NotYet("The meeting service is busy.") : made(name);
            case PROMPT -> made(name);
        };
    }

    /** The same room for the same name, and nobody else can tell its name. */
    private Answer made(String name) {
        return new Answer.Made(name + "-"
                + signature
                        .sign(name, "0", "room")
                        .replaceAll("[^A-Za-z0-9]", "")
                        .substring(2, 10));
    }

    @Override
    @Transactional
    public String entry(String room, String title, Coming who, Instant closes) {
        String visit = random(16);
        writes.sql()
                .insertInto(MEETING_VISIT)
                .set(MEETING_VISIT.VISIT, visit)
                .set(MEETING_VISIT.ROOM, room)
                .set(MEETING_VISIT.TITLE, title)
                .set(MEETING_VISIT.GUEST, who.pass())
                .set(MEETING_VISIT.NAME, who.leads() ? who.name() + " (host)" : who.name())
                .set(MEETING_VISIT.CLOSES_AT, closes)
                .execute();
        return "/standin/meeting/" + visit;
    }

    private static String random(int bytes) {
        byte[] random = new byte[bytes];
        RANDOM.nextBytes(random);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(random);
    }

    /** Comes in with a ticket. @return when, if this is the first time, and the room is not shut */
    @Transactional
    public boolean enter(String visit, Instant at) {
        return writes.sql()
                        .update(MEETING_VISIT)
                        .set(MEETING_VISIT.ENTERED_AT, at)
                        .where(MEETING_VISIT.VISIT.eq(visit))
                        .and(MEETING_VISIT.ENTERED_AT.isNull())
                        .and(MEETING_VISIT.CLOSES_AT.gt(at))
                        .execute()
                == 1;
    }

    /** Leaves. @return whether the person was inside */
    @Transactional
    public boolean leave(String visit, Instant at) {
        return writes.sql()
                        .update(MEETING_VISIT)
                        .set(MEETING_VISIT.LEFT_AT, at)
                        .where(MEETING_VISIT.VISIT.eq(visit))
                        .and(MEETING_VISIT.ENTERED_AT.isNotNull())
                        .and(MEETING_VISIT.LEFT_AT.isNull())
                        .execute()
                == 1;
    }
}
