package jollyroster.seating;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;
import jollyroster.core.seats.SeatRule;
import jollyroster.logbook.LogbookQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.Session;
import jollyroster.programme.Tell;
import jollyroster.seating.AddingCommands.Manner;
import jollyroster.seating.AmendCommands.Wish;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Random histories of two dates of one offering, over all events and all doors into them, through the store. What holds is
 * looked at after every step; a seed that fails says which.
 */
@AppTest
class SeatHistoriesTest {

    private static final int STEPS = 60;

    @Autowired
    RegistrationCommands registrations;

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    HoldCommands holds;

    @Autowired
    HoldWorker worker;

    @Autowired
    AddingCommands adding;

    @Autowired
    AmendCommands amending;

    @Autowired
    SeatingCommands seating;

    @Autowired
    SwapCommands swaps;

    @Autowired
    SwapQueries offers;

    @Autowired
    RegistrationQueries queries;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    LogbookQueries logbook;

    @Autowired
    TransactionTemplate transaction;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    TestClock clock;

    private Published at;
    private Random dice;
    private boolean rsvp;
    private boolean overfull;
    private int people;
    private final List<String> history = new ArrayList<>();

    /** The kinds of offering, by seed: free or not, confirmed or not, answered or not, offered or given at once. */
    private void begin(int seed) {
        clock.set(TestClock.START);
        dice = new Random(seed);
        rsvp = seed % 4 == 1;
        overfull = false;
        people = 0;
        history.clear();
        boolean confirmed = seed % 4 == 2;
        String price = seed % 4 == 3 ? "30" : "";
        FreedSeats freed = seed % 8 < 4 ? FreedSeats.CALL_UP : FreedSeats.SEAT_AT_ONCE;
        Saltmarrow.Wanted wanted = seats(6).at("2027-03-16T19:00", "2027-03-18T19:00")
                .with(Section.Seats.of(6, 3).freeing(freed))
                .costing(price);
        wanted = confirmed ? wanted.confirmed() : wanted;
        at = saltmarrow.publish(rsvp ? wanted.answered(false, Tell.NEVER) : wanted);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 21, 22, 23, 24})
    void what_must_hold_holds_after_every_step(int seed) {
        begin(seed);
        for (int step = 0; step < STEPS; step++) {
            String what = step();
            history.add(what);
            at.dates().forEach(this::check);
        }
    }

    private String step() {
        int kind = dice.nextInt(20);
        if (kind < 6) {
            return come();
        }
        if (kind == 6) {
            Duration on = Duration.ofMinutes(List.of(1, 20, 120, 1500).get(dice.nextInt(4)));
            clock.windOn(on);
            return "wind on " + on + ", " + worker.letRunOut() + " ran out";
        }
        if (kind == 7) {
            return resize();
        }
        return somebody().map(r -> act(kind, r)).orElse("nobody");
    }

    private Application person() {
        people++;
        return Saltmarrow.person(
                at.dates().get(dice.nextInt(2)), "Crew " + at.offering() + " " + people, 1 + dice.nextInt(3));
    }

    private String come() {
        Application asked = person();
        if (dice.nextInt(6) == 0) {
            return "added " + adding.add(asked, new Manner(dice.nextBoolean(), true), Saltmarrow.ORGANISER);
        }
        if (!rsvp) {
            return "registered " + registrations.register(asked, Saltmarrow.VISITOR);
        }
        return "answered " + registrations.answer(asked, anAnswer(), Optional.empty(), Saltmarrow.VISITOR);
    }

    private SeatEvent anAnswer() {
        return List.of(SeatEvent.ANSWER_YES, SeatEvent.ANSWER_YES, SeatEvent.ANSWER_MAYBE, SeatEvent.ANSWER_NO)
                .get(dice.nextInt(4));
    }

    private Optional<Registration> somebody() {
        List<Registration> all = new ArrayList<>();
        at.dates().forEach(date -> all.addAll(queries.roster(date)));
        return all.isEmpty() ? Optional.empty() : Optional.of(all.get(dice.nextInt(all.size())));
    }

    private String resize() {
        int wanted = 3 + dice.nextInt(7);
        boolean forced = dice.nextInt(5) == 0;
        boolean done = seating.resize(
                        at.dates().get(dice.nextInt(2)), wanted, forced ? "smaller room" : "", Saltmarrow.ORGANISER)
                .done();
        overfull |= forced;
        return "seats " + wanted + " " + done;
    }

    private String act(int kind, Registration r) {
        var self = Saltmarrow.self(r.id());
        long other = at.dates().get(0) == r.session()
                ? at.dates().get(1)
                : at.dates().get(0);
        String who = "#" + r.id() + " " + r.state() + "(" + r.party() + ") ";
        return who
                + switch (kind) {
                    case 8 -> "cancels " + changes.cancel(r.id(), "", dice.nextBoolean() ? self : Saltmarrow.ORGANISER);
                    case 9 -> "moves " + changes.move(r.id(), other, self);
                    case 10 -> "accepts " + holds.accept(r.id(), self);
                    case 11 -> "declines " + holds.decline(r.id(), self);
                    case 12 -> "confirms " + holds.confirm(r.id(), self);
                    case 13 -> pay(r);
                    case 14, 15 -> amend(r);
                    case 16 -> "restored " + seating.restore(r.id(), Saltmarrow.ORGANISER);
                    case 17 -> override(r);
                    case 18 -> swap(r, other);
                    default -> rsvp ? "answers " + registrations.change(r.id(), anAnswer(), self) : "-";
                };
    }

    private String amend(Registration r) {
        Wish wish = new Wish(1 + dice.nextInt(3), List.of(), List.of(), List.of());
        return "wishes " + wish.party() + " " + amending.amend(r.id(), wish, Saltmarrow.self(r.id()));
    }

    private String pay(Registration r) {
        int due = holds.due(r.id());
        int some = due == 0 ? 1 : 1 + dice.nextInt(due);
        return "pays for " + some + " of " + due + " " + holds.paid(r.id(), some, "$ " + some, Saltmarrow.PROGRAM);
    }

    private String override(Registration r) {
        boolean done = dice.nextInt(4) == 0 && seating.seatAnyway(r.id(), "a friend", Saltmarrow.ORGANISER);
        overfull |= done;
        return "overridden " + done;
    }

    private String swap(Registration r, long other) {
        String came = "offers " + swaps.offer(r.id(), other, "", Saltmarrow.self(r.id()));
        for (Registration partner : queries.roster(other)) {
            for (var offer : offers.offersTo(partner)) {
                return came + " #" + partner.id() + " agrees "
                        + swaps.agree(offer.id(), partner.id(), Saltmarrow.self(partner.id()));
            }
        }
        return came;
    }

    private void check(long date) {
        String story = "seed's history: " + history;
        Session session = programme.session(date).orElseThrow();
        List<Registration> roster = queries.roster(date);
        int taken = roster.stream()
                .filter(r -> r.state().takesSeats() && !r.hold().racing())
                .mapToInt(Registration::party)
                .sum();
        assertThat(queries.of(List.of(date)).get(date).taken()).as(story).isEqualTo(taken);
        if (!overfull) {
            assertThat(taken).as(story).isLessThanOrEqualTo(session.seats() - session.keptBack());
        }
        assertThat(roster).as(story).allMatch(r -> r.passedOver() <= SeatRule.MOST_PASS_OVERS);
        assertThat(roster)
                .as(story)
                .filteredOn(r -> r.state() == RegistrationState.REGISTERED)
                .allMatch(r -> r.hold().settled() >= r.party());
        assertThat(replayed(date)).as(story).isEqualTo(standing(roster));
        transaction.executeWithoutResult(status -> holds.refillFromLine(date));
        assertThat(queries.roster(date)).as("a second refill; " + story).isEqualTo(roster);
    }

    private static Map<Long, String> standing(List<Registration> roster) {
        Map<Long, String> standing = new HashMap<>();
        roster.forEach(r -> standing.put(r.id(), r.state() + " " + r.party()));
        return standing;
    }

    /** What the logbook says of a date, read from its beginning. */
    private Map<Long, String> replayed(long date) {
        List<LogbookQueries.Logged> lines = new ArrayList<>(logbook.ofSession(date, 10_000));
        java.util.Collections.reverse(lines);
        Map<Long, String> standing = new HashMap<>();
        for (LogbookQueries.Logged line : lines) {
            String state = line.facts().text("state");
            if (line.facts().is("left")) {
                standing.remove(line.registration());
            } else if (!state.isEmpty()) {
                standing.put(line.registration(), state + " " + line.facts().number("party"));
            }
        }
        return standing;
    }
}
