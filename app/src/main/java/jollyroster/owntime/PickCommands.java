package jollyroster.owntime;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.OptionalLong;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.PickedCommands;
import jollyroster.programme.SessionCommands;
import jollyroster.seating.Application;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.springframework.stereotype.Component;

/**
 * Gives somebody the time they picked: the session is made, or joined, and the person registered, in one write. What may be
 * picked is worked out again within it, so that a time is never given twice.
 */
@Component
public class PickCommands {

    private final GivingCommands giving;
    private final TimeHoldCommands holds;
    private final TimeLinkCommands onceLinks;
    private final PickedCommands sessions;
    private final SessionCommands programme;
    private final TimeNews news;
    private final LogbookCommands logbook;
    private final RegistrationCommands registrations;
    private final ChangeSeatCommands changes;
    private final Clock clock;

    PickCommands(
            GivingCommands giving,
            TimeHoldCommands holds,
            TimeLinkCommands onceLinks,
            PickedCommands sessions,
            SessionCommands programme,
            TimeNews news,
            LogbookCommands logbook,
            RegistrationCommands registrations,
            ChangeSeatCommands changes,
            Clock clock) {
        this.giving = giving;
        this.holds = holds;
        this.onceLinks = onceLinks;
        this.sessions = sessions;
        this.programme = programme;
        this.news = news;
        this.logbook = logbook;
        this.registrations = registrations;
        this.changes = changes;
        this.clock = clock;
    }

    /**
     * What was picked.
     *
     * @param host who is to lead it; empty where people do not choose, and for whoever is free
     * @param browser for which the time may be held; empty for none
     * @param once a link that gives one person one time; empty for none
     */
    public record Pick(Offering offering, Instant start, Optional<Long> host, String browser, Optional<TimeLink> once) {

        public Pick(Offering offering, Instant start, Optional<Long> host, String browser) {
            this(offering, start, host, browser, Optional.empty());
        }

        /** Whether the link, if there is one, allows this time, and the host. */
        private boolean isAllowed() {
            LocalDate day = start.atZone(offering.zone()).toLocalDate();
            return once.map(link -> link.offering() == offering.id() && link.allows(day))
                    .orElse(true);
        }
    }

    /** Gives the time and the seats in it, or says why not; {@link Registering.Reason#TIME_GONE} when it is taken. */
    public Registering pick(Pick pick, Application asked, Optional<Link> invitation, Actor actor) {
        return registrations.registerAt(new PickedPlace(pick, 0, actor), asked, invitation, actor);
    }

    /** Moves a registration to another time, in one write: both or neither. The time it leaves may be picked anew. */
    public ChangeSeatCommands.Moved move(Pick pick, long registration, Actor actor) {
        return changes.moveTo(registration, new PickedPlace(pick, registration, actor), actor);
    }

    /** The time of one pick: a session that is made for it, or one that others have picked. */
    private final class PickedPlace implements RegistrationCommands.Place {
        private final Pick pick;
        private final long leaving;
        private final Actor actor;
        private Optional<GivingCommands.Given> given = Optional.empty();
        private OptionalLong made = OptionalLong.empty();

        PickedPlace(Pick pick, long leaving, Actor actor) {
            this.pick = pick;
            this.leaving = leaving;
            this.actor = actor;
        }

        @Override
        public OptionalLong find() {
            made = OptionalLong.empty();
            if (!pick.isAllowed()
                    || pick.once().map(link -> !onceLinks.isGood(link.link())).orElse(false)) {
                return OptionalLong.empty();
            }
            given = giving.give(pick, new Viewer(pick.browser(), leaving, clock.instant()));
            Optional<Long> shared = given.flatMap(GivingCommands.Given::session);
            if (given.isPresent() && shared.isEmpty()) {
                made = OptionalLong.of(add(pick, given.get()));
            }
            return shared.map(OptionalLong::of).orElse(made);
        }

        @Override
        public boolean isVouchedFor() {
            return pick.once().isPresent();
        }

        @Override
        public void settle(OptionalLong registration) {
            if (registration.isPresent()) {
                holds.letGo(pick.offering().id(), pick.browser());
                pick.once().ifPresent(link -> onceLinks.use(link.link(), registration.getAsLong()));
                given.ifPresent(some -> tell(some, made, leaving != 0, actor));
            } else {
                made.ifPresent(sessions::drop);
            }
        }
    }

    /** Notes why who leads a new time does, and tells who wants to be told. */
    private void tell(GivingCommands.Given given, OptionalLong made, boolean moved, Actor actor) {
        made.ifPresent(session -> log(session, given, actor));
        long which = made.isPresent() ? made.getAsLong() : given.session().orElseThrow();
        programme.session(which).ifPresent(time -> {
            if (moved) {
                news.moved(time, given.hosts(), actor.name(), clock.instant());
            } else {
                news.picked(time, given.hosts(), actor.name(), clock.instant());
            }
        });
    }

    private void log(long session, GivingCommands.Given given, Actor actor) {
        Facts facts = Facts.of("hosts", HostQueries.names(given.hosts(), ""))
                .and("because", given.because().name());
        logbook.write(session, actor, LogbookEntry.PICKED, facts, clock.instant());
    }

    private long add(Pick pick, GivingCommands.Given given) {
        SessionTime time = new SessionTime(
                pick.start().atZone(pick.offering().zone()), given.span().length(), SessionTime.Adjustment.NONE);
        return sessions.add(
                pick.offering().id(), time, given.hosts().stream().map(Host::id).toList());
    }
}
