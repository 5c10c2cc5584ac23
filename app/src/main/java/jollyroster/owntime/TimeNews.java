package jollyroster.owntime;

import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Address;
import jollyroster.platform.Facts;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Session;
import jollyroster.programme.Tell;
import jollyroster.seating.TimeFreed;
import jollyroster.team.TeamQueries;
import org.springframework.stereotype.Component;

/** Tells the organiser and whoever leads a time that it was picked, or given back, where the offering wants each told. */
@Component
class TimeNews implements TimeFreed {

    private final OutboxCommands outbox;
    private final TeamQueries team;
    private final HostQueries hosts;
    private final OrganisationQueries organisation;
    private final Address address;

    TimeNews(
            OutboxCommands outbox,
            TeamQueries team,
            HostQueries hosts,
            OrganisationQueries organisation,
            Address address) {
        this.outbox = outbox;
        this.team = team;
        this.hosts = hosts;
        this.organisation = organisation;
        this.address = address;
    }

    void picked(Session time, List<Host> leaders, String by, Instant now) {
        tell(time, leaders, by, "picked", now);
    }

    void moved(Session time, List<Host> leaders, String by, Instant now) {
        tell(time, leaders, by, "moved to", now);
    }

    @Override
    public void freed(Session time, String by, Instant now) {
        tell(time, hosts.of(time), by, "gave back", now);
    }

    private void tell(Session time, List<Host> leaders, String by, String what, Instant now) {
        if (time.offering().signUp().tell() != Tell.EACH) {
            return;
        }
        Facts given = Facts.of("name", by)
                .and("what", what)
                .and("starts", Times.dayAndTime(time.start(), time.zone()))
                .and("title", time.offering().title())
                .and("hosts", HostQueries.names(leaders, "nobody"))
                .and("session", time.id())
                .and("session_link", address.of("/desk/sessions/" + time.id()));
        recipients(time, leaders)
                .forEach(to -> outbox.letter(
                        LetterKind.TIME_NEWS,
                        "time-" + time.id() + "-" + what.charAt(0) + now.toEpochMilli() + "-" + Math.abs(to.hashCode()),
                        to,
                        given,
                        "",
                        now));
    }

    private Stream<String> recipients(Session time, List<Host> leaders) {
        String contact =
                time.offering().front().contactOr(organisation.organisation().contactEmail());
        Stream<String> led = leaders.stream()
                .flatMap(host -> team.member(host.id()).stream())
                .filter(TeamQueries.Mate::active)
                .map(TeamQueries.Mate::email);
        return Stream.concat(Stream.of(contact), led)
                .filter(to -> !to.isEmpty())
                .distinct();
    }
}
