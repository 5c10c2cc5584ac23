package jollyroster.seating;

import static jollyroster.platform.tables.Tables.SWAP;
import static jollyroster.platform.tables.Tables.SWAP_DECLINED;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.platform.tables.tables.records.SwapRecord;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Two people change dates. One offers, the other agrees; the change is one write, both or neither, and takes no seats from
 * anybody: parties must be of one size.
 */
@Component
public class SwapCommands {

    private static final int MOST_LETTERS = 10;
    private static final int MOST_OFFERS = 3;
    private static final Duration DAY = Duration.ofDays(1);
    private final Writes writes;
    private final SessionCommands programme;
    private final Seating seating;
    private final SeatCommands seats;
    private final PartyCommands parties;
    private final OutboxCommands outbox;
    private final LetterCommands letters;
    private final SeatLog log;
    private final Clock clock;

    SwapCommands(
            Writes writes,
            SessionCommands programme,
            Seating seating,
            SeatCommands seats,
            PartyCommands parties,
            OutboxCommands outbox,
            LetterCommands letters,
            SeatLog log,
            Clock clock) {
        this.letters = letters;
        this.writes = writes;
        this.programme = programme;
        this.seating = seating;
        this.seats = seats;
        this.parties = parties;
        this.outbox = outbox;
        this.log = log;
        this.clock = clock;
    }

    /** What came of offering or agreeing. */
    public enum Swapped {
        /** The offer stands, and those it concerns are told. */
        OFFERED,
        /** So many offers were made that no more letters go today. */
        TOO_OFTEN,
        /** Both have changed dates. */
        DONE,
        /** The offer is not shown to this person again; if it was made to nobody else, whoever made it is told. */
        DECLINED,
        /** Nobody on that date with this address has as many seats; who is on it is not said. */
        NOBODY,
        /** One of the two no longer holds what was to be changed, or it is too late. */
        NOT_POSSIBLE
    }

    /**
     * Offers one's date for another; an earlier offer is replaced.
     *
     * @param with the address of somebody on that date; empty for anybody
     */
    @Transactional
    public Swapped offer(long registration, long wanted, String with, Actor actor) {
        actor.requireOver(registration);
        Instant now = clock.instant();
        Optional<RegistrationRecord> mine = changeable(registration, now);
        Optional<Session> date = programme.session(wanted);
        if (mine.isEmpty() || date.isEmpty() || !mayChange(mine.get(), date.get(), now)) {
            return Swapped.NOT_POSSIBLE;
        }
        if (log.swapsOffered(registration, now.minus(DAY)) >= MOST_OFFERS) {
            return Swapped.TOO_OFTEN;
        }
        List<PartyCommands.Addressed> partners = parties.everybodyOn(wanted).stream()
                .filter(p -> isPartner(p, mine.get()))
                .filter(p -> with.isEmpty() || p.email().equals(with))
                .limit(MOST_LETTERS)
                .toList();
        if (partners.isEmpty()) {
            return Swapped.NOBODY;
        }
        drop(registration);
        SwapRecord offer = new SwapRecord();
        offer.setRegistrationId(registration);
        offer.setWantedId(wanted);
        offer.setWithId(with.isEmpty() ? null : partners.get(0).registration().getId());
        offer.setOfferedAt(now);
        writes.sql().insertInto(SWAP).set(offer).execute();
        Session own = programme.session(mine.get().getSessionId()).orElseThrow();
        Facts offered = Facts.of("offered", own.start()).and("offered_until", own.end());
        partners.forEach(p -> outbox.answer(
                Anchor.SWAP_ASKED,
                Recipients.one(date.get(), p.registration(), p.email()),
                String.valueOf(now.toEpochMilli()),
                offered,
                now));
        log.swapOffered(mine.get(), date.get(), actor, now);
        return Swapped.OFFERED;
    }

    private static boolean isPartner(PartyCommands.Addressed p, RegistrationRecord mine) {
        return p.registration().getState().equals(RegistrationState.REGISTERED.name())
                && p.registration().getParty().equals(mine.getParty())
                && !p.registration().getPersonId().equals(mine.getPersonId());
    }

    private Optional<RegistrationRecord> changeable(long registration, Instant now) {
        return seats.byId(registration)
                .filter(r -> r.getState().equals(RegistrationState.REGISTERED.name()))
                .filter(r -> isChangeable(programme.session(r.getSessionId()).orElseThrow(), now));
    }

    /** Nobody is offered a date that was cancelled for one that takes place. */
    private static boolean isChangeable(Session date, Instant now) {
        return !date.cancelled() && now.isBefore(date.movesUntil(true));
    }

    private boolean mayChange(RegistrationRecord r, Session date, Instant now) {
        Session own = programme.session(r.getSessionId()).orElseThrow();
        return own.id() != date.id()
                && own.offering().id() == date.offering().id()
                && own.offering().style().choosesDates()
                && isChangeable(date, now)
                && seats.active(date.id(), r.getPersonId()).isEmpty();
    }

    /** Takes back what a registration has offered. */
    @Transactional
    public void withdraw(long registration, Actor actor) {
        actor.requireOver(registration);
        drop(registration);
    }

    private void drop(long registration) {
        writes.sql()
                .deleteFrom(SWAP)
                .where(SWAP.REGISTRATION_ID.eq(registration))
                .execute();
    }

    /** Declines an offer. Who made it is told when it was made to this person alone. */
    @Transactional
    public Swapped decline(long swap, long registration, Actor actor) {
        actor.requireOver(registration);
        Instant now = clock.instant();
        Optional<SwapRecord> offer = offeredTo(registration, swap);
        if (offer.isEmpty() || seats.byId(registration).isEmpty()) {
            return Swapped.NOT_POSSIBLE;
        }
        if (offer.get().getWithId() == null) {
            writes.sql()
                    .insertInto(SWAP_DECLINED)
                    .set(SWAP_DECLINED.SWAP_ID, swap)
                    .set(SWAP_DECLINED.REGISTRATION_ID, registration)
                    .onConflictDoNothing()
                    .execute();
        } else {
            long asker = offer.get().getRegistrationId();
            drop(asker);
            letters.write(asker, Anchor.SWAP_DECLINED, "swap-" + swap + "-" + now.toEpochMilli(), Facts.none());
        }
        return Swapped.DECLINED;
    }

    /** An offer that was made to anybody, or to this registration. */
    private Optional<SwapRecord> offeredTo(long registration, long swap) {
        return writes.sql()
                .selectFrom(SWAP)
                .where(SWAP.ID.eq(swap))
                .fetchOptional()
                .filter(o -> o.getWithId() == null || o.getWithId() == registration);
    }

    /** Agrees to an offer: both change dates, and both are told. */
    @Transactional
    public Swapped agree(long swap, long registration, Actor actor) {
        actor.requireOver(registration);
        Instant now = clock.instant();
        Optional<SwapRecord> offer = offeredTo(registration, swap);
        Optional<RegistrationRecord> theirs = offer.flatMap(o -> changeable(o.getRegistrationId(), now));
        Optional<RegistrationRecord> mine = changeable(registration, now)
                .filter(r -> r.getSessionId()
                        .equals(offer.map(SwapRecord::getWantedId).orElse(null)));
        if (theirs.isEmpty()
                || mine.isEmpty()
                || !mine.get().getParty().equals(theirs.get().getParty())) {
            return Swapped.NOT_POSSIBLE;
        }
        Session hers = programme.session(theirs.get().getSessionId()).orElseThrow();
        Session his = programme.session(mine.get().getSessionId()).orElseThrow();
        if (!mayChange(mine.get(), hers, now) || !mayChange(theirs.get(), his, now)) {
            return Swapped.NOT_POSSIBLE;
        }
        seating.happen(
                mine.get(), Happening.of(SeatEvent.SWAP, hers, actor, now).from(his));
        seating.happen(
                theirs.get(), Happening.of(SeatEvent.SWAP, his, actor, now).from(hers));
        drop(mine.get().getId());
        drop(theirs.get().getId());
        return Swapped.DONE;
    }
}
