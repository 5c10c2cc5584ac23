package jollyroster.setup;

import java.time.Instant;
import java.util.List;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.OutsideService;
import jollyroster.platform.Times;
import org.springframework.stereotype.Component;

/** The services outside of the program that are set by whoever runs it, and whether they answer. */
@Component
class Connections {

    private final List<OutsideService> services;
    private final OrganisationQueries organisation;

    Connections(List<OutsideService> services, OrganisationQueries organisation) {
        this.services = services;
        this.organisation = organisation;
    }

    /** A service as the page shows it. @param stands in words @param well whether it answers */
    record Line(String name, String stands, boolean well) {}

    /** All but the meeting service. */
    List<Line> others() {
        return services.stream()
                .filter(s -> !s.name().equals("meeting service"))
                .map(this::line)
                .toList();
    }

    /** A moment on the organisation's clock. */
    String at(Instant moment) {
        return Times.dayAndTime(moment, organisation.organisation().zone());
    }

    private Line line(OutsideService service) {
        String stands = service.outSince()
                .map(since -> "has not answered since " + at(since))
                .orElse("no trouble");
        return new Line(service.name(), stands, service.outSince().isEmpty());
    }
}
