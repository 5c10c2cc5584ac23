package jollyroster.desk;

import static java.time.temporal.ChronoUnit.MINUTES;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import jollyroster.core.seats.RegistrationState;
import jollyroster.desk.Needs.Need;
import jollyroster.guests.GuestQueries;
import jollyroster.hosting.BusyQueries;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.team.TeamQueries;
import jollyroster.till.PaymentQueries;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** People who wait for an answer or whose time to answer runs out, and calendars that wait to be read. */
@Component
@Order(1)
class WaitingNeeds implements NeedSource {

    private static final Duration SOON = Duration.ofHours(24);
    private static final Duration STUCK = Duration.ofMinutes(15);
    private final RegistrationQueries roster;
    private final GuestQueries guests;
    private final ProgrammeQueries programme;
    private final PaymentQueries payments;
    private final BusyQueries busy;
    private final TeamQueries team;

    WaitingNeeds(
            RegistrationQueries roster,
            GuestQueries guests,
            ProgrammeQueries programme,
            PaymentQueries payments,
            BusyQueries busy,
            TeamQueries team) {
        this.busy = busy;
        this.team = team;
        this.roster = roster;
        this.guests = guests;
        this.programme = programme;
        this.payments = payments;
    }

    private String whose(BusyQueries.Calendar calendar) {
        return calendar.name()
                + team.member(calendar.host()).map(host -> " of " + host.name()).orElse("");
    }

    @Override
    public List<Need> at(Instant now) {
        List<Need> needs = new ArrayList<>();
        callUps(now, needs);
        calendars(now, needs);
        refunds(now, needs);
        pleas(needs);
        return needs;
    }

    private void calendars(Instant now, List<Need> needs) {
        busy.unread(now)
                .forEach(calendar -> needs.add(new Need(
                        1,
                        "for "
                                + calendar.read()
                                        .map(at -> Times.length(
                                                Duration.between(at, now).truncatedTo(MINUTES)))
                                        .orElse(""),
                        whose(calendar),
                        "The calendar could not be read. What was known before still counts.",
                        "See the calendars",
                        "/desk/setup/calendars")));
    }

    private void refunds(Instant now, List<Need> needs) {
        payments.stuckSince(now.minus(STUCK))
                .forEach(p -> needs.add(new Need(
                        2,
                        "owed back",
                        p.amount().inWords() + " to " + p.name(),
                        "The payment service does not take the refund; it is tried again.",
                        "See why",
                        "/desk/sessions/" + p.session() + "/why/" + p.registration())));
    }

    private void pleas(List<Need> needs) {
        Map<Long, String> titles =
                programme.offerings().stream().collect(Collectors.toMap(Offering::id, Offering::title));
        guests.pleas()
                .forEach((offering, pleas) -> needs.add(new Need(
                        2,
                        pleas == 1 ? "one asks" : pleas + " ask",
                        titles.getOrDefault(offering, ""),
                        pleas == 1
                                ? "Somebody who is not invited asks to come."
                                : pleas + " who are not invited ask to come.",
                        "Say yes or no",
                        "/desk/offerings/" + offering + "/guests")));
    }

    private void callUps(Instant now, List<Need> needs) {
        Map<Long, List<Registration>> called = roster.held().stream()
                .filter(r -> r.state() == RegistrationState.CALLED_UP)
                .filter(r -> r.hold().until().orElseThrow().isBefore(now.plus(SOON)))
                .collect(Collectors.groupingBy(Registration::session));
        for (Session s : programme.sessions(called.keySet())) {
            List<Registration> people = called.get(s.id());
            Instant first = people.get(0).hold().until().orElseThrow();
            Duration left = Duration.between(now, first);
            String who = people.size() == 1
                    ? people.get(0).name() + " has not answered the call-up."
                    : people.size() + " have not answered their call-ups.";
            needs.add(new Need(
                    left.compareTo(Duration.ofHours(3)) < 0 ? 1 : 2,
                    left.isNegative() ? "now" : Times.ahead(now, first, s.zone()),
                    s.offering().title() + ", " + Times.dayAndTime(s.start(), s.zone()),
                    who + " Until " + Times.dayAndTime(first, s.zone()) + ".",
                    "Call them",
                    "/desk/sessions/" + s.id() + "/roster?state=called-up"));
        }
    }
}
