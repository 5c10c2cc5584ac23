package jollyroster.platform;

import static jollyroster.platform.tables.Tables.PICTURE;

import java.util.Optional;
import org.springframework.stereotype.Component;

/** Reads pictures. */
@Component
class PictureQueries {

    private final Reads reads;

    PictureQueries(Reads reads) {
        this.reads = reads;
    }

    record Kept(String mediaType, byte[] content) {}

    Optional<Kept> picture(String name) {
        return reads.sql()
                .select(PICTURE.MEDIA_TYPE, PICTURE.CONTENT)
                .from(PICTURE)
                .where(PICTURE.NAME.eq(name))
                .fetchOptional(r -> new Kept(r.value1(), r.value2()));
    }
}
