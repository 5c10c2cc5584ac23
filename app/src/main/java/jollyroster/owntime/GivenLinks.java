package jollyroster.owntime;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import jollyroster.core.dates.DayRange;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** Says of each link that gives one person one time what it is good for and what became of it. */
@Component
class GivenLinks {

    private final TimeLinkQueries links;
    private final HostQueries hosts;
    private final RegistrationQueries roster;
    private final PersonalLinks addresses;

    GivenLinks(TimeLinkQueries links, HostQueries hosts, RegistrationQueries roster, PersonalLinks addresses) {
        this.links = links;
        this.hosts = hosts;
        this.roster = roster;
        this.addresses = addresses;
    }

    List<SendTimesView.Given> of(Offering o) {
        List<TimeLink> all = links.ofOffering(o.id());
        Map<Long, String> leaders = hosts.ofOffering(o.id()).stream().collect(Collectors.toMap(Host::id, Host::name));
        Map<Long, Registration> used = roster.registrations(
                all.stream().flatMap(link -> link.registration().stream()).toList());
        return all.stream()
                .map(link -> given(o, link, leaders, link.registration().map(used::get)))
                .toList();
    }

    private SendTimesView.Given given(
            Offering o, TimeLink link, Map<Long, String> leaders, Optional<Registration> used) {
        String named = link.hosts().stream()
                .map(leaders::get)
                .filter(Objects::nonNull)
                .sorted()
                .collect(Collectors.joining(" or "));
        String whom = named.isEmpty() ? "" : " with " + named;
        return new SendTimesView.Given(
                link.link().id(),
                link.label(),
                (within(link.days()) + whom).strip(),
                state(link, used),
                link.isGood() ? addresses.oneTime(o.slug(), link.link()) : "",
                link.isGood(),
                used.map(r -> "/desk/sessions/" + r.session()).orElse(""));
    }

    private static String within(DayRange days) {
        return days.first().map(day -> "from " + Times.dayAndMonth(day)).orElse("")
                + days.last().map(day -> " to " + Times.dayAndMonth(day)).orElse("");
    }

    private static String state(TimeLink link, Optional<Registration> used) {
        if (link.revoked()) {
            return "taken back";
        }
        return link.registration().isEmpty()
                ? "not used yet"
                : "used by " + used.map(Registration::name).orElse("somebody");
    }
}
