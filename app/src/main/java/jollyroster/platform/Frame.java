package jollyroster.platform;

import java.time.Clock;
import java.time.ZoneId;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What every page shows around its content. */
@ControllerAdvice
class Frame {

    private final OrganisationQueries organisation;
    private final Clock clock;
    private final String assets;

    Frame(OrganisationQueries organisation, Clock clock, @Value("${jolly.assets}") String assets) {
        this.organisation = organisation;
        this.clock = clock;
        this.assets = "/assets/" + assets;
    }

    /** @param now the time on the organisation's clock, as shown in the masthead */
    record View(
            String name,
            String assets,
            String now,
            String city,
            String logo,
            String contact,
            String phone,
            String website) {}

    @ModelAttribute("frame")
    View frame() {
        Organisation our = organisation.organisation();
        ZoneId zone = our.zone();
        return new View(
                our.name(),
                assets,
                Times.dayAndTime(clock.instant(), zone),
                Times.city(zone),
                our.logo(),
                our.contactEmail(),
                our.phone(),
                our.website());
    }
}
