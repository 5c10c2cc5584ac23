package jollyroster.platform;

import java.time.Duration;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Serves pictures. A name stands for one picture for ever, so browsers may keep it. */
@RestController
class PictureController {

    private final PictureQueries pictures;

    PictureController(PictureQueries pictures) {
        this.pictures = pictures;
    }

    @GetMapping("/pictures/{name}")
    ResponseEntity<byte[]> picture(@PathVariable String name) {
        return pictures.picture(name)
                .map(p -> ResponseEntity.ok()
                        .contentType(MediaType.parseMediaType(p.mediaType()))
                        .cacheControl(CacheControl.maxAge(Duration.ofDays(365))
                                .cachePublic()
                                .immutable())
                        .body(p.content()))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }
}
