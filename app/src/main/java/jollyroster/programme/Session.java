package jollyroster.programme;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Optional;
import java.util.OptionalInt;
import jollyroster.core.dates.Interval;
import jollyroster.core.door.DoorHours;
import jollyroster.core.messages.Timing;
import jollyroster.core.openhours.Claim;
import jollyroster.core.seats.CallUp;
import jollyroster.core.seats.Capacity;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.Leave;
import jollyroster.core.seats.Outlook;
import jollyroster.core.seats.SignUpStyle;
import org.jspecify.annotations.Nullable;

/**
 * One dated meeting of an offering.
 *
 * @param seats 0 when none were given yet
 * @param givenBack whether it was a time that somebody picked and that nobody has any more
 * @param own what this session says otherwise than its offering
 * @param lead the session that keeps the seat count of a whole series; {@code null} when this one counts for itself
 * @param registersFor the start that the cut-off and the opening of registration count from: its own, or that of the
 *     first date of its series
 * @param sequence for calendars; counts up with every change
 */
public record Session(
        long id,
        Offering offering,
        Instant start,
        Instant end,
        ZoneId zone,
        int seats,
        int keptBack,
        boolean cancelled,
        boolean givenBack,
        Own own,
        MeetingLink link,
        @Nullable Long lead,
        Instant registersFor,
        int sequence,
        Instant createdAt) {

    /** What a session says otherwise than its offering. @param hosts whether it has hosts of its own @param door moved by hand */
    public record Own(
            Optional<Venue> venue,
            OptionalInt doorMinutes,
            OptionalInt overrunMinutes,
            OptionalInt minimum,
            boolean hosts,
            String note,
            HandHours door) {}

    /** This session as it would be. @param ownVenue the one the plan names, if any */
    public Session as(SessionPlan plan, Optional<Venue> ownVenue) {
        Own its = new Own(
                ownVenue,
                own.doorMinutes(),
                own.overrunMinutes(),
                own.minimum(),
                plan.ownHosts(),
                plan.note(),
                HandHours.NONE);
        return new Session(
                id,
                offering,
                plan.start(),
                plan.end(),
                zone,
                plan.seats(),
                plan.keptBack(),
                plan.cancelled(),
                givenBack,
                its,
                link,
                lead,
                registersFor,
                sequence,
                createdAt);
    }

    public Interval span() {
        return new Interval(start, end);
    }

    /** When it took place: shorter than planned where somebody ended it by hand. */
    public Interval held() {
        return doorHours().held();
    }

    public ZonedDateTime zonedStart() {
        return start.atZone(zone);
    }

    public Duration length() {
        return Duration.between(start, end);
    }

    public Optional<Venue> venue() {
        return own.venue().or(offering::venue);
    }

    public boolean isOnline() {
        return venue().map(Venue::isOnline).orElse(false);
    }

    /** Where it is, in one line; empty when nobody has said. */
    public String place() {
        return venue().map(Venue::inOneLine).orElse("");
    }

    /** Where it is for a calendar: a link where it is online, as a map would look up a name. */
    public String placeOr(String link) {
        return isOnline() ? link : place();
    }

    public int doorMinutes() {
        return own.doorMinutes().orElse(offering.doorMinutes());
    }

    public int overrunMinutes() {
        return own.overrunMinutes().orElse(offering.overrunMinutes());
    }

    public int minimum() {
        return own.minimum().orElse(offering.rules().minimum());
    }

    public Outlook outlook(int taken, Instant now) {
        return Outlook.of(minimum(), taken, start, zone, offering.rules().decideDays(), now);
    }

    /** The session whose roster and seats are also this one's. */
    public long book() {
        return lead == null ? id : lead;
    }

    /** As they are, moved by hand or not. */
    public DoorHours doorHours() {
        return plannedDoor().byHand(own.door().opened(), own.door().closes());
    }

    private DoorHours plannedDoor() {
        return DoorHours.of(span(), Duration.ofMinutes(doorMinutes()), Duration.ofMinutes(overrunMinutes()));
    }

    /** What the times of its messages are counted from. */
    public Timing timing() {
        return new Timing(plannedDoor(), zone());
    }

    /** This session as it takes up its host or venue, with the offering's buffers. */
    public Claim claim(Claim.Owner owner) {
        return Claim.session(
                owner,
                id,
                span(),
                Duration.ofMinutes(offering.rules().bufferBefore()),
                Duration.ofMinutes(offering.rules().bufferAfter()));
    }

    /** When registration closes. */
    public Instant cutOff() {
        return offering.cutOff().before(registersFor.atZone(zone)).toInstant();
    }

    /**
     * How a seat that comes free now is given to those who wait. Where seats must be paid for or confirmed nobody is given
     * one unasked, whatever the offering chose.
     */
    public CallUp.Way wayToSeat(Instant now) {
        SignUpRules rules = offering.signUp();
        FreedSeats choice = rules.isHeld() ? FreedSeats.CALL_UP : rules.freedSeats();
        return CallUp.way(choice, now, registersFor, doorOpensFor());
    }

    /** By when somebody who is called up now must reply. @param theirs the zone of the person */
    public Instant replyBy(Instant now, ZoneId theirs) {
        return CallUp.replyBy(now, registersFor, doorOpensFor(), theirs);
    }

    private Instant doorOpensFor() {
        return registersFor.minus(Duration.ofMinutes(doorMinutes()));
    }

    /**
     * Until when people may change what they registered; giving seats back is possible until the end. Who comes with somebody
     * is part of an answer, and so due with it.
     */
    public Instant changesUntil() {
        Instant changes =
                registersFor.minus(Duration.ofMinutes(offering.signUp().changesMinutes()));
        return offering.signUp().rsvp() && cutOff().isBefore(changes) ? cutOff() : changes;
    }

    /** Until when people may change what they registered, once it is paid for or nothing is due. */
    public Instant changesUntil(boolean settled) {
        return settled && offering.signUp().isPaid() && offering.signUp().fixedOncePaid()
                ? Instant.MIN
                : changesUntil();
    }

    /** Until when people may move to another date or time. */
    public Instant movesUntil(boolean settled) {
        Instant changes = changesUntil(settled);
        boolean fixed = changes.equals(Instant.MIN);
        Instant moves = offering.signUp().moves().ends(registersFor);
        return fixed || offering.signUp().rsvp() && changes.isBefore(moves) ? changes : moves;
    }

    /** Until when people may give back seats they hold; with no time before the start, until the end. */
    public Instant cancelsUntil() {
        Leave cancels = offering.signUp().cancels();
        return cancels.given() && cancels.minutes() == 0 ? Instant.MAX : cancels.ends(registersFor);
    }

    /** When registration opens; empty for at once. A time of one's own can be picked from the beginning of that day on. */
    public Optional<Instant> opens() {
        int days = offering.rules().opensDays();
        if (days == 0) {
            return Optional.empty();
        }
        ZonedDateTime opens = registersFor.atZone(zone).minusDays(days);
        return Optional.of(
                offering.style() == SignUpStyle.OWN_TIME
                        ? opens.toLocalDate().atStartOfDay(zone).toInstant()
                        : opens.toInstant());
    }

    /** @throws IllegalArgumentException when no seats were given */
    public Capacity capacity() {
        return new Capacity(
                seats, keptBack, offering.waitlistAllowed(), offering.signUp().waitlistLimit());
    }

    /**
     * Whether people can register now: published, with seats, opened, before the cut-off. A date of a series that was
     * called off does not keep people from the others.
     */
    public boolean isOpenAt(Instant now) {
        return offering.status() == OfferingStatus.PUBLISHED
                && (!cancelled || lead != null)
                && !givenBack
                && seats > 0
                && opens().map(at -> !now.isBefore(at)).orElse(true)
                && now.isBefore(cutOff());
    }

    /** The same for as long as the session lives. */
    public String calendarUid(String host) {
        return "session-" + id + "@" + host;
    }
}
