package jollyroster.seating;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.answers.AnswerCommands;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.CallUp;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;
import jollyroster.core.seats.SeatRule;
import jollyroster.core.seats.SeatTally;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.core.seats.Standing;
import jollyroster.core.seats.Transition;
import jollyroster.outbox.OutboxCommands;
import jollyroster.people.PersonCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.tables.tables.records.RegistrationRecord;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** What follows from a transition: its line in the logbook, its letters, and what it means for those who wait. */
@Component
class Consequences {

    /** Long enough for whoever cancelled the wrong one to be put back on. */
    private static final Duration UNTIL_MONEY_LEAVES = Duration.ofMinutes(10);

    private static final Actor REFILL = new Actor.Program("refill");
    private final SeatCommands seats;
    private final AnswerCommands answers;
    private final SeatLog log;
    private final OutboxCommands outbox;
    private final Recipients recipients;
    private final PersonCommands people;
    private final Takings takings;
    private final Books books;
    private final List<TimeFreed> freed;
    private final List<SeatNews> news;

    Consequences(
            List<TimeFreed> freed,
            List<SeatNews> news,
            Books books,
            SeatCommands seats,
            AnswerCommands answers,
            SeatLog log,
            OutboxCommands outbox,
            Recipients recipients,
            PersonCommands people,
            Takings takings) {
        this.freed = List.copyOf(freed);
        this.news = List.copyOf(news);
        this.books = books;
        this.takings = takings;
        this.seats = seats;
        this.answers = answers;
        this.log = log;
        this.outbox = outbox;
        this.recipients = recipients;
        this.people = people;
    }

    void follow(Happening h, Standing before, Transition.Becomes becomes, RegistrationRecord row) {
        log.write(h, before, becomes, row);
        if (row.getParty() < before.party()) {
            seats.setCompanions(row.getId(), trimmed(row), h.now());
            answers.dropCompanionsFrom(row.getId(), row.getParty());
        }
        letters(h, before, row, money(h, before, row));
        if (becomes.passesOver()) {
            passOver(h.book(), row, h.now());
        }
        news(h, before, row);
        boolean refilling = h.actor() == REFILL;
        if (!refilling && isFelt(h, before, row)) {
            if (h.from().id() != h.book().id()) {
                settle(h.from(), h.now());
                giveBack(h.from(), h);
            }
            settle(h.book(), h.now());
            giveBack(h.book(), h);
        }
    }

    /** Who came and who went. */
    private void news(Happening h, Standing before, RegistrationRecord row) {
        boolean held =
                before.state().filter(s -> s == RegistrationState.REGISTERED).isPresent();
        RegistrationState after = RegistrationState.valueOf(row.getState());
        boolean came = !held && after == RegistrationState.REGISTERED;
        boolean went = held && (after == RegistrationState.CANCELLED || after == RegistrationState.DECLINED);
        if (came || went) {
            SeatNews.Who who = new SeatNews.Who(row.getId(), row.getName(), row.getParty());
            news.forEach(one -> one.happened(
                    h.book(), who, came, () -> seats.tally(h.book()).taken(), h.now()));
        }
    }

    /** A time that was picked is given back when nobody has it any more, or waits for it. */
    private void giveBack(Session book, Happening h) {
        if (book.offering().style() == SignUpStyle.OWN_TIME) {
            SeatTally left = seats.tally(book);
            if (left.taken() == 0 && left.waiting() == 0) {
                books.giveBack(book);
                log.givenBack(book, h);
                if (h.event() != SeatEvent.MOVE) {
                    freed.forEach(one -> one.freed(book, h.actor().name(), h.now()));
                }
            }
        }
    }

    /** What becomes of the money where fewer seats are held than were paid for. */
    private Takings.Money money(Happening h, Standing before, RegistrationRecord row) {
        if (h.event() == SeatEvent.RESTORE) {
            takings.heldAgain(Map.of(row.getId(), row.getParty()), h.now()).forEach(seats::setSettledFor);
        }
        RegistrationState after = RegistrationState.valueOf(row.getState());
        boolean holds = after == RegistrationState.REGISTERED || after == RegistrationState.UNCONFIRMED;
        int still = holds ? row.getParty() : 0;
        if (before.settled() <= still || before.seats() <= still) {
            return Takings.Money.NONE;
        }
        boolean whole = h.actor().kind() != Actor.Kind.PERSON || after == RegistrationState.WAITLISTED;
        Takings.Money money =
                takings.givenUp(row.getId(), still, whole, h.book(), h.now().plus(UNTIL_MONEY_LEAVES), h.now());
        if (!money.back().isEmpty()) {
            seats.setSettledFor(row.getId(), still);
        }
        return money;
    }

    /** The names of those who still come along. */
    private static List<String> trimmed(RegistrationRecord row) {
        return row.getCompanions().lines().limit(row.getParty() - 1L).toList();
    }

    /** Whether the line may move: seats were freed or taken in a race, or somebody joined it while seats are raced for. */
    private static boolean isFelt(Happening h, Standing before, RegistrationRecord row) {
        RegistrationState after = RegistrationState.valueOf(row.getState());
        int seatsAfter = after.takesSeats() ? row.getParty() : 0;
        boolean waited = before.state()
                .filter(s -> s == RegistrationState.WAITLISTED || s == RegistrationState.CALLED_UP)
                .isPresent();
        boolean racing = h.book().wayToSeat(h.now()) == CallUp.Way.RACE;
        if (h.event() == SeatEvent.SWAP) {
            return false;
        }
        return waited || racing || before.seats() > seatsAfter || h.event() == SeatEvent.MOVE;
    }

    private void passOver(Session book, RegistrationRecord newcomer, Instant now) {
        List<SeatRule.Waiter> passed = seats.passOver(book);
        log.passedOver(book, passed, newcomer.getParty(), now);
    }

    void oweBack(RegistrationRecord row, Happening h) {
        log.paidInVain(h, row);
        outbox.answer(Anchor.PAID_TOO_LATE, Recipients.one(h.book(), row, people.email(row.getPersonId())), h.now());
    }

    /** Sends those back to the line for whom a race is lost, then gives free seats to those who wait. */
    void settle(Session book, Instant now) {
        if (book.seats() > 0) {
            sendBackTheOutrun(book, now);
            refill(book, now);
        }
    }

    private void sendBackTheOutrun(Session book, Instant now) {
        List<SeatRule.Waiter> racing = seats.racing(book.id());
        if (racing.isEmpty()) {
            return;
        }
        SeatRule.outrun(book.capacity(), seats.tally(book).taken(), racing)
                .forEach(racer -> move(racer.id(), SeatEvent.STAND_BACK, RegistrationState.WAITLISTED, book, now));
    }

    /** Gives free seats to the line until nothing moves. */
    void refill(Session book, Instant now) {
        boolean held = !book.cancelled() || book.lead() != null;
        CallUp.Way way = book.wayToSeat(now);
        if (!held || book.seats() == 0 || way == CallUp.Way.NOBODY) {
            return;
        }
        int taken = seats.tally(book).taken();
        SeatRule.refill(book.capacity(), taken, seats.line(book.id()), way).forEach(move -> apply(move, book, now));
    }

    private void apply(SeatRule.Move move, Session book, Instant now) {
        if (move instanceof SeatRule.Move.PassOver passOver) {
            seats.setPassedOver(passOver.party(), passOver.times());
            log.passedOver(book, passOver, now);
        } else if (move instanceof SeatRule.Move.Seat) {
            move(move.party(), SeatEvent.SEAT, RegistrationState.REGISTERED, book, now);
        } else {
            move(move.party(), SeatEvent.CALL_UP, RegistrationState.CALLED_UP, book, now);
        }
    }

    /** What the seat rule has decided about somebody in the line. */
    private void move(long registration, SeatEvent event, RegistrationState to, Session book, Instant now) {
        RegistrationRecord before = seats.byId(registration).orElseThrow();
        Happening h = Happening.of(event, book, REFILL, now);
        Transition.Becomes becomes = new Transition.Becomes(to, before.getParty(), false, Optional.empty());
        Standing standing = Standing.of(RegistrationState.valueOf(before.getState()), before.getParty());
        follow(h, standing, becomes, seats.write(before, book.id(), SeatRow.of(before, becomes, h), now));
    }

    private void letters(Happening h, Standing before, RegistrationRecord row, Takings.Money money) {
        RegistrationState after = RegistrationState.valueOf(row.getState());
        boolean moved = h.event() == SeatEvent.MOVE || h.event() == SeatEvent.SWAP;
        boolean was =
                before.state().filter(s -> s == RegistrationState.REGISTERED).isPresent();
        if (was && (moved || after != RegistrationState.REGISTERED)) {
            outbox.withdrawReminders(row.getId(), withdrawn(h.event()), h.now());
        }
        if (h.told()) {
            SeatLetters.anchor(h, before, after, row).ifPresent(anchor -> write(anchor, h, row, money));
        }
    }

    private static String withdrawn(SeatEvent event) {
        return switch (event) {
            case MOVE, SWAP -> "the date was changed";
            case ANSWER_YES, ANSWER_MAYBE, ANSWER_NO -> "the answer was changed";
            case RESIZE -> "the seats are held until they are paid for";
            default -> "the registration was cancelled";
        };
    }

    private void write(Anchor anchor, Happening h, RegistrationRecord row, Takings.Money money) {
        String email = people.email(row.getPersonId());
        Facts given = given(anchor, h, money);
        if (row.getState().equals(RegistrationState.REGISTERED.name())) {
            outbox.answerAndRemind(anchor, recipients.of(h.book(), row, email), given, h.now());
        } else {
            String occasion = String.valueOf(h.now().toEpochMilli());
            outbox.answer(anchor, Recipients.one(h.book(), row, email), occasion, given, h.now());
        }
    }

    /** What a letter may name besides how things stand: when the other date was, and what becomes of the money. */
    private static Facts given(Anchor anchor, Happening h, Takings.Money money) {
        if (anchor == Anchor.CHANGED) {
            return Recipients.was(h.from(), "").told();
        }
        return money.equals(Takings.Money.NONE)
                ? Facts.none()
                : Facts.of("back", money.back()).and("kept", money.kept());
    }
}
