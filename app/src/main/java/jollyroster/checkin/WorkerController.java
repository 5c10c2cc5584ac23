package jollyroster.checkin;

import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** What makes the entrance work without network. Their addresses say what they are for: nothing but the check-in. */
@RestController
class WorkerController {

    private static final String MANIFEST = """
            {"name": "Jolly Roster", "short_name": "Roster", "start_url": "/desk", "scope": "/desk/", "display": "standalone",
             "background_color": "#ffffff", "theme_color": "#1f5c4d",
             "icons": [{"src": "/img/mark.svg", "sizes": "any", "type": "image/svg+xml"}]}
            """;

    /** A worker reaches no further than the folder it comes from. */
    @GetMapping("/check-in-worker.js")
    ResponseEntity<Resource> worker() {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noCache())
                .header("Service-Worker-Allowed", "/desk/check-in/")
                .contentType(MediaType.valueOf("text/javascript"))
                .body(new ClassPathResource("static/js/check-in-worker.js"));
    }

    @GetMapping("/check-in.webmanifest")
    ResponseEntity<String> manifest() {
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("application/manifest+json"))
                .body(MANIFEST);
    }
}
