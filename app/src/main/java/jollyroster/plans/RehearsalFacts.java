package jollyroster.plans;

import java.util.List;
import java.util.Locale;
import jollyroster.core.messages.Rehearsal.Player;
import jollyroster.core.messages.Rehearsal.Standing;
import jollyroster.core.messages.Rehearsal.State;
import jollyroster.core.messages.Timing;
import jollyroster.outbox.Letters;
import jollyroster.platform.Address;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.Venue;
import org.springframework.stereotype.Component;

/** What a letter to somebody made up can say. Its links lead back into the rehearsal. */
@Component
class RehearsalFacts {

    private final HostQueries hosts;
    private final Letters letters;
    private final Address address;

    RehearsalFacts(HostQueries hosts, Letters letters, Address address) {
        this.hosts = hosts;
        this.letters = letters;
        this.address = address;
    }

    /** @param back where its links lead */
    Letters.Facts of(Offering o, Player player, State state, String back) {
        String link = address.of(back);
        Timing timing = state.timing();
        boolean seated = state.standing() == Standing.SEATED;
        boolean online = o.venue().map(Venue::isOnline).orElse(false);
        String place = state.elsewhere() ? "the other place of this rehearsal" : online ? "online" : o.place();
        Letters.Sender sender = letters.sender();
        List<Host> leaders = hosts.ofOffering(o.id());
        return new Letters.Facts(
                player.name(),
                "rehearsal@" + address.host(),
                player.zone(),
                seated ? Letters.Standing.SEATED : Letters.Standing.WAITING,
                1,
                seated ? 0 : 1,
                state.calledOff(),
                o.title(),
                timing.hours().start(),
                timing.hours().end(),
                timing.zone(),
                place,
                online,
                link,
                link,
                sender.organisation(),
                sender.replyTo(),
                List.of(),
                List.of(),
                new Letters.Offer(state.until(), false, false, link, ""),
                new Letters.About(
                        o.id(),
                        leaders.stream().map(Host::id).toList(),
                        HostQueries.names(leaders, o.hostName()),
                        o.bring(),
                        true,
                        Locale.forLanguageTag(o.front().language())));
    }
}
