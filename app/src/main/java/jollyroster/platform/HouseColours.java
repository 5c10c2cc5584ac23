package jollyroster.platform;

import java.time.Duration;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The organisation's colour as a style sheet, so that pages need no inline style. */
@RestController
class HouseColours {

    private final OrganisationQueries organisation;

    HouseColours(OrganisationQueries organisation) {
        this.organisation = organisation;
    }

    @GetMapping("/organisation.css")
    ResponseEntity<String> colours() {
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("text/css"))
                .cacheControl(CacheControl.maxAge(Duration.ofMinutes(5)))
                .body(":root { --house: " + organisation.organisation().colour() + "; }\n");
    }
}
