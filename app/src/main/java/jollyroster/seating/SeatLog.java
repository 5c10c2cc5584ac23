package jollyroster.seating;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;
import jollyroster.core.seats.SeatRule;
import jollyroster.core.seats.Standing;
import jollyroster.core.seats.Transition;
import jollyroster.logbook.LogbookCommands;
import jollyroster.logbook.LogbookEntry;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/**
 * Writes down what happens to registrations. Each line carries the state and the party that came of it, so that the lines of
 * a session, read in order, give its roster.
 */
@Component
class SeatLog {

    private static final Actor PROGRAM = new Actor.Program("refill");
    private final LogbookCommands logbook;

    SeatLog(LogbookCommands logbook) {
        this.logbook = logbook;
    }

    void write(Happening h, Standing before, Transition.Becomes becomes, RegistrationRecord row) {
        Facts facts = outcome(row)
                .and("before", before.party())
                .and("held", row.getState().equals(RegistrationState.UNCONFIRMED.name()) ? true : null)
                .and("why", h.why().isEmpty() ? null : h.why())
                .and(particulars(h, before, becomes, row))
                .and(h.facts());
        boolean moved = h.event() == SeatEvent.MOVE || h.event() == SeatEvent.SWAP;
        if (moved) {
            Facts left = facts.and("to", h.book().start())
                    .and("zone", h.book().zone())
                    .and("left", true);
            logbook.write(h.from().id(), row.getId(), h.actor(), LogbookEntry.CHANGED_DATE, left, h.now());
            facts = facts.and("from", h.from().start()).and("zone", h.from().zone());
        }
        logbook.write(row.getSessionId(), row.getId(), h.actor(), entry(h, row), facts, h.now());
    }

    void paidInVain(Happening h, RegistrationRecord row) {
        logbook.write(row.getSessionId(), row.getId(), h.actor(), LogbookEntry.PAID, h.facts(), h.now());
    }

    /** Something else about a registration than its seats was changed. */
    void amended(RegistrationRecord row, Actor actor, Instant now) {
        Facts facts = outcome(row).and("before", row.getParty());
        logbook.write(row.getSessionId(), row.getId(), actor, LogbookEntry.AMENDED, facts, now);
    }

    void swapOffered(RegistrationRecord row, Session wanted, Actor actor, Instant now) {
        Facts facts = Facts.of("to", wanted.start()).and("zone", wanted.zone());
        logbook.write(row.getSessionId(), row.getId(), actor, LogbookEntry.SWAP_OFFERED, facts, now);
    }

    /** How often a registration has offered to swap since a time. */
    int swapsOffered(long registration, Instant since) {
        return logbook.count(registration, LogbookEntry.SWAP_OFFERED, since);
    }

    /** A time that nobody has any more. */
    void givenBack(Session time, Happening h) {
        logbook.write(time.id(), h.actor(), LogbookEntry.GIVEN_BACK, Facts.none(), h.now());
    }

    void resized(Session book, int to, String why, Actor actor, Instant now) {
        Facts facts = Facts.of("from", book.seats()).and("to", to).and("why", why.isEmpty() ? null : why);
        logbook.write(book.id(), actor, LogbookEntry.RESIZED, facts, now);
    }

    private static Facts outcome(RegistrationRecord row) {
        return Facts.of("state", row.getState()).and("party", row.getParty());
    }

    private static Facts particulars(Happening h, Standing before, Transition.Becomes becomes, RegistrationRecord row) {
        Facts facts = Facts.none();
        if (becomes.waits().isPresent()) {
            facts = facts.and("place", becomes.waits().get().place())
                    .and("because", becomes.waits().get().because());
        }
        return switch (h.event()) {
            case CALL_UP ->
                facts.and("until", row.getHeldUntil())
                        .and("zone", row.getZone())
                        .and("race", row.getIsRacing());
            case RUN_OUT ->
                facts.and(
                        "called",
                        before.state()
                                .filter(s -> s == RegistrationState.CALLED_UP)
                                .isPresent());
            case CANCEL ->
                facts.and(
                        "waited",
                        before.state()
                                .filter(s -> s == RegistrationState.WAITLISTED)
                                .isPresent());
            case SWAP -> facts.and("swap", true);
            case ANSWER_YES -> facts.and("reply", "yes");
            case ANSWER_MAYBE -> facts.and("reply", "maybe");
            case ANSWER_NO -> facts.and("reply", "no");
            default -> facts;
        };
    }

    /** How late a hold was seen to have run out, for its line. */
    static long late(RegistrationRecord r, Instant now) {
        return Math.max(0, Duration.between(r.getHeldUntil(), now).toSeconds());
    }

    private static LogbookEntry entry(Happening h, RegistrationRecord row) {
        return switch (h.event()) {
            case REGISTER ->
                h.actor().kind() == Actor.Kind.TEAM
                        ? LogbookEntry.ADDED
                        : row.getState().equals(RegistrationState.WAITLISTED.name())
                                ? LogbookEntry.WAITLISTED
                                : LogbookEntry.SEATED;
            case ANSWER_YES, ANSWER_MAYBE, ANSWER_NO -> LogbookEntry.REPLIED;
            case CONFIRM -> LogbookEntry.CONFIRMED;
            case PAY -> LogbookEntry.PAID;
            case ACCEPT -> LogbookEntry.ACCEPTED;
            case DECLINE -> LogbookEntry.DECLINED;
            case RUN_OUT -> LogbookEntry.RAN_OUT;
            case RESIZE -> LogbookEntry.AMENDED;
            case MOVE, SWAP -> LogbookEntry.CHANGED_DATE;
            case CANCEL -> LogbookEntry.CANCELLED;
            case RESTORE -> LogbookEntry.RESTORED;
            case OVERRIDE -> LogbookEntry.SEATED_ANYWAY;
            case CALL_UP -> LogbookEntry.CALLED_UP;
            case SEAT -> LogbookEntry.SEATED_FROM_LINE;
            case STAND_BACK -> LogbookEntry.OUTRUN;
        };
    }

    void passedOver(Session book, SeatRule.Move.PassOver move, Instant now) {
        logbook.write(book.id(), move.party(), PROGRAM, LogbookEntry.PASSED_OVER, Facts.of("times", move.times()), now);
    }

    /** The same for everybody who waits, because a newcomer took seats; after it was counted. */
    void passedOver(Session book, List<SeatRule.Waiter> passed, int by, Instant now) {
        List<LogbookCommands.Line> lines = passed.stream()
                .map(w -> new LogbookCommands.Line(
                        w.id(), Facts.of("times", w.passedOver()).and("by", by)))
                .toList();
        logbook.writeAll(book.id(), PROGRAM, LogbookEntry.PASSED_OVER, lines, now);
    }
}
