package jollyroster.live;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import jollyroster.platform.Actor;
import jollyroster.platform.SafeFile;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** Hands out the files of a session. */
@Controller
class MaterialController {

    private final MaterialFiles files;

    MaterialController(MaterialFiles files) {
        this.files = files;
    }

    /** To be saved, never shown here: what is in it is not ours. */
    @GetMapping("/materials/{token}")
    ResponseEntity<byte[]> file(@PathVariable String token, Actor actor) {
        Optional<SafeFile> file = files.file(token, actor.isTeam());
        return file.map(f -> ResponseEntity.ok()
                        .contentType(MediaType.parseMediaType(f.type()))
                        .cacheControl(CacheControl.noCache().cachePrivate())
                        .header(
                                "Content-Disposition",
                                ContentDisposition.attachment()
                                        .filename(f.name(), StandardCharsets.UTF_8)
                                        .build()
                                        .toString())
                        .header("X-Content-Type-Options", "nosniff")
                        .body(f.content()))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }
}
