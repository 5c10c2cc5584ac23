package jollyroster.sheet;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.Text;
import jollyroster.programme.Format;
import jollyroster.programme.Offering;
import jollyroster.programme.Section;

/** Where, and with whom. @param hosts the numbers of team members @param host who else leads it */
record PlaceForm(String format, String venue, List<String> hosts, String host, String bufferBefore, String bufferAfter)
        implements PartForm {

    private static final int MOST_HOSTS = 10;
    private static final int DAY = 1440;

    PlaceForm {
        format = Typed.orEmpty(format);
        venue = Typed.orEmpty(venue);
        hosts = hosts == null
                ? List.of()
                : hosts.stream().filter(h -> !h.isEmpty()).distinct().toList();
        host = Typed.line(host);
        bufferBefore = Typed.number(bufferBefore, "0");
        bufferAfter = Typed.number(bufferAfter, "0");
    }

    /** @param hosts the numbers of its hosts, in order */
    static PlaceForm of(Offering o, List<Long> hosts) {
        return new PlaceForm(
                o.format().name(),
                o.venue().map(v -> String.valueOf(v.id())).orElse(""),
                hosts.stream().map(String::valueOf).toList(),
                o.hostName(),
                String.valueOf(o.rules().bufferBefore()),
                String.valueOf(o.rules().bufferAfter()));
    }

    @Override
    public Map<String, String> problems() {
        boolean venueFits = venue.isEmpty() || isId(venue);
        boolean hostsFit = hosts.size() <= MOST_HOSTS && hosts.stream().allMatch(PlaceForm::isId);
        return new Checks()
                .oneOf(Format.values(), "format", "Format", format)
                .that(venueFits, "venue", "Venue: choose one of those offered.")
                .that(hostsFit, "hosts", "Hosts: choose at most 10.")
                .atMost(120, "host", "Guest", host)
                .number("bufferBefore", "Minutes kept free before", bufferBefore, 0, DAY)
                .number("bufferAfter", "Minutes kept free after", bufferAfter, 0, DAY)
                .problems();
    }

    private static boolean isId(String text) {
        return Text.isNumber(text, 1, Integer.MAX_VALUE);
    }

    @Override
    public Section section() {
        Optional<Long> chosen = venue.isEmpty() ? Optional.empty() : Optional.of(Long.valueOf(venue));
        List<Long> ids = hosts.stream().map(Long::valueOf).toList();
        return new Section.Place(
                Format.valueOf(format),
                chosen,
                ids,
                host,
                Integer.parseInt(bufferBefore),
                Integer.parseInt(bufferAfter));
    }
}
