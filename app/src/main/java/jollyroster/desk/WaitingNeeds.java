package jollyroster.desk;

import static java.time.temporal.ChronoUnit.MINUTES;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.intake.Text;
import jollyroster.core.seats.RegistrationState;
import jollyroster.desk.Needs.Need;
import jollyroster.guests.GuestQueries;
import jollyroster.hosting.BusyQueries;
import jollyroster.outbox.DepartureQueries;
import jollyroster.people.ReceivedQueries;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.team.TeamQueries;
import jollyroster.texting.TextLogQueries;
import jollyroster.till.PaymentQueries;
import org.springframework.stereotype.Component;

/** People who wait for an answer or whose time to answer runs out, and calendars that wait to be read. */
@Component
class WaitingNeeds {

    private static final Duration SOON = Duration.ofHours(24);
    private static final Duration STUCK = Duration.ofMinutes(15);
    private final RegistrationQueries roster;
    private final GuestQueries guests;
    private final ProgrammeQueries programme;
    private final PaymentQueries payments;
    private final BusyQueries busy;
    private final TeamQueries team;
    private static final int MOST_REPLIES = 50;
    private static final int LONGEST_QUOTED = 80;
    private final DepartureQueries departures;
    private final TextLogQueries texts;
    private final ReceivedQueries mails;

    WaitingNeeds(
            RegistrationQueries roster,
            GuestQueries guests,
            ProgrammeQueries programme,
            PaymentQueries payments,
            BusyQueries busy,
            TeamQueries team,
            DepartureQueries departures,
            TextLogQueries texts,
            ReceivedQueries mails) {
        this.mails = mails;
        this.texts = texts;
        this.departures = departures;
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

    /** What people wrote back and nothing could be made of. */
    private void replies(List<Need> needs) {
        List<String> open = Stream.concat(
                        texts.open(MOST_REPLIES).stream().map(TextLogQueries.Reply::body),
                        mails.open(MOST_REPLIES).stream().map(m -> m.subject() + ": " + m.body()))
                .toList();
        if (!open.isEmpty()) {
            needs.add(new Need(
                    1,
                    "now",
                    open.size() == 1 ? "Somebody wrote back" : open.size() + " people wrote back",
                    "“" + Text.oneLine(open.get(0), LONGEST_QUOTED) + "”",
                    open.size() == 1 ? "Read it" : "Read them",
                    "/desk/replies"));
        }
    }

    List<Need> at(Instant now) {
        List<Need> needs = new ArrayList<>();
        held(now, needs);
        callUps(now, needs);
        replies(needs);
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
        payments.stuckSince(now.minus(STUCK))
                .forEach(p -> needs.add(new Need(
                        2,
                        "owed back",
                        p.amount().inWords() + " to " + p.name(),
                        "The payment service does not take the refund; it is tried again.",
                        "See why",
                        "/desk/sessions/" + p.session() + "/why/" + p.registration())));
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
        return needs;
    }

    private void held(Instant now, List<Need> needs) {
        departures
                .held()
                .ifPresent(held -> needs.add(new Need(
                        0,
                        "held",
                        "All messages are held",
                        "By " + held.by() + " for "
                                + Times.length(
                                        Duration.between(held.since(), now).truncatedTo(MINUTES))
                                + "; due meanwhile: " + departures.due(now) + ".",
                        "See the outbox",
                        "/desk/outbox")));
        int some = departures.some().size();
        if (some > 0) {
            needs.add(new Need(
                    2,
                    "held",
                    some == 1 ? "Some messages are held" : "Messages are held in " + some + " places",
                    "They wait until somebody lets them go.",
                    "See the outbox",
                    "/desk/outbox"));
        }
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
