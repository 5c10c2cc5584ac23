package jollyroster.plans;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import jollyroster.core.messages.Happening;
import jollyroster.core.messages.Rehearsal;
import jollyroster.core.messages.Rehearsal.Part;
import jollyroster.core.messages.Rehearsal.Played;
import jollyroster.core.messages.Rehearsal.Player;
import jollyroster.core.messages.Rehearsal.Stage;
import jollyroster.outbox.HoursQueries;
import jollyroster.outbox.PlanQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import org.springframework.stereotype.Component;

/** Plays a script: the plan of an offering, its hours and its next date, for the cast. */
@Component
class RehearsalRun {

    private final ProgrammeQueries programme;
    private final PlanQueries plans;
    private final HoursQueries hours;
    private final Readers readers;
    private final Clock clock;

    RehearsalRun(ProgrammeQueries programme, PlanQueries plans, HoursQueries hours, Readers readers, Clock clock) {
        this.programme = programme;
        this.plans = plans;
        this.hours = hours;
        this.readers = readers;
        this.clock = clock;
    }

    /** Which message is open. */
    record Open(int who, int which) {

        boolean is(int someone, int something) {
            return who == someone && which == something;
        }
    }

    /** All that was played. @param happenings in the order they were said */
    record Run(
            Offering offering,
            PlanView.Drawn drawn,
            Stage stage,
            List<Player> cast,
            List<Happening> happenings,
            List<Part> parts) {

        Optional<Played> message(Open open) {
            boolean exists = open.who() < cast.size()
                    && open.which() < parts.get(open.who()).messages().size();
            return exists ? Optional.of(parts.get(open.who()).messages().get(open.which())) : Optional.empty();
        }

        /** The message that is open while nobody has opened another: the last to anybody before a moment, else the first of all. */
        Open latest(Instant moment) {
            Open latest = new Open(0, 0);
            Instant at = Instant.MIN;
            for (int who = 0; who < cast.size(); who++) {
                List<Played> messages = parts.get(who).messages();
                for (int which = 0; which < messages.size(); which++) {
                    Played m = messages.get(which);
                    if (m.goes() && !m.at().isAfter(moment) && m.at().isAfter(at)) {
                        latest = new Open(who, which);
                        at = m.at();
                    }
                }
            }
            return latest;
        }
    }

    /** Empty when there is no such offering. */
    Optional<Run> of(long id, Script script) {
        return programme.offering(id).map(offering -> play(offering, script));
    }

    private Run play(Offering o, Script script) {
        Instant now = clock.instant();
        Optional<Session> next = programme.sessionsOf(o.id()).stream()
                .filter(s -> !s.cancelled() && s.start().isAfter(now))
                .findFirst();
        PlanView.Drawn drawn = script.beginning()
                .map(begins -> DrawnDates.at(o, begins))
                .or(() -> next.map(DrawnDates::of))
                .orElseGet(() -> DrawnDates.madeUp(o, now));
        boolean online = o.venue().map(Venue::isOnline).orElse(false);
        Instant start = drawn.timing().hours().start();
        Stage stage = new Stage(
                plans.plan(o.id()).lines(), drawn.timing(), hours.of(o.id()).hours(), online);
        List<Player> cast = Cast.of(o.zone(), start, next.map(readers::clocks).orElse(List.of()), script.own());
        List<Happening> happenings = script.happenings(start);
        List<Part> parts = IntStream.range(0, cast.size())
                .mapToObj(who -> Rehearsal.play(who, cast.get(who), stage, happenings))
                .toList();
        return new Run(o, drawn, stage, cast, happenings, parts);
    }
}
