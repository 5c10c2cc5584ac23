package jollyroster.platform;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What every page shows around its content. */
@ControllerAdvice
class Frame {

    private final OrganisationQueries organisation;
    private final Clock clock;
    private final String assets;
    private final Remembered<Instant, View> kept;

    Frame(
            OrganisationQueries organisation,
            TableChanges changes,
            Clock clock,
            @Value("${jolly.assets}") String assets) {
        this.kept = new Remembered<>(changes, 5, "organisation");
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
        return kept.get(clock.instant().truncatedTo(ChronoUnit.MINUTES), this::at);
    }

    private View at(Instant minute) {
        Organisation our = organisation.organisation();
        ZoneId zone = our.zone();
        return new View(
                our.name(),
                assets,
                Times.dayAndTime(minute, zone),
                Times.city(zone),
                our.logo(),
                our.contactEmail(),
                our.phone(),
                our.website());
    }
}
