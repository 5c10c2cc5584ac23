package jollyroster.core.seats;

import java.util.Optional;

/** The rules that the table of {@link SeatMachine} is made of: each says what becomes of a registration. */
interface SeatRules {

    /** @param party people in all there would be, one or more */
    Transition apply(Standing before, int party, Scene scene);

    /** What was asked for holds already. */
    SeatRules STAY = (before, party, scene) -> new Transition.Stays();

    /** Asks the seat rule; may join the line. */
    SeatRules ASK = (before, party, scene) -> ask(before, party, scene, true);

    /** The same for somebody who had left, unless the team had ended it. */
    SeatRules COME_BACK = (before, party, scene) ->
            before.endedByTeam() ? refused(Obstacle.ENDED_BY_TEAM) : ask(before, party, scene, true);

    /** Asks the seat rule, but does not join the line. The team decides, so the terms are as they are for it. */
    SeatRules SEATS_ONLY = (before, party, scene) -> ask(before, party, scene, false);

    /** Comes from another date: seats there or nothing, and unconfirmed stays unconfirmed. */
    SeatRules MOVE = (before, party, scene) -> {
        Transition asked = ask(Standing.NOBODY, party, scene, false);
        boolean settled = before.state().orElseThrow() == RegistrationState.REGISTERED;
        boolean open = before.state().orElseThrow() == RegistrationState.UNCONFIRMED;
        if (asked instanceof Transition.Becomes seated && (settled || open)) {
            RegistrationState state = settled ? RegistrationState.REGISTERED : RegistrationState.UNCONFIRMED;
            return new Transition.Becomes(state, party, seated.passesOver(), Optional.empty());
        }
        return asked;
    };

    /** The address is shown to be the person's own; a seat that costs something must be paid for all the same. */
    SeatRules CONFIRM = (before, party, scene) ->
            scene.terms() == Terms.PAY ? refused(Obstacle.TO_PAY) : becomes(RegistrationState.REGISTERED, party);

    /** Money came: for all, and the seats are theirs; for some, and the rest is still due. */
    SeatRules PAY = (before, party, scene) ->
            becomes(before.settled() >= party ? RegistrationState.REGISTERED : RegistrationState.UNCONFIRMED, party);

    /** Money came when the seats had been given up: they are back if nobody else wants them. */
    SeatRules PAID_LATE = (before, party, scene) -> {
        SeatTally tally = scene.without(before);
        boolean free = !scene.passed().contains(SeatEvent.Deadline.END)
                && !before.endedByTeam()
                && before.settled() >= party
                && (tally.waiting() == 0 || scene.isLineClosed())
                && fits(party, tally, scene);
        return free ? becomes(RegistrationState.REGISTERED, party) : refused(Obstacle.NO_SEATS);
    };

    /** Takes what is offered, seats that are held or a race, for as many people as were called up or fewer. */
    SeatRules TAKE = (before, party, scene) -> {
        if (party > before.party()) {
            return refused(Obstacle.NO_SEATS);
        }
        boolean there = !before.racing() || fits(party, scene.without(before), scene);
        return there ? becomes(scene.terms().seated(), party) : refused(Obstacle.OUTRUN);
    };

    /** Once the line is closed, whoever comes first has the seats that are free. */
    SeatRules TAKE_WHEN_CLOSED = (before, party, scene) -> {
        if (!scene.isLineClosed()) {
            return refused(Obstacle.NOTHING_OFFERED);
        }
        return fits(before.party(), scene.without(before), scene)
                ? becomes(scene.terms().seated(), before.party())
                : refused(Obstacle.OUTRUN);
    };

    /** Whoever has paid for some of the party keeps those seats; everybody else is off. */
    SeatRules RUN_OUT = (before, party, scene) -> before.settled() > 0
            ? becomes(RegistrationState.REGISTERED, Math.min(before.settled(), before.party()))
            : becomes(RegistrationState.CANCELLED, before.party());

    /**
     * More or fewer people. More of somebody who has seats come from what is free once everybody who waits has been thought
     * of, and on the terms on which seats are given; somebody who waits keeps the place in the line.
     */
    SeatRules RESIZE = (before, party, scene) -> {
        int more = party - before.party();
        if (more == 0) {
            return new Transition.Stays();
        }
        RegistrationState state = before.state().orElseThrow();
        if (more > 0) {
            Optional<Obstacle> obstacle = obstacle(before, party, scene);
            if (obstacle.isPresent()) {
                return refused(obstacle.get());
            }
        }
        boolean due = more > 0
                && state == RegistrationState.REGISTERED
                && scene.terms() == Terms.PAY
                && before.settled() < party;
        boolean nothingDue = more < 0
                && state == RegistrationState.UNCONFIRMED
                && scene.terms() == Terms.PAY
                && before.settled() >= party;
        if (due) {
            return becomes(RegistrationState.UNCONFIRMED, party);
        }
        return becomes(nothingDue ? RegistrationState.REGISTERED : state, party);
    };

    static SeatRules become(RegistrationState state) {
        return (before, party, scene) -> becomes(state, party);
    }

    /** For somebody who had left, unless the team had ended it. */
    static SeatRules backAs(RegistrationState state) {
        return (before, party, scene) -> before.endedByTeam() ? refused(Obstacle.ENDED_BY_TEAM) : becomes(state, party);
    }

    private static Optional<Obstacle> obstacle(Standing before, int party, Scene scene) {
        if (scene.capacity().isEmpty() || party > scene.capacity().get().open()) {
            return Optional.of(Obstacle.LARGER_THAN_SESSION);
        }
        return switch (before.state().orElseThrow()) {
            case CALLED_UP -> Optional.of(Obstacle.NO_SEATS);
            case UNCONFIRMED, REGISTERED -> {
                SeatTally tally = scene.without(before);
                boolean overtakes = tally.waiting() > 0 && !scene.isLineClosed();
                yield overtakes || !fits(party, tally, scene) ? Optional.of(Obstacle.NO_SEATS) : Optional.empty();
            }
            case MAYBE, WAITLISTED, DECLINED, CANCELLED -> Optional.empty();
        };
    }

    private static boolean fits(int party, SeatTally tally, Scene scene) {
        return scene.capacity().filter(c -> party <= c.free(tally.taken())).isPresent();
    }

    private static Transition ask(Standing before, int party, Scene scene, boolean mayWait) {
        if (scene.capacity().isEmpty()) {
            return refused(Obstacle.LARGER_THAN_SESSION);
        }
        Arrival arrival = SeatRule.arrive(scene.capacity().get(), scene.without(before), party);
        if (arrival instanceof Arrival.Seated seated) {
            boolean passesOver = seated.passesOverTheLine() && !scene.isLineClosed();
            return new Transition.Becomes(scene.terms().seated(), party, passesOver, Optional.empty());
        }
        if (arrival instanceof Arrival.Waitlisted waits && mayWait) {
            return new Transition.Becomes(RegistrationState.WAITLISTED, party, false, Optional.of(waits));
        }
        return refused(arrival instanceof Arrival.Refused because ? obstacle(because) : Obstacle.NO_SEATS);
    }

    private static Obstacle obstacle(Arrival.Refused refused) {
        return switch (refused.because()) {
            case LARGER_THAN_SESSION -> Obstacle.LARGER_THAN_SESSION;
            case FULL_WITHOUT_WAITLIST -> Obstacle.FULL;
            case WAITLIST_FULL -> Obstacle.WAITLIST_FULL;
        };
    }

    private static Transition becomes(RegistrationState state, int party) {
        return new Transition.Becomes(state, party, false, Optional.empty());
    }

    private static Transition refused(Obstacle because) {
        return new Transition.Refused(because);
    }
}
