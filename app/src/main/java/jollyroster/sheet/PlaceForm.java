package jollyroster.sheet;

import java.util.List;
import java.util.Optional;
import jollyroster.programme.Format;
import jollyroster.programme.Section;

/** Where, and with whom. @param hosts the numbers of team members @param host who else leads it */
public record PlaceForm(String format, String venue, List<String> hosts, String host) {
    public PlaceForm {
        format = Typed.orEmpty(format);
        venue = Typed.orEmpty(venue);
        hosts = hosts == null
                ? List.of()
                : hosts.stream().filter(h -> !h.isEmpty()).distinct().toList();
        host = Typed.line(host);
    }

    public static PlaceForm of(String format, String venue, String... hosts) {
        return new PlaceForm(format, venue, List.of(hosts), "");
    }

    List<Long> hostIds() {
        return hosts.stream().map(Long::valueOf).toList();
    }

    Section section() {
        Optional<Long> chosen = venue.isEmpty() ? Optional.empty() : Optional.of(Long.valueOf(venue));
        return new Section.Place(Format.valueOf(format), chosen, hostIds(), host);
    }
}
