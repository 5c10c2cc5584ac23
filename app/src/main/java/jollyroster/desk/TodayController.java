package jollyroster.desk;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import jollyroster.chart.SeatStrip;
import jollyroster.outbox.MailChannel;
import jollyroster.outbox.MessageWords;
import jollyroster.outbox.UnsentQueries;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.SignedIn;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import jollyroster.seating.RegistrationQueries;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** Today: what needs a hand, the sessions at hand, the next sends. */
@DeskPage
class TodayController {

    private static final int NEXT_SENDS = 6;
    private static final int NEXT_SESSIONS = 5;
    private final Needs needs;
    private final WhoPicked who;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final SignedIn signedIn;
    private final RegistrationQueries roster;
    private final UnsentQueries unsent;
    private final MailChannel mail;
    private final OrganisationQueries organisation;
    private final FirstSteps steps;
    private final Clock clock;

    TodayController(
            Needs needs,
            WhoPicked who,
            ProgrammeQueries programme,
            HostQueries hosts,
            SignedIn signedIn,
            RegistrationQueries roster,
            UnsentQueries unsent,
            MailChannel mail,
            OrganisationQueries organisation,
            FirstSteps steps,
            Clock clock) {
        this.steps = steps;
        this.needs = needs;
        this.who = who;
        this.programme = programme;
        this.hosts = hosts;
        this.signedIn = signedIn;
        this.roster = roster;
        this.unsent = unsent;
        this.mail = mail;
        this.organisation = organisation;
        this.clock = clock;
    }

    /** A session at hand. @param soon when it is, said from now @param who comes, where somebody picked the time; else empty */
    public record AtHand(
            long id,
            String title,
            String when,
            String soon,
            String place,
            SeatStrip strip,
            String taken,
            boolean open,
            String who) {}

    public record Send(String at, String what, String who, String title, long session) {}

    @GetMapping("/desk")
    String today(Model model) {
        Instant now = clock.instant();
        ZoneId home = organisation.organisation().zone();
        List<AtHand> atHand = atHand(now, home);
        model.addAttribute("longDay", Times.longDay(now.atZone(home)));
        boolean organiser = signedIn.isOrganiser();
        model.addAttribute("organiser", organiser);
        model.addAttribute("trayOnly", organiser && !mail.reachesPeople());
        model.addAttribute("steps", organiser ? steps.left() : List.of());
        model.addAttribute("needs", needs.at(now));
        model.addAttribute("atHand", atHand);
        model.addAttribute("sends", organiser ? sends(home) : List.of());
        return "desk/today";
    }

    private List<AtHand> atHand(Instant now, ZoneId home) {
        List<Session> sessions = hosts
                .visible(programme.between(now, now.plus(java.time.Duration.ofDays(30))), signedIn.actor(), now)
                .stream()
                .filter(s -> !s.cancelled())
                .limit(NEXT_SESSIONS)
                .toList();
        Map<Long, SeatCount> counts =
                roster.of(sessions.stream().map(Session::id).toList());
        Map<Long, String> coming = who.of(sessions, !signedIn.isHelper());
        return sessions.stream()
                .map(s -> atHand(s, counts.get(s.id()), coming.getOrDefault(s.id(), ""), now, home))
                .toList();
    }

    private AtHand atHand(Session s, SeatCount count, String coming, Instant now, ZoneId home) {
        boolean open = !now.isBefore(s.doorHours().opens());
        boolean running = !now.isBefore(s.start());
        String soon = running ? "under way" : open ? "door open" : Times.ahead(now, s.start(), s.zone());
        return new AtHand(
                s.id(),
                s.offering().title(),
                Times.range(s.start(), s.end(), home, now.atZone(home).toLocalDate()),
                soon,
                s.venue().map(Venue::name).orElse("no venue yet"),
                SeatStrip.ofCounts(s.seats(), s.keptBack(), count.taken(), count.waitingPeople(), 8),
                count.taken() + " of " + s.seats(),
                open,
                coming);
    }

    private List<Send> sends(ZoneId home) {
        List<UnsentQueries.NextSend> next = unsent.nextSends(NEXT_SENDS);
        Map<Long, String> titles =
                programme
                        .sessions(next.stream()
                                .map(UnsentQueries.NextSend::session)
                                .distinct()
                                .toList())
                        .stream()
                        .collect(Collectors.toMap(Session::id, s -> s.offering().title()));
        return next.stream()
                .map(send -> new Send(
                        Times.dayAndTime(send.due(), home),
                        MessageWords.of(send.anchor(), send.offset(), send.channel()),
                        send.messages() == 1 ? "one person" : send.messages() + " people",
                        titles.getOrDefault(send.session(), ""),
                        send.session()))
                .toList();
    }
}
