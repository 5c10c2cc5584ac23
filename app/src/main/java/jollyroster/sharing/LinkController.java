package jollyroster.sharing;

import java.time.Duration;
import jollyroster.platform.Address;
import jollyroster.platform.QrCode;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.texting.ShortLinkQueries;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Short links and QR codes. Drafts have neither. */
@RestController
class LinkController {

    private static final int PIXELS_A_MODULE = 12;
    private final ProgrammeQueries queries;
    private final ShortLinkQueries personal;
    private final Address address;

    LinkController(ProgrammeQueries queries, ShortLinkQueries personal, Address address) {
        this.personal = personal;
        this.queries = queries;
        this.address = address;
    }

    @GetMapping("/s/{code}")
    ResponseEntity<Void> shortLink(@PathVariable String code) {
        return queries.shownByShortCode(code)
                .map(o -> ResponseEntity.status(HttpStatus.FOUND)
                        .header("Location", "/p/" + o.slug())
                        .<Void>build())
                .orElseGet(() -> personal(code));
    }

    /** The short way out of a text to a personal link. */
    private ResponseEntity<Void> personal(String code) {
        return personal.address(code)
                .map(path -> ResponseEntity.status(HttpStatus.FOUND)
                        .header("Location", path)
                        .header("Referrer-Policy", "no-referrer")
                        .cacheControl(CacheControl.noStore())
                        .<Void>build())
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    @GetMapping("/p/{slug}/qr.svg")
    ResponseEntity<String> svg(@PathVariable String slug) {
        return queries.shown(slug)
                .map(o -> kept().contentType(MediaType.valueOf("image/svg+xml")).body(code(o).svg()))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    @GetMapping("/p/{slug}/qr.png")
    ResponseEntity<byte[]> png(@PathVariable String slug) {
        return queries.shown(slug)
                .map(o -> kept().contentType(MediaType.IMAGE_PNG).body(code(o).png(PIXELS_A_MODULE)))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    private static ResponseEntity.BodyBuilder kept() {
        return ResponseEntity.ok().cacheControl(CacheControl.maxAge(Duration.ofHours(1)));
    }

    private QrCode code(Offering offering) {
        return QrCode.of(address.of("/s/" + offering.front().shortCode()));
    }
}
