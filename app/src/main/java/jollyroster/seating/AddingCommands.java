package jollyroster.seating;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.answers.AnswerCommands;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SeatEvent;
import jollyroster.core.seats.SeatTally;
import jollyroster.people.PersonCommands;
import jollyroster.platform.Actor;
import jollyroster.programme.PlanCommands;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Puts people on a session by hand or from a file. The hours of registration and the invited-only rule do not hold here. */
@Component
public class AddingCommands {

    /** Whoever keeps the entrance may give kept-back seats, and nothing else of the plan. */
    private static final Actor ENTRANCE = new Actor.Program("entrance");

    private final Books books;
    private final PlanCommands planned;
    private final Seating seating;
    private final SeatCommands seats;
    private final PartyCommands parties;
    private final PersonCommands people;
    private final AnswerCommands answers;
    private final Clock clock;

    AddingCommands(
            Books books,
            PlanCommands planned,
            Seating seating,
            SeatCommands seats,
            PartyCommands parties,
            PersonCommands people,
            AnswerCommands answers,
            Clock clock) {
        this.books = books;
        this.planned = planned;
        this.seating = seating;
        this.seats = seats;
        this.parties = parties;
        this.people = people;
        this.answers = answers;
        this.clock = clock;
    }

    /**
     * How somebody is added.
     *
     * @param walkUp whether kept-back seats may be used
     * @param tell whether they are written to, and reminded
     */
    public record Manner(boolean walkUp, boolean tell) {}

    /** What came of it, or would come of it. */
    public enum Added {
        SEATED,
        WAITLISTED,
        /** The address is on this session already. */
        ALREADY,
        /** Neither a seat nor a place in the line. */
        FULL
    }

    /** Adds one person. @return what came of it; unless seated or waitlisted, nothing was changed */
    @Transactional
    public Added add(Application asked, Manner manner, Actor actor) {
        actor.requireOrganiser();
        Session book = books.get(asked.session());
        return sentBefore(asked).orElseGet(() -> add(asked.on(book.id()), book, manner, actor, clock.instant()));
    }

    /** What came of the same form when it was sent before. */
    private Optional<Added> sentBefore(Application asked) {
        return seats.bySubmission(asked.submission()).map(row -> added(RegistrationState.valueOf(row.getState())));
    }

    private static Added added(RegistrationState state) {
        return state == RegistrationState.WAITLISTED ? Added.WAITLISTED : Added.SEATED;
    }

    /** Somebody who stands at the entrance, on a kept-back seat where there is no other; the line is not for them. */
    @Transactional
    public Added walkUp(Application asked, Actor actor) {
        actor.requireTeam();
        return sentBefore(asked).orElseGet(() -> atTheEntrance(asked, actor));
    }

    private Added atTheEntrance(Application asked, Actor actor) {
        Session book = books.get(asked.session());
        Session roomy = withKeptBackSeats(book, asked.party(), ENTRANCE);
        boolean fits =
                book.seats() == 0 || roomy.capacity().free(seats.tally(roomy).taken()) >= asked.party();
        return fits ? add(asked.on(book.id()), roomy, new Manner(false, false), actor, clock.instant()) : Added.FULL;
    }

    /**
     * Adds all of them, or nobody.
     *
     * @return what came of each, in order
     * @throws NotAll with what would have come of each, when any is {@link Added#FULL}; then nobody was added
     */
    @Transactional
    public List<Added> addAll(List<Application> asked, Manner manner, Actor actor) {
        List<Added> added = addEach(asked, manner, actor);
        if (added.contains(Added.FULL)) {
            throw new NotAll(added);
        }
        return added;
    }

    /** Adds as many of them as can be. @return what came of each, in order */
    @Transactional
    public List<Added> addEach(List<Application> asked, Manner manner, Actor actor) {
        return asked.stream().map(one -> add(one, manner, actor)).toList();
    }

    /** Whether all of them surely find a seat or a place in the line, those left out who are on it already. */
    @Transactional(readOnly = true)
    public boolean hasRoom(List<Application> asked, Actor actor) {
        actor.requireOrganiser();
        Session book = books.get(asked.get(0).session());
        if (book.seats() == 0) {
            return true;
        }
        Set<String> there = parties.everybodyOn(book.id()).stream()
                .map(PartyCommands.Addressed::email)
                .collect(Collectors.toSet());
        List<Application> newcomers = asked.stream()
                .filter(a -> a.email().isEmpty() || !there.contains(a.email()))
                .toList();
        int people = newcomers.stream().mapToInt(Application::party).sum();
        return book.capacity().hasRoomFor(newcomers.size(), people, seats.tally(book));
    }

    /** Somebody could not be added, so nobody was. */
    public static final class NotAll extends RuntimeException {
        private static final long serialVersionUID = 1L;
        private final transient List<Added> would;

        public NotAll(List<Added> would) {
            super("Not everybody can be added");
            this.would = List.copyOf(would);
        }

        /** What would have come of each, in order. */
        public List<Added> would() {
            return would;
        }
    }

    private Added add(Application asked, Session book, Manner manner, Actor actor, Instant now) {
        Optional<Long> known = people.find(asked.email());
        if (known.flatMap(person -> seats.active(book.id(), person)).isPresent()) {
            return Added.ALREADY;
        }
        Session roomy = manner.walkUp() ? withKeptBackSeats(book, asked.party(), actor) : book;
        Happening h = Happening.of(SeatEvent.REGISTER, roomy, actor, now).told(manner.tell());
        Seating.Came came = seating.admit(
                asked,
                () -> known.orElseGet(() -> people.add(asked.newcomer(), now)),
                roomy.keptBack() < book.keptBack() ? h.with("keptBack", true) : h);
        if (!came.done()) {
            return Added.FULL;
        }
        long registration = came.row().orElseThrow().getId();
        answers.keep(registration, asked.answers());
        if (!manner.tell()) {
            seats.setReminded(registration, false, now);
        }
        return added(came.state());
    }

    /** A walk-up that does not fit into the open seats takes kept-back ones, as many as are missing. */
    private Session withKeptBackSeats(Session book, int party, Actor actor) {
        SeatTally tally = seats.tally(book);
        int missing = book.seats() == 0 ? 0 : party - book.capacity().free(tally.taken());
        boolean helps = missing > 0 && missing <= book.keptBack();
        if (!helps || tally.taken() + party > book.seats()) {
            return book;
        }
        planned.setKeptBack(book.id(), book.keptBack() - missing, actor);
        return books.get(book.id());
    }
}
