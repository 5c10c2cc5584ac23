package jollyroster.standin;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.LockSupport;
import jollyroster.door.MeetingProvider;
import jollyroster.platform.ServiceSignature;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** The meeting service that ships with the program, and how well it behaves. */
@Component
public class MeetingStandin implements MeetingProvider {

    private static final SecureRandom RANDOM = new SecureRandom();
    private static final int VISIT_BYTES = 16;
    static final String GRANT = "granted";
    private static final Duration SLOWNESS = Duration.ofSeconds(2);
    private final MeetingCommands commands;
    private final MeetingQueries queries;
    private final Reporter reporter;
    private final Clock clock;
    private final ServiceSignature signature;
    private final JsonMapper json;
    private final AtomicReference<Mood> mood = new AtomicReference<>(Mood.PROMPT);
    private final AtomicReference<Reporting> reporting = new AtomicReference<>(Reporting.PROMPT);
    private final Set<String> askedBefore = ConcurrentHashMap.newKeySet();

    /** How the stand-in behaves, to see what the program makes of a service that is slow or broken. */
    public enum Mood {
        PROMPT("answers at once"),
        SLOW("takes two seconds for everything"),
        LATE("says to come back later, the first time"),
        REFUSING("makes rooms and lets nobody in"),
        FAILING("is out of order");

        private final String words;

        Mood(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** How it reports who came and went. */
    public enum Reporting {
        PROMPT("at once"),
        LATE("half a minute late"),
        TWICE("twice"),
        OUT_OF_ORDER("out of order: leaving before coming");

        private final String words;

        Reporting(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    MeetingStandin(
            MeetingCommands commands,
            MeetingQueries queries,
            Reporter reporter,
            ServiceSignature signature,
            JsonMapper json,
            Clock clock) {
        this.json = json;
        this.queries = queries;
        this.reporter = reporter;
        this.clock = clock;
        this.commands = commands;
        this.signature = signature;
    }

    public Mood mood() {
        return mood.get();
    }

    public void setMood(Mood wanted) {
        mood.set(wanted);
    }

    public Reporting reporting() {
        return reporting.get();
    }

    public void setReporting(Reporting wanted) {
        reporting.set(wanted);
    }

    @Override
    public Answer makeRoom(String name, String title) {
        boolean first = askedBefore.add(name);
        dawdle();
        return switch (mood.get()) {
            case FAILING -> new Answer.NotYet("The meeting service is out of order.");
            case LATE -> first ? new Answer.NotYet("The meeting service is busy.") : made(name);
            case PROMPT, SLOW, REFUSING -> made(name);
        };
    }

    private void dawdle() {
        if (mood.get() == Mood.SLOW) {
            LockSupport.parkNanos(SLOWNESS.toNanos());
        }
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
    public Optional<String> entry(String room, String title, Coming who, Instant closes) {
        dawdle();
        if (mood.get() == Mood.FAILING) {
            throw new IllegalStateException("The meeting service is out of order.");
        }
        if (mood.get() == Mood.REFUSING) {
            return Optional.empty();
        }
        String name = who.leads() ? who.name() + " (host)" : who.name();
        MeetingTicket ticket = new MeetingTicket(random(), room, title, name, who.pass(), clock.instant(), closes);
        return Optional.of("/standin/meeting/" + ticket.signed(json, signature));
    }

    /** Whose way in an address is. */
    Optional<MeetingTicket> ticket(String text) {
        return MeetingTicket.read(text, json, signature);
    }

    @Override
    public boolean entersAtOnce() {
        return mood.get() == Mood.PROMPT || mood.get() == Mood.LATE;
    }

    @Override
    public void end(String room) {
        Instant now = clock.instant();
        commands.shut(room, now).stream()
                .flatMap(visit -> queries.visit(visit).stream())
                .forEach(v -> reporter.report(reporting(), "left", v.visit(), v.guest(), now));
    }

    private static String random() {
        byte[] random = new byte[VISIT_BYTES];
        RANDOM.nextBytes(random);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(random);
    }

    @Override
    public String name() {
        return "the meeting stand-in";
    }

    @Override
    public List<String> permissions() {
        return List.of(
                "make rooms for sessions, turns and standing rooms",
                "let people in under the name they gave",
                "be told who came and who left, and when");
    }

    @Override
    public String grantedBy() {
        return "whoever administers the meeting service";
    }

    @Override
    public String consent(String state) {
        return "/standin/meeting/consent?state=" + URLEncoder.encode(state, StandardCharsets.UTF_8);
    }

    @Override
    public boolean take(String grant) {
        return GRANT.equals(grant);
    }

    /** The stand-in keeps no account of what it has granted. */
    @Override
    public void revoke() {
        askedBefore.clear();
    }

    @Override
    public Optional<String> trouble() {
        dawdle();
        return switch (mood.get()) {
            case FAILING -> Optional.of("The meeting service is out of order.");
            case REFUSING -> Optional.of("The meeting service lets nobody in.");
            case PROMPT, SLOW, LATE -> Optional.empty();
        };
    }
}
